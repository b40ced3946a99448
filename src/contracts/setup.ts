import * as v from 'valibot';
import { email, name, password, timeZone } from './fields';

/** What the first page of an empty installation asks. */
export const setupInput = v.object({
  school: name,
  timeZone,
  head: name,
  email,
  password,
  ranks: v.pipe(
    v.array(
      v.object({
        name: v.pipe(name, v.maxLength(40, 'A belt’s name has at most 40 letters.')),
        colour: v.string(),
        second: v.nullable(v.string()),
        bars: v.number(),
      }),
    ),
    v.minLength(1, 'A school needs at least one belt.'),
    v.maxLength(40, 'A school has at most 40 belts.'),
    v.check((r) => new Set(r.map((x) => x.name.toLowerCase())).size === r.length, 'Two belts have the same name.'),
  ),
});

export type SetupInput = v.InferOutput<typeof setupInput>;
