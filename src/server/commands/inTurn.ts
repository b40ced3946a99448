import { sql } from 'drizzle-orm';
import type { Transaction } from '../../data/connection';
import type { Who } from '../who';

/**
 * What is looked at as a whole before it is changed: the roll, the library (techniques and sequences name each other),
 * the way. Two who change it at the same moment, also on two servers, come one after the other: the second sees what
 * the first has done and is answered in words. The turn ends with the transaction.
 */
export async function inTurn(
  tx: Transaction,
  who: Who,
  what:
    | 'roll'
    | 'certificates'
    | 'library'
    | 'way'
    | 'calendar'
    | `person ${string}`
    | `classes ${string}`
    | `cycle ${string}`
    | `grading ${string}`,
) {
  await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${`${who.schoolId} ${what}`}, 0))`);
}
