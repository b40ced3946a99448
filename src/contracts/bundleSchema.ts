import { toJsonSchema } from '@valibot/to-json-schema';
import { bundleFile } from './stored/bundle';

/** The JSON Schema (2020-12) of a school as it travels, as in docs/formats; what only our own code can check is left out. */
export const bundleJsonSchema = (): object => ({
  ...toJsonSchema(bundleFile, { errorMode: 'ignore', target: 'draft-2020-12' }),
  title: 'A school of Stavewright',
});
