import { distance } from 'fastest-levenshtein';
import { isKeepable, isVisible, oneLine } from '../units/plainText';
import { readDate, type PlainDate } from '../units/plainDate';
import { beltsMeant } from './beltName';

/** One line of a roll as it was pasted or uploaded, still text. */
export interface RollLine {
  /** Line number in the person's own list, from 1. */
  line: number;
  name: string;
  rank: string;
  born: string;
  since: string;
}

export interface NewStudent {
  name: string;
  rankId: string;
  born: PlainDate | null;
  since: PlainDate;
}

/** What is wrong with one cell of a line, in words. */
export interface Amiss {
  field: Exclude<keyof RollLine, 'line'>;
  says: string;
}

export type RollVerdict =
  | { line: number; text: RollLine; takes: true; student: NewStudent; remark: string }
  | { line: number; text: RollLine; takes: false; amiss: readonly Amiss[] };

export interface RollContext {
  ranks: readonly { id: string; name: string }[];
  onTheRoll: readonly { name: string; born: PlainDate | null }[];
  today: PlainDate;
}

export const foldName = (name: string): string =>
  name.normalize('NFKD').replace(/\p{M}/gu, '').replace(/\s+/g, ' ').trim().toLowerCase();

/** The known word nearest to what was typed, if it is near enough to be meant. */
export function nearest(typed: string, known: readonly string[]): string | null {
  const t = foldName(typed);
  let best: string | null = null;
  let least = Math.max(2, Math.floor(t.length / 3)) + 1;
  for (const k of known) {
    const d = distance(t, foldName(k));
    if (d < least) [best, least] = [k, d];
  }
  return best;
}

/**
 * Says for each line of a roll what will happen: taken as a student, or refused and why, in words of the trade. An empty
 * date of birth is allowed; an empty "since" becomes today, with a remark.
 */
export function checkRollLines(lines: readonly RollLine[], context: RollContext): RollVerdict[] {
  const roll = new Map<string, (PlainDate | null)[]>();
  for (const s of context.onTheRoll) {
    const key = foldName(s.name);
    roll.set(key, [...(roll.get(key) ?? []), s.born]);
  }
  const inList = new Map<string, number>();
  return lines.map((text): RollVerdict => {
    const { line } = text;
    const amiss: Amiss[] = [];
    const no = (field: Amiss['field'], says: string) => void (says !== '' && amiss.push({ field, says }));
    const name = oneLine(text.name);
    const [rank, born, since] = [
      beltOn(text.rank, context.ranks),
      dayOn(text.born, context.today, 'Date of birth: ', 'The date of birth is still to come.'),
      dayOn(text.since, context.today, 'Belt since: ', 'The belt’s date is still to come.'),
    ];
    const [bornOn, heldOn] = [born, since].map((d) => (typeof d === 'string' ? null : d.day));
    no('name', nameAmiss(text.name));
    if (typeof rank === 'string') no('rank', rank);
    if (typeof born === 'string') no('born', born);
    if (bornOn && bornOn < '1915-01-01') no('born', 'The date of birth is too long ago.');
    if (typeof since === 'string') no('since', since);
    if (bornOn && heldOn && heldOn <= bornOn) no('since', 'The belt is older than the person.');
    const key = foldName(name);
    const earlier = name === '' ? undefined : inList.get(key);
    const same = roll.get(key);
    if (earlier !== undefined) no('name', `${name} already stands on line ${earlier}.`);
    else if (same?.some((b) => b === null || !bornOn || b === bornOn)) no('name', `${name} is already on the roll.`);
    if (amiss.length > 0 || typeof rank === 'string') return { line, text, takes: false, amiss };
    const remarks = [
      ...(!heldOn ? ['belt counted from today'] : []),
      ...(!bornOn ? ['no date of birth: counted as a minor until it is known'] : []),
      ...(same ? ['another person of this name is on the roll'] : []),
    ];
    inList.set(key, line);
    const student = { name, rankId: rank.id, born: bornOn ?? null, since: heldOn ?? context.today };
    return { line, text, takes: true, student, remark: remarks.join('; ') };
  });
}

/** What is wrong with a name; empty: nothing. */
function nameAmiss(typed: string): string {
  const name = oneLine(typed);
  if (name === '') return 'There is no name on this line.';
  if (!isKeepable(typed) || name.includes('\uFFFD'))
    return 'Some letters of the name could not be read. Type them again, or read the file in another way.';
  if (!isVisible(name)) return 'Nothing of this name can be seen.';
  return name.length > 120 ? 'The name is longer than 120 letters.' : '';
}

/** The belt that is meant, or why none is. */
function beltOn(text: string, ranks: RollContext['ranks']): RollContext['ranks'][number] | string {
  const typed = oneLine(text);
  if (typed === '') return 'There is no belt on this line.';
  const meant = beltsMeant(typed, ranks);
  if (meant.length > 1)
    return `“${typed}” can mean ${meant.map((r) => r.name).join(' or ')}. Write it as the school does.`;
  if (meant[0]) return meant[0];
  const near = nearest(
    typed,
    ranks.map((r) => r.name),
  );
  return `No belt of this school is called ${typed}.${near ? ` ${near}?` : ''}`;
}

/** A day that is over, none where nothing was written, or why it cannot be one. */
function dayOn(text: string, today: PlainDate, of: string, late: string): { day: PlainDate | null } | string {
  if (text.trim() === '') return { day: null };
  const read = readDate(text, today);
  if (!read.ok) return `${of}${read.error}`;
  return read.value > today ? late : { day: read.value };
}

const HEADS: Record<Exclude<keyof RollLine, 'line'>, readonly string[]> = {
  name: ['name', 'student', 'full name'],
  rank: ['rank', 'belt', 'grade'],
  born: ['born', 'birth', 'birth date', 'date of birth', 'birthday', 'dob'],
  since: ['since', 'rank since', 'belt since', 'in rank since', 'awarded'],
};

/**
 * Turns the cells of a list into lines. A first row that names its columns is followed in any order; without one the
 * order is name, rank, date of birth, since. Empty rows are passed over but counted.
 */
export function readRollCells(rows: readonly (readonly string[])[]): RollLine[] {
  const order: Record<Exclude<keyof RollLine, 'line'>, number> = { name: 0, rank: 1, born: 2, since: 3 };
  const head = (rows[0] ?? []).map(foldName);
  const isHead = head.some((h) => HEADS.name.includes(h)) && head.some((h) => HEADS.rank.includes(h));
  if (isHead)
    for (const key of Object.keys(HEADS) as (keyof typeof HEADS)[])
      order[key] = head.findIndex((h) => HEADS[key].includes(h));
  return rows.flatMap((cells, i) => {
    if ((isHead && i === 0) || cells.every((c) => c.trim() === '')) return [];
    const cell = (key: keyof typeof order) => (order[key] < 0 ? '' : (cells[order[key]] ?? '').trim());
    return [{ line: i + 1, name: cell('name'), rank: cell('rank'), born: cell('born'), since: cell('since') }];
  });
}
