import { diffArrays } from 'diff';
import { findDepartures, printMove, type Move, type Recipe, type Sequence } from '../../core';

export interface Departs {
  /** Moves (0-based) that are not the parent's. */
  moves: Set<number>;
  /** After how many moves one of the parent's is left out. */
  gaps: number[];
  added: number;
  left: number;
  byHand: number;
}

const NONE: Departs = { moves: new Set(), gaps: [], added: 0, left: 0, byHand: 0 };
/** Recipes after which most moves are still the parent's own. */
const KEEPS = ['substitute', 'extend', 'new head', 'chain'];

/** Where a derived sequence departs: from its parent if the recipe keeps the parent's moves, otherwise from its recipe. */
export function departsFrom(
  seq: Sequence,
  computed: Sequence | null,
  parent: Sequence | null,
  recipe: Recipe | null,
): Departs {
  if (!computed || !parent || !recipe) return NONE;
  const edits = findDepartures(computed.moves, seq.moves);
  const from = recipe.every((o) => KEEPS.includes(o.op)) ? parent.moves : computed.moves;
  const line = (m: Move) => printMove({ ...m, begins: [], notes: [] }).join('\n');
  const moves = new Set<number>();
  const gaps: number[] = [];
  let at = 0;
  let [added, left] = [0, 0];
  for (const p of diffArrays(from.map(line), seq.moves.map(line))) {
    if (p.added) {
      for (let i = 0; i < p.count; i++) moves.add(at + i);
      added += p.count;
      at += p.count;
    } else if (p.removed) {
      left += p.count;
      gaps.push(at);
    } else at += p.count;
  }
  return { moves, gaps, added, left, byHand: edits.length };
}
