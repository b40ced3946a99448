import * as v from 'valibot';
import { SIDES } from '../core';
import { id, whole } from './fields';

/** What the performer, or the receiver of the work, felt: told on their own page, kept apart from what was seen. */
export const feltInput = v.pipe(
  v.object({
    id,
    /** Whose work it was. */
    studentId: id,
    techniqueId: id,
    pointId: id,
    conditionId: id,
    side: v.picklist(SIDES),
    held: whole(0, 50, 'How many held'),
    of: whole(1, 50, 'The number of repetitions'),
  }),
  v.check((m) => m.held <= m.of, 'No more can hold than were done.'),
);
