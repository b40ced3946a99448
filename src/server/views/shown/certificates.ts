// What of certificates is shown on a student's own page.
import { desc, eq } from 'drizzle-orm';
import type { RankShown, StudentView } from '../../../contracts/views';
import type { Transaction } from '../../../data/connection';
import { readCertificates } from '../../../data/queries/certificates';
import { rankHeld } from '../../../data/tables';
import type { Who } from '../../who';

/** Certificates of a student; and for a head the belt worn, where it has none that stands. */
export async function certificatesOf(
  tx: Transaction,
  who: Who,
  studentId: string,
  ranks: ReadonlyMap<string, RankShown>,
): Promise<Pick<StudentView, 'certificates' | 'certifiable'>> {
  const all = await readCertificates(tx, { studentId });
  const [worn] =
    who.role === 'head'
      ? await tx
          .select({ id: rankHeld.id })
          .from(rankHeld)
          .where(eq(rankHeld.personId, studentId))
          .orderBy(desc(rankHeld.since), desc(rankHeld.at))
          .limit(1)
      : [];
  return {
    certificates: all
      .flatMap((c) => {
        const to = ranks.get(c.rankId);
        return to ? [{ id: c.id, number: c.number, day: c.day, to, back: c.backAt !== null }] : [];
      })
      .sort((a, b) => (a.day < b.day ? 1 : -1)),
    certifiable: worn && !all.some((c) => c.heldId === worn.id && c.backAt === null) ? worn.id : null,
  };
}
