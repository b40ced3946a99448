import { fail, ok, type Result } from '../units/result';
import { fold } from '../units/fold';
import { commonStance } from '../floor/stance';
import { cutLine, type Part, type Token } from './line';
import {
  EMPTY_ABOUT,
  EMPTY_STEP,
  isEmptyStep,
  moveOf,
  SEQUENCE_KINDS,
  type About,
  type Action,
  type Breath,
  type Move,
  type Power,
  type Sequence,
  type Step,
} from './move';
import { kindInName, NO_WORDS, written, zoneInName, type Vocabulary } from './vocabulary';
import { DIRECTIONS, KIND_NOTES, PATH_WORDS, SIDE_WORDS, STANCE_SHORT, ZONE_MODIFIERS } from './words';

/** What is wrong in a text, where (1-based), what would be right, and the nearest known techniques. */
export interface NotationProblem {
  line: number;
  column: number;
  length: number;
  message: string;
  expected: string;
  near: string[];
  /** An unknown technique is kept and drawn; an error's words are left out of the drawing. */
  severity: 'error' | 'unknown';
}

export interface ReadSequence {
  sequence: Sequence;
  problems: NotationProblem[];
  /** Line (0-based) on which each move stands. */
  lineOf: number[];
}

/** Longest sequence that is read; longer ones are cut into several. */
export const MOST_MOVES = 2000;
/** So many letters a line has at most, so many things are said in a count, and so much belongs to one. */
export const MOST_LETTERS = 4000;
export const MOST_PARTS = 40;
export const MOST_ACTIONS = 6;
export const MOST_VARIANTS = 9;
export const MOST_BRANCHES = 9;
export const MOST_BRANCH_STEPS = 50;
export const MOST_NOTES = 20;
/** Whoever has so much to mend needs no longer list. */
const MOST_PROBLEMS = 400;

type Report = (at: { column: number; length: number }, message: string, expected: string, near?: string[]) => void;

/** Reads a text of moves; what cannot be read is reported and left out, the rest is kept. */
export function readSequence(text: string, vocabulary: Vocabulary = NO_WORDS): ReadSequence {
  const problems: NotationProblem[] = [];
  const moves: Move[] = [];
  const lineOf: number[] = [];
  let about: About = EMPTY_ABOUT;
  let notes: string[] = [];
  let begins: Move['begins'][number][] = [];
  const lines = text.replace(/\r\n?/g, '\n').split('\n');
  for (const [index, raw] of lines.entries()) {
    if (problems.length >= MOST_PROBLEMS) break;
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
    const heading = /^=\s?(\d*)/.exec(line);
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
    if (mark === '~' || mark === '?' || mark === '>') {
      const last = moves.at(-1);
      if (!last) {
        error(whole, 'There is no count yet to which this belongs.', 'a count first');
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
        const colon = line.indexOf(':');
        const graded = line[1] === '*';
        const school = line.slice(graded ? 2 : 1, Math.max(colon, 0)).trim();
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
        moves[moves.length - 1] = { ...last, variants: [...last.variants, { school, graded, step }] };
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
    const count = readCount(raw, vocabulary);
    for (const p of count.problems) problems.push({ ...p, line: index + 1 });
    if (moves.length >= MOST_MOVES) {
      error(whole, `A sequence has at most ${MOST_MOVES} counts.`, 'the rest in a second sequence, to be chained');
      break;
    }
    const { step, partner, swaps, remark } = count;
    if (!count.said) {
      // Only a number or a remark: not a count yet.
      if (remark) note(remark);
      continue;
    }
    moves.push({ ...moveOf(step, partner), notes, begins, swaps, remark });
    lineOf.push(index);
    notes = [];
    begins = [];
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
  step: Step;
  partner: Step | null;
  swaps: boolean;
  remark: string;
  /** Whether the line says a count at all. */
  said: boolean;
  problems: Omit<NotationProblem, 'line'>[];
}
/** Lines that were read before with the same words: while one is typed, all the others stay. */
const readBefore = new WeakMap<Vocabulary, Map<string, ReadCount>>();
const MOST_REMEMBERED = 20_000;

function readCount(raw: string, vocabulary: Vocabulary): ReadCount {
  let known = readBefore.get(vocabulary);
  if (!known) readBefore.set(vocabulary, (known = new Map<string, ReadCount>()));
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
  return { step, partner, swaps, remark: cut.remark, said, problems };
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

function readHeader(
  about: About,
  key: string,
  number: string | null,
  value: string,
): Result<About, { message: string; expected: string }> {
  const text = value.trim();
  const yes = () => /^(yes|true|1|)$/i.test(text);
  const whole = (least: number, most: number) => {
    const n = Number(/\d+/.exec(text)?.[0] ?? NaN);
    return Number.isInteger(n) && n >= least && n <= most ? n : null;
  };
  switch (key) {
    case 'title':
    case 'name':
      return ok({ ...about, title: text });
    case 'kind': {
      const kind = SEQUENCE_KINDS.find((k) => fold(k) === fold(text));
      return kind
        ? ok({ ...about, kind })
        : fail({ message: `“${text}” is no kind of sequence.`, expected: SEQUENCE_KINDS.join(', ') });
    }
    case 'rank':
      return ok({ ...about, rank: text || null });
    case 'sections': {
      const sectioning = Number(number ?? 1);
      if (sectioning < 1)
        return fail({ message: 'A sectioning has a number from 1 to 9.', expected: 'sections 2: name' });
      const rest = about.sectionings.filter((s) => s.sectioning !== sectioning);
      return ok({
        ...about,
        sectionings: text ? [...rest, { sectioning, name: text }].sort((a, b) => a.sectioning - b.sectioning) : rest,
      });
    }
    case 'level':
      return ok({ ...about, level: yes() });
    case 'line work':
      return ok({ ...about, lineWork: yes() });
    case 'loop':
      return ok({ ...about, loop: yes() });
    case 'condition':
      return ok({ ...about, condition: text || null });
    case 'contact':
      return ok({ ...about, contact: text || null });
    case 'players': {
      const players = whole(1, 12);
      return players === null
        ? fail({ message: 'Players are from 1 to 12.', expected: 'players: 3' })
        : ok({ ...about, players });
    }
    case 'round': {
      const seconds = whole(5, 3600);
      return seconds === null
        ? fail({ message: 'A round is from 5 to 3,600 seconds.', expected: 'round: 45 s' })
        : ok({ ...about, seconds });
    }
    default:
      return fail({
        message: `“${key}” is no heading known here.`,
        expected: 'title, kind, rank, sections, level, line work, loop, condition, contact, players or round',
      });
  }
}

const lower = (t: Token | undefined): string => (t && !t.quoted ? fold(t.text) : '');
const spanOf = (tokens: readonly Token[]) => {
  const first = tokens[0];
  const last = tokens.at(-1);
  if (!first || !last) return { column: 0, length: 1 };
  return { column: first.column, length: last.column + last.text.length + (last.quoted ? 2 : 0) - first.column };
};

function readStep(parts: readonly Part[], vocabulary: Vocabulary, error: Report, unknown: Report): Step {
  let step: Step = EMPTY_STEP;
  let crosses = false;
  for (const part of parts) {
    const tokens = part.tokens;
    const first = lower(tokens[0]);
    const rest = tokens.slice(1);
    const here = spanOf(tokens);
    const bodySide = (t: Token | undefined) => {
      const side = SIDE_WORDS[lower(t)];
      return side === 'left' || side === 'right' ? side : null;
    };
    const asStance = stanceIn(tokens, vocabulary);
    if (asStance) {
      if (step.stance) error(here, 'A count ends in one stance.', 'one stance');
      step = { ...step, stance: asStance.stance, lead: asStance.lead ?? step.lead };
      continue;
    }
    if (first === '' && tokens[0]?.quoted !== true) continue;
    switch (first) {
      case '-':
        if (rest.length > 0) error(spanOf(rest), 'After - nothing is expected.', ', or the end of the line');
        continue;
      case 'turn':
      case 'pivot': {
        // "turn L 90" or "turn 90 L".
        const [way, far] = bodySide(rest[0]) ? [rest[0], rest[1]] : [rest[1], rest[0]];
        const side = bodySide(way);
        const degrees = Number(lower(far).replace(/°|deg(rees)?$/, '') || NaN);
        if (!side || !Number.isInteger(degrees) || degrees < 1 || degrees > 720) {
          error(here, 'A turn says which way and how far.', 'turn L 90, turn R 180 in place');
          continue;
        }
        const how = rest.slice(2).map(lower).filter(Boolean).join(' ');
        const by =
          how === '' || how === 'swing'
            ? ('swing' as const)
            : how === 'in place' || how === 'pivot'
              ? ('pivot' as const)
              : how === 'across' || how === 'cross'
                ? ('cross' as const)
                : null;
        if (by === null) error(spanOf(rest.slice(2)), `“${how}” is no way to turn.`, 'swing, across or in place');
        step = {
          ...step,
          turn: { degrees: side === 'right' ? degrees : -degrees, by: first === 'pivot' ? 'pivot' : (by ?? 'swing') },
        };
        continue;
      }
      case 'step':
      case 'slide':
      case 'cross':
      case 'draw':
      case 'jump': {
        const side = bodySide(rest[0]);
        if (!side) {
          error(here, 'A step says which foot.', `${first} L, ${first} R back`);
          continue;
        }
        const toward = directionOf(rest.slice(1));
        if (toward === null) {
          error(spanOf(rest.slice(1)), 'This is no direction.', 'forward, back, left, right, or right 45');
          continue;
        }
        step = { ...step, foot: { side, way: first, toward: first === 'draw' ? 0 : toward } };
        continue;
      }
      case 'shift':
        if (rest.length > 0) error(spanOf(rest), 'After shift nothing is expected.', 'shift, front stance');
        continue;
      case 'l':
      case 'r':
      case 'left':
      case 'right':
      case 'both': {
        if (lower(rest[0]) === 'foot') {
          const side = bodySide(tokens[0]);
          const across = ['across', 'cross'].includes(lower(rest[1]));
          const toward = directionOf(rest.slice(across ? 2 : 1));
          if (!side || toward === null) {
            error(here, 'A step says which foot and where to.', 'L foot, R foot across');
            continue;
          }
          if (across) crosses = true;
          step = { ...step, foot: { side, way: 'step', toward } };
          continue;
        }
        const last = step.actions.at(-1);
        if (rest.length === 0 && last?.side === 'none') {
          step = { ...step, actions: [...step.actions.slice(0, -1), { ...last, side: SIDE_WORDS[first]! }] };
          continue;
        }
        error(here, 'A side stands after what it belongs to.', 'punch L, step R');
        continue;
      }
      case 'weight': {
        const text = rest.map((t) => t.text).join('');
        const m = /^(?:(\d{1,3})(?:\/(\d{1,3}))?>)?(\d{1,3})(?:\/(\d{1,3}))?$/.exec(text);
        const share = (left: string | undefined, right: string | undefined) => {
          if (left === undefined) return null;
          const n = Number(left);
          return n > 100 || (right !== undefined && n + Number(right) !== 100) ? undefined : n;
        };
        const start = m ? share(m[1], m[2]) : undefined;
        const end = m ? share(m[3], m[4]) : undefined;
        if (start === undefined || end === undefined || end === null) {
          error(here, 'Weight is left and right in hundredths.', 'weight 60/40, or weight 40/60 > 60/40');
          continue;
        }
        step = { ...step, weight: { start, end } };
        continue;
      }
      case 'stand': {
        const lead = bodySide(rest.at(-1));
        const name = rest
          .slice(0, lead ? -1 : undefined)
          .map((t) => t.text)
          .join(' ');
        if (!name) error(here, 'Say how to stand.', 'stand crane, stand crane L');
        else step = { ...step, stance: name, lead: lead ?? step.lead };
        continue;
      }
      case 'rise':
      case 'sink':
        if (rest.length > 0) break;
        step = { ...step, level: first };
        continue;
      case 'power': {
        const power = POWER_WORDS[rest.map(lower).join(' ')];
        if (power) step = { ...step, power };
        else error(here, 'This is no way of making power.', 'power swing, vibration, wind, slide or drop');
        continue;
      }
      case 'breath':
      case 'breathe': {
        const breath = BREATH_WORDS[lower(rest[0])];
        if (breath && rest.length === 1) step = { ...step, breath };
        else error(here, 'Breath goes in, out, or is held.', 'in, out or hold');
        continue;
      }
      case 'in':
      case 'out':
      case 'hold':
        if (rest.length > 0) break;
        step = { ...step, breath: first };
        continue;
      case 'shout':
        if (rest.length > 0) break;
        step = { ...step, shout: true };
        continue;
      case 'slow':
      case 'quick':
      case 'fast':
        if (rest.length > 0) break;
        step = { ...step, tempo: first === 'slow' ? 'slow' : 'quick' };
        continue;
      case 'cue': {
        const cue = rest.map((t) => t.text).join(' ');
        if (!cue) error(here, 'Say what the holder shows or calls.', 'cue left pad high');
        else step = { ...step, cue };
        continue;
      }
    }
    const zone = ZONE_MODIFIERS[first];
    const last = step.actions.at(-1);
    if (zone && rest.length === 0 && last) {
      step = {
        ...step,
        actions: [...step.actions.slice(0, -1), { ...last, zone: zone === 'anywhere' ? null : zone }],
      };
      continue;
    }
    for (const group of splitAt(tokens)) {
      if (step.actions.length >= MOST_ACTIONS) {
        error(here, `A count has at most ${MOST_ACTIONS} actions.`, 'the rest in a second count');
        break;
      }
      const action = readAction(group, vocabulary, error, unknown, here);
      if (action) step = { ...step, actions: [...step.actions, action] };
    }
  }
  if (crosses && step.turn) step = { ...step, turn: { ...step.turn, by: 'cross' } };
  else if (crosses && step.foot) step = { ...step, foot: { ...step.foot, way: 'cross' } };
  return step;
}

const POWER_WORDS: Readonly<Record<string, Power>> = {
  swing: 'swing',
  vibration: 'vibration',
  hip: 'vibration',
  wind: 'wind',
  'wind up': 'wind',
  'wind and release': 'wind',
  slide: 'slide',
  sliding: 'slide',
  drop: 'drop',
  dropping: 'drop',
};
const BREATH_WORDS: Readonly<Record<string, Breath>> = { in: 'in', out: 'out', hold: 'hold', held: 'hold' };

function directionOf(tokens: readonly Token[]): number | null {
  if (tokens.length === 0) return 0;
  const side = DIRECTIONS[lower(tokens[0])] ?? null;
  const letter = SIDE_WORDS[lower(tokens[0])];
  const base = side ?? (letter === 'left' ? -90 : letter === 'right' ? 90 : null);
  if (base === null) return null;
  if (tokens.length === 1) return base;
  const degrees = Number(lower(tokens[1]).replace('°', '') || NaN);
  if (tokens.length > 2 || Math.abs(base) !== 90 || !Number.isInteger(degrees) || degrees < 1 || degrees > 179)
    return null;
  return base < 0 ? -degrees : degrees;
}

function stanceIn(tokens: readonly Token[], vocabulary: Vocabulary) {
  if (tokens.some((t) => t.quoted || t.text === '+')) return null;
  const words = tokens.map((t) => t.text);
  const tail = SIDE_WORDS[fold(words.at(-1) ?? '')];
  const lead = tail === 'left' || tail === 'right' ? tail : null;
  const own = lead ? words.slice(0, -1) : words;
  const text = own.join(' ');
  const folded = fold(text);
  if (own.length === 1 && STANCE_SHORT.includes(folded)) return { stance: `${folded} stance`, lead };
  const word = vocabulary.find(text) ?? vocabulary.find(`${text} stance`);
  if (word?.kind === 'stance') return { stance: written(word.name), lead };
  if (own.length > 1 && folded.endsWith(' stance') && fold(own[0]!) !== 'stand') {
    return { stance: commonStance(folded) ? folded : text, lead };
  }
  return null;
}

function splitAt(tokens: readonly Token[]): Token[][] {
  const groups: Token[][] = [[]];
  for (const t of tokens)
    if (t.text === '+' && !t.quoted) groups.push([]);
    else groups.at(-1)!.push(t);
  return groups;
}

function readAction(
  tokens: Token[],
  vocabulary: Vocabulary,
  error: Report,
  unknown: Report,
  part: { column: number; length: number },
): Action | null {
  if (tokens.length === 0) {
    error(part, 'Between two + stands a technique.', 'rising block R + punch L');
    return null;
  }
  let side: Action['side'] = 'none';
  let zone: Action['zone'] | 'anywhere' = null;
  let path: Action['path'] = null;
  let kind: Action['kind'] | null = null;
  let target: string | null = null;
  let rest = tokens;
  const at = rest.findIndex((t, i) => i > 0 && lower(t) === 'at');
  if (at > 0) {
    target = rest
      .slice(at + 1)
      .map((t) => t.text)
      .join(' ');
    if (!target) error(spanOf(rest.slice(at)), 'Say what is touched.', 'at upper left, at its left arm');
    target ||= null;
    rest = rest.slice(0, at);
  }
  for (;;) {
    const last = rest.at(-1);
    if (!last || rest.length === 1) break;
    const word = lower(last);
    const note = /^\((.*)\)$/.exec(last.quoted ? '' : last.text);
    if (note) {
      kind = KIND_NOTES[fold(note[1]!)] ?? null;
      if (!kind) error(spanOf([last]), `“${note[1]!}” is no kind of technique.`, Object.keys(KIND_NOTES).join(', '));
    } else if (SIDE_WORDS[word] && side === 'none') side = SIDE_WORDS[word];
    else if (ZONE_MODIFIERS[word] && zone === null) zone = ZONE_MODIFIERS[word];
    else if (PATH_WORDS.includes(word) && path === null) path = word as 'inside' | 'outside';
    else break;
    rest = rest.slice(0, -1);
  }
  const text = rest.map((t) => t.text).join(' ');
  const word = vocabulary.find(text);
  const name = word ? written(word.name) : text;
  const here = spanOf(rest);
  const found = kind ?? kindInName(name, vocabulary);
  if (!found) {
    error(
      here,
      `“${text}” is not known here.`,
      'a technique, or its kind in brackets: ' + text + ' (strike)',
      vocabulary.near(text),
    );
    return null;
  }
  if (!word && vocabulary.words.length > 0)
    unknown(here, `“${text}” is not in the library.`, 'a technique of the library', vocabulary.near(text));
  return {
    name,
    kind: found,
    side,
    zone: zone === 'anywhere' ? null : (zone ?? zoneInName(name, vocabulary)),
    path,
    target,
  };
}
