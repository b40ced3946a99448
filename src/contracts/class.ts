import * as v from 'valibot';
import { date, id, whole } from './fields';
import { itemShape } from './item';

export const classInput = v.object({
  id,
  day: date,
  minutes: whole(5, 600, 'The length of a class in minutes'),
  /** Who is here, as they stand, counted from the door. */
  present: v.pipe(v.array(id), v.maxLength(500, 'No hall holds so many.')),
  /** What was taught, so that those who were away can make it up. */
  taught: v.optional(v.pipe(v.array(itemShape), v.maxLength(60, 'Nobody teaches more than 60 things in a class.')), []),
});
