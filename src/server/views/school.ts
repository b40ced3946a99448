import { asc } from 'drizzle-orm';
import type { SchoolView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { hall, school } from '../../data/tables';

/** "How does the school work?" */
export async function schoolView(tx: Transaction): Promise<SchoolView> {
  const [own] = await tx.select().from(school);
  const { name, timeZone, usualMinutes, classDays, ofAge, languages } = own!;
  return {
    name,
    timeZone,
    usualMinutes,
    classDays,
    ofAge,
    languages,
    halls: await tx
      .select({ id: hall.id, name: hall.name, width: hall.width, depth: hall.depth, version: hall.version })
      .from(hall)
      .orderBy(asc(hall.name)),
  };
}
