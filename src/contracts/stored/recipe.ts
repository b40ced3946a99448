import * as v from 'valibot';
import { ACTION_KINDS, INVERSIONS, MOST_MOVES, POWERS, ZONES, type Operation, type Recipe } from '../../core';
import { id, name, whole } from '../fields';
import { storedDocument } from './document';
import { short, side, stepShape } from './sequence';

const pattern = v.object({
  name: v.optional(short),
  kind: v.optional(v.picklist(ACTION_KINDS)),
  family: v.optional(v.picklist(['hand', 'foot', 'weapon', 'body'])),
  zone: v.optional(v.picklist(ZONES)),
  side: v.optional(v.picklist(['left', 'right', 'lead', 'rear'])),
  stance: v.optional(short),
  advancing: v.optional(v.boolean()),
  turning: v.optional(v.boolean()),
});

const replacement = v.variant('do', [
  v.object({ do: v.literal('before'), step: stepShape }),
  v.object({ do: v.literal('after'), step: stepShape }),
  v.object({ do: v.literal('instead'), step: stepShape }),
  v.object({
    do: v.literal('become'),
    name: v.optional(short),
    zone: v.optional(v.picklist(ZONES)),
    stance: v.optional(short),
  }),
  v.object({ do: v.literal('remove') }),
]);

/** One step of a recipe; other sequences are named by what `other` reads. */
const operations = <S extends v.GenericSchema<string, string>>(other: S) =>
  v.variant('op', [
    v.object({ op: v.literal('mirror') }),
    v.object({
      op: v.literal('invert'),
      what: v.picklist(INVERSIONS),
      pairs: v.optional(v.pipe(v.array(v.tuple([short, short])), v.maxLength(50))),
    }),
    v.object({ op: v.literal('substitute'), pattern, replacement }),
    v.object({ op: v.literal('chain'), with: other }),
    v.object({ op: v.literal('extend'), steps: v.pipe(v.array(stepShape), v.minLength(1), v.maxLength(50)) }),
    v.object({ op: v.literal('repeat'), times: whole(2, 50, 'Times') }),
    v.object({ op: v.literal('pyramid') }),
    v.object({
      op: v.literal('power round'),
      ways: v.pipe(v.array(v.picklist(POWERS)), v.minLength(1), v.maxLength(5)),
    }),
    v.object({ op: v.literal('new head'), head: other, from: whole(1, MOST_MOVES, 'A count') }),
    v.object({ op: v.literal('section'), name: short }),
    v.object({ op: v.literal('counts'), from: whole(1, MOST_MOVES, 'A count'), to: whole(1, MOST_MOVES, 'A count') }),
    v.object({
      op: v.literal('answer'),
      rules: v.optional(
        v.pipe(
          v.array(
            v.object({
              name: v.optional(short),
              kind: v.optional(v.picklist(ACTION_KINDS)),
              zone: v.optional(v.picklist(ZONES)),
              side: v.optional(side),
              step: stepShape,
            }),
          ),
          v.minLength(1, 'Write at least one rule, or leave the rules to common practice.'),
          v.maxLength(60, 'At most sixty rules.'),
        ),
      ),
    }),
    v.object({ op: v.literal('swap roles') }),
    v.object({ op: v.literal('quarters'), seed: whole(0, 2 ** 31 - 1, 'A seed'), rounds: whole(1, 100, 'Rounds') }),
    v.object({ op: v.literal('levels') }),
  ]);

export const operationShape = operations(id) satisfies v.GenericSchema<unknown, Operation>;

/** As it travels: other sequences by their titles. */
export const operationFileShape = operations(name);

export const recipeShape = v.pipe(
  v.array(operationShape),
  v.minLength(1, 'A recipe has at least one step.'),
  v.maxLength(12, 'A recipe has at most twelve steps.'),
);

export const storedRecipe = storedDocument<Recipe>('recipe', recipeShape);
