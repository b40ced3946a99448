import * as v from 'valibot';
import { id, version, whole } from './fields';

/** The floor at home in metres, the height in centimetres and the weight in kilograms. */
export const roomInput = v.object({
  id,
  roomWidth: v.nullable(v.pipe(v.number(), v.minValue(0.5, 'A room is at least half a metre wide.'), v.maxValue(30))),
  roomDepth: v.nullable(v.pipe(v.number(), v.minValue(0.5, 'A room is at least half a metre deep.'), v.maxValue(30))),
  stature: v.nullable(whole(60, 230, 'The height in centimetres')),
  /** Left out: as it was. */
  mass: v.optional(v.nullable(whole(10, 250, 'The weight in kilograms'))),
  version,
});
