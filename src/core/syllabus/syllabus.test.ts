import fc from 'fast-check';
import { DirectedGraph } from 'graphology';
import { hasCycle, topologicalSort } from 'graphology-dag';
import { describe, expect, it } from 'vitest';
import { graphOrder, hangsOn } from '../units/graphOrder';
import { differenceInWords } from '../words';
import { standardChanges, standardInWords } from '../words/english/standard';
import { anySyllabus, asks, editing, library, names, RANKS, syllabus, thread } from './testing/builders';
import { compareSyllabi, touchedRequirements } from './compare';
import { coverage } from './coverage';
import { applyEdit, applyEdits, withoutRank, type Edit } from './edit';
import type { Cell } from './facts';
import { itemKey } from './item';
import { loadOf } from './load';
import { STEADY } from './standard';
import { suggestNeeds } from './suggest';
import { lifeOf, orderOf, requirementsOf, type Syllabus } from './syllabus';

const ids = RANKS.map((r) => r.id);
const life = (s: Syllabus, id: string) =>
  lifeOf(
    s.threads.find((t) => t.id === id)!,
    s,
    ids,
    orderOf(s, ['natural stance', 'in air', 'still target', 'set partner']),
  );

describe('the life of an item', () => {
  it('is introduced, trained, tested and kept', () => {
    const s = syllabus({ threads: [thread('Front kick')], requirements: [asks('Front kick', 'amber')] });
    expect(life(s, 'Front kick')).toMatchObject({ at: ['introduced', 'trained', 'tested', 'kept'], end: 'kept' });
  });
  it('is worked on again before a test in a harder condition', () => {
    const s = syllabus({
      threads: [thread('Front kick')],
      requirements: [asks('Front kick', 'straw'), asks('Front kick', 'fern', { conditionId: 'still target' })],
    });
    expect(life(s, 'Front kick').at).toEqual(['introduced', 'tested', 'trained', 'tested']);
  });
  it('ends where it is let go, and says when it was never tested', () => {
    const s = syllabus({
      threads: [thread('Side fall', { until: 'straw' }), thread('Mending staffs', { introduced: 'straw' })],
      requirements: [asks('Side fall', 'straw')],
    });
    expect(life(s, 'Side fall')).toMatchObject({ at: ['introduced', 'tested', 'none', 'none'], end: 'let go' });
    expect(life(s, 'Mending staffs')).toMatchObject({
      at: ['none', 'introduced', 'trained', 'trained'],
      end: 'never tested',
    });
  });
});

describe('prerequisites', () => {
  const edges = fc.array(fc.tuple(fc.nat(7), fc.nat(7)), { maxLength: 14 });
  const nodes = Array.from({ length: 8 }, (_, i) => `n${i}`);

  // Kahn 1962; graphology-dag is the independent implementation.
  it('are ordered so that every edge is respected, or refused with a real circle, as graphology-dag says', () => {
    fc.assert(
      fc.property(edges, (pairs) => {
        const needs = pairs.map(([a, b]) => ({ of: nodes[a]!, on: nodes[b]! }));
        const graph = new DirectedGraph();
        for (const n of nodes) graph.addNode(n);
        for (const n of needs) graph.mergeEdge(n.on, n.of);
        const made = graphOrder(nodes, needs);
        expect(made.ok).toBe(!hasCycle(graph));
        if (made.ok) {
          expect([...made.value].sort()).toEqual([...topologicalSort(graph)].sort());
          for (const n of needs) expect(made.value.indexOf(n.on)).toBeLessThan(made.value.indexOf(n.of));
        } else {
          const { circle } = made.error;
          for (const [i, id] of circle.entries())
            expect(needs).toContainEqual({ of: id, on: circle[(i + 1) % circle.length] });
        }
      }),
    );
  });
  it('are followed far, both ways', () => {
    const needs = [
      { of: 'c', on: 'b' },
      { of: 'b', on: 'a' },
    ];
    expect([...hangsOn('c', needs)]).toEqual(['b', 'a']);
    expect([...hangsOn('a', needs, 'up')]).toEqual(['b', 'c']);
  });
  it('are suggested from what things are made of, without closing a circle', () => {
    const s = syllabus({
      threads: [
        thread('First', { item: { sequence: 'First', part: null } }),
        thread('Second', { item: { sequence: 'Second', part: null } }),
        thread('Opening', { item: { sequence: 'First', part: { from: 1, to: 4, section: 'Opening' } } }),
        thread('Front kick'),
      ],
      needs: [{ of: 'Front kick', on: 'Second' }],
    });
    const made = suggestNeeds(s, library(s, { 's:Second': { contents: ['t:Front kick', 's:First'] } }));
    expect(made).toEqual([
      { of: 'Second', on: 'First', why: 'it is derived from it' },
      { of: 'First', on: 'Opening', why: 'it is a part of it' },
    ]);
  });
});

describe('edits', () => {
  const s = syllabus({
    threads: [thread('Front kick'), thread('Low block')],
    requirements: [asks('Front kick', 'amber')],
    gates: [{ id: 'g', kind: 'hours', amount: 40, rankId: 'amber' }],
    needs: [{ of: 'Low block', on: 'Front kick' }],
  });
  const refused = (e: Edit) => {
    const made = applyEdit(s, e, editing);
    return made.ok ? 'done' : made.error;
  };
  it.each<[Edit, string]>([
    [
      { op: 'thread.put', thread: thread('x', { item: { technique: 'Front kick' } }) },
      'This item has its thread already.',
    ],
    [
      { op: 'thread.put', thread: thread('Front kick', { until: 'straw' }) },
      'It cannot be let go after Straw: Amber asks for it.',
    ],
    [
      { op: 'thread.put', thread: thread('Low block', { introduced: 'fern', until: 'straw' }) },
      'It cannot be let go before it is introduced.',
    ],
    [
      { op: 'thread.put', thread: thread('Front kick', { informal: true }) },
      'What a belt tests is formal. Take its tests away first.',
    ],
    [
      { op: 'requirement.put', requirement: asks('Front kick', 'amber', { id: 'twin' }) },
      'This belt already asks for it in this condition.',
    ],
    [{ op: 'requirement.put', requirement: asks('Front kick', 'gone') }, 'This belt is not there any more.'],
    [
      { op: 'gate.put', gate: { id: 'h', kind: 'hours', amount: 3, rankId: 'amber' } },
      'This belt already has such a gate.',
    ],
    [
      { op: 'need.add', need: { of: 'Front kick', on: 'Low block' } },
      'That would go round in a circle: Front kick needs Low block needs Front kick.',
    ],
    [
      { op: 'order.set', order: [...s.order, { easier: 'still target', harder: 'natural stance' }] },
      'natural stance would come before itself: the order goes round in a circle.',
    ],
  ])('%j is refused with its reason', (edit, reason) => {
    expect(refused(edit)).toBe(reason);
  });
  it('a test makes an item formal and keeps it until then', () => {
    const with_ = applyEdits(
      s,
      [
        { op: 'thread.put', thread: thread('Low block', { informal: true, until: 'straw' }) },
        { op: 'requirement.put', requirement: asks('Low block', 'fern') },
      ],
      editing,
    );
    expect(with_.ok && with_.value.threads[1]).toMatchObject({ informal: false, until: 'fern' });
  });
  it('several are done all or none, and the one given stays', () => {
    const before = JSON.stringify(s);
    const made = applyEdits(
      s,
      [
        { op: 'thread.remove', id: 'Front kick' },
        { op: 'need.add', need: { of: 'Front kick', on: 'Low block' } },
      ],
      editing,
    );
    expect(made).toEqual({ ok: false, error: 'This item is not in the syllabus any more.' });
    expect(JSON.stringify(s)).toBe(before);
  });
  it('what hangs on a thread or a rank goes with it', () => {
    const made = applyEdit(s, { op: 'thread.remove', id: 'Front kick' }, editing);
    expect(made.ok && [made.value.requirements, made.value.needs]).toEqual([[], []]);
    const without = withoutRank(s, 'amber');
    expect([without.requirements, without.gates]).toEqual([[], []]);
  });
  it('are placed, twice is once, and taking away what was put gives the start', () => {
    fc.assert(
      fc.property(anySyllabus, fc.nat(), (any, n) => {
        const t = any.threads[n % any.threads.length]!;
        const put: Edit = { op: 'requirement.put', requirement: asks(t.id, 'fern', { id: 'new', purpose: 'study' }) };
        const once = applyEdits(any, [put], editing);
        const twice = applyEdits(any, [put, put], editing);
        expect(twice).toEqual(once);
        const back = applyEdits(any, [put, { op: 'requirement.remove', id: 'new' }], editing);
        expect(back).toEqual({ ok: true, value: any });
      }),
    );
  });
});

describe('comparing', () => {
  it('says nothing of a syllabus and itself', () => {
    fc.assert(
      fc.property(anySyllabus, (s) => {
        expect(compareSyllabi(s, s, names)).toEqual([]);
      }),
    );
  });
  it('says something of any two that differ, whichever way round', () => {
    fc.assert(
      fc.property(anySyllabus, anySyllabus, (a, b) => {
        const same = JSON.stringify(a) === JSON.stringify(b);
        if (same) return;
        const there = compareSyllabi(a, b, names);
        expect(there.length === 0).toBe(compareSyllabi(b, a, names).length === 0);
        for (const id of touchedRequirements(a, b)) {
          const threadId = [...a.requirements, ...b.requirements].find((r) => r.id === id)!.threadId;
          expect(there.some((d) => d.threadId === threadId)).toBe(true);
        }
      }),
    );
  });
  it('speaks the trade’s words', () => {
    const was = syllabus({
      threads: [thread('Front kick'), thread('Side fall')],
      requirements: [asks('Front kick', 'amber', { conditionId: 'still target' }), asks('Side fall', 'straw')],
      gates: [{ id: 'g', kind: 'hours', amount: 40, rankId: 'amber' }],
    });
    const now = syllabus({
      threads: [
        thread('Front kick', { introduced: 'straw' }),
        thread('Side fall', { until: 'straw' }),
        thread('Sluice', { introduced: 'fern' }),
      ],
      requirements: [
        {
          ...asks('Front kick', 'amber', { conditionId: 'set partner' }),
          critical: true,
          standard: { ...STEADY, days: 3, sides: 'one' },
        },
        { ...asks('Side fall', 'straw'), rankId: 'amber' },
      ],
      gates: [{ id: 'g', kind: 'hours', amount: 48, rankId: 'amber' }],
      needs: [{ of: 'Sluice', on: 'Front kick' }],
      promotions: { fern: 'when ready' },
    });
    expect(compareSyllabi(was, now, names).map(differenceInWords)).toEqual([
      'Straw: front kick now introduced here, was for White',
      'Straw: side fall is now let go after Straw',
      'Amber: front kick now set partner, was still target',
      'Amber: front kick is now critical',
      'Amber: front kick now on 3 days, was on 2 days and one side, was both sides',
      'Amber: side fall now here, was for Straw',
      'Amber: gate now 48 hours of class since the belt below, was 40 hours of class since the belt below',
      'Fern: sluice is now introduced',
      'Fern: given when ready, was by date',
      'Sluice now needs front kick',
    ]);
  });
});

describe('coverage', () => {
  const cell = fc.record({
    family: fc.constantFrom('strike', 'block', 'kick', 'cut'),
    zone: fc.constantFrom('upper', 'middle', 'lower'),
    side: fc.constantFrom('left', 'right'),
  }) as fc.Arbitrary<Cell>;
  it('adds up to the cells of the requirements, by condition too', () => {
    fc.assert(
      fc.property(anySyllabus, fc.array(cell, { maxLength: 6 }), (s, list) => {
        const cells = [...new Map(list.map((c) => [JSON.stringify(c), c])).values()];
        const factsOf = library(
          s,
          Object.fromEntries(s.threads.map((t, i) => [itemKey(t.item), { cells: i % 2 ? cells : [] }])),
        );
        const made = coverage(s, factsOf);
        const expected = requirementsOf(s).reduce((n, r) => n + factsOf(itemKey(r.item))!.cells.length, 0);
        expect(made.reduce((n, c) => n + c.requirements, 0)).toBe(expected);
        expect(made.reduce((n, c) => n + Object.values(c.byCondition).reduce((x, y) => x + y, 0), 0)).toBe(expected);
        const byRank = ids.map((id) => coverage(s, factsOf, id).reduce((n, c) => n + c.requirements, 0));
        expect(byRank.reduce((x, y) => x + y, 0)).toBe(expected);
      }),
    );
  });
});

describe('load', () => {
  it('counts what is new once, what comes again a quarter, and a whole without the part already tested', () => {
    const form = { sequence: 'Ferry Pole', part: null };
    const s = syllabus({
      threads: [
        thread('Front kick'),
        thread('Opening', { item: { ...form, part: { from: 1, to: 10, section: 'Opening' } } }),
        thread('Ferry Pole', { item: form }),
      ],
      requirements: [
        asks('Front kick', 'straw'),
        asks('Opening', 'straw'),
        asks('Front kick', 'amber'),
        asks('Ferry Pole', 'amber'),
      ],
      gates: [{ id: 'g', kind: 'hours', amount: 30, rankId: 'amber' }],
    });
    const factsOf = library(s, {
      't:Front kick': { points: 4 },
      's:Ferry Pole:1-10': { counts: 10, points: 9, group: 'Equipment' },
      's:Ferry Pole': { counts: 40, points: 9, group: 'Equipment' },
    });
    const [, straw, amber] = loadOf(s, ids, factsOf);
    // By hand: 4 points × 25 minutes + 10 counts × 15; then a quarter of 100 + 30 counts × 15.
    expect(straw).toMatchObject({ fresh: 2, again: 0, points: 4, counts: 10, minutes: 250, given: null });
    expect(amber).toMatchObject({ fresh: 1, again: 1, points: 0, counts: 30, minutes: 475, given: 1800 });
  });

  it('counts a point of a stance once, whatever else stands in it', () => {
    const stance = ['heel', 'knee', 'hip'];
    const s = syllabus({
      threads: [thread('Front stance'), thread('Front kick'), thread('Low block')],
      requirements: [asks('Front stance', 'straw'), asks('Front kick', 'straw'), asks('Low block', 'amber')],
    });
    const factsOf = library(s, {
      't:Front stance': { points: 3, pointIds: stance },
      't:Front kick': { points: 5, pointIds: [...stance, 'ball of the foot', 'snap back'] },
      't:Low block': { points: 4, pointIds: [...stance, 'elbow down'] },
    });
    const [, straw, amber] = loadOf(s, ids, factsOf);
    // By hand: 3 + 2 points, then 1, each of 25 minutes.
    expect(straw).toMatchObject({ fresh: 2, points: 5, minutes: 125 });
    expect(amber).toMatchObject({ fresh: 1, points: 1, minutes: 25 });
  });
});

describe('standards', () => {
  it('say what they ask and what changed', () => {
    expect(standardInWords(STEADY, true)).toBe(
      '8 of 10 on 2 days, both sides, seen within 60 days; a quarter may fall short',
    );
    expect(standardChanges(STEADY, STEADY)).toEqual([]);
    expect(standardChanges(STEADY, { ...STEADY, share: 0.9, mayFallShort: 1 })).toEqual([
      '9 of 10, was 8 of 10',
      '1 point may fall short, was a quarter may fall short',
    ]);
  });
});
