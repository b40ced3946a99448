import { eq } from 'drizzle-orm';
import type { ForecastView, ViewInput } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readRoll } from '../../data/queries/roll';
import { rankHeld } from '../../data/tables';
import { mustBeOwnStudent } from '../auth/ownStudent';
import { forecastFor } from '../belief/forecast';
import { nextGrading } from '../belief/gradings';
import { schoolBeliefs } from '../belief/school';
import { Refusal } from '../http/problem';
import { readJudging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import type { Who } from '../who';

/** What the forecast needs; it is simulated where it is shown. */
export async function forecastView(tx: Transaction, who: Who, { id }: ViewInput<'forecast'>): Promise<ForecastView> {
  await mustBeOwnStudent(tx, who, id);
  const student = (await readRoll(tx, { withLeft: true, id }))[0];
  if (!student) throw new Refusal(404, 'This student is not on the roll.');
  const j = await readJudging(tx, who.today, [id]);
  const held = await tx
    .select({ since: rankHeld.since })
    .from(rankHeld)
    .where(eq(rankHeld.personId, id))
    .orderBy(rankHeld.since)
    .limit(1);
  const next = rankAbove(j.syllabusOf(student).ranks, student.rankId);
  return {
    name: student.name,
    rank: next?.name ?? '',
    input: forecastFor(
      j,
      await schoolBeliefs(tx, j),
      student,
      held[0]?.since ?? null,
      await nextGrading(tx, who.today),
    ),
  };
}
