import * as v from 'valibot';
import { storedDocument } from './document';

const shape = v.object({
  title: v.string(),
  text: v.string(),
  /** The version of the sequence it was begun from. */
  version: v.number(),
  at: v.string(),
});
/** A sequence as it is being typed on a device. */
export type SequenceDraft = v.InferOutput<typeof shape>;
export const storedSequenceDraft = storedDocument<SequenceDraft>('draft', shape);
