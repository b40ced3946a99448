import * as v from 'valibot';
import { date, id } from './fields';

/** Whether pictures of a student may be kept on a teacher's device, which measure from them; no reason is asked. */
export const picturesInput = v.object({
  id,
  studentId: id,
  agreed: v.boolean(),
  day: date,
  guardian: v.pipe(v.string(), v.trim(), v.maxLength(120, 'A name has at most 120 letters.')),
});
