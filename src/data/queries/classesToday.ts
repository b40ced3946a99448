import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

/** A class of today: who came, in the order in which they stood. */
export interface ClassToday {
  id: string;
  minutes: number;
  opened: string | null;
  by: string;
  present: string[];
}

/** Today's classes, the first opened first. */
export async function readClassesToday(tx: Transaction, today: string): Promise<ClassToday[]> {
  const { rows } = await tx.execute<{
    id: string;
    minutes: number;
    opened: Date | string | null;
    by: string | null;
    present: string[] | null;
  }>(sql`
    select c.id, c.minutes, c.opened_at as opened, p.name as by,
      (select array_agg(a.person_id::text order by a.place) from attendance a
        where a.school_id = c.school_id and a.class_id = c.id) as present
    from class_held c left join person p on p.school_id = c.school_id and p.id = c.by
    where c.day = ${today}::date order by c.opened_at nulls last, c.id`);
  return rows.map((r) => ({
    id: r.id,
    minutes: r.minutes,
    opened: r.opened === null ? null : new Date(r.opened).toISOString(),
    by: r.by ?? '',
    present: r.present ?? [],
  }));
}

const CLASSES_STOOD = 8;

/** How people stood in the last classes of which that is known. */
export async function readStood(tx: Transaction): Promise<string[][]> {
  const { rows } = await tx.execute<{ stood: string[] }>(sql`
    select array_agg(a.person_id::text order by a.place) as stood
    from class_held c join attendance a on a.school_id = c.school_id and a.class_id = c.id
    where a.place is not null group by c.school_id, c.id, c.day order by c.day desc, c.id desc limit ${CLASSES_STOOD}`);
  return rows.map((r) => r.stood);
}
