import Button from '@mui/material/Button';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { BELT_RESULTS } from '../../core';
import { ChoiceField, NumberField } from '../form/fields';
import { Switch } from '../Switch';
import './RuleFields.css';

const GIVEN = BELT_RESULTS.filter((r) => r !== 'held over');
/** As marks begin; common practice, no source. */
const USUAL_SCALE = { outOf: 10, stands: 7, nearly: 5 };
const HOW = ['the middle', 'the lowest'] as const;

/** How gradings decide: shares, how several words become one, and the laths. `name` is where the rule stands in the form. */
export function RuleFields({ name }: { name: string }) {
  const { control, watch, setValue } = useFormContext();
  const scaled = watch(`${name}.scale`) !== null;
  const laths = useFieldArray({ control, name: `${name}.laths` });
  return (
    <div className="stack rule-fields">
      <NumberField name={`${name}.repetitions`} label="Repetitions of each item and side" />
      <div className="two">
        <NumberField name={`${name}.stands`} label="Stands from, %" times={100} />
        <NumberField name={`${name}.criticalStands`} label="Critical points, %" times={100} />
        <NumberField name={`${name}.nearly`} label="Nearly from, %" times={100} />
        <NumberField
          name={`${name}.mayFallShort`}
          label="May fall short, %"
          times={100}
          help="Of an item’s points, never of the critical ones."
        />
      </div>
      <p className="second">Of each item an examiner gives</p>
      <Switch
        label="Of each item an examiner gives"
        value={scaled ? 'marks' : 'words'}
        onChange={(to) => setValue(`${name}.scale`, to === 'words' ? null : USUAL_SCALE, { shouldDirty: true })}
        options={[
          { value: 'words', word: 'a word' },
          { value: 'marks', word: 'a mark' },
        ]}
      />
      {scaled && (
        <div className="two">
          <NumberField name={`${name}.scale.outOf`} label="Marks out of" />
          <NumberField name={`${name}.scale.stands`} label="Stands from" />
          <NumberField name={`${name}.scale.nearly`} label="Nearly from" />
        </div>
      )}
      <ChoiceField name={`${name}.words`} label="Several words become" options={HOW} />
      <ChoiceField name={`${name}.critical`} label="Of items critical for the belt" options={HOW} />
      <h3>Laths</h3>
      <p className="second">
        The best one that fits is the outcome: so many items may be short, so many of them not yet. Where none fits the
        belt is held over. A critical item that is nearly there allows a part again at best.
      </p>
      <ul className="stack">
        {laths.fields.map((f, i) => (
          <li key={f.id} className="stack line py-2">
            <ChoiceField name={`${name}.laths.${i}.outcome`} label={`Lath ${i + 1}`} options={GIVEN} />
            <div className="two">
              <NumberField name={`${name}.laths.${i}.short`} label="At most short" />
              <NumberField name={`${name}.laths.${i}.notYet`} label="Of them not yet" />
            </div>
            <Button variant="text" aria-label={`Remove lath ${i + 1}`} onClick={() => laths.remove(i)}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <Button onClick={() => laths.append({ outcome: 'part again', short: 0, notYet: 0 })}>Add a lath</Button>
    </div>
  );
}
