import * as v from 'valibot';
import { id, name, version } from './fields';

export const hallInput = v.object({
  id,
  name,
  width: v.pipe(
    v.number('The width is a number of metres.'),
    v.minValue(1, 'At least 1 m.'),
    v.maxValue(200, 'At most 200 m.'),
  ),
  depth: v.pipe(
    v.number('The depth is a number of metres.'),
    v.minValue(1, 'At least 1 m.'),
    v.maxValue(200, 'At most 200 m.'),
  ),
  version,
});
