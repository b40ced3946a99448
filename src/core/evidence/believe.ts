import type { GateVerdict } from '../syllabus/gate';
import type { Requirement } from '../syllabus/standard';
import { countsFor, type ConditionOrder } from '../units/condition';
import { dayNumber, type PlainDate } from '../units/plainDate';
import { type Side } from '../units/side';
import { watchedShare, type ItemBelief } from './chance';
import type { ForecastGate, ForecastInput, ForecastPoint } from './forecast';
import type { Seen, Slope } from './growth';
import { entriesOn, type Entry, type Evidence } from './looks';
import { poolPrior, posteriorOf, type Expected, type Posterior } from './posterior';
import type { Verdict } from './verdict';
import { stageCounts } from './window';

/** What beliefs about one student rest on. */
export interface Grounds {
  evidence: Evidence;
  order: ConditionOrder;
  today: PlainDate;
  /** What is expected of this student at a point before any look at it. */
  expected: (pointId: string, side: Side) => Expected;
  /** How the logit of this student's shares grows in a day, by the school's slope; left out: not at all. */
  drift?: number;
}

/** A day's growth: the school's slope a class, times the classes a student came to of late. */
export function driftOf(slope: Slope, attended: readonly number[], today: PlainDate): number {
  const now = dayNumber(today);
  const lately = attended.filter((d) => now - d <= EIGHT_WEEKS && d < now).length;
  return Math.max(0, slope.mean) * (lately / EIGHT_WEEKS);
}

/** What is believed of each point among a school's people: held and seen of each, as sums of one student a point. */
export function poolPriors(
  sums: Iterable<{ pointId: string; held: number; of: number }>,
): (pointId: string) => { a: number; b: number } {
  const people = new Map<string, { held: number; of: number }[]>();
  for (const s of sums) {
    const list = people.get(s.pointId);
    if (list) list.push(s);
    else people.set(s.pointId, [s]);
  }
  const priors = new Map<string, { a: number; b: number }>();
  return (pointId) => {
    let prior = priors.get(pointId);
    if (!prior) priors.set(pointId, (prior = poolPrior(people.get(pointId) ?? [])));
    return prior;
  };
}

/** What is believed of one point on one side, as a requirement asks for it. */
export const beliefOf = (
  r: Pick<Requirement, 'conditionId' | 'purpose' | 'stage'>,
  pointId: string,
  side: Side,
  g: Grounds,
): Posterior =>
  posteriorOf(
    entriesOn(g.evidence, pointId, side),
    g.expected(pointId, side),
    { conditionId: r.conditionId, purpose: r.purpose, stage: r.stage, order: g.order },
    dayNumber(g.today),
    g.drift,
  );

/** A requirement as far as chance goes: the points and sides that its verdict considered. */
export function itemBelief(r: Requirement, verdict: Verdict, g: Grounds): ItemBelief {
  const points = new Map<string, { id: string; critical: boolean; sides: { side: Side; belief: Posterior }[] }>();
  for (const p of verdict.points) {
    let at = points.get(p.point.id);
    if (!at) points.set(p.point.id, (at = { id: p.point.id, critical: p.point.critical, sides: [] }));
    at.sides.push({ side: p.side, belief: beliefOf(r, p.point.id, p.side, g) });
  }
  // What is waived stands, whatever is seen of it.
  const waived = verdict.waived.map((id) => ({ id, critical: false, sides: [] }));
  return { id: r.id, critical: r.critical, points: [...points.values(), ...waived] };
}

/** How a school works: its class days counted from today (1 to 7), and how often people are looked at. */
export interface SchoolHabits {
  classDays: readonly number[];
  hoursPerClass: number;
  lookChance: number;
  marked: number;
  slope: Slope;
}

/** What the last eight weeks say of a school's habits; a weekday counts if it had class three times. */
export function habitsFrom(
  counted: {
    today: PlainDate;
    classes: readonly { day: number; minutes: number }[];
    /** Days on which somebody was looked at doing an item, each student, item and day once. */
    lookDays: number;
    /** Attendances in the same time, and how many requirements a student has on average. */
    attended: number;
    asked: number;
    /** Points marked and points there were, in those looks. */
    marks: number;
    points: number;
  },
  slope: Slope,
): SchoolHabits {
  const today = dayNumber(counted.today);
  const times = new Map<number, number>();
  for (const c of counted.classes) {
    const offset = 7 - ((today - c.day) % 7);
    times.set(offset, (times.get(offset) ?? 0) + 1);
  }
  const minutes = counted.classes.reduce((s, c) => s + c.minutes, 0);
  const possible = counted.attended * Math.max(1, counted.asked);
  return {
    classDays: [...times].flatMap(([offset, n]) => (n >= 3 ? [offset] : [])).sort((a, b) => a - b),
    hoursPerClass: counted.classes.length === 0 ? 1 : minutes / counted.classes.length / 60,
    lookChance: possible === 0 ? 0.1 : Math.min(0.9, Math.max(0.02, counted.lookDays / possible)),
    marked: counted.points === 0 ? 0.8 : Math.min(1, Math.max(0.1, counted.marks / counted.points)),
    slope,
  };
}

const YEAR = 365;
const EIGHT_WEEKS = 56;
/** A student's own frequency of looks at an item is read from so many days, and drawn towards the school's by so many classes. */
const OWN_LOOKS = 112;
const USUAL_CLASSES = 60;

/** What one series of looks says of growth: `attended` are the days of class the student came to, oldest first. */
export function seenBy(entries: readonly Entry[], attended: readonly number[], weight: (e: Entry) => number): Seen[] {
  return entries.flatMap((e) => {
    const w = weight(e);
    if (w === 0) return [];
    let ago = 0;
    for (let i = attended.length - 1; i >= 0 && attended[i]! > e.day; i -= 1) ago += 1;
    return [{ ago, held: w * e.held, of: w * e.of }];
  });
}

/** Everything the forecast of one student needs, from what is known of them and of the school. */
export function forecastInput(
  asked: readonly { requirement: Requirement; name: string; verdict: Verdict; settled: boolean }[],
  g: Grounds,
  about: {
    attended: readonly number[];
    trainedSince: PlainDate | null;
    habits: SchoolHabits;
    /** How many times faster people grow than their series by themselves say; left out: as fast. */
    growth?: number;
    gates: readonly { verdict: GateVerdict; name: string }[];
    gradingDay: PlainDate | null;
  },
): ForecastInput {
  const today = dayNumber(g.today);
  const { habits, attended } = about;
  const long = about.trainedSince !== null && today - dayNumber(about.trainedSince) > 2 * YEAR;
  const lately = attended.filter((d) => today - d < EIGHT_WEEKS && d < today).length;
  const came = attended.filter((d) => today - d <= OWN_LOOKS && d < today).length;
  const held = Math.max(1, habits.classDays.length) * 8;
  const since =
    about.trainedSince === null ? EIGHT_WEEKS : Math.min(EIGHT_WEEKS, today - dayNumber(about.trainedSince));
  const points = new Map<string, ForecastPoint>();
  let looks = 0;
  const requirements = asked.map(({ requirement: r, name, verdict, settled }) => {
    let most = 0;
    let lookDays = 0;
    const own = verdict.points.map((p): ForecastPoint => {
      const key = `${p.point.id} ${p.side} ${r.conditionId} ${r.purpose ?? ''} ${r.stage ?? ''} ${p.share} ${p.own}`;
      const entries = entriesOn(g.evidence, p.point.id, p.side).filter(
        (e) => (r.purpose === null || e.purpose === r.purpose) && stageCounts(r.stage, e.stage),
      );
      const counting = entries.filter((e) => countsFor(g.order, e.conditionId, r.conditionId));
      most = Math.max(most, counting.length);
      const days = new Set(counting.flatMap((e) => (today - e.day <= OWN_LOOKS ? [e.day] : [])));
      lookDays = Math.max(lookDays, days.size);
      const known = points.get(key);
      if (known) return known;
      const made: ForecastPoint = {
        key,
        pointId: p.point.id,
        name: p.point.name,
        side: p.side,
        critical: p.point.critical,
        share: p.share,
        belief: beliefOf(r, p.point.id, p.side, g),
        shown: p.shown !== null,
        own: p.own,
        habit: long && oldSlip(entries, today),
        past: counting.slice(0, 3 * r.standard.repetitions),
      };
      points.set(key, made);
      return made;
    });
    looks += most;
    const { repetitions, days, freshDays, sides } = r.standard;
    return {
      id: r.id,
      name,
      repetitions,
      days,
      freshDays,
      mayFall: verdict.mayFall,
      oneSide: sides === 'one',
      points: own,
      lookChance: Math.min(1, (lookDays + USUAL_CLASSES * habits.lookChance) / (came + USUAL_CLASSES)),
      settled,
    };
  });
  return {
    today: g.today,
    requirements,
    gates: about.gates.flatMap((x) => gateAhead(x.verdict, x.name)),
    classDays: habits.classDays,
    hoursPerClass: habits.hoursPerClass,
    attends: Math.min(1, lately / Math.max(1, (held * since) / EIGHT_WEEKS)),
    marked: habits.marked,
    gradingDay: about.gradingDay,
    slope: { mean: habits.slope.mean * (about.growth ?? 1), sd: habits.slope.sd },
    looks,
    watched: watchedShare(asked.map((x) => (x.settled ? 'met' : x.verdict.word))),
  };
}

/** A slip that is older than a year and still there in the last looks. */
function oldSlip(entries: readonly Entry[], today: number): boolean {
  return entries.some((e) => e.held < e.of && today - e.day > YEAR) && entries.slice(0, 3).some((e) => e.held < e.of);
}

function gateAhead(v: GateVerdict, name: string): ForecastGate[] {
  if (v.word === 'met') return [];
  const id = v.gate.id;
  if (v.opens !== null) return [{ id, name, opens: v.opens }];
  if (v.gate.kind === 'classes') return [{ id, name, classes: v.missing ?? v.gate.amount }];
  if (v.gate.kind === 'hours') return [{ id, name, hours: v.missing ?? v.gate.amount }];
  return [{ id, name, aside: true }];
}
