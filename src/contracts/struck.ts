import * as v from 'valibot';
import { SIDES } from '../core';
import { id, line } from './fields';
import { markInput } from './look';

/** What of the record can be struck. */
export const STRIKABLE = [
  'look',
  'class',
  'promotion',
  'decision',
  'adaptation',
  'consent',
  'practice',
  'load',
] as const;
export type Strikable = (typeof STRIKABLE)[number];

const reason = v.pipe(line, v.minLength(3, 'Say why: it is kept with it.'));

/** Takes something out of the record: it counts no longer, and stays readable with why. */
export const strikeInput = v.object({
  id,
  kind: v.picklist(STRIKABLE),
  /** Whose it is; a class is nobody's own. */
  studentId: v.nullable(id),
  reason,
});

/** Puts the marks of a look right. `id` is the look that takes its place. */
export const mendInput = v.object({
  id,
  lookId: id,
  side: v.picklist(SIDES),
  marks: v.pipe(v.array(markInput), v.minLength(1, 'Without a mark it is struck, not put right.'), v.maxLength(60)),
  reason,
});

/** A look that was of somebody else. `id` is the look that takes its place. */
export const moveInput = v.object({ id, lookId: id, studentId: id, reason });
