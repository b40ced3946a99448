import * as v from 'valibot';
import { version as edited, id, name, whole } from './fields';

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
  version: edited,
});

export type RankInput = v.InferOutput<typeof rankInput>;
