import { canHurt, type Point } from '../technique/point';
import { countsFor, type ConditionOrder } from '../units/condition';
import { dayNumber, daysBetween, fromDayNumber, type PlainDate } from '../units/plainDate';
import type { Side } from '../units/side';
import { betaBinomial, betaCdf } from './beta';
import type { Posterior } from './posterior';
import type { PointVerdict, Verdict } from './verdict';

/** A belief about one share by itself. */
type Belief = Pick<Posterior, 'a' | 'b'>;

/** A requirement of somebody's next belt, as the choice of looks sees it. */
export interface LookedFor {
  requirementId: string;
  itemKey: string;
  conditionId: string;
  freshDays: number;
  repetitions: number;
  days: number;
  verdict: Verdict;
  /** How long one card of it takes, in seconds; left out: as a technique. */
  seconds?: number;
  belief: (point: Point, side: Side) => Belief;
}

/** What one look at one point on one side is worth. */
export interface PointWorth {
  point: Point;
  side: Side;
  /** Expected fall of uncertainty, in bits, times how near the grading is. */
  gain: number;
  /** Chance that the look makes it stand. */
  stands: number;
}
/** What looks at one requirement of one student are worth. */
export interface LookWorth {
  studentId: string;
  requirementId: string;
  itemKey: string;
  conditionId: string;
  word: Verdict['word'];
  /** What is met is worth a look only because of its date: until when it is fresh; null: that is not why. */
  freshUntil: PlainDate | null;
  seconds: number;
  /** Chance that one card settles it now. */
  settles: number;
  hurts: boolean;
  points: readonly PointWorth[];
}

/** A suggestion: a card of one person, or a sweep of one point along the line. */
export interface WorthALook {
  kind: 'card' | 'sweep';
  itemKey: string;
  conditionId: string;
  /** Of a sweep. */
  pointId: string | null;
  side: Side | null;
  studentIds: readonly string[];
  /** Those whom it could settle, the likeliest first. */
  couldSettle: readonly string[];
  /** Worth a minute of the teacher's time. */
  worth: number;
  hurts: boolean;
  word: Verdict['word'] | null;
  /** Of a card: which requirement it would settle. */
  requirementId: string | null;
}

/** A teacher's time, in seconds: a card of one person, a sweep along the line (common practice, no source). */
export const CARD_SECONDS = 40;
export const SWEEP_SECONDS = 120;
/** A showing takes a little over two seconds a count, and the walk to the start. */
export const showingSeconds = (counts: number): number => Math.max(CARD_SECONDS, 20 + 2.5 * counts);
const USUAL_LOOK = 5;

const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -(p * Math.log2(p) + (1 - p) * Math.log2(1 - p)));

/** How much one look of `m` repetitions is expected to tell about "truly at the standard", in bits. */
export function expectedGain(belief: Belief, share: number, m: number): number {
  const { a, b } = belief;
  const before = entropy(betaCdf(share, a, b));
  let after = 0;
  for (let h = 0; h <= m; h += 1) after += betaBinomial(h, m, a, b) * entropy(betaCdf(share, a + h, b + m - h));
  return Math.max(0, before - after);
}

/** The nearer the grading the more a look is worth: half for every four weeks it lies off; a half where none is set. */
export function nearness(today: PlainDate, gradingDay: PlainDate | null): number {
  if (gradingDay === null) return 0.5;
  return 2 ** (-Math.max(0, daysBetween(today, gradingDay)) / 28);
}

/** Chance that the next look makes a point stand: the rest of the window is kept in proportion. */
function standsAfter(p: PointVerdict, r: LookedFor, belief: Belief): number {
  const n = r.repetitions;
  const perDay = Math.ceil(n / r.days);
  if (p.looksNeeded === 0) return 1;
  if (p.looksNeeded > 1) return 0;
  const left = n - perDay;
  const kept = p.window.of > 0 ? (p.window.held * Math.min(left, p.window.of)) / p.window.of : 0;
  const m = Math.max(USUAL_LOOK, perDay);
  let chance = 0;
  for (let h = m; h >= 0; h -= 1) {
    if (kept + (h * perDay) / m < p.share * n - 1e-9) break;
    chance += betaBinomial(h, m, belief.a, belief.b);
  }
  return Math.min(1, chance);
}

/**
 * What looks at each requirement of a student are worth today. What is met and stays fresh until the grading is worth
 * nothing; what would go stale before it counts as not standing.
 */
export function lookWorths(
  studentId: string,
  requirements: readonly LookedFor[],
  today: PlainDate,
  gradingDay: PlainDate | null,
): LookWorth[] {
  const near = nearness(today, gradingDay);
  const until = dayNumber(gradingDay !== null && gradingDay > today ? gradingDay : today);
  return requirements.flatMap((r) => {
    const points: PointWorth[] = [];
    let settles = 1;
    let freshUntil = Infinity;
    for (const p of r.verdict.points) {
      const goesStale = p.looksNeeded === 0 && p.window.newest !== null && until - p.window.newest > r.freshDays;
      // What needs more looks than the item does is what may fall short: it decides nothing.
      if (p.looksNeeded > r.verdict.looksNeeded || (p.looksNeeded === 0 && !goesStale)) continue;
      if (goesStale) freshUntil = Math.min(freshUntil, p.window.newest! + r.freshDays);
      const belief = r.belief(p.point, p.side);
      const stands = goesStale ? standsAfter({ ...p, looksNeeded: 1 }, r, belief) : standsAfter(p, r, belief);
      settles *= stands;
      const gain = expectedGain(belief, p.share, USUAL_LOOK) * near;
      points.push({ point: p.point, side: p.side, gain, stands });
    }
    if (points.length === 0) return [];
    const hurts = r.verdict.points.some(
      (p) => canHurt(p.point) && p.window.of - p.window.held > 1e-9 && p.looksNeeded > 0,
    );
    const { requirementId, itemKey, conditionId } = r;
    const { word } = r.verdict;
    const freshDay = word === 'met' && freshUntil < Infinity ? fromDayNumber(freshUntil) : null;
    const seconds = r.seconds ?? CARD_SECONDS;
    return [
      {
        studentId,
        requirementId,
        itemKey,
        conditionId,
        word,
        freshUntil: freshDay,
        seconds,
        settles,
        hurts,
        points,
      },
    ];
  });
}

/** What must be known of the evening to put looks in order. */
export interface Evening {
  /** Those present, in the order of the line. */
  present: readonly string[];
  /** The order of conditions by which a student is judged. */
  orderOf: (studentId: string) => ConditionOrder;
  /** What tonight's plan shows; left out: everything. */
  visible?: ((itemKey: string, conditionId: string) => boolean) | undefined;
  /** Looks already made tonight, as `student item` keys: not offered again. */
  done?: ReadonlySet<string> | undefined;
}

const MAYBE = 0.25;

/**
 * Puts what is worth a look in order: cards of one person and sweeps along the line in one list, by what they tell a
 * minute. A sweep that settles several stands before single looks of the same worth. Nobody is offered twice before
 * others had a turn, except for what can hurt.
 */
export function nextLooks(worths: readonly LookWorth[], evening: Evening, most = 12): WorthALook[] {
  const here = new Set(evening.present);
  const open = worths.filter(
    (w) =>
      here.has(w.studentId) &&
      (evening.visible?.(w.itemKey, w.conditionId) ?? true) &&
      !(evening.done?.has(`${w.studentId} ${w.itemKey}`) ?? false),
  );
  const all: WorthALook[] = [];
  for (const w of open) {
    const told = informed(w, open, evening.orderOf(w.studentId)).reduce((s, p) => s + p.gain, 0);
    const value = told + w.settles;
    all.push({
      kind: 'card',
      itemKey: w.itemKey,
      conditionId: w.conditionId,
      pointId: null,
      side: null,
      studentIds: [w.studentId],
      couldSettle: w.settles >= MAYBE ? [w.studentId] : [],
      worth: (value * 60) / w.seconds,
      hurts: w.hurts,
      word: w.word,
      requirementId: w.requirementId,
    });
  }
  const sweeps = new Map<string, { w: LookWorth; p: PointWorth; alone: boolean }[]>();
  for (const w of open)
    for (const p of w.points) {
      // A measure takes its time, and what was felt only the receiver can tell: both belong on a card.
      if (p.point.kind === 'measured' || p.point.kind === 'felt') continue;
      const key = `${w.itemKey} ${w.conditionId} ${p.point.id} ${p.side}`;
      const list = sweeps.get(key) ?? [];
      if (list.length === 0) sweeps.set(key, list);
      list.push({ w, p, alone: w.points.length === 1 });
    }
  for (const list of sweeps.values()) {
    if (list.length < 2) continue;
    const settles = list.filter((x) => x.alone && x.p.stands >= MAYBE).sort((a, b) => b.p.stands - a.p.stands);
    const value = list.reduce((s, x) => s + x.p.gain + (x.alone ? x.p.stands : 0), 0);
    const { w, p } = list[0]!;
    const hurts = canHurt(p.point) && list.some((x) => x.w.hurts);
    all.push({
      kind: 'sweep',
      itemKey: w.itemKey,
      conditionId: w.conditionId,
      pointId: p.point.id,
      side: p.side,
      studentIds: list.map((x) => x.w.studentId),
      couldSettle: settles.map((x) => x.w.studentId),
      worth: (value * 60) / SWEEP_SECONDS,
      hurts,
      word: null,
      requirementId: null,
    });
  }
  // A sweep that settles several comes before single looks; ties by what stands first, so that nothing jumps about.
  const several = (x: WorthALook) => Number(x.kind === 'sweep' && x.couldSettle.length > 1);
  all.sort(
    (a, b) => several(b) - several(a) || b.worth - a.worth || Number(b.kind === 'sweep') - Number(a.kind === 'sweep'),
  );
  return inTurn(all, evening.present.length, most);
}

/** What a card of one item tells of all open requirements of that student whose points it shows. */
function informed(w: LookWorth, open: readonly LookWorth[], order: ConditionOrder): PointWorth[] {
  const shown = new Set(w.points.map((p) => `${p.point.id} ${p.side}`));
  const out = [...w.points];
  for (const other of open) {
    if (other === w || other.studentId !== w.studentId || !countsFor(order, w.conditionId, other.conditionId)) continue;
    for (const p of other.points) if (shown.has(`${p.point.id} ${p.side}`)) out.push(p);
  }
  return out;
}

function inTurn(sorted: readonly WorthALook[], present: number, most: number): WorthALook[] {
  const out: WorthALook[] = [];
  let left = [...sorted];
  let had = new Set<string>();
  while (out.length < most && left.length > 0) {
    const at = left.findIndex((x) => x.kind === 'sweep' || x.hurts || !had.has(x.studentIds[0]!));
    if (at < 0) {
      had = new Set();
      continue;
    }
    const [taken] = left.splice(at, 1);
    out.push(taken!);
    if (taken!.kind === 'card') had.add(taken!.studentIds[0]!);
    if (had.size >= present) had = new Set();
    // A point swept once is not offered again for the other item it belongs to.
    if (taken!.kind === 'sweep')
      left = left.filter((x) => x.kind !== 'sweep' || x.pointId !== taken!.pointId || x.side !== taken!.side);
  }
  return out;
}
