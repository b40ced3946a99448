// What would follow from a command: it is done, read, and taken back again.
import { and, eq, gte, sql } from 'drizzle-orm';
import * as v from 'valibot';
import type { CommandInput } from '../../contracts/commands';
import { readInput } from '../../contracts/commands';
import { unsound } from '../../contracts/sound';
import { TRIED, type Change, type Followed, type StudentFollowed, type Tried } from '../../contracts/trial';
import { gateInWords, reasonInWords, type VerdictWord } from '../../core';
import { throughSchool, type Database, type Transaction } from '../../data/connection';
import { readRoll, type RollRow } from '../../data/queries/roll';
import { standingLook } from '../../data/queries/standingLook';
import { attendance, look, person, rankHeld } from '../../data/tables';
import type { SignedIn } from '../auth/auth';
import { beltChanceOf } from '../belief/chance';
import { focusOf, readGiven } from '../belief/focus';
import { pastOutcomes } from '../belief/gradings';
import { schoolBeliefs } from '../belief/school';
import { Refusal } from '../http/problem';
import { judgeGates } from '../judging/gates';
import { judgeStudent } from '../judging/judge';
import { readJudging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import { reasonContext } from '../judging/reasonContext';
import { requirementNames } from '../judging/requirementNames';
import { chanceShown } from '../views/shown/chance';
import { readWho, whoQuestion, type Who, type WhoRow } from '../who';
import { mustBeAllowed, mustRead, refusalOf, runOf } from '../commands/run';

const trial = v.object({ name: v.picklist(TRIED, 'This cannot be tried beforehand.'), input: v.unknown() });

/** How one student stands: what may be other afterwards, by what it is told by. */
interface Stand {
  student: RollRow;
  belt: string;
  asked: string | null;
  verdicts: Map<string, { item: string; word: VerdictWord; reason: string }>;
  gates: Map<string, { asks: string; says: string }>;
  focus: string | null;
  chance: string | null;
}

/** So many students are compared: the evening of a big school. */
const MOST_COMPARED = 200;

interface Whom {
  ids: readonly string[];
  /** Who was at a class changes hours and classes, and no verdict. */
  onlyGates: boolean;
}

async function standOf(
  tx: Transaction,
  who: Who,
  { ids, onlyGates }: Whom,
  beliefs: Map<string, unknown> | null,
): Promise<{ stands: Map<string, Stand>; made: Map<string, unknown> }> {
  const j = await readJudging(tx, who.today, ids);
  // The school's habits do not turn on one look: what was known of them this morning serves for both.
  for (const [key, value] of beliefs ?? []) j.made.set(key, value);
  const school = onlyGates ? null : await schoolBeliefs(tx, j);
  const outcomes = school ? await pastOutcomes(tx) : [];
  const given = school ? await readGiven(tx, ids) : new Map<string, never>();
  const roll = new Map(
    (await readRoll(tx, { withLeft: true, ...(ids.length === 1 ? { id: ids[0]! } : {}) })).map((s) => [s.id, s]),
  );
  const stands = new Map<string, Stand>();
  for (const id of ids) {
    const student = roll.get(id);
    if (!student) continue;
    const syllabus = j.syllabusOf(student);
    const next = rankAbove(syllabus.ranks, student.rankId);
    const belt = syllabus.ranks.find((r) => r.id === student.rankId)?.name ?? '';
    const gates = new Map(
      (next ? judgeGates(j, student, next.id) : []).map((g) => {
        const { has, asks } = gateInWords(g, belt, who.today);
        return [g.gate.id, { asks, says: has }];
      }),
    );
    const stand = { student, belt, asked: next?.name ?? null, gates };
    if (!school) {
      stands.set(id, { ...stand, verdicts: new Map(), focus: null, chance: null });
      continue;
    }
    const judged = next ? judgeStudent(j, student, next.id) : [];
    const { focus } = focusOf(j, student, judged, given.get(id));
    const nameOf = requirementNames(j, student);
    stands.set(id, {
      ...stand,
      verdicts: new Map(
        judged.map((x) => [
          x.requirement.id,
          {
            item: j.items.nameOf(x.requirement.item),
            word: x.word,
            reason: reasonInWords(x.verdict, { ...reasonContext(j, x.requirement), reader: 'teacher' }),
          },
        ]),
      ),
      focus:
        focus &&
        `${focus.point.name}${focus.side === 'none' ? '' : `, ${focus.side}`} in ${focus.requirementIds.map(nameOf)[0] ?? ''}`,
      chance: next ? (chanceShown(beltChanceOf(j, school, student, next.id), outcomes)?.words ?? null) : null,
    });
  }
  return { stands, made: j.made };
}

const changed = <T>(was: T, now: T): Change<T> | null => (was === now ? null : { was, now });

/** What differs between how a student stands and would stand. */
function compared(was: Stand, now: Stand, looksStay: number | null): StudentFollowed {
  const asked = changed(was.asked, now.asked);
  return {
    id: was.student.id,
    name: was.student.name,
    belt: changed(was.belt, now.belt),
    asked,
    // Another belt asks another list: its verdicts are not those of before.
    verdicts: asked
      ? []
      : [...now.verdicts].flatMap(([id, { item, word, reason }]) => {
          const before = was.verdicts.get(id);
          return before && before.word !== word ? [{ item, was: before.word, now: word, reason }] : [];
        }),
    gates: asked
      ? []
      : [...now.gates].flatMap(([id, { asks, says }]) => {
          const before = was.gates.get(id);
          return before && before.says !== says ? [{ asks, was: before.says, now: says }] : [];
        }),
    focus: asked ? null : changed(was.focus, now.focus),
    chance: changed(was.chance, now.chance),
    looksStay,
  };
}

const isOfClass = (name: Tried, input: unknown): boolean =>
  name === 'record.strike' && (input as CommandInput<'record.strike'>).kind === 'class';

/** Whom a command is about: whose look it is, who would be given it, and who came to a class. */
async function whomFor(tx: Transaction, name: Tried, input: unknown): Promise<{ ids: string[]; by: string | null }> {
  if (name !== 'record.strike') {
    const m = input as CommandInput<'look.mend' | 'look.move'>;
    const [l] = await tx.select({ id: look.studentId, by: look.by }).from(look).where(eq(look.id, m.lookId));
    return { ids: [...(l ? [l.id] : []), ...('studentId' in m ? [m.studentId] : [])], by: l?.by ?? null };
  }
  const s = input as CommandInput<'record.strike'>;
  if (s.kind === 'class') {
    const came = await tx.select({ id: attendance.personId }).from(attendance).where(eq(attendance.classId, s.id));
    return { ids: came.map((a) => a.id), by: null };
  }
  const [l] = s.kind === 'look' ? await tx.select({ by: look.by }).from(look).where(eq(look.id, s.id)) : [];
  return { ids: s.studentId ? [s.studentId] : [], by: l?.by ?? null };
}

/** How many looks were taken since a belt was given; null where no belt goes back. */
async function looksSince(tx: Transaction, name: Tried, input: unknown): Promise<number | null> {
  const s = input as CommandInput<'record.strike'>;
  if (name !== 'record.strike' || s.kind !== 'promotion') return null;
  const [belt] = await tx.select({ since: rankHeld.since }).from(rankHeld).where(eq(rankHeld.id, s.id));
  if (!belt || s.studentId === null) return null;
  const [n] = await tx
    .select({ n: sql<number>`count(*)::int` })
    .from(look)
    .where(
      and(
        eq(look.studentId, s.studentId),
        gte(look.day, belt.since),
        sql`exists (select 1 from ${standingLook} l where l.school_id = ${look.schoolId} and l.id = ${look.id})`,
      ),
    );
  return n?.n ?? 0;
}

class TakenBack extends Error {
  constructor(readonly followed: Followed) {
    super('tried, and taken back');
  }
}

/**
 * Does a command as `runCommand` would, compares how its students stand before and after, and takes everything back. Only
 * for teachers, and only for commands that put the record right; refused in the same words as the command itself.
 */
export async function tryCommand(db: Database, me: SignedIn, body: unknown, now = new Date()): Promise<Followed> {
  const outer = readInput(trial, body);
  if (!outer.ok) throw new Refusal(422, outer.errors[0]?.message ?? 'This cannot be tried.', outer.errors);
  const { name, input: sent } = outer.value;
  const amiss = unsound(sent);
  if (amiss[0]) throw new Refusal(422, amiss[0].message, amiss);
  const mustBeTeacher = (who: Who) => {
    mustBeAllowed(who, name);
    if (who.role !== 'head' && who.role !== 'instructor')
      throw new Refusal(403, 'Only teachers see beforehand what follows.');
  };
  const before = await throughSchool<WhoRow, { stands: Map<string, Stand>; made: Map<string, unknown>; of: Whom }>(
    db,
    me.schoolId,
    {
      readOnly: true,
      first: whoQuestion(me),
      work: async (tx, rows) => {
        const { who } = readWho(rows, me, now);
        mustBeTeacher(who);
        const { ids } = await whomFor(tx, name, mustRead(name, sent));
        const of = { ids: ids.slice(0, MOST_COMPARED), onlyGates: isOfClass(name, sent) };
        return { value: { ...(await standOf(tx, who, of, null)), of }, last: null };
      },
    },
  );
  try {
    return await throughSchool<WhoRow, Followed>(db, me.schoolId, {
      first: whoQuestion(me),
      work: async (tx, rows) => {
        const { who } = readWho(rows, me, now);
        mustBeTeacher(who);
        const input = mustRead(name, sent);
        const { by } = await whomFor(tx, name, input);
        const stay = await looksSince(tx, name, input);
        const [author] = by && by !== who.personId ? await tx.select().from(person).where(eq(person.id, by)) : [];
        await runOf(name)(tx, who, input);
        const after = await standOf(tx, who, before.of, before.made);
        throw new TakenBack({
          students: before.of.ids.flatMap((id) => {
            const [was, then] = [before.stands.get(id), after.stands.get(id)];
            return was && then ? [compared(was, then, stay)] : [];
          }),
          told: author?.name ?? null,
        });
      },
    });
  } catch (error) {
    if (error instanceof TakenBack) return error.followed;
    throw refusalOf(error);
  }
}
