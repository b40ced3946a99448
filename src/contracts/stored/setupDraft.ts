import * as v from 'valibot';
import { storedDocument } from './document';

const shape = v.object({
  school: v.string(),
  timeZone: v.string(),
  head: v.string(),
  email: v.string(),
  ranks: v.array(
    v.object({
      key: v.string(),
      name: v.string(),
      colour: v.string(),
      second: v.nullable(v.string()),
      bars: v.number(),
    }),
  ),
});
/** What was typed on the first page of an empty installation, without the password. */
export type SetupDraft = v.InferOutput<typeof shape>;
export const storedSetupDraft = storedDocument<SetupDraft>('draft', shape);
