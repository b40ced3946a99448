import * as v from 'valibot';
import { PROMOTIONS } from '../core';
import { date, id, name, reason, whole } from './fields';
import { gateShape } from './gate';
import { ruleShape } from './grading';
import { requirementShape } from './requirement';
import { standardInput } from './standard';
import { key, limitsShape, step, syllabusShape, threadShape, MOST, need } from './stored/syllabus';

/** One change of the draft; whose it is and when is added by the server. */
export const editShape = v.variant('op', [
  v.object({ op: v.literal('thread.put'), thread: threadShape }),
  v.object({ op: v.literal('thread.remove'), id }),
  v.object({ op: v.literal('thread.place'), id, before: v.nullable(id) }),
  v.object({ op: v.literal('requirement.put'), requirement: requirementShape }),
  v.object({ op: v.literal('requirement.remove'), id }),
  v.object({ op: v.literal('gate.put'), gate: gateShape }),
  v.object({ op: v.literal('gate.remove'), id }),
  v.object({ op: v.literal('need.add'), need }),
  v.object({ op: v.literal('need.remove'), need }),
  v.object({
    op: v.literal('order.set'),
    order: v.pipe(v.array(step), v.maxLength(MOST.order, `The order of conditions has at most ${MOST.order} steps.`)),
  }),
  v.object({ op: v.literal('standard.put'), name, standard: standardInput }),
  v.object({ op: v.literal('standard.remove'), name }),
  v.object({ op: v.literal('promotion.set'), rankId: id, promotion: v.picklist(PROMOTIONS) }),
  v.object({ op: v.literal('limits.set'), limits: limitsShape }),
  v.object({ op: v.literal('grading.set'), grading: ruleShape }),
  v.object({ op: v.literal('waive'), key, reason: v.nullable(reason) }),
]);

export type EditInput = v.InferOutput<typeof editShape>;

/** The version of the draft that the change was made on: somebody else's change meanwhile is not written over. */
const version = v.nullable(whole(0, 1_000_000_000, 'The version'));

export const syllabusChange = v.object({
  version,
  edits: v.pipe(v.array(editShape), v.minLength(1, 'There is nothing to change.'), v.maxLength(4000)),
});

/** Puts a former state of the draft back: how a change is undone. */
export const syllabusPut = v.object({ version, syllabus: syllabusShape });

export const syllabusPublish = v.object({ id, version, title: name, from: date });

export const syllabusFollow = v.object({
  versionId: id,
  studentIds: v.pipe(v.array(id), v.minLength(1, 'Say who is to be moved.'), v.maxLength(2000)),
});
