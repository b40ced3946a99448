import Button from '@mui/material/Button';
import { strikeInput, type Strikable } from '../../contracts/struck';
import { TextField } from '../form/fields';
import { SheetForm } from '../form/SheetForm';
import { useCommandSheet } from '../form/useSheet';
import { WhatFollows } from './WhatFollows';

/** Something on record that may be wrong: what it is and what it says. */
export interface Thing {
  kind: Strikable;
  id: string;
  says: string;
}
export type OnStrike = ((thing: Thing) => void) | null;

const WHAT_FOLLOWS: Record<Strikable, string> = {
  look: 'What was marked counts no longer; verdict, chance and correction are reckoned without it.',
  class: 'Nobody was there then: hours and classes of the gates go down by it.',
  promotion: 'The belt before is worn again and its list is asked; the decision by which it was given goes back too.',
  decision: 'It counts no longer among what chances are held against; a belt that was given by it goes back too.',
  adaptation: 'From now on the point is asked as of everybody, also of what was seen while it was adapted.',
  consent: 'What was said before it counts again. Whoever trained on it meanwhile has to be told.',
  load: 'Numbers and stops that followed from it are reckoned without it.',
  practice: 'It counts no longer in what was done at home.',
};

/** The small word beside an entry that opens its striking. */
export const StrikeWord = ({ thing, onStrike }: { thing: Thing; onStrike: OnStrike }) =>
  onStrike && (
    <Button variant="text" className="no-print" aria-label={`Strike: ${thing.says}`} onClick={() => onStrike(thing)}>
      strike
    </Button>
  );

/** Takes an entry out of the record, with why. Nothing is lost: it stays readable as struck. */
export function StrikeSheet({
  studentId,
  done,
  leave,
  thing,
  seesAhead = true,
}: {
  done: () => Promise<void>;
  leave: () => void;
  studentId: string | null;
  thing: Thing;
  /** Teachers read beforehand what follows. */
  seesAhead?: boolean;
}) {
  const draft = { id: thing.id, kind: thing.kind, studentId };
  const sheet = useCommandSheet<'record.strike'>({
    command: 'record.strike',
    schema: strikeInput,
    start: { ...draft, reason: '' },
    done,
  });
  return (
    <SheetForm sheet={sheet} title={`Strike “${thing.says}”?`} label="Strike it" saves="Strike it" leave={leave}>
      <p>{WHAT_FOLLOWS[thing.kind]}</p>
      <TextField name="reason" label="Because" />
      {seesAhead && <WhatFollows name="record.strike" draft={{ ...draft, reason: '' }} />}
      <p className="second">It is kept with who struck it and why.</p>
    </SheetForm>
  );
}
