import * as v from 'valibot';
import { version as edited, id, name } from './fields';

export const conditionInput = v.object({ id, name, version: edited });
