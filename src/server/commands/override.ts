import { sql } from 'drizzle-orm';
import { override } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';

export const overrideCommands: Runs<'override.set'> = {
  'override.set': async (tx, who, o) => {
    await mustBeOnTheRoll(tx, who, o.studentId);
    const asked = await tx.execute<{ n: number }>(sql`
      select count(*)::int as n from syllabus_version where body->'requirements' @> ${JSON.stringify([{ id: o.requirementId }])}::jsonb`);
    if (asked.rows[0]!.n === 0) throw new Refusal(404, 'No version of the syllabus asks for this.');
    await tx.insert(override).values({ schoolId: who.schoolId, ...o, by: who.personId, day: who.today });
    return {};
  },
};
