import { eq, sql } from 'drizzle-orm';
import { recordLooks } from '../../data/queries/recordLooks';
import { point } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';
import { standingLook } from '../../data/queries/standingLook';

export const feltCommands: Runs<'felt.record'> = {
  /**
   * What a student felt: in their own work, or as the receiver of somebody else's on a day when both were in class. It is
   * a look of its own, told by them, and settles only points of the felt kind.
   */
  'felt.record': async (tx, who, f) => {
    const kinds = await tx.select({ kind: point.kind }).from(point).where(eq(point.id, f.pointId));
    if (kinds[0]?.kind !== 'felt') throw new Refusal(409, 'This point is seen by a watcher, not felt.');
    if (f.studentId !== who.personId) {
      // Whoever was named as the partner; where nobody was, whoever was in class with them.
      const received = await tx.execute<{ n: number }>(sql`
        select count(*)::int as n from ${standingLook} l
        where l.student_id = ${f.studentId}::uuid and l.day >= ${who.today}::date - 3 and l.by <> ${who.personId}::uuid
          and (l.partner_id = ${who.personId}::uuid or (l.partner_id is null and exists (
            select 1 from attendance a join attendance b on b.school_id = a.school_id and b.class_id = a.class_id
              join class_held c on c.school_id = a.school_id and c.id = a.class_id
            where a.school_id = l.school_id and a.person_id = ${who.personId}::uuid and b.person_id = l.student_id
              and c.day = l.day)))`);
      if (received.rows[0]!.n === 0)
        throw new Refusal(403, 'You can say what you felt of somebody whose partner you were in the last days.');
    }
    await mustBeOnTheRoll(tx, who, f.studentId);
    await recordLooks(tx, who.schoolId, [
      {
        id: f.id,
        by: who.personId,
        student_id: f.studentId,
        technique_id: f.techniqueId,
        condition_id: f.conditionId,
        day: who.today,
        at: who.now.toISOString(),
        side: f.side,
        marks: [{ point_id: f.pointId, kind: 'felt', held: f.held, of: f.of, told_by: who.personId }],
      },
    ]);
    return {};
  },
};
