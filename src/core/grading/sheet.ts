import { wordOfMark, type GradingRule, type SheetWord } from './rule';

/** What an examiner saw of one point on one side: a letter a repetition, H held, S slipped, U not seen. */
export interface SheetMark {
  pointId: string;
  side: 'left' | 'right' | 'none';
  reps: string;
  /** What was measured at each repetition, in the unit of the point; null: not measured. Absent: all by eye. */
  values?: (number | null)[] | undefined;
}

/** One examiner's line for one item of one candidate. */
export interface SheetLine {
  item: string;
  examiner: string;
  marks: readonly SheetMark[];
  /** Their own word; null: it is read from the marks. */
  word: SheetWord | null;
  /** Their mark by the scale of the rule; null: none. A word goes before it. */
  mark?: number | null;
}

export interface PointTally {
  held: number;
  seen: number;
}

/** How often each point held of what was seen, both sides together. */
export function talliesOf(marks: readonly SheetMark[]): Map<string, PointTally> {
  const out = new Map<string, PointTally>();
  for (const m of marks) {
    const t = out.get(m.pointId) ?? { held: 0, seen: 0 };
    for (const r of m.reps) {
      if (r === 'H') t.held += 1;
      if (r === 'H' || r === 'S') t.seen += 1;
    }
    out.set(m.pointId, t);
  }
  return out;
}

/** How an item is looked at for one candidate. */
export interface Asks {
  /** The share from which a point of it stands; null: it is waived and not asked. */
  asks: (pointId: string) => number | null;
  /** Whether the item hangs on a point: then it may not fall short. */
  hangsOn: (pointId: string) => boolean;
}

/**
 * The same from an item's points: critical ones are those it hangs on. What was adapted for somebody is asked as adapted;
 * waived, it is not.
 */
export function asksOf(
  rule: GradingRule,
  points: readonly { id: string; critical: boolean }[],
  adapted?: ReadonlyMap<string, { waived: boolean; share?: number | null | undefined }>,
): Asks {
  const critical = new Set(points.flatMap((p) => (p.critical ? [p.id] : [])));
  return {
    hangsOn: (id) => critical.has(id),
    asks: (id) => {
      const a = adapted?.get(id);
      if (a?.waived) return null;
      return a?.share ?? (critical.has(id) ? rule.criticalStands : rule.stands);
    },
  };
}

/**
 * The one thing to work on after a grading: of all that slipped what can hurt before the rest, then what slipped most over
 * all sheets, then from the ground up. `points`: what was asked, from the ground up. Null: nothing slipped.
 */
export function weakestPoint(
  lines: readonly { marks: readonly SheetMark[] }[],
  points: readonly { id: string; hurts: boolean }[],
): { pointId: string; side: SheetMark['side'] } | null {
  const place = new Map(points.map((p, i) => [p.id, { i, hurts: p.hurts }]));
  const slips = new Map<string, { pointId: string; side: SheetMark['side']; n: number }>();
  for (const m of lines.flatMap((l) => l.marks)) {
    const n = [...m.reps].filter((r) => r === 'S').length;
    const key = `${m.pointId} ${m.side}`;
    if (n > 0 && place.has(m.pointId))
      slips.set(key, { pointId: m.pointId, side: m.side, n: n + (slips.get(key)?.n ?? 0) });
  }
  const at = (x: { pointId: string }) => place.get(x.pointId)!;
  const worst = [...slips.values()].sort(
    (a, b) => Number(at(b).hurts) - Number(at(a).hurts) || b.n - a.n || at(a).i - at(b).i,
  )[0];
  return worst ? { pointId: worst.pointId, side: worst.side } : null;
}

const allowed = (others: number, rule: GradingRule): number => Math.floor(rule.mayFallShort * others + 1e-9);

/**
 * The word for an item: the examiner's own, by a word or by a mark, or what the marks come to by the rule: each point by its weaker side, the item
 * by its weakest point, but for those that may fall short. Null where nothing was seen and nothing said.
 */
export function wordOf(rule: GradingRule, line: SheetLine, item: Asks): SheetWord | null {
  if (line.word !== null) return line.word;
  if (rule.scale && typeof line.mark === 'number') return wordOfMark(rule.scale, line.mark);
  const points = new Map<string, SheetWord>();
  for (const m of line.marks) {
    const held = [...m.reps].filter((r) => r === 'H').length;
    const seen = held + [...m.reps].filter((r) => r === 'S').length;
    const asked = item.asks(m.pointId);
    if (seen === 0 || asked === null) continue;
    const share = held / seen + 1e-9;
    // Of whom less is asked, less is nearly there, in proportion.
    const nearly = asked < rule.stands ? (rule.nearly * asked) / rule.stands : rule.nearly;
    const here: SheetWord = share >= asked ? 'stands' : share >= nearly ? 'nearly' : 'not yet';
    points.set(m.pointId, lowest(points.get(m.pointId) ?? 'stands', here));
  }
  if (points.size === 0) return null;
  const others = [...points].filter(([id]) => !item.hangsOn(id)).map(([, word]) => word);
  others.sort((a, b) => place[b] - place[a]);
  return [...points]
    .filter(([id]) => item.hangsOn(id))
    .map(([, word]) => word)
    .concat(others.slice(allowed(others.length, rule)))
    .reduce<SheetWord>(lowest, 'stands');
}

const place: Record<SheetWord, number> = { stands: 0, nearly: 1, 'not yet': 2 };
const lowest = (a: SheetWord, b: SheetWord): SheetWord => (place[a] >= place[b] ? a : b);

/** The one word of several: the middle one, the lower of two middle ones, or the lowest; null where nobody said any. */
export function oneWord(words: readonly SheetWord[], how: 'the middle' | 'the lowest'): SheetWord | null {
  const sorted = [...words].sort((a, b) => place[a] - place[b]);
  return sorted[how === 'the lowest' ? sorted.length - 1 : Math.floor(sorted.length / 2)] ?? null;
}
