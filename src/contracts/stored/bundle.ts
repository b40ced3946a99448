import * as v from 'valibot';
import { factsOfOldName, GATE_KINDS, PROMOTIONS, PURPOSES, RUNGS, STAGES, USUAL_RULE } from '../../core';
import { conditionShape } from '../condition';
import { name, whole } from '../fields';
import { gateAmount, gateIsPossible, openingShape } from '../gate';
import { ruleShape } from '../grading';
import { cloth } from '../rank';
import { standardInput } from '../standard';
import { techniqueFileShape } from '../techniqueFile';
import { departureShape } from './departures';
import { NotOurs, storedDocument } from './document';
import { operationFileShape } from './recipe';
import { sequenceShape } from './sequence';
import { secondSequence } from './secondSequence';
import { fourthSequence } from './fourthSequence';
import { thirdSequence } from './thirdSequence';
import { limitsShape, MOST, openFromTheStart } from './syllabus';
import { ceilingWithKind } from './technique';

const part = v.nullable(
  v.pipe(
    v.object({
      from: whole(1, 1000, 'The first count'),
      to: whole(1, 1000, 'The last count'),
      section: v.nullable(name),
    }),
    v.check((p) => p.from <= p.to, 'A part ends after it begins.'),
  ),
);
/** An item by name: a technique, or a sequence or part of one. */
export const itemByName = v.union([v.object({ technique: name }), v.object({ sequence: name, part })]);
export type ItemByName = v.InferOutput<typeof itemByName>;

/** A sequence as it travels: its moves, and the recipe it comes by, which names other sequences by their titles. */
export const sequenceFileShape = v.object({
  title: name,
  body: sequenceShape,
  from: v.nullable(name),
  recipe: v.nullable(v.pipe(v.array(operationFileShape), v.minLength(1), v.maxLength(12))),
  departures: v.pipe(v.array(departureShape), v.maxLength(2000)),
});

const FORMAT = 'stavewright-school';
/** A school as it travels: what it teaches and asks, without people and without ids. Everything is found by its name. */
const bundleBody = v.object({
  format: v.literal(FORMAT, 'This file is not a school of ours.'),
  name: v.optional(name, 'A school'),
  ranks: v.pipe(v.array(v.object({ name, cloth })), v.maxLength(40, 'A school has at most 40 belts.')),
  conditions: v.pipe(v.array(conditionShape), v.maxLength(100, 'At most a hundred conditions.')),
  techniques: v.pipe(v.array(techniqueFileShape), v.maxLength(3000, 'At most 3,000 techniques at once.')),
  sequences: v.pipe(v.array(sequenceFileShape), v.maxLength(2000, 'At most 2,000 sequences at once.')),
  /** Null: the file brings no syllabus, only what can be taught. */
  syllabus: v.nullable(
    v.object({
      items: v.pipe(
        v.array(
          v.object({
            item: itemByName,
            introduced: v.nullable(name),
            until: v.nullable(name),
            informal: v.boolean(),
            needs: v.pipe(v.array(itemByName), v.maxLength(200, 'An item needs at most 200 others.')),
          }),
        ),
        v.maxLength(2000, 'At most 2,000 items.'),
      ),
      requirements: v.pipe(
        v.array(
          v.object({
            item: itemByName,
            rank: name,
            condition: name,
            purpose: v.nullable(v.picklist(PURPOSES)),
            stage: v.nullable(v.picklist(STAGES)),
            rung: v.nullable(v.picklist(RUNGS)),
            critical: v.boolean(),
            opens: v.nullable(openingShape),
            standard: standardInput,
          }),
        ),
        v.maxLength(4000, 'At most 4,000 requirements.'),
      ),
      gates: v.pipe(
        v.array(
          v.pipe(
            v.object({ rank: name, kind: v.picklist(GATE_KINDS), amount: gateAmount }),
            v.check((g) => gateIsPossible(g) === null, 'This gate asks for nothing, or for what cannot be.'),
          ),
        ),
        v.maxLength(MOST.gates, `At most ${MOST.gates} gates.`),
      ),
      order: v.pipe(
        v.array(v.object({ easier: name, harder: name })),
        v.maxLength(MOST.order, `The order of conditions has at most ${MOST.order} steps.`),
      ),
      standards: v.pipe(
        v.array(v.object({ name, standard: standardInput })),
        v.maxLength(MOST.standards, `At most ${MOST.standards} standards.`),
      ),
      promotions: v.pipe(
        v.record(name, v.picklist(PROMOTIONS)),
        v.check((p) => Object.keys(p).length <= MOST.belts, `A school has at most ${MOST.belts} belts.`),
      ),
      limits: limitsShape,
      /** How gradings decide. */
      grading: ruleShape,
    }),
  ),
});

/** Once conditions were names alone, and ceilings words. */
interface FirstBundle {
  conditions?: unknown;
  techniques?: unknown;
}
const firstToSecond = (first: FirstBundle): unknown => ({
  ...first,
  conditions: Array.isArray(first.conditions)
    ? first.conditions.map((c: unknown) => (typeof c === 'string' ? { name: c, ...factsOfOldName(c) } : c))
    : first.conditions,
  techniques: Array.isArray(first.techniques)
    ? first.techniques.map((t: { detail?: unknown } | null) =>
        typeof t?.detail === 'object' && t.detail !== null ? { ...t, detail: ceilingWithKind(t.detail) } : t,
      )
    : first.techniques,
});
/** Then how gradings decide came to it; before, as usual. */
const secondToThird = (second: { syllabus?: unknown }): unknown =>
  typeof second.syllabus === 'object' && second.syllabus !== null
    ? { ...second, syllabus: { grading: USUAL_RULE, ...second.syllabus } }
    : second;
/** Then marks out of a number came to that; and then a count of a sequence could have several ways of power. */
const thirdToFourth = (third: { syllabus?: unknown }): unknown => {
  const s = third.syllabus as { grading?: object } | null | undefined;
  return typeof s === 'object' && s !== null
    ? { ...third, syllabus: { ...s, grading: { scale: null, ...s.grading } } }
    : third;
};
/** Then an item could wait for hours, months or years of its own. */
const sixthToSeventh = (sixth: { syllabus?: { requirements?: unknown } | null }): unknown =>
  sixth.syllabus ? { ...sixth, syllabus: openFromTheStart(sixth.syllabus) } : sixth;
export const storedBundle = storedDocument<v.InferOutput<typeof bundleBody>>('school', bundleBody, [
  firstToSecond,
  secondToThird,
  thirdToFourth,
  secondSequence,
  thirdSequence,
  sixthToSeventh,
  fourthSequence,
]);

/** The file as it is written today. */
export const bundleFile = v.object({ ...bundleBody.entries, version: v.literal(storedBundle.version) });
/** Any file of ours, of whatever version, as it is written today. */
export const bundleShape = v.pipe(
  v.unknown(),
  v.rawTransform(({ dataset, addIssue, NEVER }) => {
    try {
      const raw = dataset.value as { format?: unknown; version?: unknown } | null;
      if (typeof raw !== 'object' || raw?.format !== FORMAT) throw new NotOurs('This file is not a school of ours.');
      if (raw.version === undefined) throw new NotOurs('This school does not say its version.');
      return { ...storedBundle.upgrade(raw), version: storedBundle.version };
    } catch (e) {
      if (!(e instanceof NotOurs)) throw e;
      addIssue({ message: e.message });
      return NEVER;
    }
  }),
  bundleFile,
);
export type Bundle = v.InferOutput<typeof bundleFile>;

/** What becomes of one thing of a file. */
export const FATES = ['new', 'changed', 'the same', 'kept as here', 'in conflict', 'refused'] as const;
export type Fate = (typeof FATES)[number];
export interface BundleLine {
  what: 'belt' | 'condition' | 'technique' | 'sequence' | 'syllabus';
  name: string;
  fate: Fate;
  why: string;
}
/** What an import does, or would do. */
export interface BundleReport {
  lines: BundleLine[];
  /** Whether it was done. A conflict or a refusal stops the whole. */
  done: boolean;
}

/** `keep`: what counts where this school has it too and differs. A dry run does everything and takes it back. */
export const bundleImport = v.object({
  bundle: bundleShape,
  keep: v.picklist(['file', 'here']),
  dry: v.boolean(),
});
