import * as v from 'valibot';
import {
  ACTION_KINDS,
  ACTION_SIDES,
  BREATHS,
  FOOT_WAYS,
  MOST_MOVES,
  MOST_NAMES,
  MOST_ONLY,
  MOST_OWN_POINTS,
  POWERS,
  SEQUENCE_KINDS,
  TURN_WAYS,
  ZONES,
  type Sequence,
  type Step,
} from '../../core';
import { whole } from '../fields';
import { storedDocument } from './document';
import { secondSequence } from './secondSequence';
import { fourthSequence } from './fourthSequence';
import { thirdSequence } from './thirdSequence';

export const short = v.pipe(v.string(), v.trim(), v.maxLength(200, 'This has at most 200 letters.'));

export const side = v.picklist(['left', 'right'], 'A side is left or right.');

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
  powers: v.pipe(v.array(v.picklist(POWERS)), v.maxLength(POWERS.length, 'There are five ways of power.')),
  breath: v.nullable(v.picklist(BREATHS)),
  shout: v.boolean(),
  tempo: v.nullable(v.picklist(['slow', 'quick'])),
  cue: v.nullable(short),
  free: v.boolean(),
}) satisfies v.GenericSchema<unknown, Step>;

/** Names of the conditions under which alone something holds. */
const only = v.pipe(
  v.array(v.pipe(short, v.nonEmpty('A condition has a name.'))),
  v.maxLength(MOST_ONLY, `At most ${MOST_ONLY} conditions are named at one place.`),
);

export const moveShape = v.object({
  notes: v.pipe(v.array(short), v.maxLength(20)),
  begins: v.pipe(v.array(v.object({ sectioning: whole(1, 9, 'A sectioning'), name: short })), v.maxLength(9)),
  step: stepShape,
  partner: v.nullable(stepShape),
  swaps: v.boolean(),
  remark: short,
  variants: v.pipe(
    v.array(v.object({ school: short, graded: v.boolean(), only, step: stepShape })),
    v.maxLength(9, 'A count has at most nine variants.'),
  ),
  branches: v.pipe(
    v.array(v.object({ when: short, steps: v.pipe(v.array(stepShape), v.maxLength(50)) })),
    v.maxLength(9, 'A count has at most nine branches.'),
  ),
  points: v.pipe(
    v.array(
      v.object({
        name: v.pipe(short, v.nonEmpty('A point has a name.')),
        felt: v.boolean(),
        between: v.boolean(),
        only,
      }),
    ),
    v.maxLength(MOST_OWN_POINTS, `A count has at most ${MOST_OWN_POINTS} points of its own.`),
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
    apart: v.boolean(),
    condition: v.nullable(short),
    contact: v.nullable(short),
    players: v.nullable(whole(1, 12, 'Players')),
    seconds: v.nullable(whole(5, 3600, 'Seconds')),
    names: v.pipe(
      v.array(v.object({ school: short, name: short })),
      v.maxLength(MOST_NAMES, `A sequence has at most ${MOST_NAMES} other names.`),
    ),
    lineage: v.pipe(v.array(short), v.maxLength(MOST_NAMES, `At most ${MOST_NAMES} passed it on here.`)),
  }),
  moves: v.pipe(v.array(moveShape), v.maxLength(MOST_MOVES, `A sequence has at most ${MOST_MOVES} counts.`)),
  closing: v.pipe(v.array(short), v.maxLength(50)),
}) satisfies v.GenericSchema<unknown, Sequence>;

export const storedSequence = storedDocument<Sequence>('sequence', sequenceShape, [
  secondSequence,
  thirdSequence,
  fourthSequence,
]);
