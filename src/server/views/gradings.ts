import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import type { CandidateShown, GradingsView, GradingView, ViewInput } from '../../contracts/views';
import {
  ageOn,
  chanceInWords,
  consentOf,
  dayInWords,
  gateInWords,
  isMinor,
  itemKey,
  itemOfKey,
  LOOKS_TO_SPEAK,
  reasonInWords,
  VERDICTS,
} from '../../core';
import type { Transaction } from '../../data/connection';
import {
  readCandidates,
  readDecisions,
  readGrading,
  readGradings,
  readPanel,
  readPanels,
} from '../../data/queries/gradings';
import { readRoll } from '../../data/queries/roll';
import { readItems, type Items } from '../../data/queries/items';
import { readLibrary } from '../../data/queries/library';
import { readVersions, type Versions } from '../../data/queries/syllabus';
import { guardianOf, hall, person } from '../../data/tables';
import { beltChanceOf } from '../belief/chance';
import { schoolBeliefs } from '../belief/school';
import { Refusal } from '../http/problem';
import { askedOf } from '../judging/asked';
import { judgeGates } from '../judging/gates';
import { judgeOne, judgeStudent } from '../judging/judge';
import { NOTHING, readJudging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import { reasonContext } from '../judging/reasonContext';
import { readResting } from '../judging/rests';
import type { Who } from '../who';

export const teachersOf = (tx: Transaction) =>
  tx
    .select({ id: person.id, name: person.name, role: person.role })
    .from(person)
    .where(sql`${inArray(person.role, ['head', 'instructor', 'examiner'])} and left_on is null`)
    .orderBy(asc(person.name));
/** Who answers for each of these, by name. */
async function guardiansOf(tx: Transaction, studentIds: readonly string[]): Promise<Map<string, string[]>> {
  const rows = await tx
    .select({ studentId: guardianOf.studentId, name: person.name })
    .from(guardianOf)
    .innerJoin(person, and(eq(person.schoolId, guardianOf.schoolId), eq(person.id, guardianOf.guardianId)))
    .where(inArray(guardianOf.studentId, [...studentIds]))
    .orderBy(asc(person.name));
  const out = new Map<string, string[]>();
  for (const r of rows) out.set(r.studentId, [...(out.get(r.studentId) ?? []), r.name]);
  return out;
}
const hallsOf = (tx: Transaction) =>
  tx
    .select({ id: hall.id, name: hall.name, width: hall.width, depth: hall.depth, version: hall.version })
    .from(hall)
    .orderBy(asc(hall.name));

/** What can be shown at a midterm: all that a belt asks by the version in force, and what this one shows already. */
function shownOf(
  j: { versions: Versions; items: Items },
  today: string,
  chosen: readonly string[] = [],
): { id: string; name: string }[] {
  const { requirements } = j.versions.read(j.versions.inForce(today));
  const all = new Map(requirements.map((r) => [itemKey(r.item), j.items.nameOf(r.item)]));
  for (const key of chosen) {
    const item = all.has(key) ? null : itemOfKey(key);
    if (item) all.set(key, j.items.nameOf(item));
  }
  return [...all].map(([id, name]) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name));
}

/** "Which gradings are there?" */
export async function gradingsView(tx: Transaction, who: Who, { alone }: ViewInput<'gradings'>): Promise<GradingsView> {
  const rows = await readGradings(tx);
  const candidates = await readCandidates(
    tx,
    rows.map((g) => g.id),
  );
  const teaches = who.role !== 'examiner';
  const versions = await readVersions(tx);
  const items = await readItems(tx, await readLibrary(tx), versions);
  const panels = await readPanels(
    tx,
    rows.map((g) => g.id),
  );
  const gradings = [];
  for (const g of rows) {
    const own = panels.find((p) => p.gradingId === g.id && p.personId === who.personId);
    if (!teaches && !own) continue;
    gradings.push({
      id: g.id,
      title: g.title,
      day: g.day,
      closed: g.closedAt !== null,
      midterm: g.items !== null,
      candidates: candidates.filter((c) => c.gradingId === g.id && c.out === null).length,
      mine: own ? (own.handedInAt ? ('handed in' as const) : ('open' as const)) : ('no' as const),
    });
  }
  return {
    gradings,
    teachers: teaches ? await teachersOf(tx) : [],
    halls: teaches ? await hallsOf(tx) : [],
    items: teaches ? shownOf({ versions, items }, who.today) : [],
    usual: versions.read(versions.inForce(who.today)).body.grading,
    alone: alone !== undefined && who.role === 'head' ? await aloneOf(tx, versions, alone) : null,
    me: who.personId,
    today: who.today,
    may: { decide: who.role === 'head' },
  };
}

/** Somebody who is graded when they are ready, with their next belt. */
async function aloneOf(tx: Transaction, versions: Versions, id: string): Promise<GradingsView['alone']> {
  const [s] = await readRoll(tx, { id });
  const to = s && rankAbove(versions.ranks, s.rankId);
  return s && to ? { id, name: s.name, to: { id: to.id, name: to.name, cloth: to.cloth } } : null;
}

/** "Who goes up?": every candidate with their word, what holds it up, and who has said what. */
export async function gradingView(tx: Transaction, who: Who, { id }: ViewInput<'grading'>): Promise<GradingView> {
  const g = await readGrading(tx, id);
  if (!g) throw new Refusal(404, 'There is no such grading.');
  const panel = await readPanel(tx, id);
  const rows = await readCandidates(tx, [id]);
  const decisions = new Map((await readDecisions(tx, id)).map((d) => [d.studentId, d.result]));
  const j = await readJudging(tx, who.today);
  const school = await schoolBeliefs(tx, j);
  const all = await readRoll(tx, { withLeft: true });
  const roll = all.filter((s) => s.leftOn === null);
  const ranks = new Map(j.versions.ranks.map(({ id: rankId, name, cloth }) => [rankId, { id: rankId, name, cloth }]));
  const resting = await readResting(
    tx,
    who.today,
    rows.map((c) => c.studentId),
  );
  const guardians = await guardiansOf(
    tx,
    rows.map((c) => c.studentId),
  );
  const teachers = await teachersOf(tx);
  const names = new Map(teachers.map((t) => [t.id, t.name]));
  const candidates = rows.flatMap((c): CandidateShown[] => {
    const s = all.find((x) => x.id === c.studentId);
    const [rank, to] = [ranks.get(s?.rankId ?? ''), ranks.get(c.rankId)];
    if (!s || !rank || !to) return [];
    const midterm = g.items !== null;
    const judged = midterm
      ? askedOf(j, s, c.rankId, g.items).map((r) =>
          judgeOne(j, j.syllabusOf(s), j.evidence.get(s.id) ?? NOTHING, s.id, r),
        )
      : judgeStudent(j, s, c.rankId);
    const words = judged.map((x) => x.word);
    const furthest = [...judged].sort((a, b) => VERDICTS.indexOf(b.word) - VERDICTS.indexOf(a.word))[0];
    const injury = (resting.get(s.id) ?? []).find((r) => r.itemKey === null);
    const chance = midterm ? null : beltChanceOf(j, school, s, c.rankId);
    return [
      {
        id: s.id,
        name: s.name,
        age: s.born ? ageOn(s.born, who.today) : null,
        rank,
        to,
        putBy: names.get(c.putBy) ?? '',
        yes: c.yes,
        guardians: isMinor(s.born, who.today, j.ofAge) ? (guardians.get(s.id) ?? []) : [],
        exception: c.exception,
        out: c.out,
        met: words.filter((w) => w === 'met').length,
        asked: words.length,
        word: furthest?.word ?? 'unseen',
        why: furthest
          ? `${j.items.nameOf(furthest.requirement.item)}: ${reasonInWords(furthest.verdict, { ...reasonContext(j, furthest.requirement), reader: 'teacher' })}`
          : midterm
            ? 'Nothing of this is asked of them yet.'
            : 'This belt asks for nothing yet.',
        shut: (midterm ? [] : judgeGates(j, s, c.rankId))
          .filter((x) => x.word === 'short')
          .map((x) => {
            const { has, asks } = gateInWords(x, rank.name, who.today);
            return asks === '' ? has : `${has}, ${asks}`;
          }),
        rests: injury ? `${injury.what}${injury.until ? ` until ${dayInWords(injury.until, who.today)}` : ''}` : null,
        rung: consentOf(j.consents.get(s.id), s.born, who.today, j.ofAge),
        chance: chance && chance.looks >= LOOKS_TO_SPEAK ? chanceInWords(chance.chance) : null,
        decided: decisions.get(s.id) ?? null,
      },
    ];
  });
  const order = j.versions.ranks.map((r) => r.id);
  candidates.sort((a, b) => order.indexOf(a.to.id) - order.indexOf(b.to.id) || a.name.localeCompare(b.name));
  const put = new Set(rows.map((c) => c.studentId));
  const halls = await hallsOf(tx);
  return {
    grading: {
      id,
      title: g.title,
      day: g.day,
      hallId: g.hallId,
      hall: halls.find((h) => h.id === g.hallId)?.name ?? null,
      rule: g.rule,
      items: g.items,
      answerBy: g.answerBy,
      version: g.version,
      closed: g.closedAt !== null,
      letOut: g.letOutAt !== null,
    },
    panel: panel.map((p) => ({ id: p.personId, name: p.name, handedIn: p.handedInAt !== null })),
    candidates,
    others: roll
      .filter((s) => !put.has(s.id))
      .map((s) => {
        const next = rankAbove(j.syllabusOf(s).ranks, s.rankId);
        return { id: s.id, name: s.name, rank: ranks.get(s.rankId)!, to: next ? (ranks.get(next.id) ?? null) : null };
      }),
    teachers,
    halls,
    items: shownOf(j, who.today, g.items ?? []),
    me: who.personId,
    today: who.today,
    may: { decide: who.role === 'head', examine: panel.some((p) => p.personId === who.personId) },
  };
}
