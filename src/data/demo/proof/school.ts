// A school with known truth, as large as is asked for: what judgement says of it can be held against the truth.
import {
  dayNumber,
  driftOf,
  gatherEvidence,
  habitsFrom,
  itemPoints,
  judge,
  poolPriors,
  poolSlope,
  rangesFor,
  seenBy,
  spreadsOf,
  type Evidence,
  type Look,
  type PlainDate,
  type Point,
  type Pool,
  type Requirement,
  type SchoolHabits,
  type Spreads,
  type Standard,
  type Technique,
  type Verdict,
} from '../../../core';
import { dice } from '../dice';
import { generateDemo, techniqueOf, type DemoSchool, type DemoStudent } from '../generate';
import { DEMO_RANKS } from '../syllabus';

/** Faster than in the demo, so that belts are reached within the record and forecasts can be held against it. */
const GROWTH = 0.26;

export interface TrueSchool extends DemoSchool {
  byId: ReadonlyMap<string, Technique>;
  pointsOf: (r: Pick<Requirement, 'item'>) => readonly Point[];
  looksOf: ReadonlyMap<string, readonly Look[]>;
  attendedBy: ReadonlyMap<string, readonly number[]>;
}

/** A bigger Causeway Hall: as many people as are asked for, of all belts but the last, watched for so many months. */
export function trueSchool(
  today: PlainDate,
  seed: number,
  students: number,
  months: number,
  standard?: Standard,
): TrueSchool {
  const d = dice(seed);
  const people = Array.from({ length: students }, (_, i) => ({
    name: `Student ${i + 1}`,
    age: d.whole(12, 60),
    rank: DEMO_RANKS[i % (DEMO_RANKS.length - 1)]!.name,
    talent: d.between(0.25, 0.95),
    comes: d.between(0.35, 0.95),
  }));
  const made = generateDemo(today, seed, { people, months, newThisSeason: false, growth: GROWTH });
  const requirements = standard ? made.requirements.map((r) => ({ ...r, standard })) : made.requirements;
  const school = { ...made, requirements };
  const byId = new Map(school.techniques.map((t) => [t.id, t]));
  const points = new Map(school.techniques.map((t) => [t.id, itemPoints(t, byId)]));
  const looksOf = new Map<string, Look[]>(school.students.map((s) => [s.id, []]));
  for (const l of school.looks) looksOf.get(l.studentId)!.push(l);
  const attendedBy = new Map<string, number[]>(school.students.map((s) => [s.id, []]));
  for (const c of school.classes) for (const id of c.present) attendedBy.get(id)!.push(dayNumber(c.day));
  return { ...school, byId, pointsOf: (r) => points.get(techniqueOf(r))!, looksOf, attendedBy };
}

/** What a student's next belt asks, by the belt worn on a day; without one, by the belt worn last. */
export function askedOf(
  school: TrueSchool,
  s: DemoStudent,
  day?: PlainDate,
): readonly TrueSchool['requirements'][number][] {
  const belt = day === undefined ? s.held.at(-1)! : (s.held.filter((h) => h.since <= day).at(-1) ?? s.held[0]!);
  const worn = school.ranks.findIndex((r) => r.id === belt.rankId);
  const next = school.ranks[worn + 1];
  return next ? school.requirements.filter((r) => r.rankId === next.id) : [];
}

const usualRanges = new WeakMap<TrueSchool, ReturnType<typeof rangesFor>>();
const rangesOf = (school: TrueSchool) => {
  let r = usualRanges.get(school);
  if (!r) {
    r = rangesFor(
      school.techniques.flatMap((t) => t.points),
      new Map(),
    );
    usualRanges.set(school, r);
  }
  return r;
};

/** The looks of a student before a day, as evidence. */
export const evidenceBefore = (school: TrueSchool, studentId: string, day: PlainDate): Evidence =>
  gatherEvidence(
    school.looksOf.get(studentId)!.filter((l) => l.day < day),
    rangesOf(school),
  );

export const judgeOn = (school: TrueSchool, r: Requirement, evidence: Evidence, today: PlainDate): Verdict =>
  judge(r, evidence, {
    points: school.pointsOf(r),
    isOwn: (id) => school.byId.get(techniqueOf(r))!.points.some((p) => p.id === id),
    sided: school.byId.get(techniqueOf(r))!.sided,
    order: school.order,
    today,
  });

/** What the school's people showed before a day. */
export function priorsBefore(school: TrueSchool, day: PlainDate): Pool {
  const sums = new Map<string, { pointId: string; held: number; of: number }>();
  for (const s of school.students)
    for (const [pointId, sides] of evidenceBefore(school, s.id, day))
      for (const side of ['left', 'right', 'none'] as const)
        for (const e of sides[side]) {
          if (dayNumber(day) - e.day > 180) continue;
          const key = `${s.id} ${pointId}`;
          const sum = sums.get(key) ?? { pointId, held: 0, of: 0 };
          sum.held += e.held;
          sum.of += e.of;
          sums.set(key, sum);
        }
  return poolPriors(sums.values());
}

/** The school's habits in the eight weeks before a day. */
export function habitsBefore(school: TrueSchool, today: PlainDate): SchoolHabits {
  const day = dayNumber(today);
  const lately = (d: PlainDate) => dayNumber(d) < day && day - dayNumber(d) <= 56;
  const classes = school.classes.filter((c) => lately(c.day));
  const looks = school.looks.filter((l) => lately(l.day));
  const series = school.students.slice(0, 40).flatMap((s) => {
    const attended = school.attendedBy.get(s.id)!.filter((x) => x < day);
    return [...evidenceBefore(school, s.id, today).values()].flatMap((sides) =>
      (['left', 'right', 'none'] as const).map((side) => seenBy(sides[side].slice(0, 20), attended, () => 1)),
    );
  });
  const asked = school.students.map((s) => askedOf(school, s).length);
  return habitsFrom(
    {
      today,
      classes: classes.map((c) => ({ day: dayNumber(c.day), minutes: c.minutes })),
      lookDays: new Set(looks.map((l) => `${l.studentId} ${l.techniqueId} ${l.day}`)).size,
      attended: classes.reduce((n, c) => n + c.present.length, 0),
      asked: asked.reduce((a, b) => a + b, 0) / Math.max(1, asked.length),
      marks: looks.reduce((n, l) => n + l.marks.length, 0),
      points: looks.reduce((n, l) => n + itemPoints(school.byId.get(l.techniqueId)!, school.byId).length, 0),
    },
    poolSlope(series),
  );
}

/** How far things lay apart in the school before a day. */
export const spreadsBefore = (
  school: TrueSchool,
  pool: Pool,
  slope: SchoolHabits['slope'],
  day: PlainDate,
  most = 60,
): Spreads =>
  spreadsOf(
    school.students.slice(0, most).map((s) => ({
      evidence: evidenceBefore(school, s.id, day),
      drift: driftOf(slope, school.attendedBy.get(s.id)!, day),
    })),
    pool,
    day,
  );
