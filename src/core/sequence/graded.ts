import type { Move, Sequence } from './move';
import { holdsUnder } from './underCondition';

/** The count as it is shown at gradings under a condition, or under any: the variant marked so, or as written. */
export const gradedStep = (m: Move, condition: string | null = null) =>
  m.variants.find((x) => x.graded && (condition === null || holdsUnder(x.only, condition)))?.step ?? m.step;

/** The sequence as one school keeps it: its variants in place of what is written. */
export const asKeptBy = (seq: Sequence, school: string): Sequence => ({
  ...seq,
  moves: seq.moves.map((m) => {
    const own = m.variants.find((x) => x.school === school);
    return own ? { ...m, step: own.step } : m;
  }),
});

/** The sequence as it is shown at gradings. */
export const asGraded = (seq: Sequence): Sequence => ({
  ...seq,
  moves: seq.moves.map((m) => ({ ...m, step: gradedStep(m) })),
});

export const schoolsOf = (seq: Sequence): string[] => [
  ...new Set(seq.moves.flatMap((m) => m.variants.map((x) => x.school))),
];
