import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import type { CommandDraft, CommandName, FieldError } from '../../contracts/commands';
import type { Cloth } from '../../contracts/rank';
import type { SyllabusView } from '../../contracts/views';
import { Belt } from '../../kit/marks/Belt';
import { errorAt, newId } from '../../kit/send';
import { useSideBySide } from '../../kit/sideBySide/useSideBySide';
import { CUTTINGS } from '../../kit/tokens';

/** Sends a command; null if it was done, otherwise what is wrong at which field. */
export type Does = <N extends CommandName>(name: N, input: CommandDraft<N>) => Promise<FieldError[] | null>;

/** A belt's name and cloth. */
export function BeltSheet({
  value,
  does,
  leave,
  made,
  saved,
}: {
  value: SyllabusView['ranks'][number] | null;
  does: Does;
  leave: () => void;
  made: (id: string) => void;
  saved: () => Promise<void>;
}) {
  const [id] = useState(value?.id ?? newId());
  const [name, setName] = useState(value?.name ?? '');
  const [cloth, setCloth] = useState<Cloth>(
    value?.cloth ?? { colour: CUTTINGS[0]!.colour, second: null, stripe: null, bars: 0 },
  );
  const [errors, setErrors] = useState<FieldError[]>([]);
  const { save: saveIt, meeting } = useSideBySide('rank.save', {
    title: `Which ${value?.name ?? ''} belt shall stand?`,
    nameOf: (path) => ({
      where: value?.name ?? 'The belt',
      what: path.at(-1) === 'name' ? 'its name' : `its cloth: ${path.at(-1)}`,
    }),
    done: saved,
  });
  const save = async (e: SyntheticEvent) => {
    e.preventDefault();
    if (value) {
      const { version, ...was } = value;
      const answer = await saveIt({ id, name: was.name, cloth: was.cloth }, { id, name, cloth }, version);
      if (answer.ok) await saved();
      else if (!answer.meanwhile)
        setErrors(answer.errors.length > 0 ? answer.errors : [{ path: 'name', message: answer.title }]);
      return;
    }
    const wrong = await does('rank.save', { id, name, cloth });
    setErrors(wrong ?? []);
    if (wrong === null) made(id);
  };
  const colours = (label: string, now: string | null, set: (c: string | null) => void, none: boolean) => (
    <TextField
      id={`cloth-${label}`}
      label={label}
      select
      value={now ?? ''}
      onChange={(e) => set(e.target.value === '' ? null : e.target.value)}
    >
      {none && <MenuItem value="">none</MenuItem>}
      {CUTTINGS.map((c) => (
        <MenuItem key={c.colour} value={c.colour}>
          {c.name}
        </MenuItem>
      ))}
      {now !== null && !CUTTINGS.some((c) => c.colour === now) && <MenuItem value={now}>{now}</MenuItem>}
    </TextField>
  );
  return (
    <form className="sheet stack" onSubmit={(e) => void save(e)} noValidate>
      {meeting}
      <h2>{value ? `Name and cloth of ${value.name}` : 'A new belt'}</h2>
      <Belt name={name || 'New'} cloth={cloth} width={132} height={33} />
      <TextField
        id="rank-name"
        label="Name"
        value={name}
        onChange={(e) => setName(e.target.value)}
        error={!!errorAt(errors, 'name')}
        helperText={errorAt(errors, 'name')}
      />
      {colours('Colour', cloth.colour, (c) => setCloth({ ...cloth, colour: c ?? cloth.colour }), false)}
      <div className="row">
        {colours('Second colour', cloth.second, (second) => setCloth({ ...cloth, second }), true)}
        {colours('Stripe', cloth.stripe, (stripe) => setCloth({ ...cloth, stripe }), true)}
      </div>
      <TextField
        id="rank-bars"
        label="Bars near the tip"
        type="number"
        value={cloth.bars}
        onChange={(e) => setCloth({ ...cloth, bars: Math.max(0, Math.min(6, Number(e.target.value))) })}
      />
      {!value && <p className="sub">It is added above the highest belt; move it down from there.</p>}
      <div className="row">
        <Button type="submit" variant="contained">
          Save
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}
