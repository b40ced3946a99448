import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

/** What somebody said of their body, and whom they share a house with. */
export interface Body {
  stature: number | null;
  mass: number | null;
  household: string | null;
}
export const NO_BODY: Body = { stature: null, mass: null, household: null };

/** How tall and heavy people are, as far as they said, and who comes from one house: those who have a guardian in common. */
export async function readBodies(tx: Transaction): Promise<Map<string, Body>> {
  const { rows } = await tx.execute<{
    id: string;
    stature: number | null;
    mass: number | null;
    household: string | null;
  }>(sql`
    select p.id, p.stature, p.mass, (select min(g.guardian_id::text) from guardian_of g
      where g.school_id = p.school_id and g.student_id = p.id) as household
    from person p where p.role = 'student' and p.left_on is null`);
  return new Map(rows.map(({ id, ...body }) => [id, body]));
}
