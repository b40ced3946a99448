import type { Transaction } from '../connection';
import { school } from '../tables';

/** How long a class of the school lasts where nobody says otherwise, in minutes. */
export const readUsualMinutes = async (tx: Transaction): Promise<number> =>
  (await tx.select({ minutes: school.usualMinutes }).from(school))[0]!.minutes;
