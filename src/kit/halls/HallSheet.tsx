import Button from '@mui/material/Button';
import { useState } from 'react';
import type { CommandDraft } from '../../contracts/commands';
import { hallInput } from '../../contracts/hall';
import type { HallShown } from '../../contracts/views';
import { NumberField, TextField } from '../form/fields';
import { SheetForm } from '../form/SheetForm';
import { useEditedSheet } from '../form/useEditedSheet';
import { newId, send } from '../send';

/** The rooms the school trains in: name and size. */
export function HallSheet({
  halls,
  done,
  leave,
}: {
  halls: readonly HallShown[];
  done: () => Promise<void>;
  leave?: () => void;
}) {
  const [changed, setChanged] = useState<HallShown | null>(null);
  const [wrong, setWrong] = useState('');
  /** Every save begins another form. */
  const [round, setRound] = useState(0);
  const remove = async (id: string) => {
    const answer = await send('hall.remove', { id });
    setWrong(answer.ok ? '' : answer.title);
    if (answer.ok) await done();
  };
  return (
    <HallForm
      key={`${changed?.id ?? 'new'} ${round}`}
      value={changed}
      done={async () => {
        await done();
        setChanged(null);
        setRound(round + 1);
      }}
      {...(leave ? { leave } : {})}
    >
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <ul>
        {halls.map((h) => (
          <li key={h.id} className="line spread">
            <span>
              {h.name}, {h.width} by {h.depth} m
            </span>
            <span className="row">
              <Button variant="text" onClick={() => setChanged(h)}>
                Change
              </Button>
              <Button variant="text" onClick={() => void remove(h.id)}>
                Remove
              </Button>
            </span>
          </li>
        ))}
      </ul>
    </HallForm>
  );
}

function HallForm({
  value,
  done,
  leave,
  children,
}: {
  value: HallShown | null;
  done: () => Promise<void>;
  leave?: () => void;
  children: React.ReactNode;
}) {
  const start: CommandDraft<'hall.save'> = value
    ? { id: value.id, name: value.name, width: value.width, depth: value.depth }
    : { id: newId(), name: '', width: Number.NaN, depth: Number.NaN };
  const { sheet, meeting } = useEditedSheet<'hall.save'>({
    command: 'hall.save',
    version: value?.version,
    schema: hallInput,
    start,
    done,
    title: `Which ${start.name} shall stand?`,
    nameOf: (path) => ({
      where: start.name,
      what: path.at(-1) === 'name' ? 'its name' : `its ${path.at(-1)} in metres`,
    }),
  });
  return (
    <SheetForm sheet={sheet} title="Where do we train?" saves="Keep it" {...(leave ? { leave } : {})} leaves="Done">
      {meeting}
      {children}
      <div className="row top">
        <TextField name="name" label="Name" />
        <NumberField name="width" label="Width, m" />
        <NumberField name="depth" label="Depth, m" />
      </div>
    </SheetForm>
  );
}
