// What a student can tell of: nobody who only watched knows it.
import { sql } from 'drizzle-orm';
import type { ConditionShown, StudentView } from '../../contracts/views';
import { type Side } from '../../core';
import type { Transaction } from '../../data/connection';
import type { Judging } from '../judging/judging';
import { standingLook } from '../../data/queries/standingLook';

const FELT_DAYS = 3;
/**
 * Felt points that a student can tell of: those of what they were watched doing in the last days, and of what others of
 * the same class were watched doing with a partner: with them, where that was noted, else perhaps with them.
 */
export async function feltAsked(
  tx: Transaction,
  j: Judging,
  me: string,
  conditions: ReadonlyMap<string, Pick<ConditionShown, 'name' | 'partner'>>,
): Promise<StudentView['feltAsked']> {
  const { rows } = await tx.execute<{
    student: string;
    name: string;
    technique: string;
    condition: string;
    side: Side;
    day: string;
    named: boolean;
  }>(sql`
    select distinct l.student_id as student, p.name, l.technique_id as technique, l.condition_id as condition, l.side,
      l.day::text as day, coalesce(l.partner_id = ${me}::uuid, false) as named
    from ${standingLook} l join person p on p.school_id = l.school_id and p.id = l.student_id
    where l.technique_id is not null and l.day >= ${j.today}::date - ${FELT_DAYS}::int and l.by <> ${me}::uuid
      and (l.student_id = ${me}::uuid or l.partner_id = ${me}::uuid or l.partner_id is null and exists (
        select 1 from class_held c join attendance a on a.school_id = c.school_id and a.class_id = c.id
          join attendance b on b.school_id = c.school_id and b.class_id = c.id
        where c.school_id = l.school_id and c.day = l.day and a.person_id = ${me}::uuid and b.person_id = l.student_id))
    order by day desc, p.name`);
  const told = await tx.execute<{ student: string; point: string; side: Side; day: string }>(sql`
    select l.student_id as student, m.point_id as point, l.side, max(l.day)::text as day
    from mark m join ${standingLook} l on l.school_id = m.school_id and l.id = m.look_id
    where m.kind = 'felt' and m.told_by = ${me}::uuid and l.day >= ${j.today}::date - ${FELT_DAYS}::int
    group by l.student_id, m.point_id, l.side`);
  const toldOn = new Map(told.rows.map((t) => [`${t.student} ${t.point} ${t.side}`, t.day]));
  const out = new Map<string, StudentView['feltAsked'][number]>();
  for (const l of rows) {
    const condition = conditions.get(l.condition);
    const mine = l.student === me;
    if (!mine && !l.named && condition?.partner !== true) continue;
    for (const p of j.library.pointsOf(l.technique)) {
      const key = `${l.student} ${l.technique} ${p.id} ${l.side}`;
      if (p.kind !== 'felt' || out.has(key)) continue;
      // What was told once of a day is not asked again.
      if ((toldOn.get(`${l.student} ${p.id} ${l.side}`) ?? '') >= l.day) continue;
      out.set(key, {
        studentId: l.student,
        whose: mine ? null : l.name,
        sure: mine || l.named,
        techniqueId: l.technique,
        technique: j.library.techniques.get(l.technique)?.name ?? '',
        pointId: p.id,
        point: p.name,
        conditionId: l.condition,
        condition: condition?.name ?? '',
        side: l.side,
        day: l.day,
      });
    }
  }
  return [...out.values()]
    .sort((a, b) => Number(b.sure) - Number(a.sure) || Number(a.whose !== null) - Number(b.whose !== null))
    .slice(0, FELT_SHOWN);
}
const FELT_SHOWN = 12;
