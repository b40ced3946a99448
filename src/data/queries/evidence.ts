import { sql } from 'drizzle-orm';
import {
  dayNumber,
  isHeld,
  newestFirst,
  readShowing,
  remembered,
  showingEntries,
  type Entry,
  type Evidence,
  type Purpose,
  type Range,
  type Side,
  type Stage,
} from '../../core';
import type { Transaction } from '../connection';

/** Evidence of many students at once, by student. */
export type EvidenceByStudent = ReadonlyMap<string, Evidence>;

/** The accepted range of a measured point for a student: the student's own, or the point's. */
export type RangeOf = (studentId: string, pointId: string) => Range | undefined;

interface Packed extends Record<string, unknown> {
  student: string;
  of: string;
  from: number;
  side: Side;
  condition: string;
  purpose: Purpose | '';
  stage: Stage | '';
  packed: string;
  /** Of a sequence: how many counts it has now. */
  counts: number | null;
}

type Gathered = Map<string, Map<string, Record<Side, Entry[]>>>;

/** Reads what is known of all students, or of those named, as evidence: what is kept in the standings, opened. */
export async function readEvidence(
  tx: Transaction,
  rangeOf: RangeOf,
  studentIds?: readonly string[],
): Promise<EvidenceByStudent> {
  const whose = studentIds ? sql`where s.student_id = any(${sql.param([...studentIds])}::uuid[])` : sql``;
  const { rows } = await tx.execute<Packed>(sql`
    select s.student_id as student, s.of, s.from_count as "from", s.side, s.condition_id as condition, s.purpose, s.stage,
      s.entries as packed, q.counts
    from standing s left join sequence q on s.from_count > 0 and q.school_id = s.school_id and q.id = s.of ${whose}`);
  const byStudent: Gathered = new Map();
  for (const row of rows) {
    let evidence = byStudent.get(row.student);
    if (!evidence) byStudent.set(row.student, (evidence = new Map<string, Record<Side, Entry[]>>()));
    if (row.from === 0) addMarks(evidence, row, rangeOf);
    else addShowings(evidence, row);
  }
  for (const evidence of byStudent.values())
    for (const sides of evidence.values())
      for (const side of ['left', 'right', 'none'] as const)
        if (sides[side].length > 1) sides[side] = [...remembered(sides[side].sort(newestFirst))];
  return byStudent;
}

function sidesOf(evidence: Map<string, Record<Side, Entry[]>>, pointId: string): Record<Side, Entry[]> {
  let sides = evidence.get(pointId);
  if (!sides) evidence.set(pointId, (sides = { left: [], right: [], none: [] }));
  return sides;
}

const done = (row: Packed, day: string, at: string, held: number, of: number): Entry => ({
  day: Number(day),
  at: Number(at),
  conditionId: row.condition,
  purpose: row.purpose === '' ? null : row.purpose,
  ...(row.stage === '' ? {} : { stage: row.stage }),
  held,
  of,
});

/** Marks of one point: a measured value holds where it lies within the range of the student asked. */
function addMarks(evidence: Map<string, Record<Side, Entry[]>>, row: Packed, rangeOf: RangeOf): void {
  const into = sidesOf(evidence, row.of)[row.side];
  for (const one of row.packed.split(';')) {
    const parts = one.split(',');
    if (parts.length === 4) {
      into.push(done(row, parts[0]!, parts[1]!, Number(parts[2]), Number(parts[3])));
      continue;
    }
    const range = rangeOf(row.student, row.of);
    if (!range) continue;
    let held = 0;
    for (let i = 4; i < parts.length; i += 1) if (isHeld(Number(parts[i]), range)) held += 1;
    into.push(done(row, parts[0]!, parts[1]!, held, parts.length - 4));
  }
}

/** Showings of a sequence, a repetition for every count. They are only read while the sequence has as many counts. */
function addShowings(evidence: Map<string, Record<Side, Entry[]>>, row: Packed): void {
  for (const one of row.packed.split(';')) {
    const [day, at, ofCounts, counts] = one.split(',') as [string, string, string, string];
    const read = Number(ofCounts) === row.counts ? readShowing(counts) : null;
    if (!read) continue;
    const plain = done(row, day, at, 0, 0);
    for (const { pointId, entry } of showingEntries({ sequenceId: row.of, from: row.from, ...read }, plain))
      sidesOf(evidence, pointId).none.push(entry);
  }
}

/** Classes and hours each student was in since a day, counted from attendance: used by gates. */
export async function readAttendance(
  tx: Transaction,
  studentIds?: readonly string[],
): Promise<Map<string, { day: number; minutes: number }[]>> {
  const whose = studentIds ? sql`where a.person_id = any(${sql.param([...studentIds])}::uuid[])` : sql``;
  const { rows } = await tx.execute<{ person: string; packed: string }>(sql`
    select a.person_id as person, string_agg(c.day::text || ',' || coalesce(a.minutes, c.minutes), ';') as packed
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
