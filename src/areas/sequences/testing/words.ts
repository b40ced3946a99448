import type { Word } from '../../../core';
import { word } from '../../../core/sequence/testing/builders';

const KINDS: readonly [RegExp, Word['kind']][] = [
  [/kick$/, 'kick'],
  [/block$/, 'block'],
  [/stance$/, 'stance'],
];

/** The words of a small library; what they are is read from their last part. */
export const wordsNamed = (...names: string[]): Word[] =>
  names.map((name) => word(name, { kind: KINDS.find(([ends]) => ends.test(name))?.[1] ?? 'strike' }));
