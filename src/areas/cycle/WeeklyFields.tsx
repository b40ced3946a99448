import Button from '@mui/material/Button';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { WEEKDAYS } from '../../core';
import { ChoiceField, ClockField, NumberField } from '../../kit/form/fields';

const DAYS = [1, 2, 3, 4, 5, 6, 0].map((d) => ({ value: String(d), word: WEEKDAYS[d]! }));

/** A weekly class as it stands in fields. */
export interface WeeklyTyped {
  weekday: string;
  starts: number;
  minutes: number;
  hallId: string;
}

/** The classes of a week, one line each. */
export function WeeklyFields({ halls }: { halls: readonly { id: string; name: string }[] }) {
  const { control, formState } = useFormContext<{ weekly: WeeklyTyped[] }>();
  const { weekly: amiss } = formState.errors;
  const wrong = amiss?.root?.message ?? amiss?.message;
  const weekly = useFieldArray({ control, name: 'weekly' });
  const last = weekly.fields.at(-1);
  return (
    <div className="stack">
      <h3>Every week</h3>
      {weekly.fields.map((f, i) => (
        <div key={f.id} className="weekly-row">
          <ChoiceField name={`weekly.${i}.weekday`} label="Day" options={DAYS} />
          <ClockField name={`weekly.${i}.starts`} label="Begins" />
          <NumberField name={`weekly.${i}.minutes`} label="Minutes" />
          {halls.length > 1 && (
            <ChoiceField
              name={`weekly.${i}.hallId`}
              label="Hall"
              options={[{ value: '', word: 'no hall said' }, ...halls.map((h) => ({ value: h.id, word: h.name }))]}
            />
          )}
          <Button variant="text" aria-label={`Remove class ${i + 1}`} onClick={() => weekly.remove(i)}>
            Remove
          </Button>
        </div>
      ))}
      {wrong !== undefined && (
        <p className="message wrong" role="alert">
          {wrong}
        </p>
      )}
      <Button
        onClick={() =>
          weekly.append({
            weekday: '1',
            starts: last?.starts ?? 18 * 60 + 30,
            minutes: last?.minutes ?? 90,
            hallId: last?.hallId ?? halls[0]?.id ?? '',
          })
        }
      >
        Another class a week
      </Button>
    </div>
  );
}

export const weeklyTyped = (
  list: readonly { weekday: number; starts: number; minutes: number; hallId: string | null }[],
): WeeklyTyped[] => list.map((w) => ({ ...w, weekday: String(w.weekday), hallId: w.hallId ?? '' }));

export const weeklyRead = (list: readonly WeeklyTyped[]) =>
  list.map((w) => ({ ...w, weekday: Number(w.weekday), hallId: w.hallId === '' ? null : w.hallId }));
