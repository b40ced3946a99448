import * as v from 'valibot';
import {
  ACTION_KINDS,
  ACTION_SIDES,
  BREATHS,
  FOOT_WAYS,
  INVERSIONS,
  MOST_MOVES,
  POWERS,
  SEQUENCE_KINDS,
  TURN_WAYS,
  ZONES,
  type Operation,
  type Sequence,
  type Step,
} from '../core';
import { id, line, name, reason, version, whole } from './words';

const short = v.pipe(v.string(), v.trim(), v.maxLength(200, 'This has at most 200 letters.'));
const side = v.picklist(['left', 'right'], 'A side is left or right.');
const share = whole(0, 100, 'A share of weight');

/** One count of one performer, as the core knows it. */
export const stepShape = v.object({
  turn: v.nullable(
    v.object({
      degrees: v.pipe(
        whole(-720, 720, 'A turn'),
        v.check((d) => d !== 0, 'A turn of 0° is none.'),
      ),
      by: v.picklist(TURN_WAYS),
    }),
  ),
  foot: v.nullable(v.object({ side, way: v.picklist(FOOT_WAYS), toward: whole(-179, 180, 'A direction') })),
  stance: v.nullable(short),
  lead: v.nullable(side),
  weight: v.nullable(v.object({ start: v.nullable(share), end: share })),
  level: v.nullable(v.picklist(['rise', 'sink'])),
  actions: v.pipe(
    v.array(
      v.object({
        name: v.pipe(short, v.nonEmpty('A technique has a name.')),
        kind: v.picklist(ACTION_KINDS),
        side: v.picklist(ACTION_SIDES),
        zone: v.nullable(v.picklist(ZONES)),
        path: v.nullable(v.picklist(['inside', 'outside'])),
        target: v.nullable(short),
      }),
    ),
    v.maxLength(6, 'A count has at most six actions.'),
  ),
  power: v.nullable(v.picklist(POWERS)),
  breath: v.nullable(v.picklist(BREATHS)),
  shout: v.boolean(),
  tempo: v.nullable(v.picklist(['slow', 'quick'])),
  cue: v.nullable(short),
}) satisfies v.GenericSchema<unknown, Step>;

const moveShape = v.object({
  notes: v.pipe(v.array(short), v.maxLength(20)),
  begins: v.pipe(v.array(v.object({ sectioning: whole(1, 9, 'A sectioning'), name: short })), v.maxLength(9)),
  step: stepShape,
  partner: v.nullable(stepShape),
  swaps: v.boolean(),
  remark: short,
  variants: v.pipe(
    v.array(v.object({ school: short, graded: v.boolean(), step: stepShape })),
    v.maxLength(9, 'A count has at most nine variants.'),
  ),
  branches: v.pipe(
    v.array(v.object({ when: short, steps: v.pipe(v.array(stepShape), v.maxLength(50)) })),
    v.maxLength(9, 'A count has at most nine branches.'),
  ),
});

/** A sequence whole, as it is stored and exchanged. */
export const sequenceShape = v.object({
  about: v.object({
    title: short,
    kind: v.picklist(SEQUENCE_KINDS),
    rank: v.nullable(short),
    sectionings: v.pipe(v.array(v.object({ sectioning: whole(1, 9, 'A sectioning'), name: short })), v.maxLength(9)),
    level: v.boolean(),
    lineWork: v.boolean(),
    loop: v.boolean(),
    condition: v.nullable(short),
    contact: v.nullable(short),
    players: v.nullable(whole(1, 12, 'Players')),
    seconds: v.nullable(whole(5, 3600, 'Seconds')),
  }),
  moves: v.pipe(v.array(moveShape), v.maxLength(MOST_MOVES, `A sequence has at most ${MOST_MOVES} counts.`)),
  closing: v.pipe(v.array(short), v.maxLength(50)),
}) satisfies v.GenericSchema<unknown, Sequence>;

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

export const departureShape = v.object({
  at: whole(0, MOST_MOVES, 'A count'),
  was: v.nullable(moveShape),
  becomes: v.nullable(moveShape),
  after: v.nullable(moveShape),
});

const text = v.pipe(
  v.string('The text of the sequence is missing.'),
  v.maxLength(200_000, 'A sequence’s text has at most 200,000 letters.'),
);

export const sequenceSave = v.object({
  id,
  title: name,
  text,
  /** The version that was changed; another one in the meantime is not written over. Left out: whatever is there. */
  version,
});
export const sequenceDerive = v.object({ id, parentId: id, title: name, recipe: recipeShape });
export const sequenceWaive = v.object({
  sequenceId: id,
  key: v.pipe(v.string(), v.nonEmpty(), v.maxLength(2000)),
  /** Null takes the waiver back. */
  reason: v.nullable(reason),
});
export const sequenceImport = v.object({
  sequences: v.pipe(
    v.array(v.object({ id, title: name, text })),
    v.minLength(1, 'There is no sequence to take.'),
    v.maxLength(200, 'At most 200 sequences at once.'),
  ),
});
export const hallInput = v.object({
  id,
  name,
  width: v.pipe(
    v.number('The width is a number of metres.'),
    v.minValue(1, 'At least 1 m.'),
    v.maxValue(200, 'At most 200 m.'),
  ),
  depth: v.pipe(
    v.number('The depth is a number of metres.'),
    v.minValue(1, 'At least 1 m.'),
    v.maxValue(200, 'At most 200 m.'),
  ),
  version,
});
export const mergeInput = v.object({ keepId: id, goneId: id, why: line });
