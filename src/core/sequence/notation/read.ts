import { fold } from '../../units/fold';
import { fail, ok, type Result } from '../../units/result';
import { EMPTY_ABOUT, isEmptyStep, moveOf, type About, type Move, type Sequence, type Step } from '../move';
import { readHeader } from './header';
import { cutLine, type Part } from './line';
import { areConditions, NO_CONDITIONS, readOnly } from './only';
import type { Report } from './problem';
import {
  MOST_BRANCH_STEPS,
  MOST_BRANCHES,
  MOST_LETTERS,
  MOST_MOVES,
  MOST_NOTES,
  MOST_OWN_POINTS,
  MOST_PARTS,
  MOST_PROBLEMS,
  MOST_VARIANTS,
  type NotationProblem,
  type ReadSequence,
} from './problem';
import { readStep } from './step';
import { NO_WORDS, type Vocabulary } from './vocabulary';

/** Reads a text of moves; what cannot be read is reported and left out, the rest is kept. */
export const readSequence = (text: string, vocabulary: Vocabulary = NO_WORDS): ReadSequence =>
  readLines(linesIn(text), vocabulary);

export const linesIn = (text: string): string[] => text.replace(/\r\n?/g, '\n').split('\n');

/** The same of a text that is in lines already: those that are the very strings they were are not gone through again. */
export function readLines(lines: readonly string[], vocabulary: Vocabulary = NO_WORDS): ReadSequence {
  const problems: NotationProblem[] = [];
  const moves: Move[] = [];
  const lineOf: number[] = [];
  let about: About = EMPTY_ABOUT;
  let notes: string[] = [];
  let begins: Move['begins'][number][] = [];
  const before = readWith(vocabulary);
  const { known, lines: were, counts: wereCounts } = before;
  before.lines = lines;
  before.counts = [];
  /** One more count; false where there are too many. */
  const take = (count: ReadCount, index: number): boolean => {
    if (count.problems.length > 0) for (const p of count.problems) problems.push({ ...p, line: index + 1 });
    if (moves.length >= MOST_MOVES) return false;
    if (!count.said) return true;
    lineOf.push(index);
    if (notes.length === 0 && begins.length === 0) moves.push(count.move);
    else {
      moves.push({ ...count.move, notes, begins });
      [notes, begins] = [[], []];
    }
    return true;
  };
  for (let index = 0; index < lines.length; index++) {
    const raw = lines[index]!;
    if (problems.length >= MOST_PROBLEMS) break;
    // Most lines are counts that were read at the key before, most of them at their place; none of those is a heading
    // where a count has come already.
    const read =
      moves.length === 0 || moves.length >= MOST_MOVES
        ? undefined
        : ((raw === were[index] ? wereCounts[index] : undefined) ?? known.get(raw));
    before.counts.push(read);
    if (read?.said) {
      take(read, index);
      continue;
    }
    const problem = (
      severity: NotationProblem['severity'],
      at: { column: number; length: number },
      message: string,
      expected: string,
      near: string[] = [],
    ) => {
      problems.push({
        line: index + 1,
        column: at.column + 1,
        length: Math.max(1, at.length),
        message,
        expected,
        near,
        severity,
      });
    };
    const error: Report = (...a) => {
      problem('error', ...a);
    };
    const unknown: Report = (...a) => {
      problem('unknown', ...a);
    };
    const indent = raw.length - raw.trimStart().length;
    const line = raw.trim();
    const whole = { column: indent, length: line.length };
    if (line === '') continue;
    if (line.length > MOST_LETTERS) {
      error(whole, `A line has at most ${MOST_LETTERS} letters.`, 'the rest on a line of its own');
      continue;
    }
    const note = (text: string) => {
      if (notes.length < MOST_NOTES) notes.push(text);
      else error(whole, `At most ${MOST_NOTES} remarks stand before a count.`, 'fewer remarks');
    };
    if (line.startsWith('#')) {
      note(line.slice(1).trim());
      continue;
    }
    // A digit right behind the sign numbers the sectioning; "= 1 to 3" is a name.
    const heading = /^=(\d*)/.exec(line);
    if (heading) {
      const sectioning = heading[1] ? Number(heading[1]) : 1;
      const name = withoutEnd(line.slice(heading[0].length)).trim();
      if (sectioning < 1 || sectioning > 9)
        error(whole, 'A sectioning has a number from 1 to 9.', '= Name, or =2 Name');
      else if (!name) error(whole, 'A section has a name.', '= Name');
      else begins = [...begins.filter((b) => b.sectioning !== sectioning), { sectioning, name }];
      continue;
    }
    if (moves.length === 0 && begins.length === 0) {
      const header = headerIn(line);
      if (header) {
        const read = readHeader(about, header.key, header.number, header.value);
        if (read.ok) about = read.value;
        else error(whole, read.error.message, read.error.expected);
        continue;
      }
    }
    const mark = line[0]!;
    if (mark === '~' || mark === '?' || mark === '>' || mark === '!') {
      const last = moves.at(-1);
      if (!last) {
        error(whole, 'There is no count yet to which this belongs.', 'a count first');
        continue;
      }
      if (mark === '!') {
        const between = line[1] === '>';
        const said = line.slice(between ? 2 : 1).trim();
        const felt = /^\(felt\)/i.test(said);
        const named = felt ? said.slice(6).trim() : said;
        const under = readOnly(named);
        const name = under ? named.slice(under.length).trim() : named;
        const only = under?.names ?? [];
        if (under && !areConditions(only)) error(whole, ...NO_CONDITIONS);
        else if (name === '')
          error(whole, 'Say what is looked at.', '! eyes to the left, !> no pause, ! (felt) stands firm');
        else if (last.points.length >= MOST_OWN_POINTS)
          error(whole, `A count has at most ${MOST_OWN_POINTS} points of its own.`, 'fewer points');
        else moves[moves.length - 1] = { ...last, points: [...last.points, { name, felt, between, only }] };
        continue;
      }
      if (mark === '?') {
        const when = line.slice(1).trim();
        if (!when) error(whole, 'Say what the partner does.', '? the attacker steps back');
        else if (last.branches.length >= MOST_BRANCHES)
          error(whole, `A count has at most ${MOST_BRANCHES} branches.`, 'a sequence of its own for the rest');
        else moves[moves.length - 1] = { ...last, branches: [...last.branches, { when, steps: [] }] };
        continue;
      }
      if (mark === '~') {
        const graded = line[1] === '*';
        const bracket = line.toLowerCase().indexOf('(only ');
        const colonBefore = line.indexOf(':');
        const under = bracket > 0 && (colonBefore < 0 || bracket < colonBefore) ? readOnly(line.slice(bracket)) : null;
        const colon = line.indexOf(':', under ? bracket + under.length : 0);
        const school = line.slice(graded ? 2 : 1, under ? bracket : Math.max(colon, 0)).trim();
        const only = under?.names ?? [];
        if (under && (!areConditions(only) || colon < 0)) {
          error(whole, ...NO_CONDITIONS);
          continue;
        }
        if (school === '') {
          error(whole, 'A variant names who keeps it.', '~ school: the count as they do it');
          continue;
        }
        if (last.variants.length >= MOST_VARIANTS) {
          error(whole, `A count has at most ${MOST_VARIANTS} variants.`, 'fewer variants');
          continue;
        }
        const cut = cutLine(raw, indent + colon + 1);
        const step = readStep(cut.lanes[0] ?? [], vocabulary, error, unknown);
        moves[moves.length - 1] = { ...last, variants: [...last.variants, { school, graded, only, step }] };
        continue;
      }
      const branch = last.branches.at(-1);
      if (!branch) {
        error(whole, 'There is no branch yet to which this belongs.', '? what the partner does, on the line before');
        continue;
      }
      if (branch.steps.length >= MOST_BRANCH_STEPS) {
        error(whole, `A branch has at most ${MOST_BRANCH_STEPS} counts.`, 'a sequence of its own for the rest');
        continue;
      }
      const step = readStep(cutLine(raw, indent + 1).lanes[0] ?? [], vocabulary, error, unknown);
      moves[moves.length - 1] = {
        ...last,
        branches: [...last.branches.slice(0, -1), { ...branch, steps: [...branch.steps, step] }],
      };
      continue;
    }
    const count = readCount(raw, vocabulary, known);
    if (!take(count, index)) {
      error(whole, `A sequence has at most ${MOST_MOVES} counts.`, 'the rest in a second sequence, to be chained');
      break;
    }
    // Only a number or a remark: not a count yet.
    if (!count.said && count.move.remark) note(count.move.remark);
  }
  if (begins.length > 0)
    problems.push({
      line: lines.length,
      column: 1,
      length: 1,
      message: `The section “${begins[0]!.name}” has no count.`,
      expected: 'a count after the last section',
      near: [],
      severity: 'error',
    });
  return { sequence: { about, moves, closing: notes }, problems, lineOf };
}

/** A heading without the signs and spaces that close it, from the end back: one look at each letter. */
function withoutEnd(text: string): string {
  let end = text.length;
  while (end > 0 && (text[end - 1] === '=' || text[end - 1]!.trim() === '')) end -= 1;
  return text.slice(0, end);
}

/** "sections 2: halves" as its key, number and value; null where the line is no heading. */
function headerIn(line: string): { key: string; number: string | null; value: string } | null {
  const colon = line.indexOf(':');
  if (colon < 0) return null;
  const left = line.slice(0, colon).trimEnd();
  const number = /\d$/.exec(left)?.[0] ?? null;
  const key = (number === null ? left : left.slice(0, -1)).trimEnd();
  return /^[a-z][a-z ]*$/i.test(key) ? { key: key.toLowerCase(), number, value: line.slice(colon + 1).trim() } : null;
}

interface ReadCount {
  /** Without the remarks and headings before it. */
  move: Move;
  /** Whether the line says a count at all. */
  said: boolean;
  problems: Omit<NotationProblem, 'line'>[];
}

/** What was read before with the same words: while one line is typed, all the others stay. */
interface ReadBefore {
  known: Map<string, ReadCount>;
  /** The text that was read last, and what was known of its lines: one that stayed at its place needs no looking up. */
  lines: readonly string[];
  counts: (ReadCount | undefined)[];
}
const readBefore = new WeakMap<Vocabulary, ReadBefore>();

const MOST_REMEMBERED = 20_000;

function readWith(vocabulary: Vocabulary): ReadBefore {
  let before = readBefore.get(vocabulary);
  if (!before) readBefore.set(vocabulary, (before = { known: new Map(), lines: [], counts: [] }));
  return before;
}

function readCount(raw: string, vocabulary: Vocabulary, known: Map<string, ReadCount>): ReadCount {
  let found = known.get(raw);
  if (!found) {
    found = readCountAnew(raw, vocabulary);
    if (known.size >= MOST_REMEMBERED) known.clear();
    known.set(raw, found);
  }
  return found;
}

function readCountAnew(raw: string, vocabulary: Vocabulary): ReadCount {
  const problems: ReadCount['problems'] = [];
  const report =
    (severity: NotationProblem['severity']): Report =>
    (at, message, expected, near = []) => {
      problems.push({ column: at.column + 1, length: Math.max(1, at.length), message, expected, near, severity });
    };
  const [error, unknown] = [report('error'), report('unknown')];
  const indent = raw.length - raw.trimStart().length;
  const line = raw.trim();
  // A count may be written with its number: "12 punch R", "12. punch R".
  const number = /^\d{1,4}[.):]?\s+/.exec(line);
  const cut = cutLine(raw, indent + (number?.[0].length ?? 0));
  if (cut.openQuote !== null)
    error({ column: cut.openQuote, length: raw.length - cut.openQuote }, 'This quote is never closed.', '"');
  if (cut.lanes.length > 2)
    error({ column: indent, length: line.length }, 'A count has two lanes at most.', 'lane A | lane B');
  let swaps = false;
  const lane = (all: Part[]): Step => {
    const parts = all.slice(0, MOST_PARTS);
    if (all.length > MOST_PARTS)
      error({ column: indent, length: line.length }, `A count says at most ${MOST_PARTS} things.`, 'a second count');
    const own = parts.filter((p) => !(p.tokens.length === 1 && fold(p.tokens[0]!.text) === 'switch'));
    if (own.length < parts.length) swaps = true;
    return readStep(own, vocabulary, error, unknown);
  };
  const step = lane(cut.lanes[0] ?? []);
  const partner = cut.lanes.length > 1 ? lane(cut.lanes[1]!) : null;
  const said = cut.lanes.some((l) => l.length > 0) || cut.lanes.length > 1;
  return { move: { ...moveOf(step, partner), swaps, remark: cut.remark }, said, problems };
}

/**
 * Reads a text of moves (grammar in docs/formats/notation.md). Refuses it with all that is wrong, by line and column; a
 * technique that the vocabulary does not know is no error here, `checkSequence` names it.
 */
export function parseSequence(text: string, vocabulary: Vocabulary = NO_WORDS): Result<Sequence, NotationProblem[]> {
  const { sequence, problems } = readSequence(text, vocabulary);
  const errors = problems.filter((p) => p.severity === 'error');
  return errors.length > 0 ? fail(errors) : ok(sequence);
}

/** Reads one count of one performer, as in a recipe's replacement. */
export function parseStep(text: string, vocabulary: Vocabulary = NO_WORDS): Result<Step, NotationProblem[]> {
  const problems: NotationProblem[] = [];
  const error: Report = (at, message, expected, near = []) => {
    problems.push({ line: 1, column: at.column + 1, length: at.length, message, expected, near, severity: 'error' });
  };
  const cut = cutLine(text);
  if (cut.lanes.length > 1) error({ column: 0, length: text.length }, 'One performer, one lane.', 'no bar');
  const step = readStep(cut.lanes[0] ?? [], vocabulary, error, () => undefined);
  if (problems.length === 0 && isEmptyStep(step))
    error({ column: 0, length: text.length }, 'There is nothing here to do.', 'a count, such as: front kick R mid');
  return problems.length > 0 ? fail(problems) : ok(step);
}
