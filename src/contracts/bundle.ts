import * as v from 'valibot';
import { COUNTED_GATES, GATE_KINDS, PROMOTIONS, PURPOSES, RUNGS, STAGES } from '../core';
import { departureShape, operationFileShape, sequenceShape } from './sequence';
import { cloth, limitsShape, standardInput } from './syllabus';
import { techniqueFileShape } from './techniqueFile';
import { name, whole } from './words';

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

/** A school as it travels: what it teaches and asks, without people and without ids. Everything is found by its name. */
export const bundleShape = v.object({
  format: v.literal('stavewright-school', 'This file is not a school of ours.'),
  version: v.literal(1, 'This file is of a later kind; take it in with a newer Stavewright.'),
  name: v.optional(name, 'A school'),
  ranks: v.pipe(v.array(v.object({ name, cloth })), v.maxLength(40, 'A school has at most 40 belts.')),
  conditions: v.pipe(v.array(name), v.maxLength(100, 'At most a hundred conditions.')),
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
            needs: v.array(itemByName),
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
            standard: standardInput,
          }),
        ),
        v.maxLength(4000, 'At most 4,000 requirements.'),
      ),
      gates: v.array(
        v.pipe(
          v.object({
            rank: name,
            kind: v.picklist(GATE_KINDS),
            amount: v.pipe(v.number(), v.minValue(0), v.maxValue(5000)),
          }),
          v.check((g) => !COUNTED_GATES.includes(g.kind) || g.amount > 0, 'A gate asks for more than nothing.'),
        ),
      ),
      order: v.array(v.object({ easier: name, harder: name })),
      standards: v.array(v.object({ name, standard: standardInput })),
      promotions: v.record(v.string(), v.picklist(PROMOTIONS)),
      limits: limitsShape,
    }),
  ),
});
export type Bundle = v.InferOutput<typeof bundleShape>;

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
