import * as v from 'valibot';
import { HANDS, JOINTS } from '../core';
import { date, id, line, whole } from './fields';

/** A student's own entry of what was done at home. */
export const practiceInput = v.object({
  id,
  studentId: id,
  day: date,
  minutes: whole(1, 600, 'The time in minutes'),
  repetitions: whole(0, 20_000, 'The number of repetitions'),
  strikes: whole(0, 5_000, 'The number of strikes'),
  hands: v.picklist(HANDS),
  joints: v.picklist(JOINTS),
  what: line,
});
