import { dequal } from 'dequal';
import type { Sequence } from '../move';
import { NO_SOURCES, type Sources } from './kind';
import { derive, kindOfStep, type Operation, type Recipe } from './recipe';

/** What a step left as it was or did not know, in words. */
function said(o: Operation, before: Sequence, after: Sequence, sources: Sources): string[] {
  const same = dequal(before.moves, after.moves) && before.about.kind === after.about.kind;
  const own = kindOfStep(o).effects?.(o, before, after, same, sources);
  return own ?? (same && before.moves.length > 0 ? ['changes nothing.'] : []);
}

/** What a recipe does not do: steps without effect, names and attacks it knows nothing for. Each names its step. */
export function recipeEffects(parent: Sequence, recipe: Recipe, sources: Sources = NO_SOURCES): string[] {
  const out: string[] = [];
  let seq = parent;
  for (const [i, o] of recipe.entries()) {
    const made = derive(seq, [o], sources);
    if (!made.ok) return out;
    out.push(...said(o, seq, made.value, sources).map((text) => `Step ${i + 1}: ${text}`));
    seq = made.value;
  }
  return out;
}
