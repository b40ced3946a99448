import * as v from 'valibot';
import {
  ACTION_KINDS,
  CUES_BY,
  INVERSIONS,
  LANES,
  MOST_MOVES,
  POWERS,
  TURNING_FEET,
  ZONES,
  type Operation,
  type Recipe,
} from '../../core';
import { id, name, whole } from '../fields';
import { storedDocument } from './document';
import { short, side, stepShape } from './sequence';
import { secondSequence } from './secondSequence';

const pattern = v.object({
  name: v.optional(short),
  kind: v.optional(v.picklist(ACTION_KINDS)),
  kinds: v.optional(v.pipe(v.array(v.picklist(ACTION_KINDS)), v.minLength(1), v.maxLength(ACTION_KINDS.length))),
  family: v.optional(v.picklist(['hand', 'foot', 'weapon', 'body'])),
  zone: v.optional(v.picklist(ZONES)),
  side: v.optional(v.picklist(['left', 'right', 'lead', 'rear'])),
  stance: v.optional(short),
  advancing: v.optional(v.boolean()),
  turning: v.optional(v.boolean()),
});

const replacement = v.variant('do', [
  v.object({ do: v.literal('before'), step: stepShape, slidesUp: v.optional(v.boolean()) }),
  v.object({ do: v.literal('after'), step: stepShape }),
  v.object({ do: v.literal('instead'), step: stepShape }),
  v.object({
    do: v.literal('become'),
    name: v.optional(short),
    zone: v.optional(v.picklist(ZONES)),
    stance: v.optional(short),
    target: v.optional(short),
  }),
  v.object({ do: v.literal('remove') }),
]);

const lane = v.optional(v.picklist(LANES));

/** One step of a recipe; other sequences are named by what `other` reads. */
const operations = <S extends v.GenericSchema<string, string>>(other: S) =>
  v.variant('op', [
    v.object({ op: v.literal('mirror'), lane }),
    v.object({
      op: v.literal('invert'),
      what: v.picklist(INVERSIONS),
      pairs: v.optional(v.pipe(v.array(v.tuple([short, short])), v.maxLength(50))),
    }),
    v.object({ op: v.literal('substitute'), pattern, replacement, lane }),
    v.object({ op: v.literal('chain'), with: other }),
    v.object({ op: v.literal('extend'), steps: v.pipe(v.array(stepShape), v.minLength(1), v.maxLength(50)), lane }),
    v.object({ op: v.literal('repeat'), times: whole(2, 50, 'Times') }),
    v.object({ op: v.literal('pyramid') }),
    v.object({
      op: v.literal('power round'),
      ways: v.pipe(v.array(v.picklist(POWERS)), v.minLength(1), v.maxLength(5)),
      lane,
    }),
    v.object({ op: v.literal('turns'), by: v.picklist(['swing', 'cross']) }),
    v.object({
      op: v.literal('power by kind'),
      ways: v.pipe(
        v.object({
          turning: v.optional(v.picklist(POWERS)),
          advancing: v.optional(v.picklist(POWERS)),
          standing: v.optional(v.picklist(POWERS)),
        }),
        v.check((w) => Object.values(w).some((way) => way !== undefined), 'Say a way of power for one kind at least.'),
      ),
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
    v.object({
      op: v.literal('shuffle'),
      seed: whole(0, 2 ** 31 - 1, 'A seed'),
      rounds: whole(1, 100, 'Rounds'),
      by: v.picklist(CUES_BY),
    }),
    v.object({
      op: v.literal('levels'),
      pattern: v.optional(
        v.object({
          techniques: v.optional(v.pipe(v.array(short), v.minLength(1), v.maxLength(4, 'At most four techniques.'))),
          zones: v.pipe(v.array(v.picklist(ZONES)), v.minLength(1), v.maxLength(12, 'At most twelve heights.')),
          first: side,
          turn: whole(0, 360, 'A turn'),
          foot: v.picklist(TURNING_FEET),
          bothHands: v.boolean(),
        }),
      ),
    }),
  ]);

export const operationShape = operations(id) satisfies v.GenericSchema<unknown, Operation>;

/** As it travels: other sequences by their titles. */
export const operationFileShape = operations(name);

export const recipeShape = v.pipe(
  v.array(operationShape),
  v.minLength(1, 'A recipe has at least one step.'),
  v.maxLength(12, 'A recipe has at most twelve steps.'),
);

export const storedRecipe = storedDocument<Recipe>('recipe', recipeShape, [secondSequence]);
