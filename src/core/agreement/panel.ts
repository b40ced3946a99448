import { seededBy } from '../units/random';
import { bootstrap, type Between } from './interval';

/** What one examiner saw of one repetition of one point. What was not seen is no mark. */
export interface PanelMark {
  candidate: string;
  item: string;
  point: string;
  side: string;
  repetition: number;
  examiner: string;
  held: boolean;
}

export interface Agreement {
  /** Pairs of two examiners over one repetition of one point: how many said the same, of how many. */
  same: number;
  pairs: number;
  /** So many would say the same by chance, with as many slips as were seen. */
  chance: number;
  slips: number;
  /** Krippendorff's, of held and slipped; null: nothing can be compared. */
  alpha: number | null;
  between: Between | null;
  /** Whether there is enough to say anything. */
  enough: 'yes' | 'too few pairs' | 'too few slips' | 'nobody slipped';
}

/** Drawn from so many pairs with so many slips on; an interval wider than this says nothing. Ours. */
const PAIRS_TO_SAY = 15;
const SLIPS_TO_SAY = 3;
const WIDEST = 0.72;

const unitOf = (m: PanelMark) => `${m.candidate} ${m.item} ${m.point} ${m.side} ${m.repetition}`;

/** What can be compared: units that two or more saw, and what Krippendorff's alpha is made of. Adds up over candidates. */
interface Compared {
  same: number;
  pairs: number;
  seen: number;
  slips: number;
  units: number;
  /** Within each unit, pairs both ways that differ, by one less than who saw it. */
  apart: number;
}
const NOTHING: Compared = { same: 0, pairs: 0, seen: 0, slips: 0, units: 0, apart: 0 };
const together = (of: readonly Compared[]): Compared =>
  of.reduce(
    (a, b) => ({
      same: a.same + b.same,
      pairs: a.pairs + b.pairs,
      seen: a.seen + b.seen,
      slips: a.slips + b.slips,
      units: a.units + b.units,
      apart: a.apart + b.apart,
    }),
    NOTHING,
  );

function compared(marks: readonly PanelMark[]): Compared {
  const units = new Map<string, { held: number; slipped: number }>();
  for (const m of marks) {
    const key = unitOf(m);
    const u = units.get(key) ?? { held: 0, slipped: 0 };
    if (m.held) u.held += 1;
    else u.slipped += 1;
    units.set(key, u);
  }
  const sum = { ...NOTHING };
  for (const { held, slipped } of units.values()) {
    const n = held + slipped;
    if (n < 2) continue;
    sum.same += (held * (held - 1) + slipped * (slipped - 1)) / 2;
    sum.pairs += (n * (n - 1)) / 2;
    sum.seen += n;
    sum.slips += slipped;
    sum.units += 1;
    sum.apart += (2 * held * slipped) / (n - 1);
  }
  return sum;
}

/** Krippendorff's alpha of marks that are held or slipped: the nominal one, from sums; null where all are alike. */
const alphaOf = (c: Compared): number | null => {
  const expected = 2 * c.slips * (c.seen - c.slips);
  return c.seen < 2 || expected === 0 ? null : 1 - ((c.seen - 1) * c.apart) / expected;
};

/** How far a panel saw the same, over all marks given. */
export function agreementOf(marks: readonly PanelMark[]): Agreement {
  const byCandidate = new Map<string, PanelMark[]>();
  for (const m of marks) {
    const own = byCandidate.get(m.candidate);
    if (own) own.push(m);
    else byCandidate.set(m.candidate, [m]);
  }
  const candidates = [...byCandidate.keys()].sort();
  const groups = candidates.map((c) => compared(byCandidate.get(c)!));
  const all = together(groups);
  const { same, pairs, seen, slips, units } = all;
  const held = seen - slips;
  const byChance = seen < 2 ? 1 : (held * (held - 1) + slips * (slips - 1)) / (seen * (seen - 1));
  const base = { same, pairs, chance: pairs * byChance, slips };
  if (pairs < PAIRS_TO_SAY) return { ...base, alpha: null, between: null, enough: 'too few pairs' };
  if (slips === 0) return { ...base, alpha: null, between: null, enough: 'nobody slipped' };
  const alpha = alphaOf(all);
  const dice = seededBy(`${marks.length} ${candidates.join(' ')}`);
  const drawn = bootstrap(groups, (g) => alphaOf(together(g)), dice);
  // All the same: drawing them again would say “as one” for certain. Three in as many showings could still differ.
  const between = same === pairs && drawn ? { lo: Math.max(-1, 1 - 3 / units / (1 - byChance)), hi: 1 } : drawn;
  const few = slips < SLIPS_TO_SAY || between === null || between.hi - between.lo > WIDEST;
  return { ...base, alpha, between, enough: few ? 'too few slips' : 'yes' };
}

export interface Split {
  item: string;
  point: string;
  /** Pairs that differ in it. */
  differ: number;
  pairs: number;
}

/** The points over which a panel differs most, the most first. */
export function splitsOf(marks: readonly PanelMark[]): Split[] {
  const points = new Map<string, PanelMark[]>();
  for (const m of marks) {
    const key = `${m.item} ${m.point}`;
    points.set(key, [...(points.get(key) ?? []), m]);
  }
  return [...points.values()]
    .map((of) => {
      const { same, pairs } = compared(of);
      return { item: of[0]!.item, point: of[0]!.point, differ: pairs - same, pairs };
    })
    .filter((s) => s.differ > 0)
    .sort((a, b) => b.differ - a.differ || a.point.localeCompare(b.point));
}
