import { seededBy } from '../units/random';
import { bootstrap, type Between } from './interval';
import { krippendorffAlpha } from './krippendorff';

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

/** The marks as a row an examiner and a column a thing that was seen: 1 held, 0 slipped, null not seen. */
function ratings(marks: readonly PanelMark[]): (number | null)[][] {
  const units = [...new Set(marks.map(unitOf))];
  const place = new Map(units.map((u, i) => [u, i]));
  const rows = new Map<string, (number | null)[]>();
  for (const m of marks) {
    const row = rows.get(m.examiner) ?? units.map(() => null);
    row[place.get(unitOf(m))!] = m.held ? 1 : 0;
    rows.set(m.examiner, row);
  }
  return [...rows.values()];
}

/** Pairs of examiners who saw the same thing, and how many of them said the same. */
function pairsOf(marks: readonly PanelMark[]) {
  const units = new Map<string, boolean[]>();
  for (const m of marks) units.set(unitOf(m), [...(units.get(unitOf(m)) ?? []), m.held]);
  let [same, pairs, seen, slips] = [0, 0, 0, 0];
  for (const u of units.values()) {
    if (u.length < 2) continue;
    const held = u.filter(Boolean).length;
    const slipped = u.length - held;
    same += (held * (held - 1) + slipped * (slipped - 1)) / 2;
    pairs += (u.length * (u.length - 1)) / 2;
    seen += u.length;
    slips += slipped;
  }
  return { same, pairs, seen, slips, units: units.size };
}

/** How far a panel saw the same, over all marks given. */
export function agreementOf(marks: readonly PanelMark[]): Agreement {
  const { same, pairs, seen, slips, units } = pairsOf(marks);
  const held = seen - slips;
  const byChance = seen < 2 ? 1 : (held * (held - 1) + slips * (slips - 1)) / (seen * (seen - 1));
  const base = { same, pairs, chance: pairs * byChance, slips };
  if (pairs < PAIRS_TO_SAY) return { ...base, alpha: null, between: null, enough: 'too few pairs' };
  if (slips === 0) return { ...base, alpha: null, between: null, enough: 'nobody slipped' };
  const alpha = krippendorffAlpha(ratings(marks));
  const candidates = [...new Set(marks.map((m) => m.candidate))].sort();
  const groups = candidates.map((c) => marks.filter((m) => m.candidate === c));
  const dice = seededBy(`${marks.length} ${candidates.join(' ')}`);
  const drawn = bootstrap(
    groups,
    // Whoever is drawn twice is two people.
    (g) => krippendorffAlpha(ratings(g.flatMap((x, i) => x.map((m) => ({ ...m, candidate: `${i} ${m.candidate}` }))))),
    dice,
  );
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
      const { same, pairs } = pairsOf(of);
      return { item: of[0]!.item, point: of[0]!.point, differ: pairs - same, pairs };
    })
    .filter((s) => s.differ > 0)
    .sort((a, b) => b.differ - a.differ || a.point.localeCompare(b.point));
}
