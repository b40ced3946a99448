import Button from '@mui/material/Button';
import { useFieldArray } from 'react-hook-form';
import { cycleRowShape } from '../../contracts/cycle';
import { BLOCK_KINDS, HEAVINESS, WEEKDAYS, type Cycle, type CycleRow } from '../../core';
import {
  CheckField,
  ChoiceField,
  DateField,
  NumberField,
  PickField,
  PickManyField,
  TextField,
} from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';

const DAYS = [1, 2, 3, 4, 5, 6, 0].map((d) => ({ id: String(d), name: WEEKDAYS[d]! }));
const TOGETHER = 'all';

/** What one row needs, how it comes, and what it hangs on. */
export function RowSheet({
  cycle,
  row,
  had,
  done,
  remove,
  leave,
}: {
  cycle: Cycle;
  row: CycleRow;
  /** Minutes that were held of it so far. */
  had: number;
  done: (row: CycleRow) => void;
  remove: () => void;
  leave: () => void;
}) {
  const sheet = useSheet({
    start: {
      ...row,
      items: row.items.map((i) => ({ ...i })),
      notOn: row.notOn.map(String),
      group: row.group === null ? TOGETHER : String(row.group),
      opens: row.opens.map((o) => ({ ...o })),
    },
    schema: cycleRowShape,
    make: (v) => ({
      ...v,
      notOn: v.notOn.map(Number),
      group: v.group === TOGETHER ? null : Number(v.group),
    }),
    saving: (_draft, read) => {
      done(read);
      return { ok: true, answer: {} };
    },
    done: () => undefined,
  });
  const opens = useFieldArray({ control: sheet.form.control, name: 'opens' });
  const others = cycle.rows.filter((r) => r.id !== row.id).map((r) => ({ id: r.id, name: r.name }));
  return (
    <SheetForm
      sheet={sheet}
      title={row.name}
      saves="Keep it"
      leave={leave}
      more={
        <Button variant="text" onClick={remove}>
          Take it out
        </Button>
      }
    >
      <TextField name="name" label="Name" />
      <NumberField name="minutes" label="Minutes until the day" help={had > 0 ? `${had} of them are held.` : ''} />
      <div className="two">
        <NumberField name="least" label="In a class, at least" />
        <NumberField name="most" label="at most" />
        <NumberField name="gap" label="Again within, classes" />
        <DateField name="from" label="Not before" none />
      </div>
      <PickManyField name="notOn" label="Not on" options={DAYS} />
      <div className="two">
        <ChoiceField name="kind" label="For" options={BLOCK_KINDS.filter((k) => k !== 'opening' && k !== 'close')} />
        <ChoiceField name="heaviness" label="On bodies" options={[...HEAVINESS]} />
      </div>
      {cycle.groups.length > 1 && (
        <ChoiceField
          name="group"
          label="Who"
          options={[
            { value: TOGETHER, word: 'all together' },
            ...cycle.groups.map((g, i) => ({ value: String(i), word: g })),
          ]}
        />
      )}
      <CheckField name="fresh" label="New: it is introduced in these weeks" />
      <TextField name="how" label="How it is done" />
      <TextField name="things" label="What is taken out" />
      <TextField name="caution" label="What to mind" lines={2} />
      <h3>Has to be there before</h3>
      {opens.fields.map((f, i) => (
        <div key={f.id} className="stack">
          <PickField name={`opens.${i}.on`} label="What" options={others} />
          <div className="row top">
            <NumberField name={`opens.${i}.minutes`} label="Minutes of it" />
            <Button variant="text" aria-label={`Remove condition ${i + 1}`} onClick={() => opens.remove(i)}>
              Remove
            </Button>
          </div>
        </div>
      ))}
      {others.length > 0 && (
        <Button onClick={() => opens.append({ on: others[0]!.id, minutes: 30 })}>Something goes before it</Button>
      )}
    </SheetForm>
  );
}
