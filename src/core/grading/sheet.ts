import type { GradingRule, SheetWord } from './rule';

/** What an examiner saw of one point on one side: a letter a repetition, H held, S slipped, U not seen. */
export interface SheetMark {
  pointId: string;
  side: 'left' | 'right' | 'none';
  reps: string;
}

/** One examiner's line for one item of one candidate. */
export interface SheetLine {
  item: string;
  examiner: string;
  marks: readonly SheetMark[];
  /** Their own word; null: it is read from the marks. */
  word: SheetWord | null;
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

const allowed = (others: number, rule: GradingRule): number => Math.floor(rule.mayFallShort * others + 1e-9);

/**
 * The word for an item: the examiner's own, or what the marks come to by the rule: each point by its weaker side, the item
 * by its weakest point, but for those that may fall short. Null where nothing was seen and nothing said.
 */
export function wordOf(rule: GradingRule, line: SheetLine, item: Asks): SheetWord | null {
  if (line.word !== null) return line.word;
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
