import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import type { FieldError } from '../../contracts/commands';
import type { HallShown } from '../../contracts/views';
import { errorAt, newId, send } from '../../kit/send';

/** The rooms the school trains in: name and size. */
export function HallSheet({
  halls,
  done,
  leave,
}: {
  halls: readonly HallShown[];
  done: () => Promise<void>;
  leave: () => void;
}) {
  const [id, setId] = useState(newId);
  const [name, setName] = useState('');
  const [width, setWidth] = useState('');
  const [depth, setDepth] = useState('');
  const [errors, setErrors] = useState<FieldError[]>([]);
  const field = (path: string) => ({ error: !!errorAt(errors, path), helperText: errorAt(errors, path) });
  const save = async (e: SyntheticEvent) => {
    e.preventDefault();
    const answer = await send('hall.save', {
      id,
      name,
      width: Number(width.replace(',', '.')),
      depth: Number(depth.replace(',', '.')),
    });
    setErrors(answer.ok ? [] : answer.errors);
    if (!answer.ok) return;
    setId(newId());
    setName('');
    setWidth('');
    setDepth('');
    await done();
  };
  return (
    <form className="sheet stack" onSubmit={(e) => void save(e)} noValidate>
      <h2>Where do we train?</h2>
      <ul>
        {halls.map((h) => (
          <li key={h.id} className="row">
            <span>
              {h.name}, {h.width} by {h.depth} m
            </span>
            <Button
              onClick={() => {
                setId(h.id);
                setName(h.name);
                setWidth(String(h.width));
                setDepth(String(h.depth));
              }}
            >
              Change
            </Button>
            <Button onClick={() => void send('hall.remove', { id: h.id }).then(done)}>Remove</Button>
          </li>
        ))}
      </ul>
      <div className="row" style={{ alignItems: 'flex-start' }}>
        <TextField
          id="hall-name"
          label="Name"
          value={name}
          onChange={(e) => setName(e.target.value)}
          {...field('name')}
        />
        <TextField
          id="hall-width"
          label="Width in metres"
          value={width}
          onChange={(e) => setWidth(e.target.value)}
          {...field('width')}
        />
        <TextField
          id="hall-depth"
          label="Depth in metres"
          value={depth}
          onChange={(e) => setDepth(e.target.value)}
          {...field('depth')}
        />
      </div>
      <div className="row">
        <Button type="submit" variant="contained">
          Keep it
        </Button>
        <Button onClick={leave}>Done</Button>
      </div>
    </form>
  );
}
