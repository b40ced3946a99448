// The way through the belts of Causeway Hall: what it asked first, what it asks since the forms came in, and the draft on the head's desk.
import {
  itemKey,
  applyEdits,
  checkSyllabus,
  NOTHING_ASKED,
  STEADY,
  suggestNeeds,
  TEMPLATES,
  type ConditionStep,
  type Edit,
  type EditContext,
  type Item,
  type ItemFacts,
  type PlacedRequirement,
  type PlainDate,
  type Requirement,
  type Rung,
  type Syllabus,
  type SyllabusContext,
  type Thread,
} from '../../core';
import type { DemoSchool } from './demoSchool';

type Made = Pick<DemoSchool, 'ranks' | 'requirements' | 'gates'>;

/** What a list of requirements says as a syllabus: each item is introduced one belt before its first test. */
export function syllabusFrom(made: Made, order: readonly ConditionStep[], newId: () => string): Syllabus {
  const place = new Map(made.ranks.map((r, i) => [r.id, i]));
  const threads = new Map<string, Thread>();
  const sorted = [...made.requirements].sort((a, b) => place.get(a.rankId)! - place.get(b.rankId)!);
  const requirements = sorted.map(({ item, ...r }): PlacedRequirement => {
    const key = JSON.stringify(item);
    let thread = threads.get(key);
    if (!thread) {
      const introduced = made.ranks[Math.max(0, place.get(r.rankId)! - 1)]!.id;
      threads.set(key, (thread = { id: newId(), item, introduced, until: null, informal: false }));
    }
    return { ...r, threadId: thread.id };
  });
  return { ...NOTHING_ASKED, threads: [...threads.values()], requirements, gates: made.gates, order };
}

/** A sequence's way: where it is introduced, and each test with its condition. */
interface Way {
  title: string;
  part?: [number, number, string];
  introduced: string;
  tests: readonly (readonly [rank: string, condition: string])[];
  informal?: true;
  rung?: Rung;
  study?: true;
}
const WAYS: readonly Way[] = [
  {
    title: 'First Causeway',
    introduced: 'Straw',
    tests: [
      ['Amber', 'in air'],
      ['Fern', 'in air'],
      ['Black', 'in air'],
    ],
  },
  {
    title: 'Second Causeway',
    introduced: 'Amber',
    tests: [
      ['Fern', 'in air'],
      ['Black', 'in air'],
    ],
  },
  { title: 'First Causeway, other side', introduced: 'Fern', tests: [['Lake', 'in air']], study: true },
  {
    title: 'Sluice',
    introduced: 'Fern',
    tests: [
      ['Lake', 'in air'],
      ['Black', 'in air'],
    ],
  },
  { title: 'Ferry Pole', part: [1, 20, 'first half'], introduced: 'Fern', tests: [['Lake', 'in air']] },
  {
    title: 'Ferry Pole',
    introduced: 'Lake',
    tests: [
      ['Umber', 'in air'],
      ['Black', 'in air'],
    ],
  },
  {
    title: 'Combination 1',
    introduced: 'White',
    tests: [
      ['Straw', 'in air'],
      ['Fern', 'in air'],
    ],
  },
  {
    title: 'Combination 2',
    introduced: 'Straw',
    tests: [
      ['Amber', 'in air'],
      ['Lake', 'in air'],
    ],
  },
  {
    title: 'Combination 3',
    introduced: 'Amber',
    tests: [
      ['Fern', 'in air'],
      ['Black', 'in air'],
    ],
  },
  { title: 'Combination 5', introduced: 'Fern', tests: [['Lake', 'in air']] },
  { title: 'Combination 6', introduced: 'Lake', tests: [['Umber', 'in air']] },
  {
    title: 'Pads, the holder calls',
    introduced: 'Amber',
    tests: [
      ['Fern', 'moving holder'],
      ['Umber', 'moving holder'],
    ],
  },
  {
    title: 'Post, first set',
    introduced: 'Lake',
    tests: [
      ['Umber', 'in air'],
      ['Black', 'in air'],
    ],
  },
  {
    title: 'Touch game in threes',
    introduced: 'White',
    tests: [
      ['Straw', 'set partner'],
      ['Amber', 'both free'],
      ['Lake', 'both free'],
    ],
    rung: 'slow, soft hands',
  },
  {
    title: 'Four quarters',
    introduced: 'Straw',
    tests: [
      ['Amber', 'set partner'],
      ['Umber', 'set partner'],
    ],
  },
  {
    title: 'Four quarters at random',
    introduced: 'Amber',
    tests: [
      ['Fern', 'set partner'],
      ['Lake', 'attacker set, defender free'],
      ['Black', 'both free'],
    ],
  },
  { title: 'Push, after it has landed', introduced: 'Fern', tests: [['Lake', 'set partner']] },
  { title: 'Push, before it lands', introduced: 'Lake', tests: [], informal: true },
];

/** How each belt is shown with forms: the younger belts show, the older are steady. */
const SHOWN = TEMPLATES[0]!.standard;

interface Names {
  rank: (name: string) => string;
  condition: (name: string) => string;
  sequence: (title: string) => string;
  technique: (name: string) => string;
}

/** What the hall asks since the forms came in: the first syllabus, and the ways of its sequences with what they hang on. */
export function withForms(
  first: Syllabus,
  names: Names,
  context: EditContext & Pick<SyllabusContext, 'conditions'>,
  factsFor: (s: Syllabus) => (key: string) => ItemFacts | undefined,
  newId: () => string,
  day: PlainDate,
): Syllabus {
  const edits: Edit[] = [];
  for (const w of WAYS) {
    const part = w.part ? { from: w.part[0], to: w.part[1], section: w.part[2] } : null;
    const item: Item = { sequence: names.sequence(w.title), part };
    const threadId = newId();
    edits.push({
      op: 'thread.put',
      thread: { id: threadId, item, introduced: names.rank(w.introduced), until: null, informal: w.informal ?? false },
    });
    for (const [rank, condition] of w.tests)
      edits.push({
        op: 'requirement.put',
        requirement: {
          id: newId(),
          threadId,
          rankId: names.rank(rank),
          conditionId: names.condition(condition),
          purpose: w.study ? 'study' : null,
          standard: rank === 'Straw' || rank === 'Amber' ? SHOWN : { ...STEADY, repetitions: 6, sides: 'one' },
          stage: rank === 'Amber' && w.title === 'First Causeway' ? 'joined' : null,
          rung: w.rung ?? null,
          critical: rank === 'Black' && w.title === 'Sluice',
          opens: null,
        },
      });
  }
  const limits = { ...first.limits, owns: ['staff', 'target', 'pads', 'training post'] };
  edits.push(
    { op: 'limits.set', limits },
    { op: 'promotion.set', rankId: names.rank('Black'), promotion: 'when ready' },
  );
  edits.push({ op: 'standard.put', name: 'form', standard: { ...STEADY, repetitions: 6, sides: 'one' } });
  for (const rank of ['Fern', 'Lake', 'Umber', 'Black'])
    edits.push({
      op: 'gate.put',
      gate: { id: newId(), rankId: names.rank(rank), kind: 'no open injury', amount: 1 },
    });
  edits.push({
    op: 'gate.put',
    gate: { id: newId(), rankId: names.rank('Black'), kind: 'earlier ranks fresh', amount: 1 },
  });
  // What the younger belts learned is seen once more by the older ones.
  const place = new Map(context.ranks.map((r, i) => [r.id, i]));
  for (const t of first.threads) {
    const tests = first.requirements.filter((r) => r.threadId === t.id);
    const last = tests.sort((a, b) => place.get(b.rankId)! - place.get(a.rankId)!)[0]!;
    const again = place.get(last.rankId)! <= 2 ? 'Lake' : place.get(last.rankId)! === 3 ? 'Black' : null;
    if (again !== null)
      edits.push({ op: 'requirement.put', requirement: { ...last, id: newId(), rankId: names.rank(again) } });
  }
  // Met early in combinations and drills, tested later.
  for (const [name, rank] of [
    ['Lead punch', 'White'],
    ['Reverse punch', 'White'],
    ['Palm check', 'White'],
    ['Staff sweep', 'Fern'],
  ] as const) {
    const t = first.threads.find((x) => 'technique' in x.item && x.item.technique === names.technique(name))!;
    edits.push({ op: 'thread.put', thread: { ...t, introduced: names.rank(rank) } });
  }
  const before = done(applyEdits(first, edits, context));
  // The forms hang on what they are made of; of the rest the head has not spoken.
  const threads = new Map(before.threads.map((t) => [t.id, t]));
  const needs = suggestNeeds(before, factsFor(before)).filter((n) => 'sequence' in threads.get(n.of)!.item);
  const made = done(
    applyEdits(
      before,
      needs.map(({ of, on }): Edit => ({ op: 'need.add', need: { of, on } })),
      context,
    ),
  );
  const left = checkSyllabus(made, { ...context, factsOf: factsFor(made), halls: [] })
    .filter((f) => f.check === 'skips a condition')
    .map((f): Edit => ({ op: 'waive', key: f.key, reason: AIR_FIRST, by: 'Maren Holt', day }));
  return done(applyEdits(made, left, context));
}
const AIR_FIRST = 'Done in the air in every class; the belt looks at the target.';

/** The draft: a few things moved, not all of them wisely, so that the checks have something to say. */
export function theDraft(second: Syllabus, names: Names, context: EditContext, newId: () => string): Syllabus {
  const thread = (item: Item) => second.threads.find((t) => itemKey(t.item) === itemKey(item))!;
  const technique = (name: string) => thread({ technique: names.technique(name) });
  const sequence = (title: string) => thread({ sequence: names.sequence(title), part: null });
  const asked = (t: Thread, rank: string): PlacedRequirement =>
    second.requirements.find((r) => r.threadId === t.id && r.rankId === names.rank(rank))!;
  const kick = technique('Front kick');
  const random = sequence('Four quarters at random');
  const fall = technique('Side fall');
  const threadId = newId();
  const holding = (rank: string, condition: string): Edit => ({
    op: 'requirement.put',
    requirement: {
      ...asked(kick, 'Fern'),
      id: newId(),
      threadId,
      rankId: names.rank(rank),
      conditionId: names.condition(condition),
      standard: STEADY,
    },
  });
  return done(
    applyEdits(
      second,
      [
        {
          op: 'requirement.put',
          requirement: { ...asked(kick, 'Fern'), conditionId: names.condition('moving holder') },
        },
        { op: 'thread.put', thread: { ...random, introduced: names.rank('Fern') } },
        { op: 'requirement.remove', id: asked(fall, 'Lake').id },
        { op: 'thread.put', thread: { ...fall, until: names.rank('Amber') } },
        { op: 'need.add', need: { of: random.id, on: fall.id } },
        { op: 'thread.put', thread: { ...technique('Low block'), introduced: names.rank('Amber') } },
        {
          op: 'thread.put',
          thread: {
            id: threadId,
            item: { technique: names.technique('Shield hold') },
            introduced: names.rank('Lake'),
            until: null,
            informal: false,
          },
        },
        holding('Umber', 'holder still'),
        holding('Black', 'holder going back'),
      ],
      context,
    ),
  );
}

const done = <T>(r: { ok: true; value: T } | { ok: false; error: string }): T => {
  if (!r.ok) throw new Error(r.error);
  return r.value;
};

/** A requirement of the generated school: a technique, in a condition, at a belt. */
export const plainRequirement = (
  id: string,
  rankId: string,
  technique: string,
  conditionId: string,
  standard: Requirement['standard'],
): Requirement & { rankId: string } => ({
  id,
  rankId,
  item: { technique },
  conditionId,
  purpose: null,
  standard,
  stage: null,
  rung: null,
  critical: false,
  opens: null,
});
