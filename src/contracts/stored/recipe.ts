import * as v from 'valibot';
import { OPERATIONS, type Operation, type Recipe, type Shapes } from '../../core';
import { id, name, whole } from '../fields';
import { storedDocument } from './document';
import { short, stepShape } from './sequence';
import { secondSequence } from './secondSequence';

/** One step of a recipe; other sequences are named by what `other` reads. */
function operations(other: Shapes['other']): v.GenericSchema<unknown, Operation> {
  const shapes: Shapes = { other, step: stepShape, line: short, whole };
  const kinds = Object.values(OPERATIONS).map((kind) => kind.shape(shapes));
  return v.variant('op', kinds as never);
}

export const operationShape = operations(id);

/** As it travels: other sequences by their titles. */
export const operationFileShape = operations(name);

export const recipeShape = v.pipe(
  v.array(operationShape),
  v.minLength(1, 'A recipe has at least one step.'),
  v.maxLength(12, 'A recipe has at most twelve steps.'),
);

export const storedRecipe = storedDocument<Recipe>('recipe', recipeShape, [secondSequence]);
