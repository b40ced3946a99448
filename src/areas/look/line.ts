import type { LookKitView } from '../../contracts/views';

export type KitStudent = LookKitView['students'][number];
export type KitTechnique = LookKitView['techniques'][number];
export type KitPoint = KitTechnique['points'][number];

/** What a device remembers of today's line: who is here, in which order, and the class it belongs to. */
export interface Line {
  day: string;
  present: string[];
  flipped: boolean;
  leftHanded: boolean;
  classId: string | null;
}

const KEY = 'stavewright-line';

const fresh = (day: string, leftHanded = false): Line => ({
  day,
  present: [],
  flipped: false,
  leftHanded,
  classId: null,
});

/** The line of a day; another day begins empty, only the hand is remembered. */
export function readLine(day: string): Line {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Line | null;
    if (kept?.day === day) return kept;
    return fresh(day, kept?.leftHanded);
  } catch {
    return fresh(day);
  }
}

export const keepLine = (line: Line): void => localStorage.setItem(KEY, JSON.stringify(line));

/** Those present as they stand: highest belt at the door, then by name; the other way round where flipped. */
export function lineUp(kit: LookKitView, line: Line): KitStudent[] {
  const place = new Map(kit.ranks.map((r, i) => [r.id, i]));
  const here = kit.students.filter((s) => line.present.includes(s.id));
  here.sort((a, b) => place.get(b.rankId)! - place.get(a.rankId)! || a.name.localeCompare(b.name));
  return line.flipped ? here.reverse() : here;
}

/** Given name large, the rest small. */
export function nameParts(name: string): [string, string] {
  const at = name.indexOf(' ');
  return at < 0 ? [name, ''] : [name.slice(0, at), name.slice(at + 1)];
}
