import { sql, type SQL } from 'drizzle-orm';
import {
  dayNumber,
  isHeld,
  newestFirst,
  readShowing,
  showingEntries,
  type Entry,
  type Evidence,
  type Purpose,
  type Range,
  type Side,
  type Stage,
} from '../../core';
import type { Transaction } from '../connection';
import { standingLook, standingShowing } from './standingLook';

/** Evidence of many students at once, by student. */
export type EvidenceByStudent = ReadonlyMap<string, Evidence>;

/** The accepted range of a measured point for a student: the student's own, or the point's. */
export type RangeOf = (studentId: string, pointId: string) => Range | undefined;

interface Packed extends Record<string, unknown> {
  student: string;
  point: string;
  side: Side;
  condition: string;
  purpose: Purpose | null;
  stage: Stage | null;
  packed: string;
}

/**
 * Reads the marks of all students, or of those named, as evidence. The database packs the marks of one student, point,
 * side and condition into one text (`day,held,of[,values]` parted by `;`), which is several times quicker than a row a
 * mark. Replaced looks are left out.
 */
export async function readEvidence(
  tx: Transaction,
  rangeOf: RangeOf,
  studentIds?: readonly string[],
): Promise<EvidenceByStudent> {
  const whose = studentIds ? sql`and l.student_id = any(${sql.param([...studentIds])}::uuid[])` : sql``;
  const { rows } = await tx.execute<Packed>(sql`
    select l.student_id as student, m.point_id as point, l.side, l.condition_id as condition, l.purpose, l.stage,
      string_agg((l.day - date '1970-01-01')::text || ',' || ((extract(epoch from l.at) * 1000)::bigint)::text || ',' || m.held || ',' || m.of
        || coalesce(',' || array_to_string(m.values, ','), ''), ';') as packed
    from mark m join ${standingLook} l on l.school_id = m.school_id and l.id = m.look_id
    where true ${whose}
    group by 1, 2, 3, 4, 5, 6`);
  const byStudent: Gathered = new Map();
  for (const row of rows) {
    let evidence = byStudent.get(row.student);
    if (!evidence) byStudent.set(row.student, (evidence = new Map<string, Record<Side, Entry[]>>()));
    let sides = evidence.get(row.point);
    if (!sides) evidence.set(row.point, (sides = { left: [], right: [], none: [] }));
    const into = sides[row.side];
    for (const one of row.packed.split(';')) {
      const parts = one.split(',');
      let held = Number(parts[2]);
      let of = Number(parts[3]);
      if (parts.length > 4) {
        const range = rangeOf(row.student, row.point);
        if (!range) continue;
        const values = parts.slice(4);
        of = values.length;
        held = 0;
        for (const x of values) if (isHeld(Number(x), range)) held += 1;
      }
      const entry: Entry = {
        day: Number(parts[0]),
        at: Number(parts[1]),
        conditionId: row.condition,
        purpose: row.purpose,
        held,
        of,
      };
      if (row.stage) entry.stage = row.stage;
      into.push(entry);
    }
  }
  await readShowings(tx, byStudent, whose);
  for (const evidence of byStudent.values())
    for (const sides of evidence.values()) {
      if (sides.left.length > 1) sides.left.sort(newestFirst);
      if (sides.right.length > 1) sides.right.sort(newestFirst);
      if (sides.none.length > 1) sides.none.sort(newestFirst);
    }
  return byStudent;
}

type Gathered = Map<string, Map<string, Record<Side, Entry[]>>>;

/** Adds the showings of sequences, a repetition for every count. Counts are only read while the sequence has as many. */
async function readShowings(tx: Transaction, byStudent: Gathered, whose: SQL): Promise<void> {
  const { rows } = await tx.execute<{
    student: string;
    sequence: string;
    from: number;
    counts: string;
    day: string;
    at: string;
    condition: string;
    purpose: Purpose | null;
    stage: Stage | null;
  }>(sql`
    select l.student_id as student, l.sequence_id as sequence, l.part_from as "from", l.counts, l.day::text as day,
      (extract(epoch from l.at) * 1000)::bigint as at, l.condition_id as condition, l.purpose, l.stage
    from ${standingShowing} l where true ${whose}`);
  for (const row of rows) {
    const read = readShowing(row.counts);
    if (!read) continue;
    let evidence = byStudent.get(row.student);
    if (!evidence) byStudent.set(row.student, (evidence = new Map<string, Record<Side, Entry[]>>()));
    const when = { day: dayNumber(row.day), at: Number(row.at), conditionId: row.condition, purpose: row.purpose };
    for (const { pointId, entry: plain } of showingEntries(
      { sequenceId: row.sequence, from: row.from, ...read },
      when,
    )) {
      let sides = evidence.get(pointId);
      if (!sides) evidence.set(pointId, (sides = { left: [], right: [], none: [] }));
      sides.none.push(row.stage ? { ...plain, stage: row.stage } : plain);
    }
  }
}

/** Classes and hours each student was in since a day, counted from attendance: used by gates. */
export async function readAttendance(
  tx: Transaction,
  studentIds?: readonly string[],
): Promise<Map<string, { day: number; minutes: number }[]>> {
  const whose = studentIds ? sql`where a.person_id = any(${sql.param([...studentIds])}::uuid[])` : sql``;
  const { rows } = await tx.execute<{ person: string; packed: string }>(sql`
    select a.person_id as person, string_agg(c.day::text || ',' || c.minutes, ';') as packed
    from attendance a join class_held c on c.school_id = a.school_id and c.id = a.class_id ${whose}
    group by 1`);
  return new Map(
    rows.map((r) => [
      r.person,
      r.packed.split(';').map((x) => {
        const [day, minutes] = x.split(',');
        return { day: dayNumber(day!), minutes: Number(minutes) };
      }),
    ]),
  );
}
