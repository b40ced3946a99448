import * as v from 'valibot';
import { email, id, password } from './fields';

export const accessInput = v.object({ personId: id, email, password });
