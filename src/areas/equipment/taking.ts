import Papa from 'papaparse';
import { guarded, unguarded } from '../../contracts/cell';
import type { ThingShown } from '../../contracts/views';
import { countOf, readThingCells, thingCells, THING_COLUMNS, type ListedThing } from '../../core';
import type { Reading, TakingLine } from '../../kit/taking/line';

const rowsOf = (source: string) =>
  Papa.parse<string[]>(source, { skipEmptyLines: false }).data.map((row) => row.map(unguarded));

/** What each line of a list of things would do; one whose name is in the store already stays as it is. */
export function readThings(
  source: string,
  ranks: readonly { id: string; name: string }[],
  known: ReadonlySet<string>,
): Reading<ListedThing> {
  if (source.trim() === '') return { lines: [], wrong: '' };
  const rows = rowsOf(source);
  const names = new Set(known);
  const lines = readThingCells(rows, ranks).map((l): TakingLine<ListedThing> => {
    const key = l.name.toLowerCase();
    const isHere = l.thing !== null && known.has(key);
    const twice = l.thing !== null && !isHere && names.has(key);
    if (l.thing) names.add(key);
    return {
      name: l.name || '(no name)',
      takes: isHere || twice ? null : l.thing,
      isHere,
      said: isHere
        ? 'is in the store already, and stays as it is'
        : twice
          ? 'It stands twice in this list.'
          : l.thing
            ? `new, ${countOf(l.thing.count, 'piece')}, ${l.thing.place === '' ? 'no place said' : l.thing.place}`
            : l.amiss.join(' '),
      at: l.line,
      source: Papa.unparse([rows[l.line - 1] ?? []]),
    };
  });
  return { lines, wrong: '' };
}

/** The list without what was taken or is there; a line that says what the columns are stays above what is left. */
export function thingsThatStay(
  source: string,
  lines: readonly TakingLine<ListedThing>[],
  taken: ReadonlySet<TakingLine<ListedThing>>,
): string {
  const left = lines.filter((l) => !taken.has(l) && !l.isHere).map((l) => l.source);
  const head = (lines[0]?.at ?? 1) > 1 ? rowsOf(source).slice(0, 1) : [];
  return left.length === 0 ? '' : [...head.map((h) => Papa.unparse([h])), ...left].join('\r\n');
}

/** All kinds of the store as a list that can come in again. */
export const printThings = (things: readonly ThingShown[], ranks: readonly { id: string; name: string }[]): string =>
  Papa.unparse([
    [...THING_COLUMNS],
    ...things.map((t) => thingCells(t, (id) => ranks.find((r) => r.id === id)?.name ?? '').map(guarded)),
  ]);
