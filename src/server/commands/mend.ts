import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { CommandName } from '../../contracts/commands';
import { dayInWords } from '../../core';
import type { Transaction } from '../../data/connection';
import { readItemName } from '../../data/queries/itemName';
import { recordLooks, type LookRow } from '../../data/queries/recordLooks';
import { look, mark, person, struck } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { markRow } from './look';
import { mustBeOnTheRoll } from './onTheRoll';

/** A look as it was taken, as a row that can be written again; refused where it counts no longer or is not theirs to mend. */
export async function lookToMend(tx: Transaction, who: Who, id: string): Promise<{ row: LookRow; says: string }> {
  const [l] = await tx.select().from(look).where(eq(look.id, id));
  if (!l) throw new Refusal(404, 'There is no such look.');
  const [after] = await tx.select({ id: look.id }).from(look).where(eq(look.replaces, id));
  if (after) throw new Refusal(409, 'Somebody has put this look right or struck it meanwhile.');
  if (who.role !== 'head' && l.by !== who.personId)
    throw new Refusal(403, 'This look is another teacher’s. They can put it right, or a head instructor.');
  const marks = await tx.select().from(mark).where(eq(mark.lookId, id));
  const [by] = await tx.select({ name: person.name }).from(person).where(eq(person.id, l.by));
  const side = l.side === 'none' ? '' : `, ${l.side}`;
  return {
    says: `${await readItemName(tx, l)}${side}, ${dayInWords(l.day, who.today)}, ${by?.name ?? ''}`,
    row: {
      id,
      by: l.by,
      student_id: l.studentId,
      technique_id: l.techniqueId,
      sequence_id: l.sequenceId,
      part_from: l.partFrom,
      part_to: l.partTo,
      of_counts: l.ofCounts,
      counts: l.counts,
      slips: l.slips,
      lane: l.lane,
      condition_id: l.conditionId,
      day: l.day,
      at: l.at.toISOString(),
      side: l.side,
      purpose: l.purpose,
      stage: l.stage,
      partner_id: l.partnerId,
      note: l.note,
      marks: marks.map((m) => ({
        point_id: m.pointId,
        kind: m.kind,
        held: m.held,
        of: m.of,
        values: m.values,
        halves: m.halves,
        reps: m.reps,
        told_by: m.toldBy,
      })),
    },
  };
}

/** Writes the look that takes the place of one that was wrong, and why. It keeps the day and the hour of the first. */
export async function replaceLook(
  tx: Transaction,
  who: Who,
  was: { row: LookRow; says: string },
  now: Partial<LookRow>,
  reason: string,
): Promise<void> {
  const id = now.id ?? v7();
  const [done] = await recordLooks(tx, who.schoolId, [
    { ...was.row, ...now, id, replaces: was.row.id, by: who.personId },
  ]);
  if (!done) throw new Refusal(409, 'This student is not on the roll any more.');
  await tx.insert(struck).values({
    schoolId: who.schoolId,
    id: was.row.id,
    kind: 'look',
    studentId: was.row.student_id,
    says: was.says,
    reason,
    by: who.personId,
    at: who.now,
  });
}

/** Nothing of a look but that it takes another's place. */
export const EMPTY = {
  marks: [],
  counts: null,
  slips: null,
  part_from: null,
  part_to: null,
  of_counts: null,
  note: '',
};

/** What was read off with a width keeps it; a number that was put right was read by nobody. */
function widthsKept(was: LookRow, now: LookRow['marks'][number]): LookRow['marks'][number] {
  const before = was.marks.find((m) => m.point_id === now.point_id);
  const halves = now.values?.map((value, i) => (before?.values?.[i] === value ? (before.halves?.[i] ?? null) : null));
  return { ...now, halves: halves?.some((x) => x !== null) ? halves : null };
}

export const mendCommands: Runs<Extract<CommandName, 'look.mend' | 'look.move'>> = {
  /** Marks that were wrong, or of the other side. A corrected measure takes the place of the first, it is not added. */
  'look.mend': async (tx, who, m) => {
    const was = await lookToMend(tx, who, m.lookId);
    if (was.row.technique_id === null)
      throw new Refusal(422, 'A showing is put right by striking it and marking it again.');
    const marks = m.marks.map((x) => widthsKept(was.row, markRow(x)));
    await replaceLook(tx, who, was, { id: m.id, side: m.side, marks }, m.reason);
    const kept = await tx.select({ id: mark.pointId }).from(mark).where(eq(mark.lookId, m.id));
    if (kept.length < m.marks.length)
      throw new Refusal(409, 'A point of this look is not in the library any more, or is known in another way now.');
    return {};
  },

  'look.move': async (tx, who, m) => {
    const was = await lookToMend(tx, who, m.lookId);
    if (was.row.student_id === m.studentId) throw new Refusal(422, 'It is this student’s look already.');
    await mustBeOnTheRoll(tx, who, m.studentId, was.row.day);
    const [now] = await tx.select({ name: person.name }).from(person).where(eq(person.id, m.studentId));
    await replaceLook(tx, who, was, EMPTY, `${m.reason} (it was ${now?.name ?? 'somebody else'})`);
    await recordLooks(tx, who.schoolId, [{ ...was.row, id: m.id, student_id: m.studentId, partner_id: null }]);
    return {};
  },
};
