import { wrapped } from '../solver/lpText';
import { apartIn, firstIn, type Asked } from './spacing';
import { fixedGrid, worksAt, type CycleProblem, type Grid } from './problem';

export type Aim = 'minutes' | 'spacing' | 'both' | 'few cells';

export interface Ask {
  aim: Aim;
  /** No more units short than this, and no more left out: what earlier stages came to. */
  short?: number;
  apart?: number;
  /** Begins and minutes may be parted: the value is a bound that no plan goes below. */
  relaxed?: boolean;
  /** The plan that everybody knows; to move from it costs. */
  known?: Grid | null;
  /** Rows and classes that are looked at anew; everything else stays as in `keep`. */
  free?: (i: number, k: number) => boolean;
  keep?: Grid;
  /** Minutes are whole units from the start: right for what is small, dear for what is large. */
  units?: boolean;
  /** The cells that are free are all there; only their minutes are looked for, and those are whole. */
  whole?: boolean;
}

/** What a cell costs beside another one fewer, where it was not in the plan that is known. */
const MOVED = 2;
const STAYS = 0.15;
/** A unit that is missing weighs as so many times apart too long, where both are bettered at once. */
const FIRST = 20;
/** Above this share of what a row needs each unit short costs a little more, so that no row is emptied for the others. */
const FAIR = 0.2;

/**
 * A cycle as an integer programme in CPLEX's LP text. Minutes of a cell (`m`) are whole by themselves once it is known which
 * cells there are (`y`), but for load and groups: they are rounded afterwards. Columns: y and m a row and class, f where a
 * new row is introduced, s units short, t those above a fair share, u what spacing leaves out.
 */
export function programmeOf(p: CycleProblem, asked: readonly Asked[], a: Ask): string {
  const n = p.rows.length;
  const C = p.room.length;
  const isFree = (i: number, k: number) =>
    k >= p.from && p.fixed[i]![k] === null && p.rows[i]!.open[k]! && (!a.free || a.free(i, k));
  const stands = (i: number, k: number) => p.fixed[i]![k] ?? (a.keep && p.rows[i]!.open[k] ? a.keep[i]![k]! : 0);
  const free = p.rows.map((_, i) => Array.from({ length: C }, (_x, k) => k).filter((k) => isFree(i, k)));
  const isIn = p.rows.map((_, i) => new Set(free[i]));
  const rows: string[] = [];
  const bounds: string[] = [];
  const binary: string[] = [];
  const general: string[] = [];
  const row = (terms: string[], sign: string, value: number) => {
    if (terms.length > 0) rows.push(...wrapped([` r${rows.length}:`, ...terms, sign, String(value)]));
  };
  const objective: string[] = [];
  const shorts: string[] = [];
  // Each row: its needs, its lengths.
  p.rows.forEach((r, i) => {
    const had = sum(p.room.map((_, k) => (isIn[i]!.has(k) ? 0 : stands(i, k))));
    if (r.need > had) {
      row([...free[i]!.map((k) => `+ m${i}_${k}`), `+ s${i}`], '>=', r.need - had);
      shorts.push(`+ s${i}`);
      const fair = Math.floor(r.need * FAIR);
      row([`+ s${i}`, `- t${i}`], '<=', fair);
      if (a.aim === 'minutes') objective.push(`+ s${i}`);
      if (a.aim === 'both') objective.push(`+ ${FIRST} s${i}`, `+ 0.3 t${i}`);
      if (a.aim === 'few cells') objective.push(`+ 0.1 t${i}`);
    }
    for (const k of free[i]!) {
      row([`+ m${i}_${k}`, `- ${r.most} y${i}_${k}`], '<=', 0);
      row([`+ m${i}_${k}`, `- ${r.least} y${i}_${k}`], '>=', 0);
      if (a.whole || a.units) general.push(`m${i}_${k}`);
      if (a.whole) {
        bounds.push(`y${i}_${k} = 1`);
      } else {
        binary.push(`y${i}_${k}`);
        bounds.push(`0 <= y${i}_${k} <= 1`);
      }
      if (a.aim === 'few cells')
        objective.push(`+ ${1 + (a.known && a.known[i]![k] === 0 ? MOVED : 0)} y${i}_${k}`, `+ 0.001 m${i}_${k}`);
      // Where both are bettered a known plan is left only for something.
      if (a.aim === 'both' && a.known) objective.push(`${a.known[i]![k]! > 0 ? '-' : '+'} ${STAYS} y${i}_${k}`);
      if (a.aim === 'few cells' && a.known && a.known[i]![k]! > 0) objective.push(`- ${MOVED} y${i}_${k}`);
    }
    for (const o of r.opens) {
      const before = free[o.on]!;
      let stood = 0;
      let past = 0;
      for (let k = p.from; k < C; k += 1) {
        // Pins stand whatever opens them; what is kept has to stay opened.
        const kept = !isIn[i]!.has(k) && p.fixed[i]![k] === null && stands(i, k) > 0;
        if (!isIn[i]!.has(k) && !kept) continue;
        for (; past < k; past += 1) if (!isIn[o.on]!.has(past)) stood += stands(o.on, past);
        if (stood >= o.units) break;
        const terms = before.filter((x) => x < k).map((x) => `+ m${o.on}_${x}`);
        if (kept) row(terms, '>=', o.units - stood);
        else row([...terms, `- ${o.units} y${i}_${k}`], '>=', -stood);
      }
    }
  });
  // Each class: room of its groups, load, new things.
  for (let k = p.from; k < C; k += 1) {
    const here = Array.from({ length: n }, (_, i) => i);
    for (let g = 0; g < p.groups; g += 1) {
      const of = here.filter((i) => worksAt(p.rows[i]!, g));
      const taken = sum(of.map((i) => (isIn[i]!.has(k) ? 0 : stands(i, k))));
      row(
        of.filter((i) => isIn[i]!.has(k)).map((i) => `+ m${i}_${k}`),
        '<=',
        p.room[k]! - taken,
      );
    }
    const weight = sum(here.map((i) => (isIn[i]!.has(k) ? 0 : stands(i, k) * p.rows[i]!.heavy)));
    row(
      here.filter((i) => isIn[i]!.has(k)).map((i) => `+ ${p.rows[i]!.heavy} m${i}_${k}`),
      '<=',
      p.load[k]! - weight,
    );
  }
  // New rows: where they are introduced. What is kept of a row stays after its introduction.
  const first = p.rows.map((r, i) =>
    r.fresh
      ? {
          stood: p.room.findIndex((_, k) => !isIn[i]!.has(k) && stands(i, k) > 0),
          at: free[i]!,
        }
      : null,
  );
  first.forEach((f, i) => {
    if (!f) return;
    // Free classes before what stands already, and that one itself.
    const early = f.stood < 0 ? f.at : f.at.filter((k) => k < f.stood);
    for (const k of early) {
      if (!a.whole) binary.push(`f${i}_${k}`);
      bounds.push(`0 <= f${i}_${k} <= 1`);
      row([`+ f${i}_${k}`, `- y${i}_${k}`], '<=', 0);
      // A cell only where it was introduced here or before.
      row([`+ y${i}_${k}`, ...early.filter((x) => x <= k).map((x) => `- f${i}_${x}`)], '<=', 0);
    }
    row(
      early.map((k) => `+ f${i}_${k}`),
      '<=',
      1,
    );
    f.at = early;
  });
  for (let k = p.from; k < C; k += 1) {
    const terms: string[] = [];
    let stood = 0;
    let pinned = 0;
    first.forEach((f, i) => {
      if (!f) return;
      if (f.at.includes(k)) terms.push(`+ f${i}_${k}`);
      else if (f.stood === k) {
        stood += 1;
        if (p.fixed[i]![k] !== null) pinned += 1;
        for (const x of f.at) terms.push(`- f${i}_${x}`);
      }
    });
    if (terms.length > 0) row(terms, '<=', Math.max(p.newThings, pinned) - stood);
  }
  // Spacing.
  const outs: string[] = [];
  let always = 0;
  if (a.aim !== 'minutes')
    asked.forEach((x, q) => {
      if (x.cells.some(([i, k]) => !isIn[i]!.has(k) && stands(i, k) > 0)) return;
      const terms = x.cells.filter(([i, k]) => isIn[i]!.has(k)).map(([i, k]) => `+ y${i}_${k}`);
      if (x.when === null) {
        if (terms.length === 0) {
          always += 1;
          return;
        }
        row([...terms, `+ u${q}`], '>=', 1);
      } else {
        const f = first[x.row!]!;
        const { kind, at } = x.when;
        const introduced = f.at
          .filter((k) => (kind === 'introduced in' ? k === at : k < at))
          .map((k) => `- f${x.row!}_${k}`);
        const stood = f.stood >= 0 && (kind === 'introduced in' ? f.stood === at : f.stood < at);
        if (stood) {
          // It stands there unless it is introduced before: then another of these is asked.
          const others = kind === 'introduced in' ? f.at.map((k) => `+ f${x.row!}_${k}`) : [];
          if (terms.length + others.length === 0) {
            always += 1;
            return;
          }
          row([...terms, ...others, `+ u${q}`], '>=', 1);
        } else if (introduced.length === 0) return;
        else row([...terms, ...introduced, `+ u${q}`], '>=', 0);
      }
      outs.push(`+ u${q}`);
      bounds.push(`0 <= u${q} <= 1`);
      if (a.aim === 'spacing' || a.aim === 'both') objective.push(`+ u${q}`);
    });
  if (a.short !== undefined) row(shorts, '<=', a.short);
  if (a.apart !== undefined) row(outs, '<=', a.apart - always);
  if (objective.length === 0) objective.push(...shorts.slice(0, 1), ...outs.slice(0, 1));
  if (objective.length === 0) objective.push('+ none');
  return [
    'Minimize',
    ...wrapped([' obj:', ...objective]),
    'Subject To',
    ...(rows.length > 0 ? rows : [' r0: none >= 0']),
    'Bounds',
    ...bounds.map((b) => ` ${b}`),
    ...(a.relaxed || general.length === 0 ? [] : ['General', ...wrapped(general)]),
    ...(a.relaxed || binary.length === 0 ? [] : ['Binary', ...wrapped(binary)]),
    'End',
  ].join('\n');
}

const sum = (list: readonly number[]) => list.reduce((n, x) => n + x, 0);

/** A plan as values of the programme's columns; what is not named is 0. */
export function columnsOf(p: CycleProblem, asked: readonly Asked[], grid: Grid): Record<string, number> {
  const out: Record<string, number> = {};
  p.rows.forEach((r, i) => {
    grid[i]!.forEach((n, k) => {
      if (n === 0) return;
      out[`y${i}_${k}`] = 1;
      out[`m${i}_${k}`] = n;
    });
    const s = Math.max(0, r.need - sum(grid[i]!));
    if (s > 0) out[`s${i}`] = s;
    const t = s - Math.floor(r.need * FAIR);
    if (t > 0) out[`t${i}`] = t;
    const first = firstIn(grid, i);
    if (r.fresh && first >= 0) out[`f${i}_${first}`] = 1;
  });
  const apart = new Set(apartIn(asked, grid));
  asked.forEach((a, q) => {
    if (apart.has(a)) out[`u${q}`] = 1;
  });
  return out;
}

/** The minutes that a solver found for each cell, not yet whole, over what stands. */
export function gridOf(p: CycleProblem, columns: Readonly<Record<string, number>>, keep?: Grid): number[][] {
  const grid = keep ? keep.map((row) => [...row]) : fixedGrid(p);
  for (const [name, value] of Object.entries(columns)) {
    const m = /^m(\d+)_(\d+)$/.exec(name);
    if (m && (columns[`y${m[1]!}_${m[2]!}`] ?? 0) > 0.5) grid[+m[1]!]![+m[2]!] = snapped(value);
    else if (m) grid[+m[1]!]![+m[2]!] = 0;
  }
  return grid;
}

/** What a solver leaves beside a whole number is none of the plan's. */
const snapped = (x: number): number => (Math.abs(x - Math.round(x)) < 1e-4 ? Math.round(x) : x);
