import { asc, gte } from 'drizzle-orm';
import type { CycleView, ViewInput } from '../../contracts/views';
import { addDays, itemKey, usuallyCome, weeklyFrom } from '../../core';
import type { Transaction } from '../../data/connection';
import { cycleOn, readClassRecords, readCycle, readCycleNames, readHeldClasses } from '../../data/queries/cycles';
import { readItems } from '../../data/queries/items';
import { readLibrary } from '../../data/queries/library';
import { readVersions } from '../../data/queries/syllabus';
import { readUsualMinutes } from '../../data/queries/usualMinutes';
import { grading, hall, school } from '../../data/tables';
import { calendarAddress } from '../../data/tables/calendarAddress';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import { rankShown } from './shown/rank';

/** Where nobody has said when classes begin: half past six in the evening. */
const USUAL_START = 18 * 60 + 30;
/** The last weeks say when classes are and who comes. */
const LATELY = 70;

/** "Does everything fit before the day?" The weeks that run, or those asked for. */
export async function cycleView(tx: Transaction, who: Who, { id }: ViewInput<'cycle'>): Promise<CycleView> {
  const all = await readCycleNames(tx);
  const row = id === undefined ? ((await cycleOn(tx, who.today)) ?? null) : await readCycle(tx, id);
  if (row === undefined) throw new Refusal(404, 'These weeks are no longer there.');
  const versions = await readVersions(tx);
  const items = await readItems(tx, await readLibrary(tx), versions);
  const held = await readHeldClasses(tx, addDays(who.today, -LATELY), who.today);
  const [{ name } = { name: '' }] = await tx.select({ name: school.name }).from(school);
  const used = row?.cycle.rows.flatMap((r) => r.items.map((i) => i.item)) ?? [];
  return {
    today: who.today,
    timeZone: who.timeZone,
    school: name,
    shown: row ? { id: row.id, cycle: row.cycle, version: row.version } : null,
    all,
    records: row ? await readClassRecords(tx, row.from, row.day) : [],
    ranks: versions.ranks.map(rankShown),
    conditions: versions.conditions.map((c) => ({ id: c.id, name: c.name })),
    halls: await tx.select({ id: hall.id, name: hall.name }).from(hall).orderBy(hall.name),
    gradings: await tx
      .select({ id: grading.id, title: grading.title, day: grading.day })
      .from(grading)
      .where(gte(grading.day, who.today))
      .orderBy(asc(grading.day)),
    weekly: weeklyFrom(held, who.today, USUAL_START),
    usually: usuallyCome(held, who.today),
    usualMinutes: await readUsualMinutes(tx),
    sided: [...new Set(used.filter((i) => items.isSided(i)).map(itemKey))],
    addresses:
      who.role === 'head'
        ? (
            await tx
              .select({ id: calendarAddress.id, name: calendarAddress.name, at: calendarAddress.at })
              .from(calendarAddress)
              .orderBy(asc(calendarAddress.at))
          ).map((a) => ({ ...a, at: a.at.toISOString() }))
        : null,
  };
}
