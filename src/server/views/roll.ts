import { asc, desc, sql } from 'drizzle-orm';
import type {
  EarlierMarksView,
  LookKitView,
  PeopleView,
  ReadinessView,
  RollView,
  ShellView,
  ViewInput,
} from '../../contracts/views';
import { READINESS, SEQUENCE_KINDS, TECHNIQUE_KINDS, adaptationsOn, ageOn, readiness } from '../../core';
import type { Transaction } from '../../data/connection';
import { readLibrary } from '../../data/queries/library';
import { readSyllabus } from '../../data/queries/syllabus';
import { readRoll } from '../../data/queries/roll';
import { adaptation, person } from '../../data/tables';
import { user } from '../../data/tables/auth';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import { judgeGates, judgeStudent, rankAbove, readJudging } from './judging';
import { shownPoints } from './library';

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

export async function lookKitView(tx: Transaction, who: Who): Promise<LookKitView> {
  const library = await readLibrary(tx);
  const s = await readSyllabus(tx, who.today);
  const roll = await readRoll(tx);
  const j = await tx.select().from(adaptation).orderBy(asc(adaptation.at));
  const adapted = (studentId: string) =>
    adaptationsOn(
      j
        .filter((a) => a.studentId === studentId)
        .map((a) => ({
          ...a,
          range: a.rangeLo === null || a.rangeHi === null ? null : { lo: a.rangeLo, hi: a.rangeHi },
        })),
      who.today,
    );
  return {
    today: who.today,
    timeZone: who.timeZone,
    me: { personId: who.personId, name: who.name },
    ranks: s.ranks.map(({ id, name, cloth }) => ({ id, name, cloth })),
    conditions: s.conditions.map(({ id, name }) => ({ id, name })),
    students: roll.map((x) => {
      const own = [...adapted(x.id).values()];
      return {
        id: x.id,
        name: x.name,
        rankId: x.rankId,
        age: x.born ? ageOn(x.born, who.today) : null,
        lastHere: x.lastHere,
        waived: own.filter((a) => a.waived).map((a) => a.pointId),
        adapted: Object.fromEntries(
          own
            .filter((a) => !a.waived)
            .map((a) => [
              a.pointId,
              a.range ? `${a.range.lo} to ${a.range.hi} accepted` : `${Math.round((a.share ?? 0) * 100)} in 100 asked`,
            ]),
        ),
      };
    }),
    techniques: [...library.techniques.values()]
      .filter((t) => !t.retired)
      .map((t) => ({
        id: t.id,
        name: t.name,
        kind: t.kind,
        sided: t.sided,
        points: shownPoints(library, t.id).map(({ why: _why, ...p }) => p),
      }))
      .filter((t) => t.points.length > 0),
    asked: s.requirements.flatMap(({ rankId, item, conditionId }) =>
      'technique' in item ? [{ rankId, techniqueId: item.technique, conditionId }] : [],
    ),
  };
}

export async function earlierMarksView(
  tx: Transaction,
  _who: Who,
  { techniqueId }: ViewInput<'earlierMarks'>,
): Promise<EarlierMarksView> {
  const library = await readLibrary(tx);
  const points = library.pointsOf(techniqueId).map((p) => p.id);
  if (points.length === 0) return { marks: [] };
  const { rows } = await tx.execute<EarlierMarksView['marks'][number] & Record<string, unknown>>(sql`
    select "studentId", "pointId", side, "conditionId", day, held, "of", "lookId" from (
      select l.student_id as "studentId", m.point_id as "pointId", l.side, l.condition_id as "conditionId", l.day::text as day,
        case when m.values is null then m.held else (select count(*)::int from unnest(m.values) x where x between p.accepted_lo and p.accepted_hi) end as held,
        m.of as "of", l.id as "lookId",
        row_number() over (partition by l.student_id, m.point_id, l.side order by l.day desc, l.at desc) as nth, l.at
      from mark m join look l on l.school_id = m.school_id and l.id = m.look_id
      join point p on p.school_id = m.school_id and p.id = m.point_id
      where m.point_id = any(${sql.param(points)}::uuid[])
        and not exists (select 1 from look r where r.school_id = l.school_id and r.replaces = l.id)
    ) newest where nth <= 5 order by day desc, at desc`);
  return { marks: rows };
}

export async function peopleView(tx: Transaction, who: Who): Promise<PeopleView> {
  const people = await tx
    .select()
    .from(person)
    .where(sql`${person.leftOn} is null`)
    .orderBy(asc(person.name), desc(person.id));
  const users = await tx.select({ id: user.id, email: user.email }).from(user);
  const emails = new Map(users.map((u) => [u.id, u.email]));
  const shown = people.map((p) => ({
    id: p.id,
    name: p.name,
    role: p.role,
    email: p.userId ? (emails.get(p.userId) ?? null) : null,
  }));
  return {
    teachers: shown.filter((p) => p.role !== 'student'),
    students: shown.filter((p) => p.role === 'student').map(({ id, name, email }) => ({ id, name, email })),
    me: who.personId,
  };
}
