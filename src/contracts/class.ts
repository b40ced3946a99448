import * as v from 'valibot';
import { date, id, instant, timeOfDay, whole } from './fields';
import { itemShape } from './item';

export const classInput = v.object({
  id,
  day: date,
  /** Null: as it was noted before, or as classes usually are. */
  minutes: v.nullable(whole(5, 600, 'The length of a class in minutes')),
  /** Who is here, as they stand, counted from the door. */
  present: v.pipe(v.array(id), v.maxLength(500, 'No hall holds so many.')),
  /** When it was opened, by the device's clock. Of a class that is written in afterwards nobody knows. */
  openedAt: v.optional(v.nullable(instant), null),
  /**
   * Noted by a device among others: whoever is here is added to those who are known, and nobody is taken out but `gone`.
   * Without it the list is whole.
   */
  joins: v.optional(v.boolean(), false),
  /** When somebody came late or left early, in minutes after midnight at the school; who is not named is as noted before. */
  times: v.optional(v.record(id, v.object({ came: v.nullable(timeOfDay), went: v.nullable(timeOfDay) })), {}),
  gone: v.optional(v.pipe(v.array(id), v.maxLength(500)), []),
  /** What was taught, so that those who were away can make it up. */
  taught: v.optional(v.pipe(v.array(itemShape), v.maxLength(60, 'Nobody teaches more than 60 things in a class.')), []),
});
