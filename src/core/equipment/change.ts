import { addDays, type PlainDate } from '../units/plainDate';
import type { Piece, Thing } from './thing';

const changed = (t: Thing, ids: ReadonlySet<string>, change: (p: Piece) => Piece): Thing => ({
  ...t,
  pieces: t.pieces.map((p) => (ids.has(p.id) ? change(p) : p)),
});

/** Looked over and found sound: also what was to be mended; the next time is as far away as the school said. */
export const checkedOn = (t: Thing, ids: ReadonlySet<string>, day: PlainDate): Thing =>
  changed(t, ids, (p) => ({ ...p, wrong: '', checked: day, checkBy: t.every === null ? null : addDays(day, t.every) }));

/** Something is wrong with it: it is not used until it was looked over again. */
export const toMend = (t: Thing, ids: ReadonlySet<string>, wrong: string): Thing =>
  changed(t, ids, (p) => ({ ...p, wrong }));

/** Somebody takes it along; null: it is back in its place, and looked over when it was due. */
export const lentTo = (t: Thing, ids: ReadonlySet<string>, lent: Piece['lent']): Thing =>
  changed(t, ids, (p) => ({ ...p, lent }));

/** As many as there are now: new ones are due at once where they are looked over at all; who is taken out are the last, those to mend first. */
export function ofNumber(t: Thing, count: number, today: PlainDate, newId: () => string): Thing {
  if (count >= t.pieces.length) {
    const fresh = Array.from({ length: count - t.pieces.length }, (): Piece => ({
      id: newId(),
      wrong: '',
      checked: null,
      checkBy: t.every === null ? null : addDays(today, -1),
      lent: null,
    }));
    return { ...t, pieces: [...t.pieces, ...fresh] };
  }
  const going = [...t.pieces]
    .map((p, i) => ({ p, i }))
    .sort((a, b) => Number(b.p.wrong !== '') - Number(a.p.wrong !== '') || b.i - a.i)
    .slice(0, t.pieces.length - count)
    .map((x) => x.p.id);
  return { ...t, pieces: t.pieces.filter((p) => !going.includes(p.id)) };
}
