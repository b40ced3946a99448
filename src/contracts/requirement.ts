import * as v from 'valibot';
import { PURPOSES, RUNGS, STAGES } from '../core';
import { id } from './fields';
import { openingShape } from './gate';
import { standardInput } from './standard';

export const requirementShape = v.object({
  id,
  rankId: id,
  threadId: id,
  conditionId: id,
  purpose: v.nullable(v.picklist(PURPOSES)),
  standard: standardInput,
  stage: v.nullable(v.picklist(STAGES)),
  rung: v.nullable(v.picklist(RUNGS)),
  critical: v.boolean(),
  opens: v.nullable(openingShape),
});
