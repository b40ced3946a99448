import { beltsMeant } from '../roll/beltName';
import { THING_SERVES, THING_SHAPES, type Thing, type ThingServes, type ThingShape } from './thing';

/** The columns of a list of things, in the order in which they go out. */
export const THING_COLUMNS = [
  'name',
  'about',
  'drawn as',
  'place',
  'serves',
  'people at one',
  'from age',
  'from belt',
  'alone',
  'check every days',
  'how many',
] as const;
type Column = (typeof THING_COLUMNS)[number];

/** What a line of a list says of a kind of thing: the pieces are only counted. */
export type ListedThing = Omit<Thing, 'hallId' | 'pieces' | 'how' | 'stands'> & { count: number };

export interface ThingLine {
  /** 1-based, as in the list. */
  line: number;
  name: string;
  /** Null: something is amiss. */
  thing: ListedThing | null;
  amiss: string[];
}

const isColumn = (cell: string): cell is Column => (THING_COLUMNS as readonly string[]).includes(cell);

/** A kind as a line of the list. */
export const thingCells = (t: Thing, rankName: (id: string) => string): string[] => [
  t.name,
  t.about,
  t.shape,
  t.place,
  t.serves ?? '',
  String(t.people),
  t.fromAge === null ? '' : String(t.fromAge),
  t.fromRankId === null ? '' : rankName(t.fromRankId),
  t.alone ? 'yes' : 'no',
  t.every === null ? '' : String(t.every),
  String(t.pieces.length),
];

/**
 * Reads a list of things, a kind a line. A first line that names its columns may put them in any order and leave out all
 * but the name; otherwise they stand as they go out. What cannot be read is said with its line.
 */
export function readThingCells(
  rows: readonly (readonly string[])[],
  ranks: readonly { id: string; name: string }[],
): ThingLine[] {
  const first = (rows[0] ?? []).map((c) => c.trim().toLowerCase());
  const headed = first.includes('name') && first.some((c) => c !== 'name' && isColumn(c)) ? first : null;
  const columns = headed ?? [...THING_COLUMNS];
  return rows.flatMap((row, i): ThingLine[] => {
    if ((headed !== null && i === 0) || row.every((c) => c.trim() === '')) return [];
    const cell = (of: Column): string => (row[columns.indexOf(of)] ?? '').trim();
    const amiss: string[] = [];
    const number = (of: Column, lo: number, hi: number, empty: number | null): number | null => {
      const said = cell(of);
      if (said === '') return empty;
      const n = Number(said);
      if (Number.isInteger(n) && n >= lo && n <= hi) return n;
      amiss.push(`“${said}” is no ${of}: a whole number from ${lo} to ${hi}.`);
      return empty;
    };
    const oneOf = <T extends string>(of: Column, list: readonly T[], empty: T | null): T | null => {
      const said = cell(of).toLowerCase();
      if (said === '') return empty;
      const found = list.find((x) => x === said);
      if (!found) amiss.push(`“${cell(of)}” is none of: ${list.join(', ')}.`);
      return found ?? empty;
    };
    const name = cell('name');
    if (name === '') amiss.push('It has no name.');
    if (name.length > 120) amiss.push('Its name has more than 120 letters.');
    const belt = cell('from belt');
    const meant = belt === '' ? [] : beltsMeant(belt, ranks);
    if (belt !== '' && meant.length !== 1) amiss.push(`“${belt}” is no belt of the school, or several.`);
    const said = cell('alone').toLowerCase();
    if (!['', 'yes', 'no'].includes(said)) amiss.push(`“${cell('alone')}” is neither yes nor no.`);
    const thing: ListedThing = {
      name,
      about: cell('about').slice(0, 300),
      shape: oneOf<ThingShape>('drawn as', THING_SHAPES, 'other')!,
      place: cell('place').slice(0, 300),
      serves: oneOf<ThingServes>('serves', THING_SERVES, null),
      people: number('people at one', 1, 30, 1)!,
      fromAge: number('from age', 0, 99, null),
      fromRankId: meant[0]?.id ?? null,
      alone: said !== 'no',
      every: number('check every days', 1, 3650, null),
      count: number('how many', 0, 300, 1)!,
    };
    return [{ line: i + 1, name, thing: amiss.length > 0 ? null : thing, amiss }];
  });
}
