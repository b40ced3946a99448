import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import type { FieldError } from '../../contracts/commands';
import type { HallShown } from '../../contracts/views';
import { errorAt, newId, send } from '../../kit/send';
import { useSideBySide } from '../../kit/sideBySide/useSideBySide';

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
  const [wrong, setWrong] = useState('');
  const finish = async () => {
    setId(newId());
    setName('');
    setWidth('');
    setDepth('');
    await done();
  };
  const { save: saveIt, meeting } = useSideBySide('hall.save', {
    title: `Which ${name} shall stand?`,
    nameOf: (path) => ({ where: name, what: path.at(-1) === 'name' ? 'its name' : `its ${path.at(-1)} in metres` }),
    done: finish,
  });
  const remove = async (hallId: string) => {
    const answer = await send('hall.remove', { id: hallId });
    setWrong(answer.ok ? '' : answer.title);
    if (answer.ok) await done();
  };
  const field = (path: string) => ({ error: !!errorAt(errors, path), helperText: errorAt(errors, path) });
  const save = async (e: SyntheticEvent) => {
    e.preventDefault();
    const now = {
      id,
      name,
      width: Number(width.replace(',', '.')),
      depth: Number(depth.replace(',', '.')),
    };
    const { version, ...was } = halls.find((h) => h.id === id) ?? { ...now, version: undefined };
    const answer = await saveIt(was, now, version);
    setErrors(answer.ok ? [] : answer.errors);
    setWrong(answer.ok || answer.meanwhile || answer.errors.length > 0 ? '' : answer.title);
    if (answer.ok) await finish();
  };
  return (
    <form className="sheet stack" onSubmit={(e) => void save(e)} noValidate>
      {meeting}
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
            <Button onClick={() => void remove(h.id)}>Remove</Button>
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
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <div className="row">
        <Button type="submit" variant="contained">
          Keep it
        </Button>
        <Button onClick={leave}>Done</Button>
      </div>
    </form>
  );
}
