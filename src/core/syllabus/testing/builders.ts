// Small builders for tests of the syllabus: a school of four ranks, and generated syllabi over its items.
import fc from 'fast-check';
import { factsOfOldName } from '../../units/condition';
import type { SyllabusContext } from '../checkSyllabus';
import type { CompareNames } from '../compare';
import type { EditContext } from '../edit';
import { NOTHING_KNOWN, type ItemFacts } from '../facts';
import { itemKey, type Item } from '../item';
import { STEADY } from '../standard';
import { NOTHING_ASKED, type PlacedRequirement, type Syllabus, type Thread } from '../syllabus';

export const RANKS = ['White', 'Straw', 'Amber', 'Fern'].map((name) => ({ id: name.toLowerCase(), name }));
export const CONDITIONS = ['natural stance', 'in air', 'still target', 'set partner'].map((name) => ({
  id: name,
  name,
  ...factsOfOldName(name),
}));
export const ORDER = [
  { easier: 'natural stance', harder: 'in air' },
  { easier: 'in air', harder: 'still target' },
  { easier: 'in air', harder: 'set partner' },
];

export const thread = (id: string, more: Partial<Thread> = {}): Thread => ({
  id,
  item: { technique: id },
  introduced: 'white',
  until: null,
  informal: false,
  ...more,
});
export const asks = (threadId: string, rankId: string, more: Partial<PlacedRequirement> = {}): PlacedRequirement => ({
  id: `${threadId} for ${rankId}`,
  threadId,
  rankId,
  conditionId: 'in air',
  purpose: null,
  standard: STEADY,
  stage: null,
  rung: null,
  critical: false,
  opens: null,
  ...more,
});
export const syllabus = (more: Partial<Syllabus> = {}): Syllabus => ({ ...NOTHING_ASKED, order: ORDER, ...more });

export const facts = (item: Item, more: Partial<ItemFacts> = {}): ItemFacts => ({
  ...NOTHING_KNOWN,
  item,
  name: 'technique' in item ? item.technique : item.sequence,
  group: 'Basics',
  sided: true,
  points: 4,
  critical: 1,
  pointIds: Array.from({ length: more.points ?? 4 }, (_, i) => `${itemKey(item)} ${i}`),
  ...more,
});

/** Facts of all items of a syllabus, as usual but for what is given by item key. */
export const library = (s: Syllabus, more: Record<string, Partial<ItemFacts>> = {}) => {
  const all = new Map(s.threads.map((t) => [itemKey(t.item), facts(t.item, { name: t.id, ...more[itemKey(t.item)] })]));
  return (key: string) => all.get(key);
};
export const context = (s: Syllabus, more: Record<string, Partial<ItemFacts>> = {}): SyllabusContext => ({
  ranks: RANKS,
  conditions: CONDITIONS,
  factsOf: library(s, more),
  halls: [],
});
export const editing: EditContext = { ranks: RANKS, conditions: CONDITIONS, nameOf: (id) => id };
export const names: CompareNames = { ranks: RANKS, item: (id) => id, condition: (id) => id };

const rankId = fc.constantFrom(...RANKS.map((r) => r.id));
const conditionId = fc.constantFrom(...CONDITIONS.map((c) => c.id));
const THREADS = ['Front kick', 'Low block', 'Stepping punch', 'Sluice', 'Side fall'];

/** Any syllabus that edits can make. */
export const anySyllabus: fc.Arbitrary<Syllabus> = fc
  .record({
    threads: fc.subarray(THREADS, { minLength: 1 }),
    introduced: fc.array(fc.option(rankId), { minLength: 5, maxLength: 5 }),
    asked: fc.array(fc.tuple(fc.nat(4), rankId, conditionId, fc.boolean(), fc.integer({ min: 1, max: 20 })), {
      maxLength: 12,
    }),
    gates: fc.subarray(['time in rank', 'hours', 'age'] as const),
    needs: fc.array(fc.tuple(fc.nat(4), fc.nat(4)), { maxLength: 6 }),
  })
  .map(({ threads, introduced, asked, gates, needs }) => {
    const at = (i: number) => threads[i % threads.length]!;
    const requirements = new Map(
      asked.map(([i, rank, condition, critical, repetitions]) => [
        `${at(i)} for ${rank} ${condition}`,
        asks(at(i), rank, {
          id: `${at(i)} for ${rank} ${condition}`,
          conditionId: condition,
          critical,
          standard: { ...STEADY, repetitions },
        }),
      ]),
    );
    return syllabus({
      threads: threads.map((id, i) => thread(id, { introduced: introduced[i] ?? null })),
      requirements: [...requirements.values()],
      gates: gates.map((kind, i) => ({ id: kind, kind, amount: i + 1, rankId: RANKS[1 + (i % 3)]!.id })),
      // Only towards what stands earlier, so that there is no circle.
      needs: needs.flatMap(([a, b]) => {
        const [of, on] = [a % threads.length, b % threads.length].sort((x, y) => y - x) as [number, number];
        return of === on ? [] : [{ of: threads[of]!, on: threads[on]! }];
      }),
    });
  });
