/** Counts of a sequence, from 1, both ends included; with the section's name where it is one. */
export interface Part {
  from: number;
  to: number;
  section: string | null;
}

/** What a rank can ask for: a technique, or a sequence (form, combination, equipment set, partner drill) or part of one. */
export type Item = { technique: string } | { sequence: string; part: Part | null };

/** The same for the same item; a part is another item than the whole. */
export function itemKey(item: Item): string {
  if ('technique' in item) return `t:${item.technique}`;
  return item.part ? `s:${item.sequence}:${item.part.from}-${item.part.to}` : `s:${item.sequence}`;
}

/** The item of a key; null: it is none. A section's name is not in a key. */
export function itemOfKey(key: string): Item | null {
  const m = /^([ts]):([^:]+)(?::(\d+)-(\d+))?$/.exec(key);
  if (!m || (m[1] === 't' && m[3] !== undefined)) return null;
  if (m[1] === 't') return { technique: m[2]! };
  const part = m[3] === undefined ? null : { from: Number(m[3]), to: Number(m[4]), section: null };
  return { sequence: m[2]!, part };
}

export const isWhole = (item: Item): boolean => 'technique' in item || item.part === null;

/** The whole that a part belongs to; the item itself where it is whole. */
export const wholeOf = (item: Item): Item => ('technique' in item ? item : { sequence: item.sequence, part: null });
