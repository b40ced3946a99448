import * as v from 'valibot';
import { id, name, whole } from './fields';

export const oneItem = { techniqueId: v.nullable(id), sequenceId: v.nullable(id) };

export const itemShape = v.union([
  v.object({ technique: id }),
  v.object({
    sequence: id,
    part: v.nullable(
      v.pipe(
        v.object({
          from: whole(1, 1000, 'The first count'),
          to: whole(1, 1000, 'The last count'),
          section: v.nullable(name),
        }),
        v.check((p) => p.from <= p.to, 'A part ends after it begins.'),
      ),
    ),
  }),
]);
