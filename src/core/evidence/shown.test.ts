import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changeOf, context, look, order, point, reasonOf, requirement } from './testing/builders';
import { gatherEvidence, type Entry } from './looks';
import { lostUnder, pointState } from './shown';
import { stick } from './stick';
import { verdict } from './verdict';
import { takeWindow } from './window';

const heel = point('rear heel');
const fist = point('fist', { critical: true });
const asked = { conditionId: 'air', purpose: null, order };
const STEADY_WINDOW = { repetitions: 10, days: 2, freshDays: 60 };
/** Five repetitions a day, so many held, from a month on, a day each. */
const days = (month: string, ...held: number[]) =>
  held.map((h, i) => [`2026-${month}-${String(i + 1).padStart(2, '0')}`, h] as const);
const seen = (id: string, list: readonly (readonly [string, number])[]) =>
  list.map(([day, held]) => look(day, 'none', { [id]: [held, 5] }));
const judged = (p: typeof heel, list: readonly (readonly [string, number])[], today: string) =>
  verdict(requirement({ mayFallShort: 0 }), seen(p.id, list), context([p], { sided: false, today }));

describe('shown, and stays shown', () => {
  it('one bad evening does not take back what two good ones showed', () => {
    const v = judged(heel, days('02', 5, 4, 2), '2026-02-10');
    // The last ten: 4 and 2 of 5, six held; under six it would be lost.
    expect(v.points[0]!.window.held).toBe(6);
    expect(v.word).toBe('met');
    expect(reasonOf(v)).toBe('Thinnest: rear heel, shown 2 February, 9 of 10; now 6 of 10, lost under 6.');
    expect(changeOf(v)).toBe('It is lost where fewer than 6 of the last 10 hold.');
  });

  it('what fades is lost plainly, and must be shown anew', () => {
    const v = judged(heel, days('02', 5, 4, 1), '2026-02-10');
    expect(v.word).toBe('short');
    expect(reasonOf(v)).toBe(
      'Rear heel was shown 2 February, 9 of 10, and lost 3 February at 5 of 10; needs 8 of 10 again.',
    );
    expect(changeOf(v)).toMatch(/would show it again\.$/);
    // Seven of ten would have kept it, but do not show it again.
    const back = judged(heel, days('02', 5, 4, 1, 3, 4), '2026-02-10');
    expect(back.points[0]!.window.held).toBe(7);
    expect([back.word, reasonOf(back)]).toEqual([
      'close',
      'Rear heel was shown 2 February, 9 of 10, and lost 3 February at 5 of 10; now 7 of 10; needs 8 of 10 again.',
    ]);
    expect(judged(heel, days('02', 5, 4, 1, 4, 4), '2026-02-10').word).toBe('met');
  });

  it('critical points are lost sooner', () => {
    // Nine of ten are asked, and under eight is lost.
    expect(judged(fist, days('02', 5, 5, 3), '2026-02-10').word).toBe('met');
    expect(judged(fist, days('02', 5, 5, 2), '2026-02-10').word).not.toBe('met');
    expect([lostUnder(0.8, false), lostUnder(0.9, true), lostUnder(0.1, false)].map((x) => x.toFixed(2))).toEqual([
      '0.60',
      '0.80',
      '0.00',
    ]);
  });

  it('what nobody looked at for too long is stale; a poor look after that shows nothing', () => {
    const old = days('01', 5, 5);
    expect(judged(heel, old, '2026-03-03').word).toBe('met');
    expect(judged(heel, old, '2026-03-04').word).toBe('stale');
    const late = [...old, ['2026-03-10', 2] as const];
    expect(judged(heel, late, '2026-03-10').word).not.toBe('met');
    // A look in between keeps it, also one that arrives late.
    expect(judged(heel, [...late, ['2026-02-10', 4] as const], '2026-03-10').word).toBe('met');
  });

  it('is what a replay from the oldest day says', () => {
    const anEntry = fc.record({
      day: fc.integer({ min: 0, max: 60 }),
      at: fc.integer({ min: 0, max: 9 }),
      of: fc.integer({ min: 1, max: 6 }),
      slipped: fc.integer({ min: 0, max: 3 }),
      conditionId: fc.constantFrom('air', 'still target', 'lying'),
    });
    const aStandard = fc.record({
      repetitions: fc.integer({ min: 1, max: 10 }),
      days: fc.integer({ min: 1, max: 3 }),
      freshDays: fc.integer({ min: 3, max: 40 }),
    });
    fc.assert(
      fc.property(
        fc.array(anEntry, { maxLength: 25 }),
        aStandard,
        fc.constantFrom(0.6, 0.8, 1),
        fc.boolean(),
        (raw, s, share, critical) => {
          const looks = raw.map(({ day, at, of, slipped, conditionId }) =>
            look(
              new Date(Date.UTC(2026, 0, 1 + day)).toISOString().slice(0, 10),
              'none',
              { x: [Math.max(0, of - slipped), of] },
              { at, conditionId },
            ),
          );
          const entries: readonly Entry[] = gatherEvidence(looks, new Map()).get('x')?.none ?? [];
          const state = pointState(entries, s, share, critical, asked);
          // The naive way: day by day, with only what was known on that evening.
          const counting = [...new Set(entries.filter((e) => e.conditionId !== 'lying').map((e) => e.day))].sort(
            (a, b) => a - b,
          );
          let shown: number | null = null;
          let last = -Infinity;
          for (const day of counting) {
            if (day - last > s.freshDays) shown = null;
            last = day;
            const w = takeWindow(
              entries.filter((e) => e.day <= day),
              s.repetitions,
              Math.ceil(s.repetitions / s.days),
              asked,
            );
            if (w.of < s.repetitions) continue;
            if (w.held >= share * s.repetitions - 1e-9) shown = day;
            else if (w.held < lostUnder(share, critical) * s.repetitions - 1e-9) shown = null;
          }
          expect(state.shown?.day ?? null).toBe(shown);
          if (state.lost) expect(state.lost.fell.day).toBeGreaterThan(state.lost.shown.day);
        },
      ),
      { numRuns: 600 },
    );
  });
});

/** Ten repetitions asked on two days, nothing else. */
describe('the window it rests on', () => {
  it('is the newest one, whatever was shown before', () => {
    const entries = gatherEvidence(seen('x', days('02', 5, 5, 3)), new Map()).get('x')!.none;
    const state = pointState(entries, STEADY_WINDOW, 0.8, false, asked);
    expect(state.window).toMatchObject({ held: 8, of: 10, days: 2 });
    expect(state.shown).toEqual({ day: entries[0]!.day, held: 8, of: 10 });
  });
});

describe('what is said and drawn of it', () => {
  it('the stick has a peg where it was shown, and one where it was lost', () => {
    const list = days('02', 5, 4, 1);
    const r = requirement({ mayFallShort: 0 });
    const at = (n: number) => {
      const looks = seen(heel.id, list.slice(0, n));
      const v = verdict(r, looks, context([heel], { sided: false, today: '2026-02-10' }));
      return stick(gatherEvidence(looks, new Map()), { requirement: r, verdict: v }, 'none', order);
    };
    expect(at(1)).toMatchObject({ shown: null, lost: null });
    expect(at(2)).toMatchObject({ marks: [...'HHHHHHHHHS'], shown: 10, lost: null });
    // The second evening's five come first, then the third's.
    expect(at(3)).toMatchObject({ marks: [...'HHHHSHSSSS'], shown: 5, lost: 10 });
  });

  it('what has no sides is drawn in the order in which it was made, whatever side it was seen on', () => {
    const looks = [
      look('2026-02-01', 'right', { [heel.id]: [5, 5] }),
      look('2026-02-02', 'left', { [heel.id]: [0, 5] }),
      look('2026-02-03', 'right', { [heel.id]: [5, 5] }),
    ];
    const r = requirement();
    const v = verdict(r, looks, context([heel], { sided: false, today: '2026-02-10' }));
    const drawn = stick(gatherEvidence(looks, new Map()), { requirement: r, verdict: v }, 'none', order);
    expect(drawn.marks.join('')).toBe('SSSSSHHHHH');
  });

  it('what went stale on a poor look asks for as many looks as it needs', () => {
    // Eight, then six of ten: carried, then stale; of the newest five two held.
    const v = judged(heel, days('01', 4, 4, 2), '2026-03-20');
    expect([v.word, v.looksNeeded]).toEqual(['stale', 2]);
    expect(changeOf(v)).toBe('Two clean looks of 5 repetitions, each on another day, would show it again.');
  });
});
