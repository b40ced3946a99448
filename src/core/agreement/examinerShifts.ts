import type { Random } from '../units/random';
import { bootstrapAll, type Between } from './interval';

/** What one examiner saw of one thing of one candidate, as the share that held, 0 to 1. */
export interface SharedMark {
  candidate: string;
  /** The point, side and showing: what several examiners saw together. */
  thing: string;
  examiner: string;
  held: number;
}

export interface ExaminerShift {
  examiner: string;
  /** How much more the examiner sees held than the panel together, as a share; adjusted for whom they saw. */
  shift: number;
  between: Between | null;
  /** Things that somebody else saw as well. */
  shared: number;
}

/** From so many shared things on something is said. */
export const SHARED_TO_SAY = 15;

/**
 * How much more or less each examiner sees held than the others who saw the same: the shifts of an additive model of
 * things and examiners by least squares, summing to none. So an examiner who was given the weak ones is not called hard.
 */
export function examinerShifts(seen: readonly SharedMark[], dice: Random): ExaminerShift[] {
  const examiners = [...new Set(seen.map((s) => s.examiner))].sort();
  const byCandidate = new Map<string, SharedMark[]>();
  for (const s of seen) byCandidate.set(s.candidate, [...(byCandidate.get(s.candidate) ?? []), s]);
  const groups = [...byCandidate.values()];
  // The equations of many candidates are the sum of theirs, so drawing them again adds up what is reckoned once.
  const equations = groups.map((g) => equationsOf(g, examiners));
  const shifts = shiftsFrom(equations, examiners.length);
  const shared = sharedOf(groups);
  const between = bootstrapAll(equations, examiners.length, (drawn) => shiftsFrom(drawn, examiners.length), dice);
  return examiners.map((examiner, i) => ({
    examiner,
    shift: shifts?.[i] ?? 0,
    between: between[i] ?? null,
    shared: shared.get(examiner) ?? 0,
  }));
}

const thingsOf = (groups: readonly (readonly SharedMark[])[]): SharedMark[][] =>
  groups.flatMap((g) => {
    const things = new Map<string, SharedMark[]>();
    for (const s of g) things.set(s.thing, [...(things.get(s.thing) ?? []), s]);
    return [...things.values()].filter((t) => t.length > 1);
  });

function sharedOf(groups: readonly (readonly SharedMark[])[]): Map<string, number> {
  const out = new Map<string, number>();
  for (const t of thingsOf(groups)) for (const s of t) out.set(s.examiner, (out.get(s.examiner) ?? 0) + 1);
  return out;
}

type Equations = readonly (readonly number[])[];

/** The normal equations of a candidate: within each thing an examiner's mark against the mean of all who saw it. */
function equationsOf(group: readonly SharedMark[], examiners: readonly string[]): Equations {
  const k = examiners.length;
  const place = new Map(examiners.map((e, i) => [e, i]));
  const a = Array.from({ length: k }, () => new Array<number>(k + 1).fill(0));
  for (const t of thingsOf([group])) {
    const mean = t.reduce((s, x) => s + x.held, 0) / t.length;
    for (const x of t) {
      const row = a[place.get(x.examiner)!]!;
      row[k]! += x.held - mean;
      for (const y of t) row[place.get(y.examiner)!]! -= 1 / t.length;
      row[place.get(x.examiner)!]! += 1;
    }
  }
  return a;
}

/** The shifts by the equations of all; together they are none, which is added to each so that they can be solved. */
function shiftsFrom(equations: readonly Equations[], k: number): number[] | null {
  const a = Array.from({ length: k }, () => [...new Array<number>(k).fill(1), 0]);
  for (const e of equations) for (let r = 0; r < k; r += 1) for (let c = 0; c <= k; c += 1) a[r]![c]! += e[r]![c]!;
  return solve(a, k);
}

function solve(a: number[][], k: number): number[] | null {
  for (let c = 0; c < k; c += 1) {
    let best = c;
    for (let r = c + 1; r < k; r += 1) if (Math.abs(a[r]![c]!) > Math.abs(a[best]![c]!)) best = r;
    if (Math.abs(a[best]![c]!) < 1e-9) return null;
    [a[c], a[best]] = [a[best]!, a[c]!];
    for (let r = 0; r < k; r += 1) {
      if (r === c) continue;
      const f = a[r]![c]! / a[c]![c]!;
      for (let j = c; j <= k; j += 1) a[r]![j]! -= f * a[c]![j]!;
    }
  }
  return a.map((row, i) => row[k]! / row[i]!);
}
