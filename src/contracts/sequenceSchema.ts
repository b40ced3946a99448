import { toJsonSchema } from '@valibot/to-json-schema';
import * as v from 'valibot';
import { sequenceShape, storedSequence } from './stored/sequence';

/** The file in which sequences travel. */
export const sequencesFile = v.object({
  format: v.literal('stavewright-sequences'),
  version: v.literal(storedSequence.version),
  sequences: v.array(sequenceShape),
});

/** Its JSON Schema (2020-12), as in docs/formats; what only our own code can check is left out of it. */
export const sequencesJsonSchema = (): object => ({
  ...toJsonSchema(sequencesFile, { errorMode: 'ignore', target: 'draft-2020-12' }),
  title: 'Sequences of Stavewright',
});
