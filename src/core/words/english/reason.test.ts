import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { both, changeOf, context, look, order, point, reasonOf, requirement } from '../../evidence/testing/builders';
import { gatherEvidence, standingLooks } from '../../evidence/looks';
import { readiness } from '../../evidence/readiness';
import { verdict } from '../../evidence/verdict';
import { takeWindow, usualLook } from '../../evidence/window';
import { STEADY } from '../../syllabus/standard';
import { missingInWords } from './readiness';
import { standardInWords } from './standard';

const reason = reasonOf;
const heel = point('rear heel');

describe('reasons, by hand', () => {
  const two = ['2026-03-01', '2026-03-03'] as const;

  it('no slip at all', () => {
    const v = verdict(
      requirement(),
      two.flatMap((d) => both(d, { 'rear heel': [5, 5] })),
      context([heel]),
    );
    expect(reason(v)).toBe('No slip in 10 of 10 left, 10 of 10 right, over two days.');
    expect(changeOf(v)).toBe('');
  });

  it('one repetition only', () => {
    const v = verdict(
      requirement(),
      [look(two[0], 'none', { 'rear heel': [0, 1] })],
      context([heel], { sided: false }),
    );
    expect(reason(v)).toBe('Rear heel held in 0 of the one repetition seen; needs 8 of 10.');
  });

  it('too few, but none slipped', () => {
    const v = verdict(
      requirement(),
      [look(two[0], 'none', { 'rear heel': [3, 3] })],
      context([heel], { sided: false }),
    );
    expect(reason(v)).toBe('Rear heel held 3 of 3, but only 3 of 10 repetitions have been watched.');
  });

  it('one point of two has not been watched', () => {
    const v = verdict(
      requirement(),
      two.map((d) => look(d, 'none', { 'rear heel': [5, 5] })),
      context([heel, point('knee')], { sided: false }),
    );
    expect(reason(v)).toBe('Knee has not been watched yet; needs 10 repetitions.');
    expect(v.word).toBe('short');
  });

  it('only one of several points is stale', () => {
    const old = ['2025-12-01', '2025-12-03'].map((d) => look(d, 'none', { knee: [5, 5] }));
    const v = verdict(
      requirement(),
      [...old, ...two.map((d) => look(d, 'none', { 'rear heel': [5, 5] }))],
      context([heel, point('knee')], { sided: false }),
    );
    expect([v.word, reason(v)]).toEqual([
      'stale',
      'Held well, but knee was last seen 3 December 2025; needs a look within 60 days.',
    ]);
    expect(changeOf(v)).toBe('One clean look makes it met again.');
  });

  it('nothing to look at, and everything waived', () => {
    expect(reason(verdict(requirement(), [], context([])))).toBe('It has no points to look at yet.');
    const waived = [{ pointId: 'rear heel', from: '2026-01-01', range: null, share: null, waived: true }];
    const v = verdict(requirement(), [], context([heel], { adaptations: waived }));
    expect([v.word, reason(v)]).toEqual(['met', 'Every point is waived for this student.']);
  });

  it('never says that a short point held as often as it must', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 6 }), fc.integer({ min: 0, max: 40 })), {
          minLength: 1,
          maxLength: 8,
        }),
        (list) => {
          const looks = list.map(([held, ago]) =>
            look(new Date(Date.UTC(2026, 2, 5 - ago)).toISOString().slice(0, 10), 'none', { 'rear heel': [held, 6] }),
          );
          const v = verdict(requirement(), looks, context([heel], { sided: false }));
          const said = /held in (\d+) of the last \d+; needs (\d+) of/.exec(reason(v));
          if (said) expect(Number(said[1])).toBeLessThan(Number(said[2]));
          expect(reason(v)).toMatch(/\.$/);
          if (v.word !== 'met') expect(changeOf(v)).not.toBe('');
          // What is met can only be lost.
          else expect(changeOf(v)).toMatch(/^$|^It is lost where fewer than \d+ of the last 10 hold\.$/);
        },
      ),
    );
  });
});

describe('parts of the judgement', () => {
  it('a correction of a correction leaves the first look out', () => {
    const a = look('2026-03-01', 'left', { x: [1, 5] });
    const b = look('2026-03-01', 'left', { x: [2, 5] }, { replaces: a.id });
    const c = look('2026-03-01', 'left', { x: [3, 5] }, { replaces: b.id });
    expect(standingLooks([a, b, c]).map((l) => l.id)).toEqual([c.id]);
    const evidence = gatherEvidence([c, a, b], new Map());
    expect(evidence.get('x')!.left.map((e) => e.held)).toEqual([3]);
  });

  it('a window spans the days asked where the numbers allow it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 4 }), fc.nat(), (d, most, some) => {
        // So many repetitions that they cannot all fall on fewer days.
        const n = (d - 1) * most + 1 + (some % most);
        const looks = Array.from({ length: 12 }, (_, i) =>
          look(`2026-02-${String(i + 1).padStart(2, '0')}`, 'none', { x: [9, 9] }),
        );
        const entries = gatherEvidence(looks, new Map()).get('x')!.none;
        const w = takeWindow(entries, n, Math.ceil(n / d), { conditionId: 'air', purpose: null, order });
        expect(w.of).toBe(n);
        expect(w.days).toBeGreaterThanOrEqual(d);
        expect(usualLook({ repetitions: n, days: d })).toBeGreaterThanOrEqual(Math.ceil(n / d));
      }),
    );
  });

  it('a felt mark and a seen one are kept at their own points', () => {
    const looks = [
      look(
        '2026-03-01',
        'none',
        {},
        {
          marks: [
            { pointId: 'told', kind: 'felt', held: 2, of: 5 },
            { pointId: 'x', kind: 'seen', held: 5, of: 5 },
          ],
        },
      ),
    ];
    const e = gatherEvidence(looks, new Map());
    expect([e.get('told')!.none[0]!.held, e.get('x')!.none[0]!.held]).toEqual([2, 5]);
  });

  it('groups the roll by what is missing', () => {
    const open = [{ word: 'met' as const }];
    const shut = [{ word: 'short' as const }];
    expect(readiness(['met', 'met'], open)).toBe('nothing missing');
    expect(readiness(['met', 'met'], shut)).toBe('only a gate is shut');
    expect(readiness(['met', 'close', 'stale'], open)).toBe('a look may settle it');
    expect(readiness(['short', 'close'], open)).toBe('one thing slips');
    expect(readiness(['short', 'short'], open)).toBe('more slips');
    // One knows where a slip stands; what nobody watched weighs more.
    expect(readiness(['met', 'unseen'], open)).toBe('not all was watched');
    expect(readiness(['short', 'short', 'unseen'], open)).toBe('not all was watched');
    expect([readiness([], []), readiness([], open)]).toEqual(['nothing is asked', 'nothing missing']);
    expect(missingInWords(['short', 'short', 'close', 'met'], 1)).toBe('2 short, 1 close and one gate');
    expect(missingInWords(['met'], 0)).toBe('Nothing is missing');
    expect(standardInWords(STEADY, true)).toBe(
      '8 of 10 on 2 days, both sides, seen within 60 days; a quarter may fall short',
    );
    expect(standardInWords({ ...STEADY, days: 1, sides: 'one', mayFallShort: 0 }, false)).toBe(
      '8 of 10, seen within 60 days',
    );
  });
});
