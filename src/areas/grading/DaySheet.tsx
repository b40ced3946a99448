import Button from '@mui/material/Button';
import { useFieldArray } from 'react-hook-form';
import { daySettingsShape } from '../../contracts/runSheet';
import type { DaySettings } from '../../core';
import { ClockField, NumberField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';

/** What stands on the sheet of the day: times, floors, how it is looked at, what is brought out. */
export function DaySheet({
  value,
  panel,
  done,
  leave,
}: {
  value: DaySettings;
  panel: readonly { id: string; name: string }[];
  done: (s: DaySettings) => void;
  leave: () => void;
}) {
  const sheet = useSheet({
    start: {
      ...value,
      things: value.things.map((t) => ({ ...t })),
      comes: panel.map((p) => ({ id: p.id, at: value.comes[p.id] ?? value.begins })),
    },
    schema: daySettingsShape,
    make: ({ comes, ...s }) => ({
      ...s,
      comes: Object.fromEntries(comes.filter((c) => c.at > s.begins).map((c) => [c.id, c.at])),
    }),
    saving: (_draft, read) => {
      done(read);
      return { ok: true, answer: {} };
    },
    done: leave,
  });
  const things = useFieldArray({ control: sheet.form.control, name: 'things' });
  return (
    <SheetForm sheet={sheet} title="The day" saves="Lay it out" leave={leave}>
      <div className="two">
        <ClockField name="begins" label="Begins" />
        <ClockField name="ends" label="Should end" />
        <NumberField name="opening" label="Bow and warm-up, min" />
        <NumberField name="pause" label="Break, min" help="0: none." />
        <NumberField name="panel" label="The panel sits, min" />
        <NumberField name="closing" label="Belts and bow, min" />
        <NumberField name="floors" label="Floors" />
        <NumberField name="mats" label="Of them with mats" help="0: falls are done on the floor." />
        <NumberField name="line" label="In one line, at most" />
        <NumberField name="formTogether" label="Show a form together" />
        <NumberField name="eyes" label="Examiners a group" help="At least." />
        <NumberField name="rest" label="Rest for who stands in, min" />
        <NumberField name="secondsRepetition" label="A repetition, seconds" />
        <NumberField name="secondsCount" label="A count, seconds" />
      </div>
      <h3>The panel is there from</h3>
      <div className="two">
        {panel.map((p, i) => (
          <ClockField key={p.id} name={`comes.${i}.at`} label={p.name} />
        ))}
      </div>
      <h3>Brought out</h3>
      {things.fields.map((f, i) => (
        <div key={f.id} className="row top">
          <TextField name={`things.${i}.name`} label="What" />
          <NumberField name={`things.${i}.count`} label="How many" />
          <Button variant="text" aria-label={`Remove thing ${i + 1}`} onClick={() => things.remove(i)}>
            Remove
          </Button>
        </div>
      ))}
      <Button onClick={() => things.append({ name: '', count: 1 })}>Add a thing</Button>
      <p className="second">Who has a weapon or a shield in hand, and how far apart they stand, is the hall’s rule.</p>
    </SheetForm>
  );
}
