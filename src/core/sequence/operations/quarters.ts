import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import * as v from 'valibot';
import { fold } from '../../units/fold';
import { fail, ok, type Result } from '../../units/result';
import type { Move, Sequence } from '../move';
import type { OperationKind } from './kind';

export const QUARTERS = ['upper left', 'upper right', 'lower left', 'lower right'] as const;
export type Quarter = (typeof QUARTERS)[number];

/**
 * `of` things at random, `counts` of them: each as often as the others (to within one), none more than twice running where
 * there are several, and the same order for the same seed. Gives their places, from 0.
 */
export function shuffleEvenly(seed: number, counts: number, of: number): number[] {
  const rng = xoroshiro128plus(seed);
  const pick = (n: number) => uniformInt(rng, 0, n - 1);
  const left = Array.from({ length: of }, () => Math.floor(counts / of));
  // Who gets one more, where the counts do not divide evenly.
  const more = left.map((_, i) => i);
  for (let i = 0; i < counts % of; i++) left[more.splice(pick(more.length), 1)[0]!]!++;
  const out: number[] = [];
  for (let i = 0; i < counts; i++) {
    const total = left.reduce((a, b) => a + b, 0);
    const barred = of > 1 && out.length > 1 && out.at(-1) === out.at(-2) ? out.at(-1)! : -1;
    // One that is left in such number that the others cannot part it any more goes first.
    const urgent = left.findIndex((n, q) => q !== barred && n > 2 * (total - n));
    if (urgent >= 0) {
      out.push(urgent);
    } else {
      const open = left.flatMap((n, q) => (q === barred ? [] : Array.from({ length: n }, () => q)));
      out.push(open[pick(open.length)]!);
    }
    left[out.at(-1)!]!--;
  }
  return out;
}

/** The four quarters at random, evenly. */
export const shuffleQuarters = (seed: number, counts: number): Quarter[] =>
  shuffleEvenly(seed, counts, QUARTERS.length).map((q) => QUARTERS[q]!);

/** Which quarter a count goes to: said as its target, or by its height and side. */
export function quarterOf(move: Move): Quarter | null {
  for (const a of move.step.actions) {
    const said = QUARTERS.find((q) => a.target !== null && fold(a.target).includes(q));
    if (said) return said;
  }
  return null;
}

/** A quarter drill in random order: its four counts are called `rounds` × 4 times. */
export function quarterShuffle(seq: Sequence, seed: number, rounds: number): Result<Sequence> {
  const byQuarter = new Map<Quarter, Move>();
  for (const m of seq.moves) {
    const q = quarterOf(m);
    if (q && !byQuarter.has(q)) byQuarter.set(q, m);
  }
  const missing = QUARTERS.filter((q) => !byQuarter.has(q));
  if (missing.length > 0)
    return fail(`No count goes to the ${missing.join(' or the ')}: write it as “at ${missing[0]!}”.`);
  return ok({ ...seq, moves: shuffleQuarters(seed, rounds * 4).map((q) => ({ ...byQuarter.get(q)!, begins: [] })) });
}

export interface QuartersOperation {
  op: 'quarters';
  seed: number;
  rounds: number;
}
export const quartersKind: OperationKind<QuartersOperation> = {
  op: 'quarters',
  shape: ({ whole }) =>
    v.object({ op: v.literal('quarters'), seed: whole(0, 2 ** 31 - 1, 'A seed'), rounds: whole(1, 100, 'Rounds') }),
  apply: (seq, o) => quarterShuffle(seq, o.seed, o.rounds),
  words: (o) => `quarters at random, ${o.rounds * 4} counts`,
};
