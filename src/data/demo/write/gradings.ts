import { v7 } from 'uuid';
import { addDays, USUAL_RULE } from '../../../core';
import type { Transaction } from '../../connection';
import { candidate, grading, hall, panelMember } from '../../tables';
import { dice } from '../dice';
import { DEMO_SCHOOL_ID, type DemoSchool } from '../generate';
import { USUAL_HALL } from '../hall';

/** The next grading, in five weeks: who is put forward so far, and what they have said to it. */
export async function writeGradings(tx: Transaction, made: DemoSchool) {
  const schoolId = DEMO_SCHOOL_ID;
  const [head, idris] = made.teachers;
  const d = dice(77);
  const id = v7();
  const halls = await tx.select({ id: hall.id, name: hall.name }).from(hall);
  await tx.insert(grading).values({
    schoolId,
    id,
    title: 'Winter grading',
    day: made.nextGradingDay,
    answerBy: addDays(made.nextGradingDay, -14),
    hallId: halls.find((h) => h.name === USUAL_HALL)?.id ?? null,
    rule: USUAL_RULE,
    changedBy: head!.id,
  });
  await tx.insert(panelMember).values(made.teachers.map((t) => ({ schoolId, gradingId: id, personId: t.id })));
  // Whoever has worn the belt for half a year may be put forward; some have said, some have not, one is out.
  const up = made.students.filter((s) => {
    const worn = s.held.at(-1)!;
    const next = made.ranks[made.ranks.findIndex((r) => r.id === worn.rankId) + 1];
    return next !== undefined && worn.since < addDays(made.nextGradingDay, -180) && d.chance(0.62);
  });
  const rows = up.map((s, i): typeof candidate.$inferInsert => {
    const worn = s.held.at(-1)!.rankId;
    return {
      schoolId,
      gradingId: id,
      studentId: s.id,
      rankId: made.ranks[made.ranks.findIndex((r) => r.id === worn) + 1]!.id,
      putBy: (i % 3 === 0 ? idris! : head!).id,
      yes: i % 5 === 3 ? null : i % 11 !== 7,
      exception: i === 4 ? 'Trained twice a week all year; the gate opens the week after.' : null,
      out: i === 6 ? 'left wrist rests' : null,
    };
  });
  if (rows.length > 0) await tx.insert(candidate).values(rows);
}
