// What is believed, beyond what is judged: the school's pool and habits, chances, corrections and what is worth a look.
import { inArray } from 'drizzle-orm';
import { itemKey, restsWork, type Rest, type Resting } from '../../core';
import type { Transaction } from '../../data/connection';
import { injury, pause } from '../../data/tables';
import { type Judged } from './judge';
import { type Judging } from './judging';

/** Work that rests for each student: open injuries and pauses. */
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
  return out;
}

/** Why an item rests for a student today; null: it does not. */
export function restOf(j: Judging, item: Judged['requirement']['item'], resting: readonly Resting[]): Rest | null {
  if (resting.length === 0) return null;
  const kind = j.items.kindOf(item);
  return restsWork(
    {
      key: 'technique' in item ? itemKey(item) : `s:${item.sequence}`,
      name: j.items.nameOf(item),
      kind,
      bodyParts: j.items.pointsOf(item).map((p) => p.bodyPart),
      partner: kind === 'partner drill',
    },
    resting,
  );
}

/** Which points of an item a rest is about; null: all of it. */
export const restingPoints = (j: Judging, item: Judged['requirement']['item'], rest: Rest): string[] | null =>
  rest.parts === null ? null : j.items.pointsOf(item).flatMap((p) => (rest.parts!.includes(p.bodyPart) ? [p.id] : []));
