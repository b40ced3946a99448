import * as v from 'valibot';
import { VERDICTS } from '../core';
import { id, reason } from './fields';

/** A head's word against the computed one; null lifts it, with a reason too. */
export const overrideInput = v.object({
  id,
  studentId: id,
  requirementId: id,
  word: v.nullable(v.picklist(VERDICTS)),
  reason,
});
