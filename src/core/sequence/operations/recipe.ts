import { fail, ok, type Result } from '../../units/result';
import type { Sequence } from '../move';
import { answerKind, type AnswerOperation } from './answer';
import { chainKind, type ChainOperation } from './chain';
import { countsKind, type CountsOperation } from './counts';
import { extendKind, type ExtendOperation } from './extend';
import { invertKind, type InvertOperation } from './invert';
import { levelsKind, type LevelsOperation } from './levels';
import { mirrorKind, type MirrorOperation } from './mirror';
import { newHeadKind, type NewHeadOperation } from './newHead';
import { powerByKindKind, type PowerByKindOperation } from './powerByKind';
import { powerRoundKind, type PowerRoundOperation } from './powerRound';
import { pyramidKind, type PyramidOperation } from './pyramid';
import { quartersKind, type QuartersOperation } from './quarters';
import { repeatKind, type RepeatOperation } from './repeat';
import { sectionKind, type SectionOperation } from './section';
import { shuffleKind, type ShuffleOperation } from './shuffle';
import { substituteKind, type SubstituteOperation } from './substitute';
import { swapRolesKind, type SwapRolesOperation } from './swapRoles';
import { turnsKind, type TurnsOperation } from './turns';
import { NO_SOURCES, type OperationKind, type Sources } from './kind';

/** One step of a recipe. Other sequences are named by their id. */
export type Operation =
  | MirrorOperation
  | InvertOperation
  | SubstituteOperation
  | ChainOperation
  | ExtendOperation
  | RepeatOperation
  | PyramidOperation
  | PowerRoundOperation
  | TurnsOperation
  | PowerByKindOperation
  | NewHeadOperation
  | SectionOperation
  | CountsOperation
  | AnswerOperation
  | SwapRolesOperation
  | QuartersOperation
  | ShuffleOperation
  | LevelsOperation;

/** The way from a parent to a child: operations, one after the other. */
export type Recipe = readonly Operation[];

/** Every operation there is, in the order in which they are stored and offered. */
export const OPERATIONS: { [O in Operation as O['op']]: OperationKind<O> } = {
  mirror: mirrorKind,
  invert: invertKind,
  substitute: substituteKind,
  chain: chainKind,
  extend: extendKind,
  repeat: repeatKind,
  pyramid: pyramidKind,
  'power round': powerRoundKind,
  turns: turnsKind,
  'power by kind': powerByKindKind,
  'new head': newHeadKind,
  section: sectionKind,
  counts: countsKind,
  answer: answerKind,
  'swap roles': swapRolesKind,
  quarters: quartersKind,
  shuffle: shuffleKind,
  levels: levelsKind,
};

/** The operation that a step of a recipe is. */
export const kindOfStep = <O extends Operation>(o: O): OperationKind<O> =>
  OPERATIONS[o.op] as unknown as OperationKind<O>;

/** Longest sequence that a recipe may make. */
export const MOST_DERIVED = 2000;

/** Ids of the sequences that a recipe needs besides its parent. */
export const needsOf = (recipe: Recipe): string[] => recipe.flatMap((o) => kindOfStep(o).needs?.(o) ?? []);

/**
 * Makes the child of a parent. Keeps the parent's heading; refuses, with the reason, what cannot be done (a section
 * that is not there, a quarter nobody goes to, a result longer than 2,000 counts).
 */
export function derive(parent: Sequence, recipe: Recipe, sources: Sources = NO_SOURCES): Result<Sequence> {
  let seq = parent;
  for (const [i, o] of recipe.entries()) {
    const kind = kindOfStep(o);
    const grows = kind.grows?.(seq.moves.length, o) ?? 0;
    if (grows > MOST_DERIVED)
      return fail(`Step ${i + 1} of the recipe would make ${grows} counts; ${MOST_DERIVED} are the most.`);
    const made = kind.apply(seq, o, sources);
    if (!made.ok) return fail(recipe.length > 1 ? `Step ${i + 1} of the recipe: ${made.error}` : made.error);
    seq = made.value;
    if (seq.moves.length > MOST_DERIVED)
      return fail(`Step ${i + 1} of the recipe makes ${seq.moves.length} counts; ${MOST_DERIVED} are the most.`);
  }
  return ok(seq);
}

/** The recipe in words: “a front kick before each advancing punch, then the other side”. */
export const recipeWords = (recipe: Recipe, nameOf: (id: string) => string = () => 'another sequence'): string =>
  recipe.map((o) => kindOfStep(o).words(o, nameOf)).join(', then ') || 'the same';
