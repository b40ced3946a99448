import * as v from 'valibot';
import { GATE_KINDS } from '../core';
import { id, name, share, whole } from './words';

const colour = v.pipe(v.string(), v.regex(/^#[0-9a-fA-F]{6}$/, 'A colour is written #RRGGBB.'));

/** What a belt is woven of: one colour or two halves, and perhaps bars near the tip. */
export const cloth = v.object({
  colour,
  second: v.nullable(colour),
  stripe: v.nullable(colour),
  bars: whole(0, 6, 'The number of bars'),
});
export type Cloth = v.InferOutput<typeof cloth>;

export const rankInput = v.object({
  id,
  name: v.pipe(name, v.maxLength(40, 'A belt’s name has at most 40 letters.')),
  cloth,
});
export type RankInput = v.InferOutput<typeof rankInput>;

export const standardInput = v.pipe(
  v.object({
    share,
    criticalShare: share,
    repetitions: whole(1, 200, 'The number of repetitions'),
    days: whole(1, 30, 'The number of days'),
    sides: v.picklist(['both', 'one']),
    freshDays: whole(1, 3650, 'How fresh a look must be, in days,'),
    mayFallShort: whole(0, 30, 'How many points may fall short'),
  }),
  v.forward(
    v.check((s) => s.days <= s.repetitions, 'So many days need at least as many repetitions.'),
    ['days'],
  ),
);

export const requirementInput = v.object({
  id,
  rankId: id,
  techniqueId: id,
  conditionId: id,
  purpose: v.nullable(v.picklist(['show', 'study'])),
  standard: standardInput,
});
export type RequirementInput = v.InferOutput<typeof requirementInput>;

export const gateInput = v.object({
  id,
  rankId: id,
  kind: v.picklist(GATE_KINDS),
  amount: v.pipe(
    v.number('A gate asks for a number.'),
    v.minValue(0.5, 'A gate asks for more than nothing.'),
    v.maxValue(5000, 'That is more than a life of training.'),
  ),
});
export type GateInput = v.InferOutput<typeof gateInput>;
