import { hashPassword } from 'better-auth/crypto';
import { eq } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import { v7 } from 'uuid';
import { DEMO_PASSWORD, DEMO_SIGN_INS } from '../../../scripts/demo-sign-ins.mjs';
import { detailIn } from '../../contracts/techniqueFile';
import type { PlainDate } from '../../core';
import { addDays, applyDepartures, findDepartures, readSequence, type Sequence } from '../../core';
import { inSchool, openDatabase, openPool, type Transaction } from '../connection';
import { FIRST_STEPS } from '../openSchool';
import { factsFor, readItems } from '../queries/items';
import { readLibrary } from '../queries/library';
import { computedOf, keptOf, readVocabulary, textOf } from '../queries/sequences';
import {
  adaptation,
  attendance,
  classHeld,
  condition,
  hall,
  look,
  mark,
  override,
  person,
  point,
  rank,
  rankHeld,
  school,
  sequence,
  slip,
  syllabusFollowed,
  syllabusVersion,
  technique,
} from '../tables';
import { account, user } from '../tables/auth';
import { DEMO_SCHOOL_ID, generateDemo, techniqueOf, type DemoSchool } from './generate';
import { DEMO_DERIVED, DEMO_HALLS, DEMO_WRITTEN, recipeOf } from './hall';
import { writeLived, writeShowings } from './lived';
import { partnersOf } from './partners';
import { syllabusFrom, theDraft, withForms } from './way';

const ROWS_AT_ONCE = 2000;

async function insertAll<T extends PgTable>(tx: Transaction, table: T, rows: T['$inferInsert'][]) {
  for (let i = 0; i < rows.length; i += ROWS_AT_ONCE) await tx.insert(table).values(rows.slice(i, i + ROWS_AT_ONCE));
}

/** Fills Causeway Hall into the database the app connects to; null if it stands there already. */
export async function fillDemo(appUrl: string, day?: PlainDate) {
  const pool = openPool(appUrl, 2);
  try {
    const db = openDatabase(pool);
    const today = day ?? new Intl.DateTimeFormat('en-CA', { timeZone: 'Europe/London' }).format(new Date());
    return await inSchool(db, DEMO_SCHOOL_ID, async (tx) => {
      const there = await tx.select({ id: school.id }).from(school).where(eq(school.id, DEMO_SCHOOL_ID));
      if (there.length > 0) return null;
      const made = generateDemo(today);
      await writeSchool(tx, DEMO_SCHOOL_ID, 'Causeway Hall', made);
      await writeSequences(tx, made);
      await writeWay(tx, made, today);
      await writeDecisions(tx, made, today);
      await writeShowings(tx, DEMO_SCHOOL_ID, made, today);
      const { guardian } = await writeLived(tx, DEMO_SCHOOL_ID, made, today);
      await writeSignIns(tx, made, [guardian]);
      const marks = made.looks.reduce((n, l) => n + l.marks.length, 0);
      return { students: made.students.length, looks: made.looks.length, marks };
    });
  } finally {
    await pool.end();
  }
}

/** Writes a generated school's rows; used by the demo, the bench and the tests. */
export async function writeSchool(tx: Transaction, schoolId: string, name: string, made: DemoSchool) {
  const [head, ...others] = made.teachers;
  await tx.insert(school).values({ id: schoolId, name, timeZone: 'Europe/London' });
  await tx.insert(person).values([head!, ...others].map((t) => ({ schoolId, ...t })));
  await tx.insert(rank).values(made.ranks.map((r, position) => ({ schoolId, position, ...r })));
  await tx.insert(condition).values(made.conditions.map((c, position) => ({ schoolId, position, ...c })));
  const conditionId = new Map(made.conditions.map((c) => [c.name, c.id]));
  const standingAlone = made.techniques.map(({ points, ...t }) => ({
    schoolId,
    ...t,
    stanceId: null,
    stepId: null,
    summary: made.files.get(t.id)!.summary,
    changedBy: head!.id,
    detail: detailIn(made.files.get(t.id)!.detail, {
      pointId: (n) => points.find((p) => p.name === n)?.id,
      prerequisites: made.files.get(t.id)!.before.flatMap((n) => made.techniques.find((x) => x.name === n)?.id ?? []),
    }),
  }));
  await tx.insert(technique).values(standingAlone);
  for (const t of made.techniques)
    if (t.stanceId ?? t.stepId)
      await tx.update(technique).set({ stanceId: t.stanceId, stepId: t.stepId }).where(eq(technique.id, t.id));
  await insertAll(
    tx,
    point,
    made.techniques.flatMap((t) =>
      t.points.map((p, position) => ({
        schoolId,
        techniqueId: t.id,
        position,
        id: p.id,
        name: p.name,
        how: p.how,
        why: p.why,
        kind: p.kind,
        bodyPart: p.bodyPart,
        critical: p.critical,
        unit: p.unit,
        acceptedLo: p.accepted?.lo ?? null,
        acceptedHi: p.accepted?.hi ?? null,
        wantedLo: p.wanted?.lo ?? null,
        wantedHi: p.wanted?.hi ?? null,
      })),
    ),
  );
  await insertAll(
    tx,
    slip,
    made.techniques.flatMap((t) =>
      t.points.flatMap((p) => p.slips.map((s, position) => ({ schoolId, pointId: p.id, position, ...s }))),
    ),
  );
  const order = FIRST_STEPS.map(([e, h]) => ({ easier: conditionId.get(e)!, harder: conditionId.get(h)! }));
  const first = syllabusFrom(made, order, v7);
  await tx.insert(syllabusVersion).values({
    schoolId,
    id: v7(),
    state: 'published',
    title: 'Techniques only',
    body: first,
    from: '2020-01-01',
    changedBy: head!.id,
  });
  await insertAll(
    tx,
    person,
    made.students.map((s) => ({ schoolId, id: s.id, name: s.name, role: 'student' as const, born: s.born })),
  );
  await insertAll(
    tx,
    rankHeld,
    made.students.flatMap((s) => s.held.map((h) => ({ schoolId, id: v7(), personId: s.id, ...h, by: head!.id }))),
  );
  await insertAll(
    tx,
    classHeld,
    made.classes.map((c) => ({ schoolId, id: c.id, day: c.day, minutes: c.minutes, by: head!.id })),
  );
  await insertAll(
    tx,
    attendance,
    made.classes.flatMap((c) => c.present.map((personId) => ({ schoolId, classId: c.id, personId }))),
  );
  const partnerOf = partnersOf(made);
  await insertAll(
    tx,
    look,
    made.looks.map(({ marks: _marks, at, ...l }) => ({
      schoolId,
      ...l,
      at: new Date(at),
      partnerId: partnerOf(l.conditionId, l.day, l.studentId),
    })),
  );
  await insertAll(
    tx,
    mark,
    made.looks.flatMap((l) =>
      l.marks.map((m) =>
        m.kind === 'measured'
          ? {
              schoolId,
              lookId: l.id,
              pointId: m.pointId,
              kind: m.kind,
              held: 0,
              of: m.values.length,
              values: [...m.values],
            }
          : { schoolId, lookId: l.id, pointId: m.pointId, kind: m.kind, held: m.held, of: m.of, values: null },
      ),
    ),
  );
}

/** The hall's sequences, each derived one after what it comes from, as the commands would have made them. */
async function writeSequences(tx: Transaction, made: DemoSchool) {
  const schoolId = DEMO_SCHOOL_ID;
  const vocabulary = await readVocabulary(tx);
  const idOf = new Map([...DEMO_WRITTEN, ...DEMO_DERIVED].map((s) => [s.title, v7()]));
  const find = (title: string) => idOf.get(title)!;
  const bodies = new Map<string, Sequence>();
  const by = made.teachers[0]!.id;
  for (const { title, text } of DEMO_WRITTEN) {
    const id = find(title);
    const { sequence: read, problems } = readSequence(text, vocabulary);
    if (problems.length > 0) throw new Error(`${title}: line ${problems[0]!.line}, ${problems[0]!.message}`);
    const body = { ...read, about: { ...read.about, title } };
    bodies.set(id, body);
    await tx.insert(sequence).values({ schoolId, id, title, ...keptOf(body), text, changedBy: by });
  }
  for (const s of DEMO_DERIVED) {
    const id = find(s.title);
    const parentId = find(s.from);
    const recipe = recipeOf(s, find);
    const computed = computedOf({ parentId, recipe, title: s.title }, bodies, vocabulary);
    if (!computed.ok) throw new Error(`${s.title}: ${computed.error}`);
    const plain = textOf(computed.value, vocabulary);
    const edited = s.edits.reduce((t, [was, becomes]) => {
      if (!t.includes(was)) throw new Error(`${s.title}: “${was}” is not there to be changed in:\n${t}`);
      return t.replace(was, becomes);
    }, plain);
    const read = readSequence(edited, vocabulary).sequence;
    const departures = findDepartures(computed.value.moves, read.moves);
    const body: Sequence = {
      about: { ...read.about, title: s.title },
      moves: applyDepartures(computed.value.moves, departures).moves,
      closing: computed.value.closing,
    };
    const text = textOf(body, vocabulary);
    bodies.set(id, body);
    await tx.insert(sequence).values({
      schoolId,
      id,
      title: s.title,
      ...keptOf(body),
      text,
      parentId,
      recipe,
      departures,
      changedBy: by,
    });
  }
  await tx.insert(hall).values(DEMO_HALLS.map((h) => ({ schoolId, id: v7(), ...h })));
}

/** The second version, in force for three weeks, and the draft. */
async function writeWay(tx: Transaction, made: DemoSchool, today: PlainDate) {
  const schoolId = DEMO_SCHOOL_ID;
  const by = made.teachers[0]!.id;
  const rows = await tx.select().from(syllabusVersion).where(eq(syllabusVersion.schoolId, schoolId));
  const library = await readLibrary(tx);
  const items = await readItems(tx, library, made.conditions);
  const idOf = (list: readonly { id: string; name: string }[]) => (name: string) =>
    list.find((x) => x.name === name)!.id;
  const names = {
    rank: idOf(made.ranks),
    condition: idOf(made.conditions),
    technique: idOf(made.techniques),
    sequence: (title: string) => [...items.sequences.values()].find((s) => s.title === title)!.id,
  };
  const context = { ranks: made.ranks, conditions: made.conditions, nameOf: (id: string) => id };
  const secondId = v7();
  const second = withForms(rows[0]!.body, names, context, (x) => factsFor(items, x), v7, addDays(today, -20));
  await tx.insert(syllabusVersion).values([
    {
      schoolId,
      id: secondId,
      state: 'published',
      title: 'With forms',
      body: second,
      from: addDays(today, -20),
      changedBy: by,
    },
    { schoolId, id: v7(), state: 'draft', title: '', body: theDraft(second, names, context), changedBy: by },
  ]);
  // The older belts asked to be moved in the middle of their cycle.
  const older = ['Fern', 'Umber'].map(names.rank);
  await tx
    .insert(syllabusFollowed)
    .values(
      made.students
        .filter((s) => older.includes(s.held.at(-1)!.rankId))
        .map((s) => ({ schoolId, id: v7(), studentId: s.id, versionId: secondId, day: addDays(today, -15), by })),
    );
}

async function writeDecisions(tx: Transaction, made: DemoSchool, today: PlainDate) {
  const schoolId = DEMO_SCHOOL_ID;
  const head = made.teachers[0]!.id;
  const student = (name: string) => made.students.find((s) => s.name === name)!;
  const pointNamed = (technique: string, name: string) =>
    made.techniques.find((t) => t.name === technique)!.points.find((p) => p.name === name)!;
  await tx.insert(adaptation).values([
    {
      schoolId,
      id: v7(),
      studentId: student('Dilip Wharram').id,
      pointId: pointNamed('Roundhouse kick', 'Base foot turns on the ball').id,
      from: made.gradingDay,
      rangeLo: 75,
      rangeHi: 180,
      share: null,
      waived: false,
      reason: 'Tight hips; began at fifty-six. Seventy-five degrees is safe for the knee.',
      by: head,
    },
    {
      schoolId,
      id: v7(),
      studentId: student('Siân Moorhouse').id,
      pointId: pointNamed('Cat stance', 'Hips turned out at the end').id,
      from: made.gradingDay,
      rangeLo: null,
      rangeHi: null,
      share: null,
      waived: true,
      reason: 'Hip does not turn out further; she shows the rest of the stance.',
      by: head,
    },
  ]);
  const fern = made.ranks.find((r) => r.name === 'Fern')!;
  const roll = made.requirements.find(
    (r) => r.rankId === fern.id && made.techniques.find((t) => t.id === techniqueOf(r))?.name === 'Forward roll',
  )!;
  await tx.insert(override).values({
    schoolId,
    id: v7(),
    studentId: student('Farid Weir').id,
    requirementId: roll.id,
    word: 'met',
    reason: 'Shoulder operated; rolls well over the good side, and that is enough for this belt.',
    by: head,
    day: today,
  });
}

async function writeSignIns(tx: Transaction, made: DemoSchool, others: readonly { id: string; name: string }[]) {
  const password = await hashPassword(DEMO_PASSWORD);
  for (const s of DEMO_SIGN_INS) {
    const one = [...made.teachers, ...made.students, ...others].find((x) => x.name === s.name)!;
    const id = v7();
    await tx.insert(user).values({ id, name: one.name, email: s.email, schoolId: DEMO_SCHOOL_ID, personId: one.id });
    await tx.insert(account).values({ id: v7(), userId: id, accountId: id, providerId: 'credential', password });
    await tx.update(person).set({ userId: id }).where(eq(person.id, one.id));
  }
}
