import type { ImportsView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readImports } from '../../data/queries/imports';
import { dayIn, type Who } from '../who';

/** "Which lists came in, and can one go back?" */
export async function importsView(tx: Transaction, who: Who): Promise<ImportsView> {
  return {
    lists: (await readImports(tx)).map((l) => ({
      id: l.id,
      day: dayIn(who.timeZone, new Date(l.at)),
      by: l.by,
      taken: l.taken,
      stay: l.students.length,
      touched: l.students.filter((s) => s.touched).map((s) => s.name),
      first: l.students.slice(0, 3).map((s) => s.name),
    })),
  };
}
