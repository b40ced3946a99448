import Papa from 'papaparse';
import { checkRollLines, dateInWords, readRollCells, type RollContext } from '../../../core';
import type { Reading, TakingLine } from '../../../kit/taking/line';

type Student = Extract<ReturnType<typeof checkRollLines>[number], { takes: true }>['student'];

const rowsOf = (source: string) => Papa.parse<string[]>(source, { skipEmptyLines: false }).data;

/** What each line of a roll would do. */
export function readRoll(source: string, context: RollContext): Reading<Student> {
  const rows = rowsOf(source);
  const rankName = new Map(context.ranks.map((r) => [r.id, r.name]));
  const lines = checkRollLines(readRollCells(rows), context).map((c): TakingLine<Student> => ({
    name: c.text.name || '(no name)',
    takes: c.takes ? c.student : null,
    said: c.takes
      ? `new, ${rankName.get(c.student.rankId) ?? ''} since ${dateInWords(c.student.since)}${
          c.student.born ? `, born ${dateInWords(c.student.born)}` : ''
        }${c.remark === '' ? '' : `; ${c.remark}`}`
      : c.amiss.map((a) => a.says).join(' '),
    at: c.line,
    source: Papa.unparse([rows[c.line - 1] ?? []]),
  }));
  return { lines, wrong: '' };
}

/** The roll without what was taken; a line that says what the columns are stays above what is left. */
export function rollThatStays(
  source: string,
  lines: readonly TakingLine<Student>[],
  taken: ReadonlySet<TakingLine<Student>>,
): string {
  const left = lines.filter((l) => !taken.has(l)).map((l) => l.source);
  const head = (lines[0]?.at ?? 1) > 1 ? rowsOf(source).slice(0, 1) : [];
  return left.length === 0 ? '' : [...head.map((h) => Papa.unparse([h])), ...left].join('\r\n');
}
