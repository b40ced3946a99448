import * as v from 'valibot';
import { COUNTED_GATES, GATE_KINDS, PROMOTIONS, PURPOSES, RUNGS, STAGES, type GateKind } from '../core';
import { date, id, name, reason, share, version as edited, whole } from './words';

const colour = v.pipe(v.string(), v.regex(/^#[0-9a-fA-F]{6}$/, 'A colour is written #RRGGBB.'));

/** What a belt is woven of: one colour or two halves, and perhaps bars near the tip. */
export const cloth = v.object({
  colour,
  second: v.nullable(colour),
  stripe: v.nullable(colour),
  bars: whole(0, 6, 'The number of bars'),
});
export type Cloth = v.InferOutput<typeof cloth>;

export const rankInput = v.object({
  id,
  name: v.pipe(name, v.maxLength(40, 'A belt’s name has at most 40 letters.')),
  cloth,
  version: edited,
});
export type RankInput = v.InferOutput<typeof rankInput>;

export const standardInput = v.pipe(
  v.object({
    share,
    criticalShare: share,
    repetitions: whole(1, 200, 'The number of repetitions'),
    days: whole(1, 30, 'The number of days'),
    sides: v.picklist(['both', 'one']),
    freshDays: whole(1, 3650, 'How fresh a look must be, in days,'),
    mayFallShort: whole(0, 30, 'How many points may fall short'),
  }),
  v.forward(
    v.check((s) => s.days <= s.repetitions, 'So many days need at least as many repetitions.'),
    ['days'],
  ),
);

export const itemShape = v.union([
  v.object({ technique: id }),
  v.object({
    sequence: id,
    part: v.nullable(
      v.pipe(
        v.object({
          from: whole(1, 1000, 'The first count'),
          to: whole(1, 1000, 'The last count'),
          section: v.nullable(name),
        }),
        v.check((p) => p.from <= p.to, 'A part ends after it begins.'),
      ),
    ),
  }),
]);

export const threadShape = v.object({
  id,
  item: itemShape,
  introduced: v.nullable(id),
  until: v.nullable(id),
  informal: v.boolean(),
});

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
});

/** So many of each has a syllabus at most, in a command as in a file. */
export const MOST = { belts: 40, gates: 400, needs: 8000, order: 400, standards: 50, waivers: 2000 } as const;

export const gateAmount = v.pipe(
  v.number('A gate asks for a number.'),
  v.minValue(0, 'A gate asks for more than nothing.'),
  v.maxValue(5000, 'That is more than a life of training.'),
);
/** Why nobody could pass a gate or everybody does; null: it can be asked. */
export function gateIsPossible(g: { kind: GateKind; amount: number }): string | null {
  if (COUNTED_GATES.includes(g.kind) && g.amount < 0.5) return 'A gate asks for more than nothing.';
  if (g.kind === 'consent' && (RUNGS[g.amount - 1] ?? null) === null) return 'This is no rung of contact.';
  if (g.kind === 'age' && g.amount > 99) return 'Nobody is that old.';
  return null;
}
export const gateShape = v.pipe(
  v.object({ id, rankId: id, kind: v.picklist(GATE_KINDS), amount: gateAmount }),
  v.forward(
    v.rawCheck(({ dataset, addIssue }) => {
      const wrong = dataset.typed ? gateIsPossible(dataset.value) : null;
      if (wrong !== null) addIssue({ message: wrong });
    }),
    ['amount'],
  ),
);

const need = v.object({ of: id, on: id });
const step = v.object({ easier: id, harder: id });
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
const key = v.pipe(v.string(), v.maxLength(300));

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
  waivers: v.pipe(
    v.array(v.object({ key, reason, by: name, day: date })),
    v.maxLength(MOST.waivers, `At most ${MOST.waivers} checks are left.`),
  ),
});

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
export const conditionInput = v.object({ id, name, version: edited });
