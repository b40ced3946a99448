import * as v from 'valibot';
import { date, id, line } from './fields';

export const promotionInput = v.object({ id, studentId: id, rankId: id, day: date, note: line });
