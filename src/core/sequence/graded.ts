import type { Move, Sequence } from './move';

/** The count as it is shown at gradings: the variant marked so, or as written. */
export const gradedStep = (m: Move) => m.variants.find((x) => x.graded)?.step ?? m.step;

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
