import * as v from 'valibot';
import { date, id, name, version } from './fields';

export const studentInput = v.object({ id, name, born: v.nullable(date), rankId: id, since: date });

export type StudentInput = v.InferOutput<typeof studentInput>;

export const studentChange = v.object({ id, name, born: v.nullable(date), version });
