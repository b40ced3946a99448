import * as v from 'valibot';
import { date, id, line } from './fields';

export const outcomeInput = v.object({ id, studentId: id, rankId: id, day: date, passed: v.boolean(), note: line });
