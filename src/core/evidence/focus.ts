import { BODY_PARTS, canHurt, type Point, type Slip } from '../technique/point';
import { fromDayNumber, type PlainDate } from '../units/plainDate';
import type { Side } from '../units/side';
import { entriesOn, type Entry, type Evidence } from './looks';
import type { PointVerdict, Verdict } from './verdict';

/** A requirement with its verdict, as the choice of a correction sees it. Overruled to met is met. */
export interface FocusSource {
  requirementId: string;
  /** Asked for the next belt; the others are kept up from earlier ones. */
  open: boolean;
  repetitions: number;
  days: number;
  verdict: Verdict;
}

/** Something a student was seen to get wrong and that does not stand yet. */
export interface Slipping {
  point: Point;
  side: Side;
  hurts: boolean;
  /** Requirements that stand on it, the open ones if any is. */
  requirementIds: readonly string[];
  open: boolean;
  /** Whether the share held is less than asked; otherwise only looks are missing. */
  falls: boolean;
  /** In how many of the last looks it slipped. */
  slipped: number;
  looks: number;
  held: number;
  of: number;
  /** Clean repetitions asked, of how many, on how many days. */
  needs: number;
  repetitions: number;
  days: number;
}

/** The correction a student was given: by the rule, or chosen by a teacher with a reason. */
export interface FocusGiven {
  pointId: string;
  side: Side;
  since: PlainDate;
  chosen: boolean;
  reason: string;
}

export interface Focus extends Slipping {
  /** The slip that is spoken of: one that can hurt first. */
  slip: Slip | null;
  /** Since when it is the student's; null: it is new today. */
  since: PlainDate | null;
  chosen: boolean;
  /** Of a chosen one: the reason that is kept with it. */
  reason: string;
}

const LAST_LOOKS = 5;
const place = new Map(BODY_PARTS.map((b, i) => [b, i]));

/** Not standing, and held in a smaller share than asked. */
const fallsShort = (p: PointVerdict): boolean => p.looksNeeded > 0 && p.window.held < p.share * p.window.of - 1e-9;

/**
 * Everything that a student was seen to get wrong and that falls short of what is asked, in the order in which it is worth correcting: what can hurt, then the
 * lowest on the body, then what more open requirements stand on, then what slipped in more of the last looks, then by
 * name. Slips of open requirements come before those of kept ones.
 */
export function slippingPoints(
  sources: readonly FocusSource[],
  evidence: Evidence,
  given: Pick<FocusGiven, 'pointId' | 'side'> | null = null,
): Slipping[] {
  const found = new Map<string, Slipping & { requirementIds: string[] }>();
  for (const s of sources) {
    for (const p of s.verdict.points) {
      const falls = fallsShort(p);
      // What was given stays in sight until it stands, as long as it was ever seen to slip.
      const kept =
        !falls &&
        p.looksNeeded > 0 &&
        p.point.id === given?.pointId &&
        p.side === given.side &&
        entriesOn(evidence, p.point.id, p.side).some((e) => e.held < e.of);
      if (!falls && !kept) continue;
      const key = `${p.point.id} ${p.side}`;
      const known = found.get(key);
      if (known) {
        if (known.open === s.open) known.requirementIds.push(s.requirementId);
        if (known.open || !s.open) continue;
      }
      const last = entriesOn(evidence, p.point.id, p.side).slice(0, LAST_LOOKS);
      found.set(key, {
        point: p.point,
        side: p.side,
        hurts: canHurt(p.point),
        requirementIds: known && known.open === s.open ? known.requirementIds : [s.requirementId],
        open: s.open,
        falls,
        slipped: last.filter((e) => e.held < e.of).length,
        looks: last.length,
        held: p.window.held,
        of: p.window.of,
        needs: Math.ceil(p.share * s.repetitions - 1e-9),
        repetitions: s.repetitions,
        days: s.days,
      });
    }
  }
  return [...found.values()].sort(
    (a, b) =>
      Number(b.open) - Number(a.open) ||
      Number(b.hurts) - Number(a.hurts) ||
      place.get(a.point.bodyPart)! - place.get(b.point.bodyPart)! ||
      b.requirementIds.length - a.requirementIds.length ||
      b.slipped - a.slipped ||
      (a.point.name < b.point.name ? -1 : a.point.name > b.point.name ? 1 : 0) ||
      (a.side < b.side ? -1 : a.side > b.side ? 1 : 0) ||
      (a.point.id < b.point.id ? -1 : 1),
  );
}

/**
 * The one correction of a student. What was given stays until it holds; something that can hurt displaces what cannot,
 * unless a teacher chose it. Null: nothing was seen to slip. `slipping` comes from `slippingPoints`.
 */
export function chooseFocus(slipping: readonly Slipping[], given: FocusGiven | null): Focus | null {
  const first = slipping.find((s) => s.falls);
  const kept = given && slipping.find((s) => s.point.id === given.pointId && s.side === given.side);
  if (!kept) return first ? focusOn(first, null) : null;
  if (!first) return focusOn(kept, given);
  const displaced = first.hurts && !kept.hurts && !given.chosen && (first.open || !kept.open);
  return displaced ? focusOn(first, null) : focusOn(kept, given);
}

function focusOn(s: Slipping, given: FocusGiven | null): Focus {
  const slip = s.point.slips.find((x) => x.hurts !== 'nobody') ?? s.point.slips[0] ?? null;
  return {
    ...s,
    slip,
    since: given?.since ?? null,
    chosen: given?.chosen ?? false,
    reason: given?.reason ?? '',
  };
}

/** A true thing to praise: what it rests on, and from which day. */
export type Praise =
  | {
      kind: 'better';
      day: PlainDate;
      name: string;
      side: Side;
      now: Pick<Entry, 'held' | 'of'>;
      before: Pick<Entry, 'held' | 'of'>;
    }
  | { kind: 'held'; day: PlainDate; name: string; side: Side; now: Pick<Entry, 'held' | 'of'> }
  | { kind: 'effort'; day: null; attended: number };

/**
 * One true thing to praise: the point that improved most between its last two looks, else one that held throughout in
 * the last look, else that the student came. The day is that of the look. `attended` counts classes of four weeks.
 */
export function praiseFor(
  points: readonly { point: Point; side: Side }[],
  evidence: Evidence,
  attended: number,
): Praise {
  let better: { gain: number; name: string; side: Side; now: Entry; before: Entry } | null = null;
  let held: { name: string; side: Side; now: Entry } | null = null;
  for (const { point, side } of points) {
    const [now, before] = entriesOn(evidence, point.id, side);
    if (!now) continue;
    if (now.held === now.of && (!held || now.day > held.now.day || (now.day === held.now.day && now.of > held.now.of)))
      held = { name: point.name, side, now };
    if (!before) continue;
    const gain = now.held / now.of - before.held / before.of;
    if (
      gain > 0 &&
      now.held > 0 &&
      (!better || gain > better.gain + 1e-9 || (gain > better.gain - 1e-9 && now.day > better.now.day))
    )
      better = { gain, name: point.name, side, now, before };
  }
  const seen = ({ held: n, of }: Entry) => ({ held: n, of });
  if (better) {
    const { name, side, now, before } = better;
    return { kind: 'better', day: fromDayNumber(now.day), name, side, now: seen(now), before: seen(before) };
  }
  if (held) {
    const { name, side, now } = held;
    return { kind: 'held', day: fromDayNumber(now.day), name, side, now: seen(now) };
  }
  return { kind: 'effort', day: null, attended };
}
