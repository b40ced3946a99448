import { dayNumber, fromDayNumber, type PlainDate } from '../units/plainDate';
import type { Random } from '../units/random';
import type { Side } from '../units/side';
import { drawHeavy, drawNormal } from './beta';
import { logit, shareAt, type Slope } from './growth';
import type { Entry } from './looks';
import { WATCHED_TO_SPEAK } from './chance';
import type { Posterior } from './posterior';
import { lostUnder } from './shown';

/** A point on one side as it will be watched. */
export interface ForecastPoint {
  /** The same for the same point, side and condition in every requirement. */
  key: string;
  pointId: string;
  name: string;
  side: Side;
  critical: boolean;
  /** Share asked of this student. */
  share: number;
  /** Where it stands today, by itself and with its student. */
  belief: Posterior;
  /** It is shown as things are. */
  shown: boolean;
  /** The item's own, not inherited. */
  own: boolean;
  /** A slip of more than a year in somebody trained for long: it is forecast to mend slowly. */
  habit: boolean;
  /** What counts of the past, newest first. */
  past: readonly Entry[];
}
export interface ForecastRequirement {
  id: string;
  name: string;
  repetitions: number;
  days: number;
  freshDays: number;
  /** So many points that are not critical may fall short. */
  mayFall: number;
  /** One side is enough. */
  oneSide: boolean;
  points: readonly ForecastPoint[];
  /** Chance that it is looked at in a class: this student's own of late, drawn towards the school's. */
  lookChance: number;
  /** The head's word: met whatever the marks say. */
  settled: boolean;
}
/** Gates: a day from which time opens them, or how much more work they ask. */
export type ForecastGate = { id: string; name: string } & (
  | { opens: PlainDate }
  | { classes: number }
  | { hours: number }
  /** Nothing that time or work opens. */
  | { aside: true }
);
export interface ForecastInput {
  today: PlainDate;
  requirements: readonly ForecastRequirement[];
  gates: readonly ForecastGate[];
  /** Days of class in the coming week, counted from today: 0 to 6. */
  classDays: readonly number[];
  hoursPerClass: number;
  /** Share of classes the student came to in the last eight weeks. */
  attends: number;
  /** The share of an item's points that is marked in a look. */
  marked: number;
  gradingDay: PlainDate | null;
  /** How the logit of a share grows in a class that is attended: one slope for all points of a student. */
  slope: Slope;
  /** Looks behind the forecast. */
  looks: number;
  /** The share of what is asked that was watched at all. */
  watched: number;
}

export interface Forecast {
  /** Why there is no range; null where there is one. */
  silent: 'too few looks' | 'may never end' | 'nothing asked' | null;
  from: PlainDate | null;
  median: PlainDate | null;
  /** Null where there is a range and more than one try in ten does not end within two years: it is open. */
  to: PlainDate | null;
  /** Chance that all is met by the day of the grading; null without one. */
  byGrading: number | null;
  /** What was met last most often. */
  decides: { kind: 'requirement' | 'gate'; id: string; name: string; share: number; habit: string | null } | null;
  /** What would change it: the median then, and the chance by the grading. */
  changes: readonly {
    what: 'one more class a week' | 'more looks';
    median: PlainDate | null;
    byGrading: number | null;
  }[];
  /** Gates that neither time nor work opens. */
  aside: readonly string[];
}

export const LOOKS_TO_FORECAST = 8;
export const FORECAST_RUNS = 500;
const WEEKS_AHEAD = 104;
/** What a student's attendance is read from, in weeks; and how often an item is looked at, in classes. */
const ATTENDS_WEEKS = 8;
const LOOK_CASES = 60;
const LOOK_STEPS = 2;
const REPETITIONS = 5;
const HABIT_SLOPE = 1 / 6;

interface Watched {
  point: ForecastPoint;
  state: { level: number; slope: number };
  past: Entry[];
  /** Shown, and not lost since. */
  shown: boolean;
  full: boolean;
}
interface Watching {
  r: ForecastRequirement;
  points: Watched[];
  perDay: number;
  /** How near the next look is. */
  step: number;
  /** Day since which it is met, and until which it stays fresh. */
  since: number;
  until: number;
}

/**
 * One way a share may truly be that was read from so many cases: the fewer, the further from what they said. Never and
 * always stay what they are.
 */
function oneShare(share: number, cases: number, random: Random): number {
  const z = drawNormal(random);
  if (share <= 0 || share >= 1) return share;
  return shareAt(logit(share) + z / Math.sqrt(Math.max(1, cases * share * (1 - share))));
}

/** Looks at a point anew after its newest look: shown, still shown, or lost. Newest repetitions last in the list. */
function lookAgain(w: Watched, r: ForecastRequirement, perDay: number): void {
  let held = 0;
  let of = 0;
  let current = -1;
  let today = 0;
  for (let i = w.past.length - 1; i >= 0 && of < r.repetitions; i -= 1) {
    const e = w.past[i]!;
    if (e.day !== current) {
      current = e.day;
      today = 0;
    }
    const fit = Math.min(e.of, r.repetitions - of, perDay - today);
    if (fit <= 0) continue;
    held += (fit * e.held) / e.of;
    of += fit;
    today += fit;
  }
  w.full = of >= r.repetitions - 1e-9;
  if (!w.full) return;
  if (held >= w.point.share * r.repetitions - 1e-9) w.shown = true;
  else if (held < lostUnder(w.point.share, w.point.critical) * r.repetitions - 1e-9) w.shown = false;
}

/** A new look: what nobody saw for longer than it stays fresh is shown anew or not at all. */
function watched(w: Watched, r: ForecastRequirement, perDay: number, e: Entry): void {
  const newest = w.past.at(-1);
  if (newest && e.day - newest.day > r.freshDays) w.shown = false;
  w.past.push(e);
  lookAgain(w, r, perDay);
}

function judgeAgain(x: Watching, day: number): void {
  if (x.r.settled) {
    x.until = Infinity;
    return;
  }
  const meets = (points: readonly Watched[]): number => {
    let until = Infinity;
    const fallen = new Set<string>();
    const unfilled = new Set<string>();
    const own = new Set<string>();
    for (const w of points) {
      if (w.point.own) own.add(w.point.pointId);
      if (!w.full) unfilled.add(w.point.pointId);
      const fresh = (w.past.at(-1)?.day ?? -Infinity) + x.r.freshDays;
      if (w.shown && fresh >= day) until = Math.min(until, fresh);
      else if (w.point.critical) return -1;
      else fallen.add(w.point.pointId);
    }
    if (own.size > 0 && [...own].every((id) => unfilled.has(id))) return -1;
    return fallen.size > x.r.mayFall ? -1 : until;
  };
  const until = x.r.oneSide
    ? Math.max(
        ...(['left', 'right', 'none'] as const).map((s) => {
          const own = x.points.filter((w) => w.point.side === s);
          return own.length === 0 ? -1 : meets(own);
        }),
      )
    : meets(x.points);
  if (until < 0) x.until = -1;
  else {
    if (x.until < day) x.since = day;
    x.until = until;
  }
}

interface Run {
  end: number;
  last: { kind: 'requirement' | 'gate'; id: string } | null;
}

function oneRun(
  input: ForecastInput,
  random: Random,
  more: { attends?: number; look?: ReadonlyMap<string, number>; weeks?: number },
): Run {
  const start = dayNumber(input.today);
  const states = new Map<string, { level: number; slope: number }>();
  // One way it may truly be with this student: how good on the whole, and how fast they learn.
  const level = drawNormal(random);
  const slope = input.slope.mean + input.slope.sd * drawNormal(random);
  // Looks may come as they fall, or evenly: whoever was looked at is not due again at once, and two steps make a look.
  const steps = 1 + Math.floor(LOOK_STEPS * random());
  const watching = input.requirements.map((r): Watching => ({
    r,
    step: Math.floor(steps * random()),
    perDay: Math.ceil(r.repetitions / r.days),
    since: start,
    until: -1,
    points: r.points.map((point) => {
      let state = states.get(point.key);
      if (!state) {
        const { x, sd, pull, levelSd } = point.belief;
        const grows = slope > 0 && point.habit ? slope * HABIT_SLOPE : slope;
        // What was hardly watched may still turn out a habit, far below: the tails are heavy as far as it rests on belief.
        const own = random() < pull ? drawHeavy(random) : drawNormal(random);
        state = { level: x + pull * levelSd * level + sd * own, slope: grows };
        states.set(point.key, state);
      }
      return { point, state, past: [...point.past].reverse(), shown: point.shown, full: false };
    }),
  }));
  for (const x of watching) {
    for (const w of x.points) lookAgain(w, x.r, x.perDay);
    judgeAgain(x, start);
  }
  let classes = 0;
  const attends = oneShare(more.attends ?? input.attends, ATTENDS_WEEKS * input.classDays.length, random);
  const looks = new Map(
    input.requirements.map((r) => [r.id, oneShare(more.look?.get(r.id) ?? r.lookChance, LOOK_CASES, random)]),
  );
  const gates = input.gates.filter((g) => !('aside' in g));
  const opened = new Map<string, number>();
  for (let week = 0; week < (more.weeks ?? WEEKS_AHEAD); week += 1)
    for (const offset of input.classDays) {
      const day = start + week * 7 + offset;
      if (random() < attends) {
        classes += 1;
        for (const x of watching) {
          if (x.r.settled || random() >= Math.min(1, steps * looks.get(x.r.id)!)) continue;
          x.step = (x.step + 1) % steps;
          if (x.step !== 0) continue;
          for (const w of x.points) {
            if (random() >= input.marked) continue;
            const p = shareAt(w.state.level + w.state.slope * classes);
            let held = 0;
            for (let i = 0; i < REPETITIONS; i += 1) if (random() < p) held += 1;
            watched(w, x.r, x.perDay, { day, at: 0, conditionId: '', purpose: null, held, of: REPETITIONS });
          }
          judgeAgain(x, day);
        }
      }
      let gateLast: { id: string; day: number } | null = null;
      let shut = false;
      for (const g of gates) {
        let open = opened.get(g.id);
        if (open === undefined) {
          const now =
            'opens' in g
              ? day >= dayNumber(g.opens)
              : 'classes' in g
                ? classes >= g.classes
                : 'hours' in g && classes * input.hoursPerClass >= g.hours - 1e-9;
          if (!now) {
            shut = true;
            continue;
          }
          opened.set(g.id, (open = 'opens' in g ? Math.max(start, dayNumber(g.opens)) : classes === 0 ? start : day));
        }
        if (!gateLast || open > gateLast.day) gateLast = { id: g.id, day: open };
      }
      if (shut || watching.some((x) => x.until < day)) continue;
      let last: { id: string; day: number } | null = null;
      for (const x of watching) if (!last || x.since > last.day) last = { id: x.r.id, day: x.since };
      const end = Math.max(start, last?.day ?? start, gateLast?.day ?? start);
      if (gateLast && (!last || gateLast.day > last.day)) return { end, last: { kind: 'gate', id: gateLast.id } };
      return { end, last: last && { kind: 'requirement', id: last.id } };
    }
  return { end: Infinity, last: null };
}

const quantile = (sorted: readonly number[], q: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))]!;
const dated = (n: number): PlainDate | null => (Number.isFinite(n) ? fromDayNumber(n) : null);

/**
 * When all will be met, by simulation class by class: coming, being looked at, the result, the verdicts by the usual
 * rules, the gates. Yields how far it has come, from 0 to 1, so that it can be shown and stopped; the forecast is what it
 * returns. The same random numbers give the same forecast.
 */
export function* forecastSteps(
  input: ForecastInput,
  random: Random,
  runs = FORECAST_RUNS,
): Generator<number, Forecast, void> {
  const aside = input.gates.flatMap((g) => ('aside' in g ? [g.name] : []));
  const nothing: Forecast = {
    silent: 'nothing asked',
    from: null,
    median: null,
    to: null,
    byGrading: null,
    decides: null,
    changes: [],
    aside,
  };
  if (input.requirements.length === 0 && input.gates.length === 0) return nothing;
  if (input.looks < LOOKS_TO_FORECAST || input.watched < WATCHED_TO_SPEAK)
    return { ...nothing, silent: 'too few looks' };
  const grading = input.gradingDay === null ? null : dayNumber(input.gradingDay);
  const extra = Math.max(40, Math.round(runs * 0.3));
  const total = runs + 2 * extra;
  let done = 0;

  let never = 0;
  function* many(n: number, more: Parameters<typeof oneRun>[2], base = false): Generator<number, Run[], void> {
    const out: Run[] = [];
    for (let i = 0; i < n; i += 1) {
      const run = oneRun(input, random, more);
      out.push(run);
      if (base && run.end === Infinity) never += 1;
      // Half of them or more never end: there will be no range, and the rest would only take time.
      if (base && never * 2 >= runs) return out;
      done += 1;
      if (done % 20 === 0) yield done / total;
    }
    return out;
  }
  const summary = (list: readonly Run[]) => {
    const sorted = list.map((r) => r.end).sort((a, b) => a - b);
    return {
      sorted,
      median: dated(quantile(sorted, 0.5)),
      byGrading: grading === null ? null : sorted.filter((e) => e <= grading).length / sorted.length,
    };
  };
  const base = yield* many(runs, {}, true);
  const { sorted, median, byGrading } = summary(base);
  const counts = new Map<string, number>();
  for (const r of base)
    if (r.last) counts.set(`${r.last.kind} ${r.last.id}`, (counts.get(`${r.last.kind} ${r.last.id}`) ?? 0) + 1);
  const most = [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0];
  const named = (key: string) => {
    const kind = key.startsWith('gate ') ? ('gate' as const) : ('requirement' as const);
    const id = key.slice(kind.length + 1);
    const r = input.requirements.find((x) => x.id === id);
    return {
      kind,
      id,
      name: r?.name ?? input.gates.find((g) => g.id === id)?.name ?? '',
      habit: r?.points.find((p) => p.habit)?.name ?? null,
    };
  };
  const decides = most ? { ...named(most[0]), share: most[1] / base.filter((r) => r.last).length } : null;
  if (never * 2 >= runs) return { ...nothing, silent: 'may never end', byGrading, decides };

  const changes: Forecast['changes'][number][] = [];
  const perWeek = input.classDays.length;
  if (perWeek > 0 && input.attends * perWeek <= perWeek - 0.5) {
    const s = summary(yield* many(extra, { attends: Math.min(1, input.attends + 1 / perWeek) }));
    changes.push({ what: 'one more class a week', median: s.median, byGrading: s.byGrading });
  }
  if (decides?.kind === 'requirement') {
    const usual = input.requirements.find((r) => r.id === decides.id)?.lookChance ?? 0;
    const look = new Map([[decides.id, Math.min(1, Math.max(0.6, usual * 3))]]);
    const s = summary(yield* many(extra, { look }));
    changes.push({ what: 'more looks', median: s.median, byGrading: s.byGrading });
  }
  return {
    silent: null,
    from: dated(quantile(sorted, 0.1)),
    median,
    to: dated(quantile(sorted, 0.9)),
    byGrading,
    decides,
    changes,
    aside,
  };
}

/** The whole forecast at once; `forecastSteps` where progress is shown. */
export function forecast(input: ForecastInput, random: Random, runs = FORECAST_RUNS): Forecast {
  const steps = forecastSteps(input, random, runs);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/**
 * The chance that all is met by a day within the next weeks, by the same simulation cut off there: cheap enough for a
 * whole school. Null where there are too few looks to say.
 */
export function chanceMetWithin(input: ForecastInput, weeks: number, random: Random, runs = 100): number | null {
  if (input.requirements.length === 0 || input.looks < LOOKS_TO_FORECAST || input.watched < WATCHED_TO_SPEAK)
    return null;
  const end = dayNumber(input.today) + weeks * 7;
  let met = 0;
  for (let i = 0; i < runs; i += 1) if (oneRun(input, random, { weeks }).end <= end) met += 1;
  return met / runs;
}
