import { asc } from 'drizzle-orm';
import type { SchoolView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { hall, school, signingKey } from '../../data/tables';
import { dayIn, type Who } from '../who';

/** "How does the school work?" */
export async function schoolView(tx: Transaction, who: Who): Promise<SchoolView> {
  const [own] = await tx.select().from(school);
  const keys = await tx.select({ since: signingKey.since, until: signingKey.until }).from(signingKey);
  const inUse = keys.find((k) => k.until === null);
  const { id: _id, madeAt: _madeAt, loadRule: _loadRule, ...settings } = own!;
  return {
    ...settings,
    signs: inUse ? { since: dayIn(who.timeZone, inUse.since), before: keys.length - 1 } : null,
    halls: await tx
      .select({ id: hall.id, name: hall.name, width: hall.width, depth: hall.depth, version: hall.version })
      .from(hall)
      .orderBy(asc(hall.name)),
  };
}
