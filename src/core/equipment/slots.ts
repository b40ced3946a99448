/** One turn at a thing: who, from which minute of the block on, and at which piece. */
export interface Slot {
  id: string;
  from: number;
  minutes: number;
  piece: number;
}

/**
 * Turns at what serves few at a time: everybody one of the same length, in whole half minutes, in the order given, so many
 * at once as there is room. Empty where there is no room or nobody; a turn never falls under a minute: who finds no place
 * then is not in the list.
 */
export function slotsFor(ids: readonly string[], room: number, minutes: number): Slot[] {
  if (room <= 0 || ids.length === 0) return [];
  const rounds = Math.ceil(ids.length / room);
  const each = Math.max(1, Math.floor((minutes / rounds) * 2) / 2);
  return ids
    .map((id, i) => ({ id, from: Math.floor(i / room) * each, minutes: each, piece: i % room }))
    .filter((s) => s.from + s.minutes <= minutes + 1e-9);
}
