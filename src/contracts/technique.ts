import * as v from 'valibot';
import { BODY_PARTS, fold, HURTS, MEASURED_BY, POINT_KINDS, TECHNIQUE_KINDS, UNITS, waysToMeasure } from '../core';
import { id, line, name, prose, version } from './fields';
import { detailShape } from './stored/technique';

const range = v.pipe(
  v.object({
    lo: v.pipe(v.number('A range has two numbers.'), v.finite()),
    hi: v.pipe(v.number('A range has two numbers.'), v.finite()),
  }),
  v.check((r) => r.lo <= r.hi, 'The range runs from the smaller number to the larger.'),
);

/** So many has a technique, in a command as in a file. */
export const [MOST_POINTS, MOST_SLIPS] = [30, 12];

/** Whether no two are called the same: a mark names its point, and a file finds it by its name. */
export const namesDiffer = (list: readonly { name: string }[]): boolean =>
  new Set(list.map((x) => fold(x.name))).size === list.length;

export const slipInput = v.object({
  id,
  looksLike: v.pipe(line, v.nonEmpty('Say what the slip looks like.')),
  cause: line,
  cue: line,
  hurts: v.picklist(HURTS),
  hurtsHow: line,
});

export const pointInput = v.pipe(
  v.object({
    id,
    name: v.pipe(name, v.maxLength(80, 'A point’s name has at most 80 letters.')),
    how: line,
    why: line,
    kind: v.picklist(POINT_KINDS),
    bodyPart: v.picklist(BODY_PARTS),
    critical: v.boolean(),
    unit: v.nullable(v.picklist(UNITS)),
    accepted: v.nullable(range),
    wanted: v.nullable(range),
    /** What it is read off on the device; left out: by hand. */
    measuredBy: v.optional(v.nullable(v.picklist(MEASURED_BY, 'Nothing is measured in this way here.'))),
    slips: v.pipe(v.array(slipInput), v.maxLength(MOST_SLIPS, `A point has at most ${MOST_SLIPS} slips.`)),
  }),
  v.forward(
    v.check((p) => p.kind !== 'measured' || p.accepted !== null, 'A measured point needs an accepted range.'),
    ['accepted'],
  ),
  v.forward(
    v.check((p) => p.kind !== 'measured' || p.unit !== null, 'A measured point needs a unit.'),
    ['unit'],
  ),
  v.forward(
    v.check(
      (p) => p.wanted === null || p.accepted === null || (p.wanted.lo >= p.accepted.lo && p.wanted.hi <= p.accepted.hi),
      'What is wanted lies inside what is accepted.',
    ),
    ['wanted'],
  ),
  v.forward(
    v.check(
      (p) => !p.measuredBy || waysToMeasure(p.unit).includes(p.measuredBy),
      'What it is read off is not told in this unit.',
    ),
    ['measuredBy'],
  ),
);

/** A technique whole: it is saved as it is shown, points and slips in their order. */
export const techniqueInput = v.object({
  id,
  name,
  kind: v.picklist(TECHNIQUE_KINDS),
  summary: prose,
  sided: v.boolean(),
  stanceId: v.nullable(id),
  stepId: v.nullable(id),
  points: v.pipe(
    v.array(pointInput),
    v.maxLength(MOST_POINTS, `A technique has at most ${MOST_POINTS} points of its own.`),
    v.check((list) => namesDiffer(list), 'Two points have the same name.'),
  ),
  /** Left out: it stays as it is. */
  detail: v.optional(detailShape),
  version,
});
export type TechniqueInput = v.InferOutput<typeof techniqueInput>;
export type PointInput = v.InferOutput<typeof pointInput>;
export type SlipInput = v.InferOutput<typeof slipInput>;

export const mergeInput = v.object({ keepId: id, goneId: id, why: line });
