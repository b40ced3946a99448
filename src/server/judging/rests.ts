// What is believed, beyond what is judged: the school's pool and habits, chances, corrections and what is worth a look.
import { and, eq, gt, inArray, lte } from 'drizzle-orm';
import { addDays, itemKey, restsWork, SKIN_RESTS, skinRests, type Rest, type Resting } from '../../core';
import type { Transaction } from '../../data/connection';
import { injury, pause, practice } from '../../data/tables';
import { type Judged } from './judge';
import { type Judging } from './judging';

/** Work that rests for each student: open injuries, pauses, and what the hands strike while the skin heals. */
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
  const openOn = new Map<string, string[]>();
  for (const p of await tx
    .select({ studentId: practice.studentId, day: practice.day })
    .from(practice)
    .where(
      and(
        eq(practice.hands, 'skin open'),
        gt(practice.day, addDays(today, -SKIN_RESTS)),
        lte(practice.day, today),
        some ? inArray(practice.studentId, some) : undefined,
      ),
    ))
    openOn.set(p.studentId, [...(openOn.get(p.studentId) ?? []), p.day]);
  for (const [id, days] of openOn) {
    const until = skinRests(days, today);
    if (until)
      add(id, { what: 'the skin of the hands was open: no striking on anything', until, itemKey: null, impact: true });
  }
  return out;
}

/** What the hands land with. */
const BY_HAND = ['strike', 'block', 'hand shape'];

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
      impact: kind === 'equipment set' || (gear !== null && BY_HAND.includes(kind)),
    },
    resting,
  );
}

/** Which points of an item a rest is about; null: all of it. */
export const restingPoints = (j: Judging, item: Judged['requirement']['item'], rest: Rest): string[] | null =>
  rest.parts === null ? null : j.items.pointsOf(item).flatMap((p) => (rest.parts!.includes(p.bodyPart) ? [p.id] : []));
