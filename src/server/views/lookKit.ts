import { sql } from 'drizzle-orm';
import type {
  ClassNoteShown,
  ClassPlanShown,
  KitAnswer,
  KitStudent,
  LookKitView,
  ViewInput,
  WorthShown,
} from '../../contracts/views';
import {
  adaptationsOn,
  addDays,
  ageOn,
  canHurt,
  CARD_SECONDS,
  consentOf,
  onTheShelf,
  isMinor,
  daysBetween,
  itemKey,
  mayKeepPictures,
  praiseInWords,
  showingSeconds,
  SIDES,
  type Item,
  type LookWorth,
  type Rest,
  type Resting,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readClassNotes, readClassPlans, readGuests } from '../../data/queries/classPlans';
import { NO_BODY, readBodies } from '../../data/queries/bodies';
import { readWeeksAhead } from '../../data/queries/cycles';
import { readThings } from '../../data/queries/things';
import { readPairing } from '../../data/queries/pairing';
import { readPictureWords } from '../../data/queries/pictures';
import { hall } from '../../data/tables';
import { readUsualMinutes } from '../../data/queries/usualMinutes';
import { readRoll, type RollRow } from '../../data/queries/roll';
import { countsOn, type SyllabusRead } from '../../data/queries/syllabus';
import { groundsOf } from '../belief/chance';
import { focusOf, readGiven, type GivenRow } from '../belief/focus';
import { nextGrading } from '../belief/gradings';
import { schoolBeliefs, type SchoolBeliefs } from '../belief/school';
import { worthsOf } from '../belief/worth';
import { judgeStudent } from '../judging/judge';
import { readJudging, type Judging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import { requirementNames } from '../judging/requirementNames';
import { readResting, restingPoints, restOf } from '../judging/rests';
import { takesOf } from '../judging/takes';
import { readStrikes } from '../judging/strikes';
import { staleEarlier } from '../judging/stale';
import type { Who } from '../who';
import { kitAnswer } from './kitAnswer';
import { shownPoints } from './library';
import { classNoteShown } from './shown/classNote';
import { conditionShown } from './shown/condition';
import { focusShown, slipShown } from './shown/slip';

/** Whoever came within so many days may be on the line tonight: for them it is worked out what is worth a look. */
const MAY_COME = 60;

/**
 * Requirements a student whose looks are worth most are taken along to the mat: all of them in a small school, since
 * tonight may be about any; in a large one more than an evening can hold, so that the tablet is not slowed.
 */
const worthsEach = (students: number): number => Math.max(10, Math.floor(1500 / Math.max(1, students)));

/** Everything the mat needs for an evening without a network, or what is new of it. */
export async function lookKitView(tx: Transaction, who: Who, { since }: ViewInput<'lookKit'>): Promise<KitAnswer> {
  const roll = await readRoll(tx);
  const j = await readJudging(tx, who.today);
  const school = await schoolBeliefs(tx, j);
  const given = await readGiven(tx);
  const resting = await readResting(tx, who.today);
  const grading = await nextGrading(tx, who.today);
  const plans = await readClassPlans(tx, who.today);
  const notes = await readClassNotes(
    tx,
    [...plans.toCome, ...plans.before].map((p) => p.id),
  );
  const bodies = await readBodies(tx);
  const pictures = await readPictureWords(tx);
  const strikes = await readStrikes(tx, roll, who.today);
  const followed = versionsFollowed(j, roll, who.today);
  const requirements = followed.flatMap((v) => v.requirements);
  const placeOf = new Map(requirements.map((r, i) => [r.id, i]));
  const itemOf = new Map(requirements.map((r) => [itemKey(r.item), r.item]));
  const points: LookKitView['points'] = Object.fromEntries(
    [...itemOf].map(([key, item]) => [
      key,
      j.items.judgedBy(item).map((p) => ({ id: p.id, name: p.name, kind: p.kind, hurts: canHurt(p) })),
    ]),
  );
  const asked = askedBy(j, followed);
  const sequences = sequencesShown(j, new Set(asked.flatMap((a) => (a.sequenceId ? [a.sequenceId] : []))));
  const techniques = [...j.library.techniques.values()].filter((t) => !t.retired);
  const items = [
    ...techniques.map((t): Item => ({ technique: t.id })),
    ...sequences.map((x): Item => ({ sequence: x.id, part: null })),
    ...[...itemOf.values()].filter((item) => 'sequence' in item && item.part !== null),
  ];
  const most = worthsEach(roll.length);
  const students = roll.map((x): KitStudent => {
    const striking = strikes.get(x.id)!;
    const { ranks, versionId } = j.syllabusOf(x);
    const mine = resting.get(x.id) ?? [];
    const focus = given.get(x.id);
    // All that it depends on besides what is known of the student.
    const body = bodies.get(x.id) ?? NO_BODY;
    const kept = mayKeepPictures(pictures.get(x.id), x.born, who.today, j.ofAge);
    const stamp = JSON.stringify([
      school.serial,
      versionId,
      x,
      grading,
      most,
      mine,
      focus,
      j.ofAge,
      body,
      striking,
      kept,
    ]);
    return j.once(x.id, 'kit', stamp, () => {
      const next = rankAbove(ranks, x.rankId);
      return {
        ...studentInKit(j, school, x, next, { given: focus, resting: mine, grading, most, placeOf, points, items }),
        ...body,
        ...striking,
        pictures: kept,
      };
    });
  });
  const kit: LookKitView = {
    today: who.today,
    timeZone: who.timeZone,
    usualMinutes: await readUsualMinutes(tx),
    me: { personId: who.personId, name: who.name },
    ranks: j.versions.ranks.map(({ id, name, cloth }) => ({ id, name, cloth })),
    conditions: j.versions.conditions.map(conditionShown),
    beyond: Object.fromEntries(
      followed.map((v) => [v.versionId ?? '', Object.fromEntries([...v.order].map(([c, above]) => [c, [...above]]))]),
    ),
    students,
    classes: await readClasses(tx, who.today),
    plans: plans.toCome.map((p) => planShown(p, notes.get(p.id))),
    guests: await readGuests(tx, who.today),
    plansBefore: plans.before.map((p) => planShown(p, notes.get(p.id))),
    weeks: await readWeeksAhead(tx, who.today),
    halls: await tx.select({ id: hall.id, name: hall.name }).from(hall).orderBy(hall.name),
    store: (await readThings(tx))
      .filter((t) => t.serves !== null)
      .map((t) => ({ ...onTheShelf(t, who.today), name: t.name })),
    takes: takesOf(j, items),
    ages: followed[0]!.body.limits.ages,
    pairing: await readPairing(tx, who.today),
    stood: await readStood(tx),
    techniques: techniques
      .map((t) => ({
        id: t.id,
        name: t.name,
        kind: t.kind,
        sided: t.sided,
        points: shownPoints(j.library, t.id).map(({ why: _why, ...p }) => p),
      }))
      .filter((t) => t.points.length > 0),
    sequences,
    asked,
    requirements: requirements.map((r) => ({
      id: r.id,
      itemKey: itemKey(r.item),
      conditionId: r.conditionId,
      seconds: 'sequence' in r.item ? showingSeconds(j.items.judgedBy(r.item).length) : CARD_SECONDS,
    })),
    points,
    gradingDay: grading,
  };
  return kitAnswer(who.schoolId, kit, since);
}

type PlanRow = Awaited<ReturnType<typeof readClassPlans>>['toCome'][number];
const planShown = (
  { id, day, hallId, plan, run, closedAt, note, version }: PlanRow,
  notes: readonly ClassNoteShown[] = [],
): ClassPlanShown => ({
  id,
  day,
  hallId,
  plan,
  run,
  closed: closedAt !== null,
  note,
  notes: notes.map(classNoteShown),
  version,
});

/** The versions by which anybody on the roll is judged; the one in force says first what is asked. */
function versionsFollowed(j: Judging, roll: readonly RollRow[], today: string): SyllabusRead[] {
  const first = j.versions.read(countsOn(j.versions, today));
  return [...new Set([first, ...roll.map((x) => j.syllabusOf(x))])];
}

function askedBy(j: Judging, versions: readonly SyllabusRead[]): LookKitView['asked'] {
  const asked = new Map<string, LookKitView['asked'][number]>();
  for (const version of versions)
    for (const r of version.requirements) {
      const key = `${r.rankId} ${itemKey(r.item)} ${r.conditionId}`;
      if (!asked.has(key))
        asked.set(key, {
          rankId: r.rankId,
          itemKey: itemKey(r.item),
          techniqueId: 'technique' in r.item ? r.item.technique : null,
          sequenceId: 'sequence' in r.item ? r.item.sequence : null,
          part: 'sequence' in r.item ? r.item.part : null,
          conditionId: r.conditionId,
          purpose: r.purpose,
          repetitions: r.standard.repetitions,
          name: j.items.nameOf(r.item),
          group: j.items.groupOf(r.item),
        });
    }
  return [...asked.values()];
}

interface Beside {
  given: GivenRow | undefined;
  resting: readonly Resting[];
  grading: string | null;
  most: number;
  placeOf: ReadonlyMap<string, number>;
  points: LookKitView['points'];
  /** All that can be looked at. */
  items: readonly Item[];
}

function studentInKit(
  j: Judging,
  school: SchoolBeliefs,
  x: RollRow,
  next: ReturnType<typeof rankAbove>,
  { given, resting, grading, most, placeOf, points, items }: Beside,
): KitStudent {
  const { versionId, gates } = j.syllabusOf(x);
  const own = [...adaptationsOn(j.adaptations.get(x.id), j.today).values()];
  const comes = x.lastHere === null || daysBetween(x.lastHere, j.today) <= MAY_COME;
  const judged = next && comes ? judgeStudent(j, x, next.id) : [];
  const guided = comes ? focusOf(j, x, judged, given) : null;
  const nameOf = requirementNames(j, x);
  // Where the next belt's gate asks that earlier belts are fresh, what has faded is worth a look too.
  const asksFresh = next && comes && gates.some((g) => g.rankId === next.id && g.kind === 'earlier ranks fresh');
  const open = asksFresh ? [...judged, ...staleEarlier(j, x)] : judged;
  return {
    id: x.id,
    name: x.name,
    rankId: x.rankId,
    age: x.born ? ageOn(x.born, j.today) : null,
    cameOfAge: opensByAge(gates, next, x.born, j.today),
    minor: isMinor(x.born, j.today, j.ofAge),
    lastHere: x.lastHere,
    waived: own.filter((a) => a.waived).map((a) => a.pointId),
    adapted: Object.fromEntries(
      own.filter((a) => !a.waived).map((a) => [a.pointId, { range: a.range, share: a.share }]),
    ),
    focus: guided?.focus ? focusShown(guided.focus, nameOf) : null,
    slips: guided?.slipping.slice(0, 6).map((y) => slipShown(y, nameOf)) ?? [],
    praise: guided ? praiseInWords(guided.praise, j.today) : '',
    resting: resting.map((r) => ({
      what: r.what,
      until: r.until,
      pause: r.itemKey !== null,
      ...(r.impact ? { impact: r.impact } : {}),
    })),
    rests: restsShown(j, resting, items),
    rung: consentOf(j.consents.get(x.id), x.born, j.today, j.ofAge),
    follows: versionId ?? '',
    worths: worthsOf(j, groundsOf(j, school, x), x, open, grading, resting)
      .sort((a, b) => b.settles - a.settles || sum(b) - sum(a))
      .slice(0, most)
      .flatMap((w) => {
        const r = placeOf.get(w.requirementId);
        return r === undefined ? [] : [worthShown(w, r, points[w.itemKey] ?? [])];
      }),
  };
}

/** A birthday is news for so many days: classes are not every day. */
const BIRTHDAY = 7;

/** The next belt, where a birthday of the last days has opened its gate of age. */
function opensByAge(
  gates: readonly { rankId: string; kind: string; amount: number }[],
  next: { id: string; name: string } | null | undefined,
  born: string | null,
  today: string,
): string | null {
  const gate = next && gates.find((g) => g.rankId === next.id && g.kind === 'age');
  if (!gate || born === null) return null;
  const before = ageOn(born, addDays(today, -BIRTHDAY));
  return ageOn(born, today) >= gate.amount && before < gate.amount ? next.name : null;
}

/** What of all that can be looked at rests for somebody; few have anything open. */
function restsShown(j: Judging, resting: readonly Resting[], items: readonly Item[]): KitStudent['rests'] {
  if (resting.length === 0) return {};
  return Object.fromEntries(
    items.flatMap((item) => {
      const shown = (rest: Rest) => ({
        what: rest.what,
        until: rest.until,
        points: restingPoints(j, item, rest),
      });
      const anywhere = restOf(j, item, resting, null);
      const key = itemKey(item);
      // What does not rest in the air, or not all of it, may rest where it lands on something.
      const landing = j.versions.conditions.flatMap((c) => {
        const rest = c.gear === null || anywhere?.parts === null ? null : restOf(j, item, resting, c.id);
        return rest?.impact ? [[`${key}@${c.id}`, shown(rest)] as const] : [];
      });
      return [...(anywhere ? [[key, shown(anywhere)] as const] : []), ...landing];
    }),
  );
}

function worthShown(w: LookWorth & { reason: string }, r: number, points: LookKitView['points'][string]): WorthShown {
  const place = new Map(points.map((p, i) => [p.id, i]));
  return {
    r,
    word: w.word,
    reason: w.reason,
    freshUntil: w.freshUntil,
    settles: thousandths(w.settles) / 1000,
    hurts: w.hurts,
    points: w.points.flatMap((p) => [
      place.get(p.point.id)!,
      SIDES.indexOf(p.side),
      thousandths(p.gain),
      thousandths(p.stands),
    ]),
  };
}

/** Today's classes, the first opened first. */
async function readClasses(tx: Transaction, today: string): Promise<LookKitView['classes']> {
  const { rows } = await tx.execute<{
    id: string;
    minutes: number;
    opened: Date | string | null;
    by: string | null;
    present: string[] | null;
  }>(sql`
    select c.id, c.minutes, c.opened_at as opened, p.name as by,
      (select array_agg(a.person_id::text order by a.place) from attendance a
        where a.school_id = c.school_id and a.class_id = c.id) as present
    from class_held c left join person p on p.school_id = c.school_id and p.id = c.by
    where c.day = ${today}::date order by c.opened_at nulls last, c.id`);
  return rows.map((r) => ({
    id: r.id,
    minutes: r.minutes,
    opened: r.opened === null ? null : new Date(r.opened).toISOString(),
    by: r.by ?? '',
    present: r.present ?? [],
  }));
}

const CLASSES_STOOD = 8;

/** How people stood in the last classes of which that is known. */
async function readStood(tx: Transaction): Promise<string[][]> {
  const { rows } = await tx.execute<{ stood: string[] }>(sql`
    select array_agg(a.person_id::text order by a.place) as stood
    from class_held c join attendance a on a.school_id = c.school_id and a.class_id = c.id
    where a.place is not null group by c.school_id, c.id, c.day order by c.day desc, c.id desc limit ${CLASSES_STOOD}`);
  return rows.map((r) => r.stood);
}

const thousandths = (x: number) => Math.round(x * 1000);

const sum = (w: { points: readonly { gain: number }[] }) => w.points.reduce((n, p) => n + p.gain, 0);

function sequencesShown(j: Judging, asked: ReadonlySet<string>): LookKitView['sequences'] {
  return [...j.items.sequences.values()]
    .filter((s) => !s.retired && asked.has(s.id) && s.body.moves.length > 0)
    .map((s) => {
      const at = j.items.pointsAt(s.id);
      const points = [...new Map(at.flat().map((p) => [p.id, p])).values()].sort(
        (a, b) => Number(b.critical) - Number(a.critical),
      );
      const place = new Map(points.map((p, i) => [p.id, i]));
      return {
        id: s.id,
        title: s.title,
        kind: s.kind,
        body: s.body,
        stances: j.items.stancesOf(s.body),
        points: points.map((p) => ({
          id: p.id,
          name: p.name,
          cue: p.slips[0]?.cue ?? '',
          kind: p.kind,
          critical: p.critical,
        })),
        at: at.map((list) => list.map((p) => place.get(p.id)!).sort((a, b) => a - b)),
      };
    });
}
