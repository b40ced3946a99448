import { type Bundle } from '../../../contracts/stored/bundle';
import type { Recipe } from '../../../core';
import { type SequenceRow } from '../../../data/queries/sequences';

/** A recipe as it travels: other sequences by their titles. */
export const recipeOut = (recipe: Recipe, titleOf: (id: string) => string): Bundle['sequences'][number]['recipe'] =>
  recipe.map((o) =>
    o.op === 'chain' ? { ...o, with: titleOf(o.with) } : o.op === 'new head' ? { ...o, head: titleOf(o.head) } : o,
  );

/** A sequence as it travels. */
export const sequenceOut = (
  r: Pick<SequenceRow, 'title' | 'body' | 'parentId' | 'recipe' | 'departures'>,
  titleOf: (id: string) => string,
): Bundle['sequences'][number] =>
  ({
    title: r.title,
    body: r.body,
    from: r.parentId === null ? null : titleOf(r.parentId),
    recipe: r.recipe && recipeOut(r.recipe, titleOf),
    departures: r.departures,
  }) as Bundle['sequences'][number];
