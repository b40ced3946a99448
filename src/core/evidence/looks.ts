import type { Purpose, Stage } from '../syllabus/standard';
import type { Range } from '../technique/point';
import { isHeld } from '../technique/point';
import type { ConditionId } from '../units/condition';
import { dayNumber, type PlainDate } from '../units/plainDate';
import type { Side } from '../units/side';
import type { Entry } from './entry';
import { remembered } from './memory';

export type { Entry } from './entry';

/**
 * The result for one point in a look. `seen` and `counted` say how many of how many held; `measured` keeps every value
 * (each is a repetition); `felt` is told by the receiver or the performer and settles only points of the felt kind.
 */
export type Mark =
  | { pointId: string; kind: 'seen' | 'counted' | 'felt'; held: number; of: number }
  | { pointId: string; kind: 'measured'; values: readonly number[] };

/** Somebody watched a student do an item. `at` is when, in milliseconds; it orders looks within a day. */
export interface Look {
  id: string;
  techniqueId: string;
  day: PlainDate;
  at: number;
  conditionId: ConditionId;
  side: Side;
  purpose: Purpose | null;
  /** How far the joining of it had come; null or left out: not said. */
  stage?: Stage | null;
  /** The look that this one corrects; it then does not exist for the judgement. */
  replaces: string | null;
  marks: readonly Mark[];
}

/** Entries by point and side, newest first. */
export type Evidence = ReadonlyMap<string, Readonly<Record<Side, readonly Entry[]>>>;

/** What the head has written for one student: another range or share at a point, or the point waived. */
export interface Adaptation {
  pointId: string;
  from: PlainDate;
  range: Range | null;
  share: number | null;
  waived: boolean;
}

/** The ranges that count: those of measured points, or the student's own where adapted. */
export type Ranges = ReadonlyMap<string, Range>;

/** Looks that stand: a replaced one, and one that a replaced look had itself replaced, are left out. */
export function standingLooks<L extends Pick<Look, 'id' | 'replaces'>>(looks: readonly L[]): L[] {
  const replaced = new Set<string>();
  for (const l of looks) if (l.replaces !== null) replaced.add(l.replaces);
  return replaced.size === 0 ? [...looks] : looks.filter((l) => !replaced.has(l.id));
}

/**
 * Newest first. Entries of the same instant are ordered by what they say, so that nothing depends on the order in which
 * they arrived or on how they are called.
 */
export const newestFirst = (a: Entry, b: Entry): number =>
  b.day - a.day ||
  b.at - a.at ||
  a.held - b.held ||
  a.of - b.of ||
  (a.conditionId < b.conditionId ? -1 : a.conditionId > b.conditionId ? 1 : 0);

/**
 * Collects looks into evidence, as far back as they can still matter. The order in which they arrive does not matter. A
 * measured value is held if inside the range given for its point; a measured point without a range says nothing.
 */
export function gatherEvidence(looks: readonly Look[], ranges: Ranges): Evidence {
  const evidence = new Map<string, Record<Side, Entry[]>>();
  for (const look of standingLooks(looks)) {
    const day = dayNumber(look.day);
    for (const mark of look.marks) {
      let held: number;
      let of: number;
      if (mark.kind === 'measured') {
        const range = ranges.get(mark.pointId);
        if (!range) continue;
        of = mark.values.length;
        held = mark.values.filter((v) => isHeld(v, range)).length;
      } else ({ held, of } = mark);
      if (of <= 0) continue;
      let sides = evidence.get(mark.pointId);
      if (!sides) evidence.set(mark.pointId, (sides = { left: [], right: [], none: [] }));
      const { conditionId, purpose, at } = look;
      const entry: Entry = { day, at, conditionId, purpose, held, of };
      if (look.stage) entry.stage = look.stage;
      sides[look.side].push(entry);
    }
  }
  for (const sides of evidence.values())
    for (const side of ['left', 'right', 'none'] as const) sides[side] = [...remembered(sides[side].sort(newestFirst))];
  return evidence;
}

/** What was seen at a point on a side, newest first; what is asked without sides is shown by either side. */
export function entriesOn(evidence: Evidence, pointId: string, side: Side): readonly Entry[] {
  const at = evidence.get(pointId);
  if (!at) return [];
  if (side !== 'none') return at[side];
  if (at.left.length + at.right.length === 0) return at.none;
  return [...at.none, ...at.left, ...at.right].sort(newestFirst);
}

/** What was known before a day, given as a day number. */
export const evidenceUntil = (evidence: Evidence, day: number): Evidence =>
  new Map(
    [...evidence].map(([pointId, sides]) => {
      const before = (list: readonly Entry[]) => list.filter((e) => e.day < day);
      return [pointId, { left: before(sides.left), right: before(sides.right), none: before(sides.none) }];
    }),
  );
