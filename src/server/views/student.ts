import { and, desc, eq, gte, inArray, isNotNull, ne, or, sql } from 'drizzle-orm';
import type { RequirementVerdict, StudentView, ViewInput } from '../../contracts/views';
import {
  ageOn,
  adaptedInWords,
  answerInWords,
  chanceInWords,
  changeInWords,
  consentOf,
  dayInWords,
  gateInWords,
  itemKey,
  mayKeepPictures,
  praiseInWords,
  reasonFor,
  reasonInWords,
  standardInWords,
  stick,
  sumPractice,
  usualLook,
  type ConditionOrder,
  type Evidence,
  type GradingRule,
  type Grounds,
  type Reader,
  type ReasonContext,
  type Resting,
  type Side,
  type Verdict,
  type VerdictWord,
  capital,
  waitsInWords,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readPictureWords } from '../../data/queries/pictures';
import { readRoll } from '../../data/queries/roll';
import type { SyllabusRead } from '../../data/queries/syllabus';
import { consent, injury, look, mark, outcome, pause, person, practice, rank, rankHeld } from '../../data/tables';
import { user } from '../../data/tables/auth';
import { mustBeOwnStudent } from '../auth/ownStudent';
import { beltChanceOf, chanceOfOne, groundsOf } from '../belief/chance';
import { focusOf, readGiven } from '../belief/focus';
import { nextGrading, pastOutcomes } from '../belief/gradings';
import { schoolBeliefs } from '../belief/school';
import { Refusal } from '../http/problem';
import { judgeGates, waitsFor } from '../judging/gates';
import { judgeStudent, type Judged } from '../judging/judge';
import { readJudging, type Judgeable, type Judging } from '../judging/judging';
import { reasonContext } from '../judging/reasonContext';
import { readMissed } from '../judging/missed';
import { rankAbove } from '../judging/rankAbove';
import { requirementNames } from '../judging/requirementNames';
import { readResting, restOf } from '../judging/rests';
import { readPartners } from '../judging/partners';
import { readRoom } from '../judging/room';
import { staleEarlier } from '../judging/stale';
import type { Who } from '../who';
import { feltAsked } from './felt';
import { chanceShown } from './shown/chance';
import { consentSaid, picturesSaid } from './shown/consent';
import { certificatesOf } from './shown/certificates';
import { gradedAt, invitedTo, requirementName } from './shown/gradings';
import { focusShown, slipShown } from './shown/slip';
import { showingShown } from './studentLooks';
import { standingLook } from '../../data/queries/standingLook';

function shown(
  j: Judging,
  student: Judgeable,
  evidence: Evidence,
  judged: Judged,
  order: ConditionOrder,
  names: ReadonlyMap<string, string>,
  g: Grounds,
  resting: readonly Resting[],
  words: (word: VerdictWord, verdict: Verdict, asked: ReasonContext) => string,
  rule: GradingRule,
): RequirementVerdict {
  const { requirement: r, verdict } = judged;
  const sided = j.items.isSided(r.item);
  const condition = j.versions.conditions.find((c) => c.id === r.conditionId)?.name ?? '';
  const adapted = j.adaptations.get(student.id) ?? [];
  const chance = chanceOfOne(judged, g, rule);
  const rest = restOf(j, r.item, resting, r.conditionId);
  const waits = waitsFor(j, student, r);
  const sides: Side[] = sided ? ['left', 'right'] : ['none'];
  return {
    id: r.id,
    item: r.item,
    name: j.items.nameOf(r.item),
    kind: j.items.kindOf(r.item),
    condition,
    asks: standardInWords(r.standard, sided),
    word: judged.word,
    computed: verdict.word,
    reason: words(verdict.word, verdict, reasonContext(j, r)),
    change: changeInWords(verdict, usualLook(r.standard), r.standard.repetitions),
    sticks: sides.map((side) => stick(evidence, judged, side, order)),
    override: judged.override
      ? {
          word: judged.word,
          reason: judged.override.reason,
          by: names.get(judged.override.by) ?? '',
          day: judged.override.day,
        }
      : null,
    chance: chance && { words: chanceInWords(chance.chance), chance: chance.chance, looks: Math.round(chance.looks) },
    rests: waits
      ? capital(waitsInWords(waits, j.today))
      : rest && `Rests${rest.until ? ` until ${dayInWords(rest.until, j.today)}` : ''}: ${rest.what}`,
    points: verdict.points.map((p) => ({
      pointId: p.point.id,
      name: p.point.name,
      side: p.side,
      critical: p.point.critical,
      held: Math.floor(p.window.held + 1e-9),
      of: p.window.of,
      days: p.window.days,
      needs: `${Math.ceil(p.share * r.standard.repetitions - 1e-9)} of ${r.standard.repetitions}`,
      stands: p.looksNeeded === 0,
      adapted: adapted.some((a) => a.pointId === p.point.id && a.from <= j.today),
    })),
  };
}

function followsShown(j: Judging, syllabus: SyllabusRead): StudentView['follows'] {
  const version = j.versions.published.find((p) => p.id === syllabus.versionId);
  return version
    ? { title: version.title, from: version.from!, newest: j.versions.inForce(j.today)?.id === version.id }
    : null;
}

/** So many of the newest looks stand on the page. */
const LOOKS_SHOWN = 40;

const nameOfSequence = (j: Judging, id: string | null): string => (id ? (j.items.sequences.get(id)?.title ?? '') : '');

/** "What does … need for … belt?" A student sees only their own page, and only what has been decided and seen. */
export async function studentView(tx: Transaction, who: Who, { id }: ViewInput<'student'>): Promise<StudentView> {
  await mustBeOwnStudent(tx, who, id);
  const [student] = await readRoll(tx, { withLeft: true, id });
  if (!student) throw new Refusal(404, 'This student is not on the roll.');
  const j = await readJudging(tx, who.today, [id]);
  // Whoever can have watched, decided or told: teachers, and the student; not everybody who ever came.
  const people = await tx
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(or(ne(person.role, 'student'), eq(person.id, id)));
  const names = new Map(people.map((p) => [p.id, p.name]));
  const syllabus = j.syllabusOf(student);
  const next = rankAbove(syllabus.ranks, student.rankId);
  const evidence = j.evidence.get(id) ?? new Map<string, never>();
  const judged = next ? judgeStudent(j, student, next.id) : [];
  const gates = next ? judgeGates(j, student, next.id) : [];
  const school = await schoolBeliefs(tx, j);
  const g = groundsOf(j, school, student);
  const restingAll = await readResting(tx, who.today, [id]);
  const resting = restingAll.get(id) ?? [];
  const reader: Reader = who.role === 'student' ? 'student' : who.role === 'guardian' ? 'guardian' : 'teacher';
  const given = student.name.split(' ')[0] ?? student.name;
  const words = (word: VerdictWord, verdict: Verdict, asked: ReasonContext) =>
    reasonFor(reader, given, word, reasonInWords(verdict, { ...asked, reader }));
  const requirements = judged.map((x) =>
    shown(j, student, evidence, x, syllabus.order, names, g, resting, words, syllabus.body.grading),
  );
  const nameOf = requirementNames(j, student);
  const guided = focusOf(j, student, judged, (await readGiven(tx, [id])).get(id));
  const room = await readRoom(tx, id);
  const missed = await readMissed(tx, j, [student], new Map([[id, room]]));
  const entries = await tx
    .select()
    .from(practice)
    .where(eq(practice.studentId, id))
    .orderBy(desc(practice.day), desc(practice.at))
    .limit(60);
  const paused = await tx.select().from(pause).where(eq(pause.studentId, id)).orderBy(desc(pause.from));
  const rankOf = new Map(syllabus.ranks.map((r) => [r.id, { id: r.id, name: r.name, cloth: r.cloth }]));
  const present = rankOf.get(student.rankId)!;

  const held = await tx
    .select({ id: rankHeld.id, rankId: rankHeld.rankId, since: rankHeld.since, note: rankHeld.note })
    .from(rankHeld)
    .innerJoin(rank, eq(rank.id, rankHeld.rankId))
    .where(eq(rankHeld.personId, id))
    .orderBy(desc(rankHeld.since), desc(rankHeld.at));
  // What was decided is let out by a belt, or told by a teacher.
  const decided =
    reader === 'teacher'
      ? await tx.select().from(outcome).where(eq(outcome.studentId, id)).orderBy(desc(outcome.day), desc(outcome.at))
      : [];
  const standing = sql`exists (select 1 from ${standingLook} l where l.school_id = ${look.schoolId} and l.id = ${look.id})`;
  const marked = sql`exists (select 1 from mark m where m.school_id = ${look.schoolId} and m.look_id = ${look.id})`;
  // The newest alone are read: a student of many years has thousands.
  const looks = await tx
    .select({
      id: look.id,
      day: look.day,
      techniqueId: look.techniqueId,
      sequenceId: look.sequenceId,
      partFrom: look.partFrom,
      counts: look.counts,
      conditionId: look.conditionId,
      side: look.side,
      by: look.by,
      note: look.note,
    })
    .from(look)
    .where(and(eq(look.studentId, id), standing, or(marked, isNotNull(look.counts), ne(look.note, ''))))
    .orderBy(desc(look.day), desc(look.at))
    .limit(LOOKS_SHOWN);
  const sums = new Map(
    (
      await tx
        .select({
          lookId: mark.lookId,
          held: sql<number>`sum(${mark.held})::int`,
          of: sql<number>`coalesce(sum(case when ${mark.values} is null then ${mark.of} end), 0)::int`,
        })
        .from(mark)
        .where(
          inArray(
            mark.lookId,
            looks.map((l) => l.id),
          ),
        )
        .groupBy(mark.lookId)
    ).map((m) => [m.lookId, m]),
  );
  const said = j.consents.get(id) ?? null;
  const pictures = (await readPictureWords(tx, id)).get(id) ?? null;
  const agreed = await tx.select().from(consent).where(eq(consent.studentId, id)).orderBy(desc(consent.at)).limit(20);
  const open = await tx
    .select()
    .from(injury)
    .where(and(eq(injury.studentId, id), gte(injury.until, who.today)))
    .orderBy(desc(injury.until));
  const writtenFor = j.adaptations.get(id) ?? [];
  const email =
    student.userId && who.role === 'head'
      ? await tx.select({ email: user.email }).from(user).where(eq(user.id, student.userId))
      : [];
  const conditionName = new Map(syllabus.conditions.map((c) => [c.id, c.name]));
  const age = student.born ? ageOn(student.born, who.today) : null;
  return {
    student: {
      id,
      name: student.name,
      age,
      born: student.born,
      leftOn: student.leftOn,
      version: student.version,
      rank: present,
      since: student.since,
    },
    next: next ? rankOf.get(next.id)! : null,
    consent: said && {
      id: said.id,
      rung: said.rung,
      day: said.day,
      guardian: said.guardian,
      counts: consentOf(said, student.born, who.today, j.ofAge) !== null,
    },
    invited: await invitedTo(tx, id, rankOf),
    graded: await gradedAt(tx, id, rankOf, (r) => requirementName(j, r)),
    ...(await certificatesOf(tx, who, id, rankOf)),
    consentSaid: await consentSaid(tx, who, student, j.ofAge),
    pictures: pictures && {
      agreed: pictures.agreed,
      day: pictures.day,
      guardian: pictures.guardian,
      counts: mayKeepPictures(pictures, student.born, who.today, j.ofAge),
    },
    picturesSaid: await picturesSaid(tx, who, student, j.ofAge),
    consentBefore: agreed.filter((c) => c.id !== said?.id).map(({ rung, day, guardian }) => ({ rung, day, guardian })),
    injuries: open.map(({ id: injuryId, what, from, until }) => ({ id: injuryId, what, from, until })),
    follows: followsShown(j, syllabus),
    answer: next
      ? answerInWords(
          requirements.map((r) => ({ ...r, title: 'sequence' in r.item })),
          gates,
        )
      : `${present.name} is the last belt of this syllabus.`,
    requirements,
    gates: gates.map((g) => ({ id: g.gate.id, word: g.word, ...gateInWords(g, present.name, who.today) })),
    ranks: [...rankOf.values()],
    held: held.map((h) => ({ id: h.id, rank: rankOf.get(h.rankId)!, since: h.since, note: h.note })),
    decisions: decided.map(({ id: decisionId, rankId, day, passed, note }) => ({
      id: decisionId,
      rank: rankOf.get(rankId)?.name ?? '',
      day,
      passed,
      note,
    })),
    adaptations: writtenFor.map((a) => ({
      id: a.id,
      point: j.library.ownerOf.get(a.pointId)?.points.find((p) => p.id === a.pointId)?.name ?? 'a point since retired',
      technique: j.library.ownerOf.get(a.pointId)?.name ?? '',
      from: a.from,
      what: a.waived ? 'waived' : adaptedInWords(a),
      reason: a.reason,
      by: names.get(a.by) ?? '',
    })),
    looks: looks.map((l) => ({
      id: l.id,
      day: l.day,
      technique: l.techniqueId
        ? (j.library.techniques.get(l.techniqueId)?.name ?? '')
        : nameOfSequence(j, l.sequenceId),
      condition: conditionName.get(l.conditionId) ?? '',
      side: l.side,
      by: names.get(l.by) ?? '',
      note: who.role === 'head' || who.role === 'instructor' ? l.note : '',
      held: sums.get(l.id)?.held ?? 0,
      of: sums.get(l.id)?.of ?? 0,
      shown: showingShown(l),
    })),
    lookCount: student.looks,
    chance: chanceShown(next ? beltChanceOf(j, school, student, next.id) : null, await pastOutcomes(tx)),
    focus: guided.focus && focusShown(guided.focus, nameOf),
    praise: praiseInWords(guided.praise, who.today),
    slips: guided.slipping.map((s) => slipShown(s, nameOf)),
    pauses: paused.map((p) => ({
      id: p.id,
      item: p.techniqueId ? (j.library.techniques.get(p.techniqueId)?.name ?? '') : nameOfSequence(j, p.sequenceId),
      habit: p.habit,
      from: p.from,
      until: p.until,
    })),
    stops: resting.filter((r) => r.impact).map(({ what, until }) => ({ what, until })),
    practice: {
      ...sumPractice(entries, who.today),
      list: entries.map(({ id: entryId, day, minutes, repetitions, strikes, hands, joints, what }) => ({
        id: entryId,
        day,
        minutes,
        repetitions,
        strikes,
        hands,
        joints,
        what,
      })),
    },
    room: { width: room.width, depth: room.depth, stature: room.said, mass: room.mass },
    partners: reader === 'teacher' ? await readPartners(tx, who, id) : [],
    classmates:
      reader === 'teacher'
        ? (await readRoll(tx)).filter((x) => x.id !== id).map((x) => ({ id: x.id, name: x.name }))
        : [],
    missed: (missed.get(id) ?? []).map((m) => ({ ...m.way, day: m.day })),
    feltAsked:
      who.role === 'student' ? await feltAsked(tx, j, id, new Map(syllabus.conditions.map((c) => [c.id, c]))) : [],
    faded: staleEarlier(j, student).map((x) => ({
      rank: rankOf.get(x.requirement.rankId)!,
      item: j.items.nameOf(x.requirement.item),
      itemKey: itemKey(x.requirement.item),
      reason: words(x.word, x.verdict, reasonContext(j, x.requirement)),
    })),
    gradingDay: await nextGrading(tx, who.today),
    reader,
    access: { email: email[0]?.email ?? null },
    may: {
      decide: who.role === 'head',
      look: who.role === 'head' || who.role === 'instructor',
      log: who.role === 'student' || who.role === 'guardian',
    },
    today: who.today,
  };
}
