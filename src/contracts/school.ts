import * as v from 'valibot';
import { whole } from './fields';

/** What a school sets for itself. */
export const schoolInput = v.object({ classDays: whole(0, 3650, 'The number of days') });
