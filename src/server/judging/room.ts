// The floor a student has at home, and what of an item fits it.
import { eq } from 'drizzle-orm';
import { fitRoom, type Item } from '../../core';
import type { Transaction } from '../../data/connection';
import { partOf } from '../../data/queries/items';
import { person } from '../../data/tables';
import type { Judging } from './judging';

/** A usual grown stature, in metres, where none is said. */
const STATURE = 1.7;

export interface RoomAtHome {
  width: number | null;
  depth: number | null;
  stature: number;
}

/** A room as the row of a person says it. */
export const roomOf = (row?: { width: number | null; depth: number | null; stature: number | null }): RoomAtHome => ({
  width: row?.width ?? null,
  depth: row?.depth ?? null,
  stature: (row?.stature ?? STATURE * 100) / 100,
});

export async function readRoom(
  tx: Transaction,
  id: string,
): Promise<RoomAtHome & { said: number | null; mass: number | null }> {
  const [row] = await tx
    .select({ width: person.roomWidth, depth: person.roomDepth, stature: person.stature, mass: person.mass })
    .from(person)
    .where(eq(person.id, id));
  return { ...roomOf(row), said: row?.stature ?? null, mass: row?.mass ?? null };
}

/** How an item can be done on a floor at home, in words; empty where there is nothing to say. */
export function homeFit(j: Judging, item: Item, room: RoomAtHome): { fit: string; counts: [number, number] | null } {
  if ('technique' in item) return { fit: '', counts: null };
  const row = j.items.sequences.get(item.sequence);
  if (!row) return { fit: '', counts: null };
  const body = partOf(row.body, item);
  if (body.moves.length === 0) return { fit: '', counts: null };
  const first = item.part?.from ?? 1;
  if (room.width === null || room.depth === null)
    return { fit: 'Where the floor is too small, do as many counts as fit and start again.', counts: null };
  const fit = fitRoom(body, { width: room.width, depth: room.depth }, j.items.bodyOf(room.stature));
  if (fit.fits)
    return {
      fit: fit.turned ? 'All of it fits if you start facing the longer wall.' : 'All of it fits your floor.',
      counts: [first, first + body.moves.length - 1],
    };
  if (!fit.longest) return { fit: 'It does not fit your floor: do each count in place, hands only.', counts: null };
  const { from, to } = fit.longest;
  return {
    fit: `Counts ${first + from - 1} to ${first + to - 1} fit your floor; do those, then turn back and go on from there.`,
    counts: [first + from - 1, first + to - 1],
  };
}
