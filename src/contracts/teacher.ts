import * as v from 'valibot';
import { id, name, version } from './fields';

export const teacherInput = v.object({ id, name, role: v.picklist(['head', 'instructor', 'examiner']), version });
