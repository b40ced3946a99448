import type {
  ClassNoteShown,
  ClassPlanShown,
  KitAnswer,
  KitStudent,
  LookKitView,
  ViewInput,
} from '../../contracts/views';
import { canHurt, CARD_SECONDS, onTheShelf, itemKey, mayKeepPictures, showingSeconds, type Item } from '../../core';
import type { Transaction } from '../../data/connection';
import { readClassesToday, readStood } from '../../data/queries/classesToday';
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
import { readGiven } from '../belief/focus';
import { nextGrading } from '../belief/gradings';
import { schoolBeliefs } from '../belief/school';
import { readJudging, type Judging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import { readResting } from '../judging/rests';
import { takesOf } from '../judging/takes';
import { readStrikes } from '../judging/strikes';
import type { Who } from '../who';
import { kitAnswer } from './kitAnswer';
import { shownPoints } from './library';
import { classNoteShown } from './shown/classNote';
import { conditionShown } from './shown/condition';
import { studentInKit } from './shown/studentInKit';

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
    classes: await readClassesToday(tx, who.today),
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
