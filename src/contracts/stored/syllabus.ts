import * as v from 'valibot';
import { PROMOTIONS, USUAL_RULE, type Syllabus } from '../../core';
import { date, id, name, reason, whole } from '../fields';
import { gateShape } from '../gate';
import { ruleShape } from '../grading';
import { itemShape } from '../item';
import { requirementShape } from '../requirement';
import { standardInput } from '../standard';
import { storedDocument } from './document';

export const threadShape = v.object({
  id,
  item: itemShape,
  introduced: v.nullable(id),
  until: v.nullable(id),
  informal: v.boolean(),
});

/** So many of each has a syllabus at most, in a command as in a file. */
export const MOST = { belts: 40, gates: 400, needs: 8000, order: 400, standards: 50, waivers: 2000 } as const;

export const need = v.object({ of: id, on: id });

export const step = v.object({ easier: id, harder: id });

const age = v.nullable(whole(4, 99, 'An age'));

const minutes = v.pipe(
  v.number('Minutes are a number.'),
  v.minValue(0, 'Minutes are not negative.'),
  v.maxValue(600, 'That is more than ten hours.'),
);

export const limitsShape = v.object({
  ages: v.object({ 'soft head touch': age, 'head impact': age, 'hard conditioning': age, weapons: age }),
  owns: v.nullable(v.pipe(v.array(name), v.maxLength(200, 'At most two hundred things.'))),
  minutesPerPoint: minutes,
  minutesPerCount: minutes,
});

export const key = v.pipe(v.string(), v.maxLength(300));

/** A syllabus as it is stored, whole. */
export const syllabusShape = v.object({
  threads: v.pipe(v.array(threadShape), v.maxLength(2000, 'At most 2,000 items.')),
  requirements: v.pipe(v.array(requirementShape), v.maxLength(4000, 'At most 4,000 requirements.')),
  gates: v.pipe(v.array(gateShape), v.maxLength(MOST.gates, `At most ${MOST.gates} gates.`)),
  needs: v.pipe(v.array(need), v.maxLength(MOST.needs, `At most ${MOST.needs} needs.`)),
  order: v.pipe(v.array(step), v.maxLength(MOST.order, `The order of conditions has at most ${MOST.order} steps.`)),
  standards: v.pipe(
    v.array(v.object({ name, standard: standardInput })),
    v.maxLength(MOST.standards, `At most ${MOST.standards} standards.`),
  ),
  promotions: v.pipe(
    v.record(id, v.picklist(PROMOTIONS)),
    v.check((p) => Object.keys(p).length <= MOST.belts, `A school has at most ${MOST.belts} belts.`),
  ),
  limits: limitsShape,
  grading: ruleShape,
  waivers: v.pipe(
    v.array(v.object({ key, reason, by: name, day: date })),
    v.maxLength(MOST.waivers, `At most ${MOST.waivers} checks are left.`),
  ),
});

/** Once nothing hung on one item alone. */
export const openFromTheStart = <S extends { requirements?: unknown }>(s: S): S => ({
  ...s,
  requirements: Array.isArray(s.requirements)
    ? s.requirements.map((r: object) => ({ opens: null, ...r }))
    : s.requirements,
});

/** 2: how gradings decide; before, as usual. 3: marks out of a number in it. 4: what an item waits for. */
export const storedSyllabus = storedDocument<Syllabus>('syllabus', syllabusShape, [
  (s: Record<string, unknown>) => ({ ...s, grading: USUAL_RULE }),
  (s: { grading: object }) => ({ ...s, grading: { scale: null, ...s.grading } }),
  openFromTheStart,
]);
