import { describe, expect, it } from 'vitest';
import { ALONE } from '../units/condition';
import { asks, context, editing, syllabus, thread } from './testing/builders';
import { checkSyllabus, risksOf, sortFindings, type SyllabusContext } from './checkSyllabus';
import { applyEdit } from './edit';
import type { ItemFacts } from './facts';
import { type Syllabus } from './syllabus';

describe('checks', () => {
  const found = (s: Syllabus, more: Record<string, Partial<ItemFacts>> = {}) =>
    checkSyllabus(s, context(s, more)).map((f) => `${f.says} ${f.why}`);
  it('are silent about a sound syllabus', () => {
    const s = syllabus({
      threads: [thread('Front kick')],
      requirements: [asks('Front kick', 'straw'), asks('Front kick', 'fern', { conditionId: 'still target' })],
    });
    expect(found(s)).toEqual([]);
  });
  it.each<[string, Partial<Syllabus>, Record<string, Partial<ItemFacts>>, string]>([
    [
      'tested, never trained',
      { threads: [thread('Low block', { introduced: null })], requirements: [asks('Low block', 'straw')] },
      {},
      'Low block is tested and never trained. Straw asks for it; no belt introduces it.',
    ],
    [
      'trained, never tested',
      { threads: [thread('Shield')] },
      {},
      'Shield is never tested. Introduced to beginners. Test it, or call it informal.',
    ],
    [
      'at once',
      { threads: [thread('Low block', { introduced: 'amber' })], requirements: [asks('Low block', 'amber')] },
      {},
      'Low block: new and tested for Amber. No time lies between; introduce it one belt earlier.',
    ],
    [
      'before taught',
      { threads: [thread('Low block', { introduced: 'fern' })], requirements: [asks('Low block', 'amber')] },
      {},
      'Low block is asked before it is taught. Amber tests it, Fern introduces it.',
    ],
    [
      'kept',
      { threads: [thread('Low block')], requirements: [asks('Low block', 'white')] },
      {},
      'Low block is kept after White and never tested again. 3 belts follow. Test it once more, or let it go.',
    ],
    [
      'needed',
      {
        threads: [thread('Outer block', { introduced: 'fern' }), thread('Second')],
        requirements: [asks('Second', 'amber')],
        needs: [{ of: 'Second', on: 'Outer block' }],
      },
      {},
      'Outer block is needed before it is taught. It comes with Fern, but Second, for Amber, hangs on it.',
    ],
    [
      'leaned on',
      {
        threads: [thread('Side fall', { until: 'straw' }), thread('Random'), thread('Drill')],
        requirements: [asks('Side fall', 'straw'), asks('Drill', 'amber'), asks('Random', 'fern')],
        needs: [
          { of: 'Random', on: 'Drill' },
          { of: 'Drill', on: 'Side fall' },
        ],
      },
      {},
      'Side fall is let go after Straw. Drill, for Amber, leans on it.',
    ],
    [
      'skips',
      {
        threads: [thread('Punch')],
        requirements: [asks('Punch', 'straw', { conditionId: 'still target' }), asks('Punch', 'fern')],
      },
      {},
      'Punch goes straight to still target. The school puts in air before it, and no belt up to Straw asks for that.',
    ],
    [
      'ceiling',
      {
        threads: [thread('Elbow')],
        requirements: [asks('Elbow', 'straw'), asks('Elbow', 'fern', { conditionId: 'set partner' })],
      },
      { 't:Elbow': { ceiling: 'in air' } },
      'Elbow, set partner, goes above its ceiling. It goes no farther than in air.',
    ],
    [
      'landing',
      {
        threads: [thread('Elbow')],
        requirements: [
          asks('Elbow', 'straw'),
          asks('Elbow', 'fern', { conditionId: 'set partner', rung: 'slow, gloves and pads' }),
        ],
      },
      { 't:Elbow': { landing: 'touches' } },
      'Elbow, set partner, goes above its ceiling. It touches at most; here gloves are named (slow, gloves and pads).',
    ],
    [
      'age',
      {
        threads: [thread('Staff')],
        requirements: [asks('Staff', 'fern')],
        gates: [{ id: 'a', kind: 'age', amount: 12, rankId: 'straw' }],
      },
      { 't:Staff': { age: 14 } },
      'Staff is for people of 14 and older. Fern can be reached at 12. Rules of federation, insurer and local law come first.',
    ],
    [
      'soft touch',
      {
        threads: [thread('Touch')],
        requirements: [
          asks('Touch', 'straw'),
          asks('Touch', 'fern', { conditionId: 'set partner', rung: 'slow, soft hands' }),
        ],
      },
      { 't:Touch': { head: true } },
      'Touch: soft head touch below 16. Fern can be reached at any age; the school set 16. Rules of federation, insurer and local law come first.',
    ],
    [
      'hall',
      { threads: [thread('Sluice')], requirements: [asks('Sluice', 'fern')] },
      { 't:Sluice': { room: { width: 4, depth: 11 } } },
      'Sluice does not fit any hall. It takes 4.0 by 11.0 m with reach.',
    ],
    [
      'retired',
      { threads: [thread('Old')], requirements: [] },
      { 't:Old': { retired: true } },
      'Old is retired. It stays in published versions; take it out of the draft or bring it back.',
    ],
  ])('%s is told with where and why', (_, body, more, words) => {
    const s = syllabus(body);
    const made = checkSyllabus(s, { ...context(s, more), halls: [{ name: 'Marsh room', width: 9, depth: 6 }] });
    expect(made.map((f) => `${f.says} ${f.why}`)).toContain(words);
  });
  it('equipment is asked for only where the school said what it owns', () => {
    const s = syllabus({
      threads: [thread('Punch')],
      requirements: [asks('Punch', 'straw'), asks('Punch', 'fern', { conditionId: 'still target' })],
    });
    expect(found(s)).toEqual([]);
    const owns = { ...s, limits: { ...s.limits, owns: ['staff'] } };
    expect(found(owns)[0]).toBe(
      'Punch, still target, takes a target. The hall does not own it, as the store or the syllabus says.',
    );
    expect(found({ ...s, limits: { ...s.limits, owns: ['target'] } })).toEqual([]);
    // Where a store is kept it says what there is of what conditions take, also where the list says otherwise.
    const kept = (store: NonNullable<SyllabusContext['store']>, owned: string[] | null) => {
      const now = { ...s, limits: { ...s.limits, owns: owned } };
      return checkSyllabus(now, { ...context(now, {}), store }).map((f) => f.check);
    };
    expect(kept([{ name: 'Kick shield', serves: 'target' }], ['staff'])).not.toContain('equipment missing');
    expect(kept([{ name: 'Hand pad', serves: 'pads' }], ['target'])).toContain('equipment missing');
    expect(kept([], null)).not.toContain('equipment missing');
  });
  it('a rank that asks far more than those beside it is told, and one that gives too few hours', () => {
    const many = Array.from({ length: 9 }, (_, i) => `Work ${i}`);
    const s = syllabus({
      threads: [...many, 'One', 'Two'].map((id) => thread(id)),
      requirements: [asks('One', 'straw'), ...many.map((id) => asks(id, 'amber')), asks('Two', 'fern')],
      gates: [{ id: 'g', kind: 'hours', amount: 12, rankId: 'amber' }],
    });
    expect(found(s)).toContain(
      'Amber asks far more new than its neighbours. 15 hours of new work against 2 hours beside it: 36 points, 0 counts.',
    );
    expect(found(s)).toContain(
      'Amber asks 15 hours and gives 12. By the school’s rule of thumb: 25 minutes a new point, 15 a new count.',
    );
  });
  it('a height that no belt asks for is told, once the family is taught', () => {
    const s = syllabus({ threads: [thread('Low block')], requirements: [asks('Low block', 'straw')] });
    const both = (['left', 'right'] as const).flatMap((side) => [
      { family: 'block' as const, zone: 'lower' as const, side },
    ]);
    expect(found(s, { 't:Low block': { cells: both } })).toContain(
      'No belt asks for an upper block on the left. The other heights and sides are asked for.',
    );
  });
  it('what was waived stands apart with its reason', () => {
    const s = syllabus({ threads: [thread('Shield')] });
    const [first] = checkSyllabus(s, context(s));
    const waived = applyEdit(
      s,
      { op: 'waive', key: first!.key, reason: 'it serves the kickers', by: 'Maren', day: '2026-03-05' },
      editing,
    );
    const sorted = waived.ok && sortFindings(waived.value, checkSyllabus(waived.value, context(waived.value)));
    expect(sorted).toMatchObject({ open: [], waived: [{ reason: 'it serves the kickers' }] });
  });
  it('ages are kept apart', () => {
    const f = { weapon: true, hardens: true, head: true };
    expect(risksOf({ rung: 'slow, gloves and pads' }, { partner: true, gear: null }, f)).toEqual([
      'head impact',
      'hard conditioning',
      'weapons',
    ]);
    expect(risksOf({ rung: null }, ALONE, { ...f, weapon: false, hardens: false })).toEqual([]);
  });
});
