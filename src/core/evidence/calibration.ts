/** A chance that was said, and whether it came true. */
export interface Outcome {
  chance: number;
  came: boolean;
}

export interface ReliabilityBin {
  /** Mean of the chances said in this bin. */
  said: number;
  /** Share of them that came true. */
  came: number;
  n: number;
}

/** How good chances were: the Brier score and its three parts (Murphy 1973): score = reliability − resolution + uncertainty. */
export interface Reliability {
  n: number;
  /** Mean of (chance − outcome)², by the bins' means; 0 is best, always saying a half scores 0.25 (Brier 1950). */
  brier: number;
  reliability: number;
  resolution: number;
  uncertainty: number;
  /** The score of always saying the share that came true. */
  baseRate: number;
  bins: readonly ReliabilityBin[];
}

/** Fewer outcomes than this say too little to draw or to correct by. */
export const OUTCOMES_TO_SPEAK = 30;

/** The plain Brier score of single chances; not a number where there are none. */
export const brierScore = (outcomes: readonly Outcome[]): number =>
  outcomes.reduce((s, o) => s + (o.chance - Number(o.came)) ** 2, 0) / outcomes.length;

/** What was said and came, summed in bins of equal width: the sums of many people can be added. */
export type Binned = readonly { said: number; came: number; n: number }[];

/** Chances summed in tenths, or in another number of bins. */
export function binned(outcomes: readonly Outcome[], bins = 10): Binned {
  const filled = Array.from({ length: bins }, () => ({ said: 0, came: 0, n: 0 }));
  for (const o of outcomes) {
    const bin = filled[Math.min(bins - 1, Math.floor(o.chance * bins))]!;
    bin.said += o.chance;
    bin.came += Number(o.came);
    bin.n += 1;
  }
  return filled;
}

/** Several sums of the same bins as one. */
export const addBinned = (all: readonly Binned[]): Binned =>
  all.reduce<Binned>(
    (sum, one) =>
      one.map((b, i) => ({
        said: b.said + (sum[i]?.said ?? 0),
        came: b.came + (sum[i]?.came ?? 0),
        n: b.n + (sum[i]?.n ?? 0),
      })),
    [],
  );

/** Chances in tenths against what happened. Parts are exact for chances replaced by their bin's mean. */
export const reliabilityOf = (outcomes: readonly Outcome[], bins = 10): Reliability =>
  reliabilityFrom(binned(outcomes, bins));

/** The same from sums. */
export function reliabilityFrom(filled: Binned): Reliability {
  const n = filled.reduce((s, b) => s + b.n, 0);
  const rate = n === 0 ? 0 : filled.reduce((s, b) => s + b.came, 0) / n;
  const shown = filled.filter((b) => b.n > 0).map((b) => ({ said: b.said / b.n, came: b.came / b.n, n: b.n }));
  const mean = (f: (b: ReliabilityBin) => number) => (n === 0 ? 0 : shown.reduce((s, b) => s + b.n * f(b), 0) / n);
  const reliability = mean((b) => (b.said - b.came) ** 2);
  const resolution = mean((b) => (b.came - rate) ** 2);
  const uncertainty = rate * (1 - rate);
  return {
    n,
    brier: reliability - resolution + uncertainty,
    reliability,
    resolution,
    uncertainty,
    baseRate: uncertainty,
    bins: shown,
  };
}

/**
 * Learns from outcomes how chances should have been said: isotonic regression by pooling adjacent violators (Ayer and
 * others 1955), straight lines between the pools. With fewer than thirty outcomes a chance is left as it is.
 */
export function recalibrate(outcomes: readonly Outcome[]): (chance: number) => number {
  if (outcomes.length < OUTCOMES_TO_SPEAK) return (c) => c;
  // The same chance said several times is one thing said.
  const same = new Map<number, { n: number; came: number }>();
  for (const o of outcomes) {
    const at = same.get(o.chance) ?? { n: 0, came: 0 };
    at.n += 1;
    at.came += Number(o.came);
    same.set(o.chance, at);
  }
  const pools: { said: number; came: number; n: number }[] = [];
  for (const [chance, { n, came }] of [...same].sort((x, y) => x[0] - y[0])) {
    pools.push({ said: chance * n, came, n });
    for (;;) {
      const [last, before] = [pools.at(-1)!, pools.at(-2)];
      if (!before || before.came / before.n < last.came / last.n) break;
      pools.pop();
      before.said += last.said;
      before.came += last.came;
      before.n += last.n;
    }
  }
  const knots = pools.map((p) => ({ x: p.said / p.n, y: p.came / p.n }));
  return (chance) => {
    const after = knots.findIndex((k) => k.x >= chance);
    if (after < 0) return knots.at(-1)!.y;
    const hi = knots[after]!;
    const lo = knots[after - 1];
    if (!lo || hi.x === lo.x) return hi.y;
    return lo.y + ((hi.y - lo.y) * (chance - lo.x)) / (hi.x - lo.x);
  };
}

/** A mark as far as its watcher goes. `thing` is the same for marks that can be compared: student, point, side, condition. */
export interface WatchedMark {
  by: string;
  thing: string;
  day: number;
  held: number;
  of: number;
}
export interface Leniency {
  by: string;
  /** Marks that others saw near in time. */
  compared: number;
  /** How many more of ten repetitions this watcher marks as held than the others; the range covers nine in ten. */
  more: number;
  lo: number;
  hi: number;
}

/** Watchers see the same thing if no more days lie between. */
const NEAR = 21;
/** Fewer comparisons than this say nothing about a person. */
export const MARKS_TO_COMPARE = 20;

/**
 * Who marks more kindly: each mark against those that others made of the same thing within three weeks. Differences are
 * in repetitions of ten.
 */
export function leniencyOf(marks: readonly WatchedMark[]): Leniency[] {
  const byThing = new Map<string, WatchedMark[]>();
  for (const m of marks) {
    const list = byThing.get(m.thing);
    if (list) list.push(m);
    else byThing.set(m.thing, [m]);
  }
  const differences = new Map<string, number[]>();
  for (const list of byThing.values()) {
    if (list.length < 2) continue;
    for (const m of list) {
      let held = 0;
      let of = 0;
      for (const o of list)
        if (o.by !== m.by && Math.abs(o.day - m.day) <= NEAR) {
          held += o.held;
          of += o.of;
        }
      if (of === 0) continue;
      const mine = differences.get(m.by) ?? [];
      if (mine.length === 0) differences.set(m.by, mine);
      mine.push(10 * (m.held / m.of - held / of));
    }
  }
  return [...differences]
    .map(([by, d]): Leniency => {
      const mean = d.reduce((s, x) => s + x, 0) / d.length;
      const variance = d.reduce((s, x) => s + (x - mean) ** 2, 0) / Math.max(1, d.length - 1);
      const half = 1.645 * Math.sqrt(variance / d.length);
      return { by, compared: d.length, more: mean, lo: mean - half, hi: mean + half };
    })
    .sort((a, b) => b.more - a.more || a.by.localeCompare(b.by));
}
