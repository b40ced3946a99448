import { fallAtMost, type Requirement, type Standard } from '../syllabus/standard';
import { canHurt, type Point, type Range } from '../technique/point';
import type { ConditionOrder } from '../units/condition';
import { dayNumber, type PlainDate } from '../units/plainDate';
import type { Side } from '../units/side';
import { entriesOn, gatherEvidence, type Adaptation, type Entry, type Evidence, type Look } from './looks';
import { pointState, type PointState } from './shown';
import { asideBecause, dayLimit, takeWindow, type Aside, type Asked, type Window } from './window';

export const VERDICTS = ['met', 'close', 'short', 'stale', 'unseen'] as const;
export type VerdictWord = (typeof VERDICTS)[number];

/** Why a point on one side does not stand; the first that applies, in this order. */
export type Failing = 'share' | 'count' | 'side' | 'days' | 'date';

/** One point on one side against the standard. */
export interface PointVerdict {
  point: Point;
  side: Side;
  /** The item's own, not inherited from a stance or a step. */
  own: boolean;
  window: Window;
  /** Share asked of this point of this student. */
  share: number;
  /** Clean looks after which it stands; 0 where it does. */
  looksNeeded: number;
  /** Clean looks after which its window is full; 0 where it is. */
  looksToFill: number;
  failing: Failing | null;
  /** The day on which it was shown last; null: it is not shown. */
  shown: PointState['shown'];
  lost: PointState['lost'];
  /** The newest look at it that does not count for what is asked, where those that do are too few. */
  aside: { entry: Entry; because: Aside } | null;
}

export interface Verdict {
  word: VerdictWord;
  /** Clean looks of the whole item, each on a new day, after which everything stands. */
  looksNeeded: number;
  /** Every point on every side asked, from the ground up. */
  points: readonly PointVerdict[];
  /** What decides it: the worst point, or the thinnest where all stand; null where nothing is left to be looked at. */
  worst: PointVerdict | null;
  /** How many of its points may fall short, and those that do and were let pass. */
  mayFall: number;
  fallen: readonly PointVerdict[];
  /** Points that are waived and not critical: they stand, and count among those of which some may fall short. */
  waived: readonly string[];
}

/** What a verdict needs to know besides the looks. `points` are the item's, inherited ones included. */
export interface JudgeContext {
  points: readonly Point[];
  /** Whether a point is the item's own, not inherited; left out: all are. */
  isOwn?: ((pointId: string) => boolean) | undefined;
  sided: boolean;
  order: ConditionOrder;
  today: PlainDate;
  adaptations?: readonly Adaptation[] | undefined;
}

const TINY = 1e-9;

/** Adaptations in force on a day: for each point the one written last. */
export function adaptationsOn(
  all: readonly Adaptation[] | undefined,
  today: PlainDate,
): ReadonlyMap<string, Adaptation> {
  const inForce = new Map<string, Adaptation>();
  for (const a of all ?? []) {
    if (a.from > today) continue;
    const other = inForce.get(a.pointId);
    if (!other || other.from <= a.from) inForce.set(a.pointId, a);
  }
  return inForce;
}

/** The accepted range of each measured point for one student. */
export function rangesFor(points: readonly Point[], adapted: ReadonlyMap<string, Adaptation>): Map<string, Range> {
  const ranges = new Map<string, Range>();
  for (const p of points) {
    const range = adapted.get(p.id)?.range ?? p.accepted;
    if (p.kind === 'measured' && range) ranges.set(p.id, range);
  }
  return ranges;
}

function judgePoint(
  point: Point,
  own: boolean,
  side: Side,
  entries: readonly Entry[],
  otherSideSeen: boolean,
  share: number,
  s: Standard,
  asked: Asked,
  today: number,
): PointVerdict {
  const n = s.repetitions;
  const perDay = dayLimit(s);
  const { window, shown, lost } = pointState(entries, s, share, point.critical, asked);
  const full = window.of >= n - TINY;
  const fresh = window.newest !== null && today - window.newest <= s.freshDays;
  const looksToFill = full ? 0 : Math.ceil((n - window.of - TINY) / perDay);
  const known = { point, own, side, window, share, looksToFill, shown, lost };
  if (shown && fresh) return { ...known, looksNeeded: 0, failing: null, aside: null };
  let looksNeeded = 1;
  // A clean look on a new day brings as many repetitions as one day may give and pushes out as many of the oldest.
  for (; looksNeeded * perDay < n; looksNeeded += 1) {
    const left = n - looksNeeded * perDay;
    const kept = takeWindow(entries, left, perDay, asked);
    if (kept.of >= left - TINY && kept.held + looksNeeded * perDay >= share * n - TINY) break;
  }
  const failing: Failing = shown
    ? 'date'
    : window.of > 0 && window.held < share * window.of - TINY
      ? 'share'
      : window.of === 0 && otherSideSeen
        ? 'side'
        : window.available < n - TINY
          ? 'count'
          : 'days';
  const other = full ? undefined : entries.find((e) => asideBecause(e, asked) !== null);
  const aside = other ? { entry: other, because: asideBecause(other, asked)! } : null;
  return { ...known, looksNeeded, failing, aside };
}

const shareHeld = (w: Window) => (w.of > 0 ? w.held / w.of : 0);

/** Worst first: most looks needed, then what can hurt or is critical, then the lowest share, then the ground up. */
function worse(a: PointVerdict, b: PointVerdict): number {
  return (
    b.looksNeeded - a.looksNeeded ||
    Number(b.point.critical || canHurt(b.point)) - Number(a.point.critical || canHurt(a.point)) ||
    shareHeld(a.window) - shareHeld(b.window)
  );
}

/**
 * Judges gathered evidence against a requirement. The number of clean looks needed gives the word: met 0, close 1, short
 * 2 or more, stale where only freshness is missing, unseen where nothing that counts has been seen.
 */
export function judge(requirement: Requirement, evidence: Evidence, context: JudgeContext): Verdict {
  const s = requirement.standard;
  const asked: Asked = {
    conditionId: requirement.conditionId,
    purpose: requirement.purpose,
    stage: requirement.stage,
    order: context.order,
  };
  const adapted = adaptationsOn(context.adaptations, context.today);
  const today = dayNumber(context.today);
  const sides: readonly Side[] = context.sided ? ['left', 'right'] : ['none'];

  const points: PointVerdict[] = [];
  const waived: PointVerdict[] = [];
  for (const point of context.points) {
    const adaptation = adapted.get(point.id);
    const isOwn = context.isOwn?.(point.id) ?? true;
    const share = adaptation?.share ?? (point.critical ? s.criticalShare : s.share);
    const at = evidence.get(point.id);
    for (const side of sides) {
      const other = side === 'left' ? at?.right : side === 'right' ? at?.left : undefined;
      const entries = entriesOn(evidence, point.id, side);
      (adaptation?.waived ? waived : points).push(
        judgePoint(point, isOwn, side, entries, (other?.length ?? 0) > 0, share, s, asked, today),
      );
    }
  }

  const choices =
    s.sides === 'one' && context.sided
      ? sides.map((side) => ({
          choice: points.filter((p) => p.side === side),
          waivedThere: waived.filter((p) => p.side === side),
        }))
      : [{ choice: points, waivedThere: waived }];
  let considered = points;
  let looksNeeded = Infinity;
  let seenOnSide = -1;
  for (const { choice, waivedThere } of choices) {
    const needed = looksNeededFor(choice, waivedThere, s);
    const seen = choice.reduce((sum, p) => sum + p.window.of, 0);
    if (needed > looksNeeded || (needed === looksNeeded && seen <= seenOnSide)) continue;
    looksNeeded = needed;
    seenOnSide = seen;
    considered = choice;
  }

  const nothingAsked = context.points.length > 0 && points.length === 0;
  const unseen = !nothingAsked && points.every((p) => p.window.of === 0);
  // Points that need more looks than the item does are those that may fall short: they decide nothing.
  const upToIt = considered.filter((p) => p.looksNeeded <= looksNeeded);
  const open = looksNeeded > 0 && upToIt.every((p) => p.looksNeeded === 0);
  const deciding = open ? considered.filter((p) => p.looksNeeded > 0) : upToIt;
  const staleOnly = deciding.every((p) => p.looksNeeded === 0 || p.failing === 'date');
  const word: VerdictWord = unseen
    ? 'unseen'
    : looksNeeded === 0
      ? 'met'
      : staleOnly
        ? 'stale'
        : looksNeeded === 1
          ? 'close'
          : 'short';
  let worst: PointVerdict | null = null;
  for (const p of deciding) if (worst === null || worse(p, worst) < 0) worst = p;
  const softOf = (of: readonly PointVerdict[]) => [
    ...new Set(of.flatMap((p) => (p.point.critical ? [] : [p.point.id]))),
  ];
  const stood = softOf(waived);
  const mayFall = fallAtMost(s, softOf(considered).length + stood.length);
  const fallen = word === 'met' ? considered.filter((p) => p.looksNeeded > 0) : [];
  return { word, looksNeeded, points: considered, worst, mayFall, fallen, waived: stood };
}

/**
 * Looks after which all critical points stand, no more of the others fall short than may, and at least one point of the
 * item's own, where it has any, has been seen as often as is asked: nothing is met by what others showed alone. A waived
 * point stands: how many may fall follows the item, so whoever is asked less is allowed no less for it.
 */
function looksNeededFor(points: readonly PointVerdict[], waived: readonly PointVerdict[], s: Standard): number {
  let hard = 0;
  const soft = new Map<string, number>();
  const filled = new Map<string, number>();
  for (const p of points) {
    const { id, critical } = p.point;
    if (critical) hard = Math.max(hard, p.looksNeeded);
    else soft.set(id, Math.max(soft.get(id) ?? 0, p.looksNeeded));
    if (p.own) filled.set(id, Math.max(filled.get(id) ?? 0, p.looksToFill));
  }
  const asksOwn = filled.size > 0;
  for (const p of waived) {
    const { id, critical } = p.point;
    if (!critical) soft.set(id, 0);
    // It is not asked; that the item itself was watched it shows as well as any other.
    if (asksOwn && p.own) filled.set(id, Math.max(filled.get(id) ?? 0, p.looksToFill));
  }
  const own = filled.size === 0 ? 0 : Math.min(...filled.values());
  const others = [...soft.values()].sort((x, y) => y - x);
  return Math.max(hard, own, others[fallAtMost(s, others.length)] ?? 0);
}

/** Judges looks against a requirement; `judge` with the evidence gathered first. */
export function verdict(requirement: Requirement, looks: readonly Look[], context: JudgeContext): Verdict {
  const ranges = rangesFor(context.points, adaptationsOn(context.adaptations, context.today));
  return judge(requirement, gatherEvidence(looks, ranges), context);
}
