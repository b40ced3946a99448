// What is believed, beyond what is judged: the school's pool and habits, chances, corrections and what is worth a look.
import { inArray } from 'drizzle-orm';
import { itemKey, restsWork, stopInWords, stopsOf, type Limbs, type Rest, type Resting } from '../../core';
import type { Transaction } from '../../data/connection';
import { nextLoads, readLoadRule, readStopped } from '../../data/queries/loads';
import { injury, pause } from '../../data/tables';
import { type Judged } from './judge';
import { type Judging } from './judging';

/** Work that rests for each student: open injuries, pauses, and what lands on something while a limb is stopped. */
export async function readResting(
  tx: Transaction,
  today: string,
  studentIds?: readonly string[],
): Promise<Map<string, Resting[]>> {
  const out = new Map<string, Resting[]>();
  const add = (id: string, r: Resting) => out.set(id, [...(out.get(id) ?? []), r]);
  const some = studentIds ? [...studentIds] : null;
  for (const i of await tx
    .select()
    .from(injury)
    .where(some ? inArray(injury.studentId, some) : undefined))
    if (i.from <= today && i.until >= today) add(i.studentId, { what: i.what, until: i.until, itemKey: null });
  for (const p of await tx
    .select()
    .from(pause)
    .where(some ? inArray(pause.studentId, some) : undefined))
    if (p.from <= today && (p.until === null || p.until >= today))
      add(p.studentId, {
        what: p.habit,
        until: p.until,
        itemKey: p.techniqueId ? `t:${p.techniqueId}` : `s:${p.sequenceId}`,
      });
  const { rule } = await readLoadRule(tx);
  for (const [id, load] of await readStopped(tx, some)) {
    for (const { stop, ladder, side } of stopsOf(nextLoads(load, rule, today)))
      add(id, {
        what: stopInWords(stop, ladder, side),
        until: stop.until,
        itemKey: null,
        impact: ladder === 'hand' || ladder === 'press-ups' ? 'hands' : 'legs',
      });
  }
  return out;
}

/** What lands where a condition has something to land on. */
const LANDS: Partial<Record<string, readonly Limbs[]>> = {
  strike: ['hands'],
  block: ['hands'],
  'hand shape': ['hands'],
  kick: ['legs'],
};

/** Why an item rests for a student today, as it is done in a condition (null: in any that lands on nothing); null: it does not. */
export function restOf(
  j: Judging,
  item: Judged['requirement']['item'],
  resting: readonly Resting[],
  conditionId: string | null,
): Rest | null {
  if (resting.length === 0) return null;
  const kind = j.items.kindOf(item);
  const gear = j.versions.conditions.find((c) => c.id === conditionId)?.gear ?? null;
  return restsWork(
    {
      key: 'technique' in item ? itemKey(item) : `s:${item.sequence}`,
      name: j.items.nameOf(item),
      kind,
      bodyParts: j.items.pointsOf(item).map((p) => p.bodyPart),
      partner: kind === 'partner drill',
      impact: kind === 'equipment set' ? ['hands', 'legs'] : gear !== null ? (LANDS[kind] ?? []) : [],
    },
    resting,
  );
}

/** Which points of an item a rest is about; null: all of it. */
export const restingPoints = (j: Judging, item: Judged['requirement']['item'], rest: Rest): string[] | null =>
  rest.parts === null ? null : j.items.pointsOf(item).flatMap((p) => (rest.parts!.includes(p.bodyPart) ? [p.id] : []));
