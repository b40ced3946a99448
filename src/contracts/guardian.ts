import * as v from 'valibot';
import { id, name, version } from './fields';

export const guardianInput = v.object({
  id,
  name,
  studentIds: v.pipe(v.array(id), v.minLength(1, 'Say for whom.'), v.maxLength(60, 'Nobody answers for more than 60.')),
  version,
});
