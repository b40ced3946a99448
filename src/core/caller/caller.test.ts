import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyMove, anySequence, written } from '../sequence/testing/builders';
import { rolesOf } from '../sequence/roles';
import { COUNT_LANGUAGES } from './counts';
import { callTimeline, type Call, type Pace } from './timeline';

const call = (text: string, pace: Partial<Pace> = {}): Call[] => {
  const made = callTimeline(written(text), { leadIn: 0, ...pace });
  if (!made.ok) throw new Error(made.error);
  return made.value;
};
const counted = (calls: Call[]) => calls.filter((c) => c.kind === 'count');

describe('count words', () => {
  // Spoken forms from memory; nothing published is at hand.
  it.each([
    ['en', 21, 'twenty-one', 'twenty-one'],
    ['ja', 4, '四', 'shi'],
    ['ja', 21, '二十一', 'ni jū ichi'],
    ['ko', 1, '하나', 'hana'],
    ['ko', 25, '스물다섯', 'seumul daseot'],
    ['cmn', 10, '十', 'shí'],
    ['cmn', 12, '十二', 'shí èr'],
    ['yue', 30, '三十', 'saam1 sap6'],
  ] as const)('%s %i', (language, n, writtenWord, said) => {
    expect(COUNT_LANGUAGES[language].word(n)).toEqual({ written: writtenWord, said });
  });
  it('differ from 1 to 99 in every language, and carry a valid tag', () => {
    for (const l of Object.values(COUNT_LANGUAGES)) {
      const words = Array.from({ length: 99 }, (_, i) => l.word(i + 1));
      expect(new Set(words.map((w) => w.written)).size).toBe(99);
      expect(words.every((w) => w.said.length > 0)).toBe(true);
      // BCP 47, as the platform reads it.
      expect(Intl.getCanonicalLocales(l.tag).length).toBe(1);
    }
  });
});

describe('the timeline', () => {
  it('runs without holes or overlap, in order, whatever is called', () => {
    fc.assert(
      fc.property(
        anySequence(anyMove, 1),
        fc.record({
          mode: fc.constantFrom('through' as const, 'tens' as const, 'pyramid' as const, 'clock' as const),
          rounds: fc.integer({ min: 1, max: 3 }),
          times: fc.integer({ min: 1, max: 10 }),
          sides: fc.constantFrom('written' as const, 'mirrored' as const, 'both' as const),
          switches: fc.boolean(),
          secondsPerCount: fc.integer({ min: 1, max: 5 }),
          seed: fc.nat(),
        }),
        (s, pace) => {
          const made = callTimeline(s, pace);
          if (!made.ok) throw new Error(made.error);
          const calls = made.value;
          for (const [i, c] of calls.entries()) {
            expect(c.until).toBeGreaterThanOrEqual(c.at);
            if (i > 0) expect(c.at).toBeCloseTo(calls[i - 1]!.until, 9);
          }
          expect(calls.at(-1)!.kind).toBe('end');
          expect(callTimeline(s, pace)).toEqual(made);
          if (pace.mode === 'pyramid' && pace.sides !== 'both')
            expect(counted(calls)).toHaveLength(s.moves.length ** 2 * pace.rounds);
        },
      ),
    );
  });

  it('calls both sides in turn, and tens a side of each count (F 44, common practice, no source)', () => {
    const calls = counted(call('punch R\nlow block R', { mode: 'tens', sides: 'both', times: 10 }));
    expect(calls).toHaveLength(40);
    expect(calls.slice(0, 10).map((c) => c.number)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
    expect(calls[0]!.move!.step.actions[0]!.side).toBe('right');
    expect(calls[20]!.move!.step.actions[0]!.side).toBe('left');
    expect(calls[39]!.round).toBe(2);
  });

  it('a slow count takes twice, a quick one half', () => {
    const [a, b, c] = call('punch R\npunch L, slow\npunch R, quick', { secondsPerCount: 2 });
    expect([a!.until - a!.at, b!.until - b!.at, c!.until - c!.at]).toEqual([2, 4, 1]);
  });

  it('switches when nobody can foresee it, never twice within four counts, and goes on with the other side', () => {
    const calls = call('punch R', { mode: 'tens', times: 200, switches: true, seed: 7 });
    const at = calls.flatMap((c, i) => (c.kind === 'switch' ? [i] : []));
    expect(at.length).toBeGreaterThan(15);
    const gaps = at.slice(1).map((x, i) => x - at[i]! - 1);
    expect(Math.min(...gaps)).toBeGreaterThanOrEqual(4);
    expect(new Set(gaps).size).toBeGreaterThan(2);
    expect(calls[at[0]! - 1]!.move!.step.actions[0]!.side).toBe('right');
    expect(calls[at[0]! + 1]!.move!.step.actions[0]!.side).toBe('left');
  });

  it('a switching count of the sequence turns what follows to the other side', () => {
    const sides = counted(call('punch R, switch\npunch R')).map((c) => c.move!.step.actions[0]!.side);
    expect(sides).toEqual(['right', 'left']);
  });

  it('plays by the clock and swaps roles between rounds', () => {
    const calls = call('punch R | slip L\npunch L | slip R', {
      mode: 'clock',
      clock: 30,
      rounds: 2,
      rest: 10,
      secondsPerCount: 2,
      swapRoles: true,
    });
    const first = counted(calls).filter((c) => c.round === 1);
    expect(first).toHaveLength(15);
    expect(calls.map((c) => c.kind)).toContain('roles');
    expect(counted(calls).find((c) => c.round === 2)!.move!.step.actions[0]!.name).toBe('slip');
  });

  it('calls quarters at random, and names instead of numbers', () => {
    const quarters =
      'check L at upper left\ncheck R at upper right\nlow block L at lower left\nlow block R at lower right';
    const calls = counted(call(quarters, { mode: 'quarters', times: 16, words: 'names' }));
    expect(calls).toHaveLength(16);
    expect(calls.every((c) => c.index !== null && c.index >= 0)).toBe(true);
    expect(calls.filter((c) => c.say.startsWith('check upper'))).toHaveLength(8);
  });

  it('begins at any count and says why it cannot be called', () => {
    expect(counted(call('punch R\npunch L\npunch R', { from: 2 }))[0]!.number).toBe(2);
    expect(callTimeline(written(''))).toEqual({ ok: false, error: 'There is nothing to call yet.' });
    expect(callTimeline(written('punch R'), { from: 2 })).toEqual({ ok: false, error: 'There is no count 2.' });
    expect(callTimeline(written('punch R'), { swapRoles: true }).ok).toBe(false);
    expect(callTimeline(written('punch R'), { mode: 'quarters' }).ok).toBe(false);
    expect(callTimeline(written('punch R'), { mode: 'tens', times: 6000 }).ok).toBe(false);
  });

  it('by names it says what makes a count different, and no more', () => {
    const says = (text: string, pace: Partial<Pace> = {}) =>
      counted(call(text, { words: 'names', ...pace })).map((c) => c.say);
    expect(says('punch R\nlow block L')).toEqual(['punch', 'low block']);
    expect(says('punch R\npunch L high')).toEqual(['punch right', 'punch left high']);
    expect(says('check L at upper left\ncheck L at lower left')).toEqual(['check upper left', 'check lower left']);
    expect(says('punch R high\npunch R')).toEqual(['punch high', 'punch']);
    expect(says('punch R', { sides: 'both' })).toEqual(['punch right', 'punch left']);
    expect(says('rising block R\nrising block L')).toEqual(['rising block right', 'rising block left']);
  });

  it('a student at the pads hears their own work, or the lane that is asked for', () => {
    const pads = 'cue left pad | punch R at left pad\ncue kick | front kick L at shield';
    const says = (pace: Partial<Pace>) => counted(call(pads, { words: 'names', ...pace })).map((c) => c.say);
    expect(says({})).toEqual(['punch', 'front kick']);
    expect(says({ lane: 'A' })).toEqual(['left pad', 'kick']);
    // Changed over, the same work is called, and the other lane does it.
    const swapped = counted(call(pads, { words: 'names', swapRoles: true, rounds: 2 }));
    expect(swapped.map((c) => c.say)).toEqual(['punch', 'front kick', 'punch', 'front kick']);
    expect(swapped.map((c) => c.lane)).toEqual(['B', 'B', 'A', 'A']);
  });

  it('threes go as one numbered count, with the shout on the last of the ten (F 44, common practice, no source)', () => {
    const calls = counted(call('punch R\npunch L\npunch R', { mode: 'sets', times: 20, secondsPerCount: 1 }));
    expect(calls.map((c) => c.number)).toEqual(Array.from({ length: 20 }, (_, i) => i + 1));
    expect(calls.flatMap((c) => (c.shout ? [c.number] : []))).toEqual([10, 20]);
    expect(calls[0]!.until - calls[0]!.at).toBe(3);
    expect(calls[0]!.set).toHaveLength(3);
    expect(callTimeline(written('punch R\n'.repeat(7)), { mode: 'sets' }).ok).toBe(false);
  });

  it('“ready”, “rest” and “stop” are in the hall’s language, and roles by name', () => {
    const kinds = (calls: Call[]) => calls.filter((c) => c.kind !== 'count').map((c) => [c.kind, c.latin, c.lang]);
    expect(kinds(call('punch R', { words: 'ja', rounds: 2, leadIn: 4 }))).toEqual([
      ['ready', 'yōi', 'ja'],
      ['rest', 'yasume', 'ja'],
      ['end', 'yame', 'ja'],
    ]);
    expect(call('punch R', { words: 'names', hall: 'ko' }).at(-1)!.latin).toBe('geuman');
    const roles = call('punch R | slip L', { words: 'names', swapRoles: true, rounds: 2 });
    expect(roles.find((c) => c.kind === 'roles')!.say).toBe('Change roles: attacker and defender');
  });
});

describe('who is who in a drill', () => {
  it.each([
    ['punch R | slip L', 'attacker', 'defender'],
    ['slip L | punch R', 'defender', 'attacker'],
    ['cue left pad | punch R', 'holder', 'striker'],
    ['front kick R at shield | -', 'kicker', 'holder'],
    ['punch R | punch L', 'A', 'B'],
  ])('%s', (text, a, b) => {
    expect(rolesOf(written(text))).toEqual({ A: a, B: b });
  });
  it('nobody, where nobody stands opposite', () => {
    expect(rolesOf(written('punch R'))).toBeNull();
  });
});
