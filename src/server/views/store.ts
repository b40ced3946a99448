import { eq, isNull, max } from 'drizzle-orm';
import type { StoreView } from '../../contracts/views';
import {
  ageOn,
  blockTimes,
  daysBetween,
  itemKey,
  takenOut,
  RUNG_GEAR,
  RUNGS,
  type BlockItem,
  type ThingServes,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readClassPlans } from '../../data/queries/classPlans';
import { readRoll } from '../../data/queries/roll';
import { countsOn } from '../../data/queries/syllabus';
import { readThings } from '../../data/queries/things';
import { attendance, hall, person } from '../../data/tables';
import { readJudging } from '../judging/judging';
import { takenBy } from '../judging/takes';
import { readStrikes } from '../judging/strikes';
import type { Who } from '../who';
import { rankShown } from './shown/rank';

/** Whoever was here within so many days is expected until the roll is called. */
const EXPECTED_DAYS = 14;

/** "Is there enough for tonight?" What the hall owns beside what the class takes. */
export async function storeView(tx: Transaction, who: Who): Promise<StoreView> {
  const j = await readJudging(tx, who.today);
  const tonight = (await readClassPlans(tx, who.today)).toCome.filter((p) => p.day === who.today);
  const plan = tonight.find((p) => p.closedAt === null) ?? tonight.at(-1);
  const here = plan
    ? (await tx.select({ id: attendance.personId }).from(attendance).where(eq(attendance.classId, plan.id))).map(
        (a) => a.id,
      )
    : [];
  const place = new Map(j.versions.ranks.map((r, i) => [r.id, i]));
  const roll = (await readRoll(tx)).filter((x) =>
    here.length > 0 ? here.includes(x.id) : x.lastHere !== null && daysBetween(x.lastHere, who.today) <= EXPECTED_DAYS,
  );
  const strikes = await readStrikes(tx, roll, who.today);
  /** Place of the lowest belt of those whose next belt, or own, asks for it; asked of nobody it is for all. */
  const asked = new Map<string, number>();
  for (const r of j.versions.read(countsOn(j.versions, who.today)).requirements) {
    const key = itemKey(r.item);
    asked.set(key, Math.min(asked.get(key) ?? Infinity, Math.max(0, (place.get(r.rankId) ?? 0) - 1)));
  }
  const takes = ({ item, conditionId }: BlockItem) => {
    const gear = j.versions.conditions.find((c) => c.id === conditionId)?.gear ?? null;
    const serves: ThingServes[] = [...(gear ? [gear] : []), ...takenBy(j, item)];
    const fromRank = asked.get(itemKey(item)) ?? 0;
    return serves.map((s) => ({ serves: s, fromRank }));
  };
  const halls = await tx
    .select({ id: hall.id, name: hall.name, width: hall.width, depth: hall.depth })
    .from(hall)
    .orderBy(hall.name);
  const [tall] = await tx
    .select({ cm: max(person.stature) })
    .from(person)
    .where(isNull(person.leftOn));
  const times = new Map(plan ? blockTimes(plan.plan).map((b) => [b.id, b.from]) : []);
  return {
    today: who.today,
    // A hall or a belt that went asks nothing any more.
    things: (await readThings(tx)).map((t) => ({
      ...t,
      hallId: halls.some((h) => h.id === t.hallId) ? t.hallId : null,
      fromRankId: t.fromRankId !== null && place.has(t.fromRankId) ? t.fromRankId : null,
    })),
    ranks: j.versions.ranks.map(rankShown),
    halls,
    tallest: tall?.cm == null ? null : tall.cm / 100,
    tonight: plan
      ? {
          needs: takenOut(
            plan.plan.blocks.map((b) => ({ ...b, at: times.get(b.id)! })),
            takes,
            RUNGS.findIndex((r) => RUNG_GEAR[r] !== 'none') + 1,
          ),
          people: roll.map((x) => {
            const { soft, strikes: on } = strikes.get(x.id)!;
            return {
              rank: place.get(x.rankId) ?? 0,
              age: x.born === null ? null : ageOn(x.born, who.today),
              strikes: soft === '' && (on?.any ?? true),
            };
          }),
          called: here.length > 0,
        }
      : null,
  };
}
