import { asc, desc, sql } from 'drizzle-orm';
import type {
  ChancesView,
  EverybodyView,
  PeopleView,
  ReadinessView,
  RollView,
  ShellView,
  ViewInput,
} from '../../contracts/views';
import {
  READINESS,
  SEQUENCE_KINDS,
  TECHNIQUE_KINDS,
  ageOn,
  gateInWords,
  missingInWords,
  readiness,
  reasonInWords,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readRoll } from '../../data/queries/roll';
import { readSyllabus } from '../../data/queries/syllabus';
import { guardianOf, person } from '../../data/tables';
import { user } from '../../data/tables/auth';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import { beltChance, groundsOf, nextGrading, pastOutcomes, schoolBeliefs } from './beliefs';
import { chanceShown } from './guided';
import { judgeGates, judgeStudent, rankAbove, readJudging } from './judging';

export const shellView = (_tx: Transaction, who: Who): Promise<ShellView> =>
  Promise.resolve({
    school: { name: who.schoolName, timeZone: who.timeZone },
    me: { personId: who.personId, name: who.name, role: who.role },
    today: who.today,
  });

export async function rollView(tx: Transaction, who: Who): Promise<RollView> {
  const { ranks } = await readSyllabus(tx, who.today);
  const roll = await readRoll(tx, { withLeft: true });
  return {
    ranks: ranks.map(({ id, name, cloth }) => ({ id, name, cloth })),
    students: roll
      .filter((s) => s.leftOn === null)
      .map((s) => ({
        id: s.id,
        name: s.name,
        born: s.born,
        age: s.born ? ageOn(s.born, who.today) : null,
        rankId: s.rankId,
        since: s.since,
        lastHere: s.lastHere,
        hasSignIn: s.userId !== null,
      })),
    gradingDay: await nextGrading(tx, who.today),
    leftLately: roll.filter((s) => s.leftOn !== null).map((s) => ({ id: s.id, name: s.name, leftOn: s.leftOn! })),
  };
}

/** "Who is ready?": everybody who wears a belt against all that the next one asks. */
export async function readinessView(
  tx: Transaction,
  who: Who,
  { rankId }: ViewInput<'readiness'>,
): Promise<ReadinessView> {
  const j = await readJudging(tx, who.today);
  const { ranks, conditions } = j.versions;
  const rank = ranks.find((r) => r.id === rankId);
  if (!rank) throw new Refusal(404, 'This belt is not in the syllabus.');
  const next = rankAbove(ranks, rankId);
  const roll = (await readRoll(tx)).filter((s) => s.rankId === rankId);
  const shown = ({ id, name, cloth }: typeof rank) => ({ id, name, cloth });
  const conditionName = new Map(conditions.map((c) => [c.id, c.name]));
  const looks = await tx.execute<{ id: string; n: number }>(
    sql`select student_id as id, count(*)::int as n from look group by 1`,
  );
  const lookCount = new Map(looks.rows.map((r) => [r.id, r.n]));
  // Students of one belt may follow different versions: the columns are everything that any of them is asked.
  const columns = new Map<string, ReadinessView['requirements'][number]>();
  const gateColumns = new Map<string, ReadinessView['gates'][number]>();
  const judged = roll.map((s) => {
    const words = next ? judgeStudent(j, s, next.id) : [];
    const gates = next ? judgeGates(j, s, next.id) : [];
    for (const { requirement: r } of words)
      if (!columns.has(r.id))
        columns.set(r.id, {
          id: r.id,
          technique: j.items.nameOf(r.item),
          condition: conditionName.get(r.conditionId) ?? '',
          kind: j.items.kindOf(r.item),
        });
    for (const { gate } of gates)
      if (!gateColumns.has(gate.kind)) gateColumns.set(gate.kind, { ...gate, rankId: next!.id });
    return { s, words, gates };
  });
  // Techniques first, then what is made of them; a kind stays together.
  const kinds: readonly string[] = [...TECHNIQUE_KINDS, ...SEQUENCE_KINDS];
  const requirements = [...columns.values()].sort((a, b) => kinds.indexOf(a.kind) - kinds.indexOf(b.kind));
  const gates = [...gateColumns.values()];
  const rows = judged.map(({ s, words, gates: mine }) => {
    const byId = new Map(words.map((w) => [w.requirement.id, w.word]));
    const gateWord = new Map(mine.map((g) => [g.gate.kind, g.word]));
    return {
      id: s.id,
      name: s.name,
      age: s.born ? ageOn(s.born, who.today) : null,
      since: s.since,
      words: requirements.map((r) => byId.get(r.id) ?? null),
      gates: gates.map((g) => gateWord.get(g.kind) ?? null),
      group: readiness(
        words.map((w) => w.word),
        mine,
      ),
      looks: lookCount.get(s.id) ?? 0,
    };
  });
  const open = (r: (typeof rows)[number]) => r.words.filter((w) => w !== null && w !== 'met').length;
  rows.sort(
    (a, b) =>
      READINESS.indexOf(a.group) - READINESS.indexOf(b.group) || open(a) - open(b) || a.name.localeCompare(b.name),
  );
  return { rank: shown(rank), next: next ? shown(next) : null, ranks: ranks.map(shown), requirements, gates, rows };
}

/** "Who is ready?", of all belts at once: everybody against their own next belt, sorted by what is missing. */
export async function everybodyView(tx: Transaction, who: Who): Promise<EverybodyView> {
  const j = await readJudging(tx, who.today);
  const roll = await readRoll(tx);
  const conditionName = new Map(j.versions.conditions.map((c) => [c.id, c.name]));
  const looks = await tx.execute<{ id: string; n: number }>(
    sql`select student_id as id, count(*)::int as n from look group by 1`,
  );
  const lookCount = new Map(looks.rows.map((r) => [r.id, r.n]));
  const shown = ({ id, name, cloth }: (typeof j.versions.ranks)[number]) => ({ id, name, cloth });
  const rankOf = new Map(j.versions.ranks.map((r) => [r.id, r]));
  const rows = roll.flatMap((s): EverybodyView['rows'] => {
    const next = rankAbove(j.syllabusOf(s).ranks, s.rankId);
    const rank = rankOf.get(s.rankId);
    if (!next || !rank) return [];
    const judged = judgeStudent(j, s, next.id);
    const gates = judgeGates(j, s, next.id);
    const words = judged.map((x) => x.word);
    const shut = gates.filter((g) => g.word === 'short');
    const worst = [...judged]
      .filter((x) => x.word !== 'met')
      .sort(
        (a, b) =>
          Number(a.word === 'unseen') - Number(b.word === 'unseen') || b.verdict.looksNeeded - a.verdict.looksNeeded,
      )[0];
    const reason = worst
      ? `${j.items.nameOf(worst.requirement.item)}: ${reasonInWords(worst.verdict, { standard: worst.requirement.standard, today: who.today, conditionName: conditionName.get(worst.requirement.conditionId) ?? '' })}`
      : shut[0]
        ? `${gateInWords(shut[0], rank.name, who.today).has}, ${gateInWords(shut[0], rank.name, who.today).asks}.`
        : '';
    return [
      {
        id: s.id,
        name: s.name,
        rank: shown(rank),
        next: shown(next),
        words,
        shut: shut.length,
        group: readiness(words, gates),
        looks: lookCount.get(s.id) ?? 0,
        missing: missingInWords(words, shut.length),
        first: reason,
      },
    ];
  });
  const open = (r: (typeof rows)[number]) => r.words.filter((w) => w !== 'met').length;
  rows.sort(
    (a, b) =>
      READINESS.indexOf(a.group) - READINESS.indexOf(b.group) || open(a) - open(b) || a.name.localeCompare(b.name),
  );
  return { rows, ranks: j.versions.ranks.map(shown), gradingDay: await nextGrading(tx, who.today) };
}

/** The chances of everybody who wears a belt, for the list of who is ready: asked for after it is shown. */
export async function chancesView(tx: Transaction, who: Who, { rankId }: ViewInput<'chances'>): Promise<ChancesView> {
  const roll = (await readRoll(tx)).filter((s) => rankId === undefined || s.rankId === rankId);
  const j = await readJudging(
    tx,
    who.today,
    roll.map((s) => s.id),
  );
  const school = await schoolBeliefs(tx, who, j);
  const outcomes = await pastOutcomes(tx);
  return {
    rows: roll.flatMap((s) => {
      const next = rankAbove(j.syllabusOf(s).ranks, s.rankId);
      if (!next) return [];
      const said = beltChance(
        judgeStudent(j, s, next.id),
        groundsOf(j, school, s),
        `${s.id} ${who.today}`,
        roll.length > 60 ? FEW_DRAWS : DRAWS,
      );
      const shown = chanceShown(said, outcomes);
      return shown ? [{ studentId: s.id, ...shown }] : [];
    }),
  };
}
/** Enough for a whole list: steady to about two in a hundred. */
const DRAWS = 400;
/** For the whole school at once: steady to about four in a hundred, which tenths hardly show. */
const FEW_DRAWS = 120;

export async function peopleView(tx: Transaction, who: Who): Promise<PeopleView> {
  const people = await tx
    .select()
    .from(person)
    .where(sql`${person.leftOn} is null`)
    .orderBy(asc(person.name), desc(person.id));
  const wards = await tx.select().from(guardianOf);
  const users = await tx.select({ id: user.id, email: user.email }).from(user);
  const emails = new Map(users.map((u) => [u.id, u.email]));
  const shown = people.map((p) => ({
    id: p.id,
    name: p.name,
    role: p.role,
    version: p.version,
    email: p.userId ? (emails.get(p.userId) ?? null) : null,
  }));
  return {
    teachers: shown.flatMap(({ role, ...p }) => (role === 'student' || role === 'guardian' ? [] : [{ ...p, role }])),
    students: shown.filter((p) => p.role === 'student').map(({ id, name, email }) => ({ id, name, email })),
    guardians: shown
      .filter((p) => p.role === 'guardian')
      .map(({ id, name, email, version }) => ({
        id,
        name,
        email,
        version,
        studentIds: wards.filter((w) => w.guardianId === id).map((w) => w.studentId),
      })),
    me: who.personId,
  };
}
