import type { Role } from '../contracts/role';
import { literal } from '../data/connection';
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
  /** The server's clock, and by how much the device's is behind it, in ms; null: the device did not say. */
  now: Date;
  behind: number | null;
  /** Whoever waits for long work: told how far it is, and asked whether to go on. */
  watch?: Watch;
}

export interface Watch {
  progress: (done: number, of: number) => void;
  stopped: () => boolean;
}

const clocks = new Map<string, Intl.DateTimeFormat>();

/** The calendar day in a time zone. A formatter is dear to make, so each zone keeps its own. */
export function dayIn(timeZone: string, at: Date): string {
  let clock = clocks.get(timeZone);
  if (!clock) clocks.set(timeZone, (clock = new Intl.DateTimeFormat('en-CA', { timeZone })));
  return clock.format(at);
}

export interface WhoRow {
  name: string;
  role: Role;
  school: string;
  time_zone: string;
  done: boolean;
  answer: unknown;
  digest: string | null;
  by: string | null;
}

/** A command that was done under the id that is asked for. */
export interface Known {
  answer: unknown;
  digest: string | null;
  by: string;
}

/**
 * Asks the school who this is, and in the same question whether a command was done already. A person who has left is
 * nobody any more.
 */
export const whoQuestion = (me: SignedIn, commandId: string | null = null): string => `
  select p.name, p.role, s.name as school, s.time_zone, h.id is not null as done, h.answer, h.digest, h.by
  from person p join school s on s.id = p.school_id
  left join history h on h.school_id = p.school_id and h.id = ${literal(commandId)}::uuid
  where p.id = ${literal(me.personId)}::uuid and p.user_id = ${literal(me.userId)} and p.left_on is null`;

/** Reads the answer to `whoQuestion`; refuses who is nobody in the school. */
export function readWho(rows: readonly WhoRow[], me: SignedIn, now: Date): { who: Who; known: Known | null } {
  const row = rows[0];
  if (!row) throw new Refusal(403, 'This sign-in belongs to nobody in the school any more. Ask the head instructor.');
  const who = {
    schoolId: me.schoolId,
    schoolName: row.school,
    timeZone: row.time_zone,
    personId: me.personId,
    name: row.name,
    role: row.role,
    today: dayIn(row.time_zone, now),
    now,
    behind: null,
  };
  return { who, known: row.done ? { answer: row.answer, digest: row.digest, by: row.by! } : null };
}
