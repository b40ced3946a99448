// What this process has read of schools and students, kept until it changes.
import { asc, gte, inArray, sql } from 'drizzle-orm';
import { adaptationsOn, rangesFor, type Adaptation, type Evidence, type Range } from '../../core';
import type { Transaction } from '../../data/connection';
import { readAttendance, readEvidence } from '../../data/queries/evidence';
import { readItems, type Items } from '../../data/queries/items';
import { readLibrary, type Library } from '../../data/queries/library';
import { readFollowed, readVersions, type Versions } from '../../data/queries/syllabus';
import { standingLook } from '../../data/queries/standingLook';
import { adaptation, consent, DRAFT, injury, override } from '../../data/tables';
import { Shelf } from './shelf';

export type AdaptationRow = Adaptation & typeof adaptation.$inferSelect;
export type OverrideRow = typeof override.$inferSelect;
export type ConsentRow = typeof consent.$inferSelect;

/** What is judged by in a school: library, versions and who follows which, and the usual ranges of measured points. */
export interface Grounded {
  library: Library;
  versions: Versions;
  items: Items;
  followed: Awaited<ReturnType<typeof readFollowed>>;
  usual: ReadonlyMap<string, Range>;
}

/** What is known of one student, and what was reckoned from it. */
export interface StudentKnown {
  evidence: Evidence;
  adaptations: AdaptationRow[];
  overrides: OverrideRow[];
  attendance: { day: number; minutes: number }[];
  consent: ConsentRow | null;
  injuredUntil: string | null;
  /** What teachers watched of them in the last weeks: `t:` or `s:` and the id of the whole, by day. */
  watched: { day: string; key: string }[];
  /** Reckoned from this alone and from `stamp`: done once. */
  made: Map<string, { stamp: string; value: unknown }>;
}

export interface SchoolKnown {
  grounded: Grounded;
  students: ReadonlyMap<string, StudentKnown>;
  /** From this age on nobody is a minor. */
  ofAge: number;
  /** Reckoned of the school as it was this morning. */
  made: Map<string, unknown>;
}

interface Kept {
  day: string;
  times: number;
  draft: number;
  grounded: Grounded;
  students: Map<string, { times: number; known: StudentKnown }>;
  made: Map<string, unknown>;
  size: number;
}

/** A few thousand things for the library and the versions of a school. */
const SCHOOL_ITSELF = 5000;
/** So many things seen are kept of all schools together; what was asked for longest ago goes first. */
const MOST_ENTRIES = 4_000_000;
const shelf = new Shelf<Kept>(MOST_ENTRIES);

async function readGrounded(tx: Transaction, before?: Grounded): Promise<Grounded> {
  const library = before?.library ?? (await readLibrary(tx));
  const versions = await readVersions(tx);
  const items = await readItems(tx, library, versions);
  const usual = new Map<string, Range>();
  for (const t of library.techniques.values()) for (const [id, r] of rangesFor(t.points, new Map())) usual.set(id, r);
  return { library, versions, items, followed: await readFollowed(tx), usual };
}

/** Everything that judging some students needs, in a fixed number of queries whatever their number. */
async function readStudents(
  tx: Transaction,
  g: Grounded,
  today: string,
  ids: readonly string[],
): Promise<Map<string, StudentKnown>> {
  const some = [...ids];
  const adaptations = await tx
    .select()
    .from(adaptation)
    .where(inArray(adaptation.studentId, some))
    .orderBy(asc(adaptation.at));
  const out = new Map<string, StudentKnown>(
    some.map((id) => [
      id,
      {
        evidence: new Map<string, never>(),
        adaptations: [],
        overrides: [],
        attendance: [],
        consent: null,
        injuredUntil: null,
        watched: [],
        made: new Map<string, never>(),
      },
    ]),
  );
  for (const a of adaptations) {
    const range = a.rangeLo === null || a.rangeHi === null ? null : { lo: a.rangeLo, hi: a.rangeHi };
    out.get(a.studentId)!.adaptations.push({ ...a, range });
  }
  const own = new Map(
    [...out].flatMap(([id, s]) => (s.adaptations.length > 0 ? [[id, adaptationsOn(s.adaptations, today)]] : [])),
  );
  const evidence = await readEvidence(
    tx,
    (student, point) => own.get(student)?.get(point)?.range ?? g.usual.get(point),
    some,
  );
  for (const [id, e] of evidence) out.get(id)!.evidence = e;
  for (const o of await tx.select().from(override).where(inArray(override.studentId, some)).orderBy(asc(override.at)))
    out.get(o.studentId)!.overrides.push(o);
  for (const [id, a] of await readAttendance(tx, some)) out.get(id)!.attendance = a;
  for (const c of await tx.select().from(consent).where(inArray(consent.studentId, some)).orderBy(asc(consent.at)))
    out.get(c.studentId)!.consent = c;
  for (const w of await readWatched(tx, today, some)) out.get(w.student)!.watched.push({ day: w.day, key: w.key });
  for (const i of await tx.select().from(injury).where(gte(injury.until, today)).orderBy(asc(injury.until))) {
    const s = out.get(i.studentId);
    if (s) s.injuredUntil = i.until;
  }
  return out;
}

/** What was missed longer ago than so many days is not made up any more. */
export const MISSED_DAYS = 35;

/** A look that was taken back, or that holds a note only, shows nothing; nor does what students told of themselves. */
async function readWatched(tx: Transaction, today: string, ids: readonly string[]) {
  const { rows } = await tx.execute<{ student: string; day: string; key: string }>(sql`
    select distinct l.student_id as student, l.day::text as day,
      coalesce('t:' || l.technique_id::text, 's:' || l.sequence_id::text) as key
    from ${standingLook} l
    where l.student_id = any(${sql.param([...ids])}::uuid[]) and l.day >= ${today}::date - ${MISSED_DAYS}::int and l.day <= ${today}::date
      and exists (select 1 from person b where b.school_id = l.school_id and b.id = l.by and b.role <> 'student')
      and (l.counts is not null or exists (select 1 from mark m where m.school_id = l.school_id and m.look_id = l.id))`);
  return rows;
}

interface Asked extends Record<string, unknown> {
  school: string;
  kept: boolean;
  whole: number | null;
  draft: number | null;
  of_age: number;
  students: Record<string, number> | null;
}

/**
 * Everybody on the roll, or the students named, as they are known today. What did not change since it was last read is not
 * read again; only what a reading transaction saw is kept, since what a writing one has changed may still be taken back.
 */
export async function readKnown(tx: Transaction, today: string, ids?: readonly string[]): Promise<SchoolKnown> {
  const whose = ids ? sql`p.id = any(${sql.param([...ids])}::uuid[])` : sql`p.role = 'student' and p.left_on is null`;
  // The numbers are read before what they number: what is read may be newer than its number, never older.
  const { rows } = await tx.execute<Asked>(sql`
    select current_setting('app.school') as school, current_setting('transaction_read_only') = 'on' as kept,
      (select times from change where of::text = current_setting('app.school')) as whole,
      (select times from change where of = ${DRAFT}::uuid) as draft, (select of_age from school) as of_age,
      (select json_object_agg(p.id, coalesce(c.times, 0)) from person p
        left join change c on c.school_id = p.school_id and c.of = p.id where ${whose}) as students`);
  const asked = rows[0]!;
  const times = new Map(Object.entries(asked.students ?? {}));
  let kept = shelf.get(asked.school);
  const stands = kept?.day === today && kept.times === (asked.whole ?? 0);
  if (!asked.kept) {
    const grounded = await readGrounded(tx);
    return {
      grounded,
      students: await readStudents(tx, grounded, today, [...times.keys()]),
      ofAge: asked.of_age,
      // What a reader reckoned of this morning holds for a writer as well; what the writer reckons is its own.
      made: new Map(stands ? kept!.made : []),
    };
  }
  if (!kept || !stands)
    kept = {
      day: today,
      times: asked.whole ?? 0,
      draft: asked.draft ?? 0,
      grounded: await readGrounded(tx),
      students: new Map(),
      made: new Map(),
      size: SCHOOL_ITSELF,
    };
  else if (kept.draft !== (asked.draft ?? 0))
    // The draft judges nobody; but what is in it is listed and checked.
    kept = { ...kept, draft: asked.draft ?? 0, grounded: await readGrounded(tx, kept.grounded) };
  const old = [...times.keys()].filter((id) => kept.students.get(id)?.times !== times.get(id));
  if (old.length > 0)
    for (const [id, known] of await readStudents(tx, kept.grounded, today, old)) {
      const before = kept.students.get(id);
      kept.size += sizeOf(known) - (before ? sizeOf(before.known) : 0);
      kept.students.set(id, { times: times.get(id)!, known });
    }
  shelf.put(asked.school, kept, kept.size);
  return {
    grounded: kept.grounded,
    students: new Map([...times.keys()].map((id) => [id, kept.students.get(id)!.known])),
    ofAge: asked.of_age,
    made: kept.made,
  };
}

/** How much is kept of one student: classes, looks at points, and a little for whatever else there is. */
function sizeOf(known: StudentKnown): number {
  let size = 100 + known.attendance.length;
  for (const s of known.evidence.values()) size += s.left.length + s.right.length + s.none.length;
  return size;
}
