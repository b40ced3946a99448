import { fail, ok, type Result } from '../../units/result';
import { listInWords } from '../../words';
import type { Power, Sequence, Step } from '../move';
import { moveOf } from '../move';
import { printStep } from '../notation/print';
import { kindInName, NO_WORDS, written, type Vocabulary } from '../notation/vocabulary';
import { answer, COMMON_ANSWERS, swapRoles, type AnswerRule } from './answer';
import { chain, counts, extend, newHead, powerRound, pyramid, repeat, section } from './compose';
import { COMMON_PAIRS, invert, type Inversion } from './invert';
import { inLane, oneLane, type Lane } from './lane';
import { COMMON_LEVELS, levelPattern, type LevelRecipe } from './levels';
import { mirror, mirrorStep } from './mirror';
import { quarterShuffle } from './quarters';
import { shuffle, type CueBy } from './shuffle';
import { substitute, type Pattern, type Replacement } from './substitute';
import { powerByKind, turnsBy, type PowerByKind } from './ways';

/** One step of a recipe. Other sequences are named by their id. */
export type Operation =
  | { op: 'mirror'; lane?: Lane | undefined }
  | { op: 'invert'; what: Inversion; pairs?: readonly (readonly [string, string])[] | undefined }
  | { op: 'substitute'; pattern: Pattern; replacement: Replacement; lane?: Lane | undefined }
  | { op: 'chain'; with: string }
  | { op: 'extend'; steps: readonly Step[]; lane?: Lane | undefined }
  | { op: 'repeat'; times: number }
  | { op: 'pyramid' }
  | { op: 'power round'; ways: readonly Power[]; lane?: Lane | undefined }
  | { op: 'turns'; by: 'swing' | 'cross' }
  | { op: 'power by kind'; ways: PowerByKind }
  | { op: 'new head'; head: string; from: number }
  | { op: 'section'; name: string }
  | { op: 'counts'; from: number; to: number }
  | { op: 'answer'; rules?: readonly AnswerRule[] | undefined }
  | { op: 'swap roles' }
  | { op: 'quarters'; seed: number; rounds: number }
  | { op: 'shuffle'; seed: number; rounds: number; by: CueBy }
  | { op: 'levels'; pattern?: LevelRecipe | undefined };

/** The way from a parent to a child: operations, one after the other. */
export type Recipe = readonly Operation[];

/** Longest sequence that a recipe may make. */
export const MOST_DERIVED = 2000;

/** Ids of the sequences that a recipe needs besides its parent. */
export const needsOf = (recipe: Recipe): string[] =>
  recipe.flatMap((o) => (o.op === 'chain' ? [o.with] : o.op === 'new head' ? [o.head] : []));

export interface Sources {
  /** Other sequences by id, as they stand. */
  find: (id: string) => Sequence | undefined;
  vocabulary: Vocabulary;
}
export const NO_SOURCES: Sources = { find: () => undefined, vocabulary: NO_WORDS };

/**
 * Makes the child of a parent. Keeps the parent's heading; refuses, with the reason, what cannot be done (a section
 * that is not there, a quarter nobody goes to, a result longer than 2,000 counts).
 */
export function derive(parent: Sequence, recipe: Recipe, sources: Sources = NO_SOURCES): Result<Sequence> {
  let seq = parent;
  for (const [i, o] of recipe.entries()) {
    const grows = o.op === 'pyramid' ? seq.moves.length ** 2 : o.op === 'repeat' ? seq.moves.length * o.times : 0;
    if (grows > MOST_DERIVED)
      return fail(`Step ${i + 1} of the recipe would make ${grows} counts; ${MOST_DERIVED} are the most.`);
    const made = apply(seq, o, sources);
    if (!made.ok) return fail(recipe.length > 1 ? `Step ${i + 1} of the recipe: ${made.error}` : made.error);
    seq = made.value;
    if (seq.moves.length > MOST_DERIVED)
      return fail(`Step ${i + 1} of the recipe makes ${seq.moves.length} counts; ${MOST_DERIVED} are the most.`);
  }
  return ok(seq);
}

function apply(seq: Sequence, o: Operation, { find, vocabulary }: Sources): Result<Sequence> {
  const other = (id: string): Result<Sequence> => {
    const found = find(id);
    return found ? ok(found) : fail('A sequence of the recipe is not there any more.');
  };
  // A technique that was renamed since is meant by its earlier name too.
  const nameNow = (name: string): string => {
    const word = vocabulary.find(name);
    return word ? written(word.name) : name;
  };
  switch (o.op) {
    case 'mirror':
      return ok(o.lane ? oneLane(seq, o.lane, mirrorStep) : mirror(seq));
    case 'invert': {
      const own = o.pairs?.map(
        (p) =>
          p.map(nameNow).map((name) => ({ name, kind: kindInName(name, vocabulary) ?? ('strike' as const) })) as never,
      );
      return ok(invert(seq, o.what, own ?? COMMON_PAIRS[o.what]));
    }
    case 'substitute':
      return ok(
        inLane(seq, o.lane ?? 'A', (s) =>
          substitute(
            s,
            o.pattern.name === undefined ? o.pattern : { ...o.pattern, name: nameNow(o.pattern.name) },
            o.replacement,
            vocabulary,
          ),
        ),
      );
    case 'chain': {
      const b = other(o.with);
      return b.ok ? ok(chain(seq, b.value)) : b;
    }
    case 'extend':
      return ok(
        inLane(seq, o.lane ?? 'A', (s) =>
          extend(
            s,
            o.steps.map((step) => moveOf(step)),
          ),
        ),
      );
    case 'repeat':
      return ok(repeat(seq, o.times));
    case 'pyramid':
      return ok(pyramid(seq));
    case 'power round':
      return ok(powerRound(seq, o.ways, o.lane));
    case 'turns':
      return ok(turnsBy(seq, o.by));
    case 'power by kind':
      return ok(powerByKind(seq, o.ways));
    case 'shuffle':
      return shuffle(seq, o.seed, o.rounds, o.by);
    case 'new head': {
      const head = other(o.head);
      return head.ok ? newHead(seq, head.value, o.from) : head;
    }
    case 'section':
      return section(seq, o.name);
    case 'counts':
      return o.from > seq.moves.length ? fail(`There is no count ${o.from}.`) : ok(counts(seq, o.from, o.to));
    case 'answer':
      return ok(answer(seq, o.rules ?? COMMON_ANSWERS).sequence);
    case 'swap roles':
      return seq.moves.some((m) => m.partner)
        ? ok(swapRoles(seq))
        : fail('Roles swap between two partners; there is only one here.');
    case 'quarters':
      return quarterShuffle(seq, o.seed, o.rounds);
    case 'levels': {
      const own = [...new Set(seq.moves.flatMap((m) => m.step.actions.map((a) => a.name)))].slice(0, 2);
      const names = o.pattern?.techniques?.map(nameNow) ?? own;
      if (names.length === 0) return fail('There is no technique yet to take through the heights.');
      return ok({
        ...levelPattern({ ...COMMON_LEVELS, ...o.pattern, techniques: names }, vocabulary),
        about: seq.about,
      });
    }
  }
}

/** Whose work it is, where it is one lane's. */
const inLaneSaid = (lane: Lane | undefined): string => (lane ? ` in lane ${lane}` : '');

const POWER_SAID: Record<Power, string> = {
  swing: 'swing of the turn',
  vibration: 'hip vibration',
  wind: 'wind up and release',
  slide: 'sliding the weight in',
  drop: 'dropping the weight',
};

function patternWords(p: Pattern): string {
  const noun = p.name ?? (p.family && !p.kind ? `${p.family} technique` : (p.kind ?? 'technique'));
  const before = [
    p.advancing === true ? 'advancing' : p.advancing === false ? 'standing' : '',
    p.turning === true ? 'turning' : '',
    p.side ?? '',
    p.zone ?? '',
  ].filter(Boolean);
  return [...before, noun].join(' ') + (p.stance ? ` in ${p.stance}` : '');
}

const article = (name: string) => `${/^[aeiou]/i.test(name) ? 'an' : 'a'} ${name}`;
/** What is put in, shortly: the techniques by name, or the whole count where it has none. */
const stepWords = (s: Step): string =>
  s.actions.length > 0 ? s.actions.map((a) => article(a.name)).join(' and ') : printStep(s);

/** The recipe in words: “a front kick before each advancing punch, then the other side”. */
export function recipeWords(recipe: Recipe, nameOf: (id: string) => string = () => 'another sequence'): string {
  const one = (o: Operation): string => {
    switch (o.op) {
      case 'mirror':
        return `the other side${inLaneSaid(o.lane)}`;
      case 'invert':
        return `${o.what} changed over`;
      case 'substitute': {
        const what = patternWords(o.pattern) + inLaneSaid(o.lane);
        const r = o.replacement;
        if (r.do === 'remove') return `without each ${what}`;
        if (r.do === 'become') {
          const to = [r.zone ? `${r.zone}` : '', r.name ?? '', r.target === undefined ? '' : `at ${r.target}`]
            .filter(Boolean)
            .join(' ');
          const stance = r.stance ? `${to ? ' ' : ''}in ${r.stance}` : '';
          return `each ${what} becomes ${to || (r.stance ? '' : 'what it was')}${stance}`.replace(/ {2,}/g, ' ');
        }
        const step = stepWords(r.step);
        const slides = r.do === 'before' && r.slidesUp ? ', the standing foot sliding up' : '';
        return r.do === 'instead' ? `${step} in place of each ${what}` : `${step} ${r.do} each ${what}${slides}`;
      }
      case 'chain':
        return `followed by ${nameOf(o.with)}`;
      case 'extend':
        return `with ${listInWords(o.steps.map(stepWords))} at the end${inLaneSaid(o.lane)}`;
      case 'repeat':
        return `${o.times} times`;
      case 'pyramid':
        return 'as a pyramid';
      case 'power round':
        return `a round each by ${listInWords(o.ways.map((w) => POWER_SAID[w]))}${inLaneSaid(o.lane)}`;
      case 'turns':
        return o.by === 'cross' ? 'all turns across' : 'all turns by swing';
      case 'power by kind':
        return listInWords(
          Object.entries(o.ways).flatMap(([kind, way]) =>
            way ? [`${kind} counts by ${POWER_SAID[way as Power]}`] : [],
          ),
        );
      case 'shuffle':
        return `called at random${o.by === 'as written' ? '' : ` by ${o.by}`}, each ${o.rounds} times`;
      case 'new head':
        return `from count ${o.from} on, with the head of ${nameOf(o.head)}`;
      case 'section':
        return `the section ${o.name}`;
      case 'counts':
        return o.from === o.to ? `count ${o.from}` : `counts ${o.from} to ${o.to}`;
      case 'answer':
        return o.rules ? 'each attack answered by its own rules' : 'each attack answered';
      case 'swap roles':
        return 'roles swapped';
      case 'quarters':
        return `quarters at random, ${o.rounds * 4} counts`;
      case 'levels':
        return 'through the heights';
    }
  };
  return recipe.map(one).join(', then ') || 'the same';
}
