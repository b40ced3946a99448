// What is believed, beyond what is judged: the school's pool and habits, chances, corrections and what is worth a look.
import { desc, inArray } from 'drizzle-orm';
import {
  chooseFocus,
  dayNumber,
  praiseFor,
  slippingPoints,
  type Focus,
  type FocusGiven,
  type FocusSource,
  type Praise,
  type Slipping,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { focusGiven } from '../../data/tables';
import { judgeStudent, type Judged } from '../judging/judge';
import { NOTHING, type Judging } from '../judging/judging';

export type GivenRow = typeof focusGiven.$inferSelect;

/** The newest correction given to each student. */
export async function readGiven(tx: Transaction, studentIds?: readonly string[]): Promise<Map<string, GivenRow>> {
  const rows = await tx
    .select()
    .from(focusGiven)
    .where(studentIds ? inArray(focusGiven.studentId, [...studentIds]) : undefined)
    .orderBy(desc(focusGiven.at));
  const newest = new Map<string, GivenRow>();
  for (const r of rows) if (!newest.has(r.studentId)) newest.set(r.studentId, r);
  return newest;
}

export interface FocusRead {
  focus: Focus | null;
  slipping: readonly Slipping[];
  praise: Praise;
}

/** The one correction, everything else that slips, and one true thing to praise. */
export function focusOf(
  j: Judging,
  student: { id: string; since: string; rankId: string },
  judged: readonly Judged[],
  given: GivenRow | undefined,
): FocusRead {
  const evidence = j.evidence.get(student.id) ?? NOTHING;
  const source = (x: Judged, open: boolean): FocusSource => ({
    requirementId: x.requirement.id,
    open,
    repetitions: x.requirement.standard.repetitions,
    days: x.requirement.standard.days,
    verdict: x.verdict,
  });
  // Counts of a form are shown on its own card; the one correction is a point of a technique.
  const open = judged.filter((x) => x.override?.word !== 'met' && 'technique' in x.requirement.item);
  let slipping = slippingPoints(
    open.map((x) => source(x, true)),
    evidence,
    given,
  );
  if (slipping.length === 0) {
    const { ranks } = j.syllabusOf(student);
    const worn = ranks.findIndex((r) => r.id === student.rankId);
    const earlier = ranks.slice(0, worn + 1).flatMap((r) => judgeStudent(j, student, r.id));
    slipping = slippingPoints(
      earlier.filter((x) => 'technique' in x.requirement.item).map((x) => source(x, false)),
      evidence,
      given,
    );
  }
  const said: FocusGiven | null = given
    ? { pointId: given.pointId, side: given.side, since: given.day, chosen: given.chosen, reason: given.reason }
    : null;
  const today = dayNumber(j.today);
  const attended = (j.attendance.get(student.id) ?? []).filter((c) => today - c.day < 28 && c.day <= today).length;
  return {
    focus: chooseFocus(slipping, said),
    slipping,
    praise: praiseFor(
      open.flatMap((x) => x.verdict.points.map((p) => ({ point: p.point, side: p.side }))),
      evidence,
      attended,
    ),
  };
}
