import * as v from 'valibot';
import { RUNGS } from '../core';
import { date, id } from './fields';

/** Consent to a rung of contact, or its refusal: null, and no reason is asked. */
export const consentInput = v.object({
  id,
  studentId: id,
  rung: v.nullable(v.picklist(RUNGS)),
  day: date,
  guardian: v.pipe(v.string(), v.trim(), v.maxLength(120, 'A name has at most 120 letters.')),
});
