import { wrapped } from '../solver/lpText';
import type { BreakChoice } from '../solver/solve';
import { costOf, leastEnd, PAUSE, waitedAnyway, type Job, type Jobs, type Starts } from './jobs';

/** Begins of a job on a grid of `step` minutes within its window. */
const beginsOf = (all: Jobs, j: Job, latest: number, step: number): number[] => {
  if (j.from === j.to) return [j.from];
  const out: number[] = [];
  for (let t = all.begins; t <= Math.min(j.to, latest - j.length); t += step) if (t >= j.from) out.push(t);
  return out;
};

/**
 * The day as an integer programme in CPLEX's LP text: a yes or no for each begin of each job, minute by minute no more taken
 * than there is, and the end no earlier than any job's. `known` is a plan that is possible: nothing that ends later can be
 * better, so no later begin is asked for. As `relaxed` the begins may be parted: its value is a bound no plan goes below.
 */
export function programmeOf(
  all: Jobs,
  known: Starts,
  { relaxed = false, step = 1 }: { relaxed?: boolean; step?: number } = {},
): string {
  const people = all.jobs.reduce((n, j) => n + j.weight, 0);
  const latest = latestOf(all, known);
  const begins = all.jobs.map((j) => beginsOf(all, j, latest, step));
  const x = (j: number, t: number) => `x${j}_${t}`;
  const lines = ['Minimize', ` obj: ${people} finish`];
  const objective: string[] = [];
  all.jobs.forEach((j, i) => {
    for (const t of begins[i]!)
      if (j.weight > 0 && t > all.begins) objective.push(`${j.weight * (t - all.begins)} ${x(i, t)}`);
  });
  if (objective.length > 0) lines.push(...wrapped(objective.map((o) => `+ ${o}`)));
  lines.push('Subject To');
  lines.push(` least: finish >= ${leastEnd(all) - all.begins}`);
  all.jobs.forEach((j, i) => {
    lines.push(...wrapped([` one${i}:`, ...begins[i]!.map((t) => `+ ${x(i, t)}`), '= 1']));
    lines.push(
      ...wrapped([
        ` fin${i}: finish`,
        ...begins[i]!.flatMap((t) => (t + j.length > all.begins ? [`- ${t + j.length - all.begins} ${x(i, t)}`] : [])),
        '>= 0',
      ]),
    );
  });
  for (const [k, r] of all.resources.entries())
    for (let t = all.begins; t < latest; t += 1) {
      const has = all.has(r, t);
      if (!Number.isFinite(has)) continue;
      const terms: string[] = [];
      let most = 0;
      all.jobs.forEach((j, i) => {
        let own = 0;
        for (const at of begins[i]!) {
          const n = (j.takes[r] ?? []).reduce((s, [a, b, c]) => s + (t - at >= a && t - at < b ? c : 0), 0);
          if (n > 0) terms.push(`+ ${n} ${x(i, at)}`);
          own = Math.max(own, n);
        }
        most += own;
      });
      if (most > has) lines.push(...wrapped([` r${k}_${t}:`, ...terms, `<= ${has}`]));
    }
  if (!relaxed) {
    lines.push('Binary');
    lines.push(...wrapped(all.jobs.flatMap((_, i) => begins[i]!.map((t) => x(i, t)))));
  }
  lines.push('End');
  return lines.join('\n');
}

/** Everybody waits for the end and each for the beginning: past this nothing is better than what is known. */
const latestOf = (all: Jobs, known: Starts): number =>
  Math.max(
    ...all.jobs.map((j) => known[j.id]! + j.length),
    all.begins +
      Math.floor(
        (costOf(all, known) - waitedAnyway(all)) /
          Math.max(
            1,
            all.jobs.reduce((n, j) => n + j.weight, 0),
          ),
      ),
  );

/**
 * Begins of the break one by one: a break that is parted over an hour costs next to nothing, so a bound is only worth
 * something break by break. What lies before it has to fit in whole, so the end is known better, too.
 */
export function pauseBranches(all: Jobs, known: Starts): BreakChoice[] {
  const i = all.jobs.findIndex((j) => j.id === PAUSE);
  if (i < 0) return [];
  const groups = all.jobs.filter((j) => j.id !== PAUSE);
  const total = groups.reduce((n, j) => n + j.length, 0);
  const eyes = groups[0]?.takes['examiners']?.[0]?.[2] ?? 0;
  /** So many groups can be at work in a minute. */
  const ways = (t: number) =>
    Math.min(all.has('floors', t), eyes > 0 ? Math.floor(all.has('examiners', t) / eyes) : Infinity);
  const begins = beginsOf(all, all.jobs[i]!, latestOf(all, known), 1);
  const length = all.jobs[i]!.length;
  const most = Math.max(...begins.map((t) => ways(t + length)), 1);
  return begins.map((t) => {
    const room = Array.from({ length: most }, (_, k) => {
      let n = 0;
      for (let m = all.begins; m < t; m += 1) if (ways(m) > k) n += 1;
      return n;
    });
    const left =
      total -
      fullest(
        groups.map((j) => j.length),
        room,
      );
    return { column: `x${i}_${t}`, least: t + length - all.begins + Math.ceil(left / most) };
  });
}

/** So many states are looked at; beyond, all room counts as filled. */
const MOST_STATES = 60_000;

/** How much of these lengths fits into rooms, each in one piece in one of them: exact while there are few enough ways. */
function fullest(lengths: readonly number[], room: readonly number[]): number {
  const all = room.reduce((n, r) => n + r, 0);
  if (room.reduce((n, r) => n * (r + 1), 1) > MOST_STATES) return all;
  const strides = room.map((_, k) => room.slice(0, k).reduce((n, r) => n * (r + 1), 1));
  let states = new Set([0]);
  for (const l of lengths) {
    const next = new Set(states);
    for (const s of states)
      for (const [k, r] of room.entries()) {
        const used = Math.floor(s / strides[k]!) % (r + 1);
        if (used + l <= r) next.add(s + l * strides[k]!);
      }
    states = next;
  }
  let best = 0;
  for (const s of states)
    best = Math.max(
      best,
      room.reduce((n, r, k) => n + (Math.floor(s / strides[k]!) % (r + 1)), 0),
    );
  return best;
}

const BEGIN = /^x(\d+)_(\d+)$/;

/** The begins that a solver chose; null: it chose none for some job. */
export function startsFrom(all: Jobs, columns: Readonly<Record<string, number>>): Starts | null {
  const starts: Record<string, number> = {};
  for (const [name, value] of Object.entries(columns)) {
    const m = BEGIN.exec(name);
    if (m && value > 0.5) starts[all.jobs[+m[1]!]!.id] = +m[2]!;
  }
  return all.jobs.every((j) => starts[j.id] !== undefined) ? starts : null;
}

/** A plan as the values of the programme's columns; what is not named is 0. */
export const columnsOf = (all: Jobs, starts: Starts): Record<string, number> => ({
  ...Object.fromEntries(all.jobs.map((j, i) => [`x${i}_${starts[j.id]!}`, 1])),
  finish: Math.max(...all.jobs.map((j) => starts[j.id]! + j.length)) - all.begins,
});
