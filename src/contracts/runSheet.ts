import * as v from 'valibot';
import { id, name, version, whole } from './fields';

/** Minutes since midnight. */
const minute = whole(0, 24 * 60, 'A time of day');
const minutes = (what: string, most = 240) => whole(0, most, what);
/** A group of candidates by its belt and place, or the break. */
const groupId = v.pipe(v.string(), v.minLength(1), v.maxLength(80));
const begins = v.pipe(
  v.record(groupId, minute),
  v.check((r) => Object.keys(r).length <= 200, 'A day has at most two hundred groups.'),
);

/** What stands on the sheet of a day besides the candidates; see the core. */
export const daySettingsShape = v.pipe(
  v.object({
    begins: minute,
    ends: minute,
    opening: minutes('The warm-up'),
    panel: minutes('The talk of the panel'),
    closing: minutes('Giving the belts'),
    pause: minutes('The break'),
    floors: v.pipe(whole(1, 12, 'The number of floors')),
    mats: whole(0, 12, 'The number of floors with mats'),
    line: whole(1, 60, 'A line'),
    eyes: whole(1, 12, 'The number of examiners'),
    rest: minutes('The rest'),
    secondsRepetition: whole(1, 120, 'A repetition'),
    secondsCount: whole(1, 60, 'A count'),
    formTogether: whole(1, 60, 'How many show a form together'),
    things: v.pipe(v.array(v.object({ name, count: whole(1, 500, 'How many there are') })), v.maxLength(50)),
    comes: v.record(id, minute),
  }),
  v.forward(
    v.check((s) => s.ends > s.begins, 'The day ends after it begins.'),
    ['ends'],
  ),
);

/** A day as it was laid out: when each group begins, what was pinned, what has begun, and for whom it was laid. */
export const dayShape = v.object({
  settings: daySettingsShape,
  starts: begins,
  pins: v.pipe(v.array(groupId), v.maxLength(200)),
  begun: begins,
  laidFor: v.pipe(
    v.array(
      v.object({
        id: groupId,
        belt: name,
        minutes: whole(0, 1440, 'The minutes of a group'),
        people: v.pipe(v.array(id), v.maxLength(200)),
      }),
    ),
    v.maxLength(200),
  ),
});
export type DayKept = v.InferOutput<typeof dayShape>;

export const runSheetInput = v.object({ gradingId: id, day: dayShape, version });
