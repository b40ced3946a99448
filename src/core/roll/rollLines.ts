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

export type RollVerdict =
  | { line: number; text: RollLine; takes: true; student: NewStudent; remark: string }
  | { line: number; text: RollLine; takes: false; wrong: string };

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
    const no = (wrong: string): RollVerdict => ({ line, text, takes: false, wrong });
    const name = oneLine(text.name);
    if (name === '') return no('There is no name on this line.');
    if (!isKeepable(text.name) || name.includes('\uFFFD'))
      return no('Some letters of the name could not be read. Type them again, or read the file in another way.');
    if (!isVisible(name)) return no('Nothing of this name can be seen.');
    if (name.length > 120) return no('The name is longer than 120 letters.');
    const key = foldName(name);

    const typedRank = oneLine(text.rank);
    if (typedRank === '') return no('There is no belt on this line.');
    const meant = beltsMeant(typedRank, context.ranks);
    if (meant.length > 1)
      return no(`“${typedRank}” can mean ${meant.map((r) => r.name).join(' or ')}. Write it as the school does.`);
    const rank = meant[0];
    if (!rank) {
      const near = nearest(
        typedRank,
        context.ranks.map((r) => r.name),
      );
      return no(`No belt of this school is called ${typedRank}.${near ? ` ${near}?` : ''}`);
    }

    let born: PlainDate | null = null;
    if (text.born.trim() !== '') {
      const read = readDate(text.born);
      if (!read.ok) return no(`Date of birth: ${read.error}`);
      if (read.value > context.today) return no('The date of birth is still to come.');
      if (read.value < '1915-01-01') return no('The date of birth is too long ago.');
      born = read.value;
    }
    let since = context.today;
    const remarks: string[] = [];
    if (text.since.trim() !== '') {
      const read = readDate(text.since);
      if (!read.ok) return no(`Belt since: ${read.error}`);
      if (read.value > context.today) return no('The belt’s date is still to come.');
      if (born !== null && read.value <= born) return no('The belt is older than the person.');
      since = read.value;
    } else remarks.push('belt counted from today');
    if (born === null) remarks.push('no date of birth: counted as a minor until it is known');

    const earlier = inList.get(key);
    if (earlier !== undefined) return no(`${name} already stands on line ${earlier}.`);
    const same = roll.get(key);
    if (same?.some((b) => b === null || born === null || b === born)) return no(`${name} is already on the roll.`);
    if (same) remarks.push('another person of this name is on the roll');
    inList.set(key, line);
    return { line, text, takes: true, student: { name, rankId: rank.id, born, since }, remark: remarks.join('; ') };
  });
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
