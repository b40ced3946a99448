import * as v from 'valibot';
import { fail, ok, type Result } from '../../units/result';
import type { Sequence } from '../move';
import type { OperationKind } from './kind';

/** The moves of one section, as a sequence of its own. */
export function section(seq: Sequence, name: string, sectioning = 1): Result<Sequence> {
  const start = seq.moves.findIndex((m) => m.begins.some((b) => b.sectioning === sectioning && b.name === name));
  if (start < 0) return fail(`There is no section called ${name}.`);
  const next = seq.moves.findIndex((m, i) => i > start && m.begins.some((b) => b.sectioning === sectioning));
  return ok({ ...seq, moves: seq.moves.slice(start, next < 0 ? undefined : next), closing: [] });
}

export interface SectionOperation {
  op: 'section';
  name: string;
}
export const sectionKind: OperationKind<SectionOperation> = {
  op: 'section',
  shape: ({ line }) => v.object({ op: v.literal('section'), name: line }),
  apply: (seq, o) => section(seq, o.name),
  words: (o) => `the section ${o.name}`,
};
