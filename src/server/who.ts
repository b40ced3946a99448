import { sql } from 'drizzle-orm';
import type { Role } from '../contracts/people';
import type { Transaction } from '../data/connection';
import type { SignedIn } from './auth/auth';
import { Refusal } from './http/problem';

/** Who is asking, as the school knows them. `today` is the school's day. */
export interface Who {
  schoolId: string;
  schoolName: string;
  timeZone: string;
  personId: string;
  name: string;
  role: Role;
  today: string;
}

/** The calendar day in a time zone. */
export const dayIn = (timeZone: string, at: Date): string => new Intl.DateTimeFormat('en-CA', { timeZone }).format(at);

/** Asks the school, inside its transaction, who this is. A person who has left is nobody any more. */
export async function whoIs(tx: Transaction, me: SignedIn, now: Date): Promise<Who> {
  const { rows } = await tx.execute<{ name: string; role: Role; school: string; time_zone: string }>(sql`
    select p.name, p.role, s.name as school, s.time_zone from person p join school s on s.id = p.school_id
    where p.id = ${me.personId} and p.user_id = ${me.userId} and p.left_on is null`);
  const row = rows[0];
  if (!row) throw new Refusal(403, 'This sign-in belongs to nobody in the school any more. Ask the head instructor.');
  return {
    schoolId: me.schoolId,
    schoolName: row.school,
    timeZone: row.time_zone,
    personId: me.personId,
    name: row.name,
    role: row.role,
    today: dayIn(row.time_zone, now),
  };
}
