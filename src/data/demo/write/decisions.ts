import { v7 } from 'uuid';
import type { PlainDate } from '../../../core';
import { type Transaction } from '../../connection';
import { adaptation, override } from '../../tables';
import { DEMO_SCHOOL_ID, techniqueOf, type DemoSchool } from '../generate';

export async function writeDecisions(tx: Transaction, made: DemoSchool, today: PlainDate) {
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
