import {
  STEADY,
  addDays,
  addMonths,
  conditionOrder,
  decideByRule,
  itemPoints,
  USUAL_RULE,
  type Mark,
  type PlainDate,
  type Point,
  type Requirement,
  type Side,
  type Technique,
} from '../../core';
import { FIRST_CONDITIONS, FIRST_STEPS } from '../openSchool';
import { dice } from './dice';
import { MONTHS_OF_RECORD, type DemoLook, type DemoSchool, type DemoStudent } from './demoSchool';
import { askedTruly, passed, seenBy, shownTruly, type Eye, type Truth } from './grading';
import { DEMO_TECHNIQUES } from './hall';
import { DEMO_ASKS, DEMO_RANKS, DEMO_STUDENTS, type DemoPerson } from './syllabus';
import { GROWTH, makeTruth, measuredValue } from './truth';
import { plainRequirement } from './way';

export { DEMO_SCHOOL_ID, MONTHS_OF_RECORD, type DemoLook, type DemoSchool, type DemoStudent } from './demoSchool';

/** One sees as it is, one is kind, and one asks more of a foot than the others: the point that splits them. */
const eyesOf = (teachers: DemoSchool['teachers'], techniques: readonly Technique[]): Eye[] => {
  const [maren, idris, odile] = teachers;
  const feet = new Set(
    techniques
      .flatMap((t) => (t.name === 'Front kick' ? t.points.filter((p) => p.bodyPart === 'feet') : []))
      .map((p) => p.id),
  );
  return [
    { id: maren!.id, misses: 0.05, harsh: 0.005, away: 0.02 },
    { id: idris!.id, misses: 0.4, harsh: 0.01, away: 0.03 },
    { id: odile!.id, misses: 0.06, harsh: 0.01, away: 0.02, strictAt: (p) => feet.has(p) },
  ];
};

/** The technique a generated requirement is about; the generator asks for nothing else. */
export const techniqueOf = (r: Pick<Requirement, 'item'>): string => {
  if (!('technique' in r.item)) throw new Error('the generator asks for techniques only');
  return r.item.technique;
};

/** Which weekdays have class and how long it lasts, in minutes; 0 is Sunday. */
const CLASSES: Record<number, number> = { 1: 75, 3: 90, 6: 90 };

/** So many days ago this season's new items were first looked at. */
const NEW_DAYS = 10;

const NOTES = [
  'front foot late on the last two',
  'much calmer than last week',
  'tired after the second set',
  'asked for the wall first',
  'holder stood too near',
  'did it twice more unasked',
];

/** Another school than the demo: other people, or a longer record. */
export interface Wanted {
  people: readonly DemoPerson[];
  months: number;
  /** Whether the last item of each belt is new this season, as in the demo. */
  newThisSeason: boolean;
  /** How the logit of a share grows in a month of steady coming. */
  growth: number;
}

/**
 * Makes Causeway Hall as it stands on a day: the library, fourteen months of classes and looks, one grading eight months
 * ago and the next in five weeks. Everything follows from the seed, and the truth behind the marks is kept.
 */
export function generateDemo(today: PlainDate, seed = 20_260_301, other: Partial<Wanted> = {}): DemoSchool {
  const wanted: Wanted = {
    people: DEMO_STUDENTS,
    months: MONTHS_OF_RECORD,
    newThisSeason: true,
    growth: GROWTH,
    ...other,
  };
  const { people, months } = wanted;
  const d = dice(seed);
  const start = addMonths(today, -months);
  const ms = (day: PlainDate, hour = 18, minute = 0) => Date.parse(`${day}T00:00:00Z`) + (hour * 60 + minute) * 60_000;
  const newId = () => d.id(ms(start));

  const ranks = DEMO_RANKS.map((r) => ({ id: newId(), ...r }));
  const rankId = new Map(ranks.map((r) => [r.name, r.id]));
  const conditions = FIRST_CONDITIONS.map((c) => ({ id: newId(), ...c }));
  const conditionId = new Map<string, string>(conditions.map((c) => [c.name, c.id]));
  const made = conditionOrder(
    conditions.map((c) => c.id),
    FIRST_STEPS.map(([e, h]) => ({ easier: conditionId.get(e)!, harder: conditionId.get(h)! })),
  );
  if (!made.ok) throw new Error('the first conditions form a circle');

  const techniqueId = new Map(DEMO_TECHNIQUES.map((t) => [t.name, newId()]));
  const techniques: Technique[] = DEMO_TECHNIQUES.map((t) => ({
    id: techniqueId.get(t.name)!,
    name: t.name,
    kind: t.kind,
    sided: t.sided,
    stanceId: t.stance === null ? null : techniqueId.get(t.stance)!,
    stepId: t.step === null ? null : techniqueId.get(t.step)!,
    points: t.points.map((p): Point => ({
      ...p,
      id: newId(),
      slips: p.slips.map((s) => ({ id: newId(), ...s })),
    })),
  }));
  const byId = new Map(techniques.map((t) => [t.id, t]));
  const pointsOf = new Map(techniques.map((t) => [t.id, itemPoints(t, byId)]));

  const requirements: DemoSchool['requirements'] = [];
  const gates: DemoSchool['gates'] = [];
  for (const [name, asks] of Object.entries(DEMO_ASKS)) {
    for (const [item, condition] of asks.items)
      requirements.push(
        plainRequirement(newId(), rankId.get(name)!, techniqueId.get(item)!, conditionId.get(condition)!, {
          ...STEADY,
          ...asks.standard,
        }),
      );
    for (const [kind, amount] of asks.gates) gates.push({ id: newId(), rankId: rankId.get(name)!, kind, amount });
  }

  const teachers: DemoSchool['teachers'] = [
    { id: newId(), name: 'Maren Holt', role: 'head' },
    { id: newId(), name: 'Idris Vane', role: 'instructor' },
    { id: newId(), name: 'Odile Farrow', role: 'examiner' },
  ];
  const gradingDay = addDays(addMonths(today, -8), d.whole(-3, 3));
  const nextGradingDay = addDays(today, 35);

  const students = people.map((s): DemoStudent => {
    const born = addDays(addMonths(today, -12 * s.age), -d.whole(5, 350));
    const { name, talent, comes, habits = 1 } = s;
    return { id: newId(), name, born, held: [], talent, comes, habits, graded: null };
  });
  const truth = makeTruth(students, techniques, d, start, wanted.growth);
  // The last grading: what people truly could on that day, seen by three, decided by the rule from their sheets.
  const eyes = eyesOf(teachers, techniques);
  const seen = dice(4711);
  for (const [i, s] of students.entries()) {
    const at = ranks.findIndex((r) => r.name === people[i]!.rank);
    const now = ranks[at]!;
    const about: Truth = {
      pointsOf: (r) => pointsOf.get(techniqueOf(r))!,
      isSided: (r) => byId.get(techniqueOf(r))!.sided,
      truth: (pointId, side) => truth(s.id, pointId, side, gradingDay),
    };
    const graded = (rank: (typeof ranks)[number]) => {
      const asked = requirements.filter((r) => r.rankId === rank.id);
      const shown = shownTruly(asked, about, () => seen.next(), USUAL_RULE);
      const sheets = eyes.flatMap((eye) => seenBy(shown, eye, () => seen.next()));
      const decided = decideByRule(USUAL_RULE, askedTruly(asked, about, USUAL_RULE), sheets);
      return { rankId: rank.id, passed: passed(decided), sheets };
    };
    const earlier = addDays(start, -d.whole(30, 300));
    const entered = 'as entered on the roll';
    if (at === 0) s.held.push({ rankId: now.id, since: addDays(today, -d.whole(95, 300)), note: entered });
    else if ((s.graded = graded(now)).passed) {
      s.held.push({ rankId: ranks[at - 1]!.id, since: earlier, note: entered });
      s.held.push({ rankId: now.id, since: gradingDay, note: 'at the grading' });
    } else {
      // Whoever wears the belt already tried for the next one, and does not wear it: nobody else was put forward.
      const next = ranks[at + 1];
      const tried = next && d.chance(0.3) ? graded(next) : null;
      s.graded = tried && !tried.passed ? tried : null;
      s.held.push({ rankId: now.id, since: earlier, note: entered });
    }
  }
  const wornOn = (s: DemoStudent, day: PlainDate) => s.held.filter((h) => h.since <= day).at(-1)?.rankId ?? null;

  const classes: DemoSchool['classes'] = [];
  const looks: DemoLook[] = [];
  for (let day = start; day < today; day = addDays(day, 1)) {
    const minutes = CLASSES[new Date(`${day}T00:00:00Z`).getUTCDay()];
    if (minutes === undefined || /-12-2[3-9]|-12-3|-08-1/.test(day)) continue;
    const here = students.filter((s) => wornOn(s, day) !== null && d.chance(s.comes));
    classes.push({ id: d.id(ms(day)), day, minutes, present: here.map((s) => s.id) });
    for (const s of here) watch(s, day);
  }

  /** In a class about two items of the next belt are swept, and half of those present get a card of one more. */
  function watch(s: DemoStudent, day: PlainDate) {
    const worn = ranks.findIndex((r) => r.id === wornOn(s, day));
    const next = ranks[worn + 1];
    if (!next) return;
    // What stands last in a belt is new this season: nobody was watched doing it before.
    const all = requirements.filter((r) => r.rankId === next.id);
    const season = wanted.newThisSeason && worn > 0;
    const asked = season && day < addDays(today, -NEW_DAYS) ? all.slice(0, -1) : all;
    // One group has begun with it and is looked at each time, so that a forecast rests on something; the other comes to it.
    if (season && asked.length === all.length && students.indexOf(s) % 2 === 0) record(s, all.at(-1)!, day, 'card');
    const nth = classes.length;
    const swept = [asked[nth % asked.length], asked[(nth + 3) % asked.length]];
    for (const r of swept) if (r && d.chance(0.5)) record(s, r, day, 'sweep');
    if (d.chance(0.35)) record(s, d.pick(asked), day, 'card');
  }

  function record(s: DemoStudent, r: DemoSchool['requirements'][number], day: PlainDate, how: 'sweep' | 'card') {
    const t = byId.get(techniqueOf(r))!;
    const all = pointsOf.get(t.id)!;
    const points = how === 'card' ? all : all.filter(() => d.chance(0.7));
    const of = 5;
    const sides: Side[] = t.sided ? ['left', 'right'] : ['none'];
    const at = ms(day, 18, d.whole(5, 70));
    for (const side of sides) {
      const marks = points.map((p): Mark => {
        const chance = truth(s.id, p.id, side, day);
        const held = Array.from({ length: of }, () => d.chance(chance));
        if (p.kind !== 'measured') return { pointId: p.id, kind: p.kind, held: held.filter(Boolean).length, of };
        return { pointId: p.id, kind: 'measured', values: held.slice(0, 2).map((ok) => measuredValue(p, ok, d)) };
      });
      const by = d.chance(0.6) ? teachers[1]! : teachers[0]!;
      const note = how === 'card' && d.chance(0.06) ? d.pick(NOTES) : '';
      looks.push({
        id: d.id(at),
        studentId: s.id,
        techniqueId: t.id,
        day,
        at,
        conditionId: r.conditionId,
        side,
        purpose: null,
        replaces: null,
        marks: marks.filter((m) => m.kind !== 'measured' || m.values.length > 0),
        by: by.id,
        note,
      });
    }
  }

  return {
    ranks,
    conditions,
    order: made.value,
    techniques,
    files: new Map(DEMO_TECHNIQUES.map((t) => [techniqueId.get(t.name)!, t])),
    requirements,
    gates,
    teachers,
    students,
    classes,
    looks,
    gradingDay,
    nextGradingDay,
    truth,
  };
}
