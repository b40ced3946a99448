import type { DayGroup, DaySettings, Minute } from './model';

/** What a job takes of each resource while it runs: [from, to, how much], minutes since its beginning. */
export type Take = readonly [number, number, number];

/** A group, or the break, as the plan moves it about. */
export interface Job {
  id: string;
  length: number;
  /** How many wait for it. */
  weight: number;
  takes: Readonly<Record<string, readonly Take[]>>;
  /** The window in which it may begin; one minute: it is pinned. */
  from: Minute;
  to: Minute;
}

export interface Jobs {
  jobs: readonly Job[];
  /** How much there is of each resource at a minute. */
  has: (resource: string, at: Minute) => number;
  resources: readonly string[];
  begins: Minute;
  /** No job ends after it. */
  horizon: Minute;
  /** What everybody waits for besides: from coming until the first may begin, and after the last until the bow. */
  before: number;
  after: number;
}

export const PAUSE = 'the break';

/**
 * The day as jobs that share floors, mats, examiners and things. What has begun, or was pinned, stays where it is; nothing
 * else begins before `now`.
 */
export function jobsOf(
  groups: readonly DayGroup[],
  s: DaySettings,
  examiners: readonly string[],
  { pins = {}, now }: { pins?: Readonly<Record<string, Minute>>; now?: Minute } = {},
): Jobs {
  const begins = s.begins + s.opening;
  const earliest = Math.max(begins, now ?? begins);
  const total = groups.reduce((n, g) => n + g.minutes, 0);
  const latest = Math.max(earliest, ...Object.values(pins)) + total + s.pause + 100;
  const comes = examiners.map((e) => s.comes[e] ?? s.begins);
  // An examiner who never comes cannot make the day impossible: the last to come is waited for.
  const horizon = Math.max(latest, ...comes.map((c) => c + total + s.pause + 1));
  const eyes = Math.min(s.eyes, examiners.length);
  const window = (id: string) => {
    const pin = pins[id];
    return pin === undefined ? { from: earliest, to: horizon } : { from: pin, to: pin };
  };
  const jobs = groups.map((g): Job => {
    const takes: Record<string, Take[]> = { floors: [[0, g.minutes, 1]], examiners: [[0, g.minutes, eyes]] };
    let at = 0;
    for (const t of g.tasks) {
      const add = (r: string, n: number) => (takes[r] = [...(takes[r] ?? []), [at, at + t.minutes, n]]);
      if (t.mats) add('mats', 1);
      if (t.thing !== null && t.count > 0) add(t.thing, t.count);
      at += t.minutes;
    }
    return { id: g.id, length: g.minutes, weight: g.people.length, takes, ...window(g.id) };
  });
  // A short day needs none: nobody stops after half of an hour.
  const atOnce = Math.max(1, Math.min(s.floors, Math.floor(examiners.length / Math.max(1, eyes))));
  if (s.pause > 0 && (pins[PAUSE] !== undefined || total / atOnce >= 60))
    jobs.push({
      id: PAUSE,
      length: s.pause,
      weight: 0,
      takes: { floors: [[0, s.pause, s.floors]] },
      ...(pins[PAUSE] === undefined
        ? { from: Math.max(earliest, begins + 30), to: Math.max(earliest, begins + 30) + 60 }
        : window(PAUSE)),
    });
  const own = new Map(s.things.map((t) => [t.name, t.count]));
  return {
    jobs,
    resources: [...new Set(jobs.flatMap((j) => Object.keys(j.takes)))],
    has: (r, at) =>
      r === 'floors'
        ? Math.max(1, s.floors)
        : r === 'mats'
          ? Math.max(1, s.mats)
          : r === 'examiners'
            ? // Groups take them by so many: one who is over waits.
              Math.floor(comes.filter((c) => c <= at).length / Math.max(1, eyes)) * eyes
            : (own.get(r) ?? Infinity),
    begins: earliest,
    horizon,
    before: earliest - s.begins,
    after: s.panel + s.closing,
  };
}

/** When each job begins. */
export type Starts = Readonly<Record<string, Minute>>;

/** What is waited for in every plan alike: the warm-up, the panel's talk, the belts. */
export const waitedAnyway = ({ jobs, before, after }: Jobs): number =>
  jobs.reduce((n, j) => n + j.weight, 0) * (2 * before + after);

/**
 * What a plan costs, in minutes of people: everybody is there from the bow to the bow, and each waits for their own
 * beginning.
 */
export function costOf(all: Jobs, starts: Starts): number {
  const { jobs, begins } = all;
  const people = jobs.reduce((n, j) => n + j.weight, 0);
  let [end, waited] = [begins, 0];
  for (const j of jobs) {
    const at = starts[j.id]!;
    end = Math.max(end, at + j.length);
    waited += j.weight * (at - begins);
  }
  return people * (end - begins) + waited + waitedAnyway(all);
}

/**
 * No plan ends before this: each resource has to give all that is asked of it, and gives nothing while everybody breaks.
 */
export function leastEnd({ jobs, has, resources, begins, horizon }: Jobs): Minute {
  const pause = jobs.find((j) => j.id === PAUSE)?.length ?? 0;
  let end = begins;
  for (const j of jobs) end = Math.max(end, j.from + j.length);
  for (const r of resources) {
    let asked = 0;
    for (const j of jobs) if (j.id !== PAUSE) for (const [a, b, n] of j.takes[r] ?? []) asked += (b - a) * n;
    if (asked === 0) continue;
    let least = Infinity;
    for (let t = begins; t <= horizon; t += 1) least = Math.min(least, has(r, t));
    asked += pause * least;
    let t = begins;
    for (; asked > 0 && t <= horizon; t += 1) asked -= has(r, t);
    end = Math.max(end, t);
  }
  return end;
}

/** What is taken beyond what there is, in the first minute where it happens; null: the plan keeps everything. */
export function broken({ jobs, has, resources }: Jobs, starts: Starts): { resource: string; at: Minute } | null {
  for (const j of jobs)
    if (starts[j.id]! < j.from || starts[j.id]! > j.to) return { resource: j.id, at: starts[j.id]! };
  for (const r of resources) {
    const used = new Map<Minute, number>();
    for (const j of jobs)
      for (const [a, b, n] of j.takes[r] ?? [])
        for (let t = starts[j.id]! + a; t < starts[j.id]! + b; t += 1) used.set(t, (used.get(t) ?? 0) + n);
    for (const [t, n] of [...used].sort((x, y) => x[0] - y[0])) if (n > has(r, t)) return { resource: r, at: t };
  }
  return null;
}
