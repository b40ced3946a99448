import * as v from 'valibot';
import { cycleClassShape } from '../../contracts/cycle';
import { dayInWords, weekdayInWords, weekdayOf, type CycleClass, type UsuallyCome } from '../../core';
import { CheckField, ChoiceField, ClockField, NumberField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';

const shape = v.pipe(
  cycleClassShape,
  v.forward(
    v.check((c) => (c.guest?.minutes ?? 0) <= c.minutes, 'The class is not that long.'),
    ['guest', 'minutes'],
  ),
);

/** One class of the weeks: whether it is held, how long, and what of it belongs to somebody else. */
export function ClassSheet({
  of,
  today,
  halls,
  usualFrame,
  usually,
  done,
  leave,
}: {
  of: CycleClass;
  today: string;
  halls: readonly { id: string; name: string }[];
  usualFrame: number;
  usually: readonly UsuallyCome[];
  /** `again`: something changed by which the plan does not fit any more. */
  done: (c: CycleClass, again: boolean) => void;
  leave: () => void;
}) {
  const sheet = useSheet({
    start: {
      ...of,
      isOff: of.off !== null,
      why: of.off ?? '',
      frame: of.frame ?? usualFrame,
      guest: { name: of.guest?.name ?? '', minutes: of.guest?.minutes ?? 0 },
      hallId: of.hallId ?? '',
    },
    schema: shape,
    make: ({ isOff, why, guest, frame, hallId, ...c }) => ({
      ...c,
      hallId: hallId === '' ? null : hallId,
      frame: frame === usualFrame ? null : frame,
      off: isOff ? why.trim() || 'no class' : null,
      guest: guest.name.trim() !== '' && guest.minutes !== 0 ? guest : null,
    }),
    saving: (_draft, read) => {
      const again =
        read.off !== of.off ||
        read.minutes !== of.minutes ||
        read.frame !== of.frame ||
        read.guest?.minutes !== of.guest?.minutes;
      done(read, again);
      return { ok: true, answer: {} };
    },
    done: () => undefined,
  });
  const isOff = sheet.form.watch('isOff');
  const come = usually.find((u) => u.weekday === weekdayOf(of.day));
  return (
    <SheetForm
      sheet={sheet}
      title={`${weekdayInWords(of.day)} ${dayInWords(of.day, today)}`}
      saves="Keep it"
      leave={leave}
    >
      {come && (
        <p className="second">
          Usually {come.middle} come, from {come.low} to {come.high}.
        </p>
      )}
      {!isOff && of.day >= today && (
        <a href={of.day === today ? '/tonight' : `/tonight?day=${of.day}`}>Lay out that evening</a>
      )}
      <CheckField name="isOff" label="No class that day" />
      {isOff ? (
        <TextField name="why" label="Why" help="Water in the hall, a holiday." />
      ) : (
        <>
          <div className="two">
            <ClockField name="starts" label="Begins" />
            <NumberField name="minutes" label="Minutes" />
          </div>
          <NumberField name="frame" label="Opening and close, min" />
          {halls.length > 0 && (
            <ChoiceField
              name="hallId"
              label="Hall"
              options={[{ value: '', word: 'no hall said' }, ...halls.map((h) => ({ value: h.id, word: h.name }))]}
            />
          )}
          <div className="two">
            <TextField name="guest.name" label="A guest’s part" help="Whose, or what for." />
            <NumberField name="guest.minutes" label="Minutes of it" />
          </div>
        </>
      )}
    </SheetForm>
  );
}
