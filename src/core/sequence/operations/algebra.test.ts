import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyMove, anySequence, written } from '../testing/builders';
import { moveOf, POWERS, type Sequence } from '../move';
import { printLine } from '../notation/print';
import { parseStep } from '../notation/read';
import { postContacts } from '../post';
import { mapSections, sectionings } from '../sectioning';
import { tally } from '../tally';
import { answer } from './answer';
import { chain } from './chain';
import { extend } from './extend';
import { newHead } from './newHead';
import { powerRound } from './powerRound';
import { pyramid } from './pyramid';
import { repeat } from './repeat';
import { section } from './section';
import { swapRoles } from './swapRoles';
import { INVERSIONS, invert } from './invert';
import { levelPattern } from './levels';
import { loopCount, loopReport } from './loops';
import { mirror } from './mirror';
import { QUARTERS, quarterShuffle, shuffleQuarters } from './quarters';
import { substitute, type Pattern } from './substitute';

const lines = (s: Sequence) => s.moves.map((m) => printLine(m));
const step = (text: string) => {
  const read = parseStep(text);
  if (!read.ok) throw new Error(read.error[0]!.message);
  return read.value;
};

// Published laws of the operations: see the algorithms in the reference list (involutions, associativity, 1 + … + n + … + 1 = n²).
describe('laws on generated sequences', () => {
  it('the mirror of the mirror is the start', () => {
    fc.assert(
      fc.property(anySequence(), (s) => {
        expect(mirror(mirror(s))).toEqual(s);
      }),
    );
  });
  it.each(INVERSIONS)('%s changed over twice is the start', (what) => {
    fc.assert(
      fc.property(anySequence(), (s) => {
        expect(invert(invert(s, what), what)).toEqual(s);
      }),
    );
  });
  it('own pairs that would lead two names to one are not used twice', () => {
    const pairs = [
      [
        { name: 'punch', kind: 'strike' },
        { name: 'front kick', kind: 'kick' },
      ],
      [
        { name: 'punch', kind: 'strike' },
        { name: 'elbow strike', kind: 'strike' },
      ],
    ] as const;
    fc.assert(
      fc.property(anySequence(), (s) => {
        expect(invert(invert(s, 'hands and feet', pairs), 'hands and feet', pairs)).toEqual(s);
      }),
    );
  });
  it('chaining is associative', () => {
    fc.assert(
      fc.property(anySequence(), anySequence(), anySequence(), (a, b, c) => {
        expect(chain(chain(a, b), c)).toEqual(chain(a, chain(b, c)));
      }),
    );
  });
  it('the mirror goes over a chain', () => {
    fc.assert(
      fc.property(anySequence(), anySequence(), (a, b) => {
        expect(mirror(chain(a, b))).toEqual(chain(mirror(a), mirror(b)));
      }),
    );
  });
  it('mirror and inversions may be done in either order', () => {
    fc.assert(
      fc.property(anySequence(), fc.constantFrom(...INVERSIONS), (s, what) => {
        expect(mirror(invert(s, what))).toEqual(invert(mirror(s), what));
      }),
    );
  });
  it('a pyramid of n counts has n² counts, and mirrors as its parts do', () => {
    fc.assert(
      fc.property(anySequence(), (s) => {
        expect(pyramid(s).moves).toHaveLength(s.moves.length ** 2);
        expect(mirror(pyramid(s))).toEqual(pyramid(mirror(s)));
      }),
    );
  });
  it('n times over has n times the counts and tallies', () => {
    fc.assert(
      fc.property(anySequence(), fc.integer({ min: 1, max: 5 }), (s, n) => {
        expect(repeat(s, n).moves).toHaveLength(n * s.moves.length);
        expect(tally(repeat(s, n)).shouts).toBe(n * tally(s).shouts);
      }),
    );
  });
  it('substituting the same changes nothing; removing leaves none', () => {
    const pattern = fc.record(
      {
        kind: fc.constantFrom('strike', 'block', 'kick'),
        family: fc.constantFrom('hand', 'foot'),
        zone: fc.constantFrom('upper', 'middle', 'lower'),
        side: fc.constantFrom('left', 'right', 'lead', 'rear'),
        advancing: fc.boolean(),
      },
      { requiredKeys: [] },
    ) as fc.Arbitrary<Pattern>;
    fc.assert(
      fc.property(anySequence(), pattern, (s, p) => {
        expect(substitute(s, p, { do: 'become' })).toEqual(s);
      }),
    );
    fc.assert(
      fc.property(anySequence(), (s) => {
        const without = substitute(s, { kind: 'strike' }, { do: 'remove' });
        expect(tally(without).cells.some((c) => c.kind === 'strike')).toBe(false);
      }),
    );
  });
  it('answered and roles swapped twice is the start', () => {
    fc.assert(
      fc.property(anySequence(), (s) => {
        const { sequence } = answer(s);
        expect(swapRoles(swapRoles(sequence))).toEqual(sequence);
        expect(sequence.moves.map((m) => m.step)).toEqual(s.moves.map((m) => m.step));
        expect(sequence.moves.every((m) => m.partner !== null)).toBe(true);
      }),
    );
  });
  it('the tally of a mirror is the mirrored tally', () => {
    fc.assert(
      fc.property(anySequence(), (s) => {
        const t = tally(s);
        const m = tally(mirror(s));
        const swap = <T extends { left: number; right: number }>(c: T) => ({ ...c, left: c.right, right: c.left });
        expect(m).toEqual({ ...t, turns: swap(t.turns), cells: t.cells.map(swap), names: t.names.map(swap) });
      }),
    );
  });
  it('the tally of a chain is the sum', () => {
    fc.assert(
      fc.property(anySequence(), anySequence(), (a, b) => {
        const sum = (s: Sequence) => tally(s).cells.reduce((n, c) => n + c.left + c.right + c.both + c.none, 0);
        expect(sum(chain(a, b))).toBe(sum(a) + sum(b));
      }),
    );
  });
  it('a power round is the sequence once for each way', () => {
    fc.assert(
      fc.property(anySequence(anyMove, 1), (s) => {
        const r = powerRound(s);
        expect(r.moves).toHaveLength(POWERS.length * s.moves.length);
        POWERS.forEach((power, i) => {
          const round = r.moves.slice(i * s.moves.length, (i + 1) * s.moves.length);
          expect(round.every((m) => m.step.actions.length === 0 || m.step.powers.join() === power)).toBe(true);
        });
      }),
    );
  });
});

describe('one long walk', () => {
  it('never breaks a sequence, and undone backwards comes home', () => {
    const undoable = ['mirror', ...INVERSIONS] as const;
    fc.assert(
      fc.property(anySequence(), fc.array(fc.constantFrom(...undoable), { maxLength: 40 }), (s, walk) => {
        const go = (x: Sequence, what: (typeof undoable)[number]) => (what === 'mirror' ? mirror(x) : invert(x, what));
        const there = walk.reduce(go, s);
        expect([...walk].reverse().reduce(go, there)).toEqual(s);
      }),
    );
  });
});

// Facts of the trade: common practice, no source.
describe('worked examples', () => {
  const first = written(`= Out
step L, front stance, low block L
step R, front stance, punch R
= Back
turn R 180, R foot across, front stance, low block R
step L, front stance, punch L`);

  it('the second form is the first with a front kick before each advancing hand technique, turns unchanged (F 3)', () => {
    const second = substitute(
      first,
      { kind: 'strike', family: 'hand', advancing: true },
      { do: 'before', step: step('front kick R mid') },
    );
    expect(lines(second)).toEqual([
      'step L, front stance, low block L',
      'front kick R mid',
      'step R, front stance, punch R',
      'turn R 180, R foot across, front stance, low block R',
      'front kick L mid',
      'step L, front stance, punch L',
    ]);
  });

  it('a section begins with what is put before its first count', () => {
    const s = substitute(first, { kind: 'block' }, { do: 'before', step: step('front kick R') });
    expect(s.moves[0]!.begins).toEqual([{ sectioning: 1, name: 'Out' }]);
    expect(s.moves[1]!.begins).toEqual([]);
  });

  it('a section keeps its beginning when its first count is taken out', () => {
    const s = substitute(
      written('= Out\npunch R\nlow block L\n= Home\npunch L\nlow block R'),
      { kind: 'strike' },
      { do: 'remove' },
    );
    expect(s.moves.map((m) => m.begins[0]?.name)).toEqual(['Out', 'Home']);
  });

  it('fists become elbows at the same heights; punches become blocks', () => {
    const s = written('punch L high\npunch R low\npunch L');
    expect(lines(substitute(s, { name: 'punch' }, { do: 'become', name: 'elbow strike' }))).toEqual([
      'elbow strike L high',
      'elbow strike R low',
      'elbow strike L',
    ]);
  });

  it('lead and rear follow the feet', () => {
    const s = written('step L, front stance, punch L\npunch R\nstep R back\npunch L');
    expect(lines(substitute(s, { side: 'rear' }, { do: 'become', name: 'hook punch' }))).toEqual([
      'step L, front stance, punch L',
      'hook punch R',
      'step R back',
      'punch L',
    ]);
  });

  it('1; 1-2; 1-2-3; then back down (F 4)', () => {
    const p = pyramid(written('punch L\npunch R\nfront kick R'));
    expect(p.moves.map((m) => m.step.actions[0]!.name[0] + m.step.actions[0]!.side[0]!)).toEqual([
      'pl',
      'pl',
      'pr',
      'pl',
      'pr',
      'fr',
      'pl',
      'pr',
      'pl',
    ]);
    expect(p.moves.filter((m) => m.begins.length > 0).map((m) => m.begins[0]!.name)).toEqual([
      '1',
      '1 to 2',
      '1 to 3',
      '1 to 2',
      '1',
    ]);
  });

  it('high, low, middle, high, alternating and turning; elbows; both; then the other hand (F 6)', () => {
    const s = levelPattern();
    // Four heights for fists, four for elbows, eight for fist then elbow; and the same from the other hand.
    expect(s.moves).toHaveLength(32);
    expect(s.moves.slice(0, 4).map((m) => [m.step.actions[0]!.side, m.step.actions[0]!.zone])).toEqual([
      ['left', 'upper'],
      ['right', 'lower'],
      ['left', 'middle'],
      ['right', 'upper'],
    ]);
    expect(s.moves.slice(8, 12).map((m) => m.step.actions.map((a) => `${a.name} ${a.side} ${a.zone!}`))).toEqual([
      ['punch left upper'],
      ['elbow strike right upper'],
      ['punch left lower'],
      ['elbow strike right lower'],
    ]);
    expect(s.moves[16]!.step.actions[0]!.side).toBe('right');
    expect(s.moves.every((m) => m.step.turn !== null)).toBe(true);
    const t = tally(s);
    expect(t.cells.every((c) => c.left === c.right)).toBe(true);
  });

  it('a new head on the same tail, and extending by two punches', () => {
    const s = newHead(written('punch L\npunch R\nlow block L'), written('front kick R'), 2);
    expect(s.ok && lines(s.value)).toEqual(['front kick R', 'punch R', 'low block L']);
    expect(newHead(first, first, 9)).toEqual({ ok: false, error: 'There is no count 9: the sequence has 4.' });
    expect(
      lines(extend(written('low block L'), [moveOf(step('punch R at upper left')), moveOf(step('punch L'))])),
    ).toHaveLength(3);
    const back = section(first, 'Back');
    expect(back.ok && lines(back.value)).toHaveLength(2);
    expect(section(first, 'Home').ok).toBe(false);
  });

  it('answers a straight attack with the arm it comes to, a hook with a duck, a kick with the feet (F 11)', () => {
    const { sequence, unanswered } = answer(written('punch R high\nhook punch L high\nfront kick R mid\nslip L'));
    expect(sequence.moves.map((m) => printLine({ ...m, step: m.partner!, partner: null }))).toEqual([
      'rising block L',
      'duck high',
      'slide R right 135, evade mid',
      '-',
    ]);
    expect(unanswered).toEqual([]);
  });
});

describe('quarters', () => {
  it('come balanced, never more than twice running, alike for one seed', () => {
    fc.assert(
      fc.property(fc.integer(), fc.integer({ min: 0, max: 200 }), (seed, n) => {
        const q = shuffleQuarters(seed, n);
        expect(q).toHaveLength(n);
        const each = QUARTERS.map((x) => q.filter((y) => y === x).length);
        expect(Math.max(...each) - Math.min(...each)).toBeLessThanOrEqual(1);
        expect(q.some((x, i) => i > 1 && x === q[i - 1] && x === q[i - 2])).toBe(false);
        expect(shuffleQuarters(seed, n)).toEqual(q);
      }),
      { numRuns: 300 },
    );
  });
  it('different seeds give different orders', () => {
    const orders = new Set(Array.from({ length: 20 }, (_, seed) => shuffleQuarters(seed, 16).join()));
    expect(orders.size).toBeGreaterThan(15);
  });
  it('say which one nobody goes to', () => {
    const s = written('check L at upper left\ncheck R at upper right\ncheck L at lower left');
    expect(quarterShuffle(s, 1, 2)).toEqual({
      ok: false,
      error: 'No count goes to the lower right: write it as “at lower right”.',
    });
  });
});

describe('sections, loops and the post', () => {
  it('two numberings map to each other over the same moves (F 5)', () => {
    const s = written('= One\n=2 A\npunch L\n=2 B\npunch R\n= Two\nblock L\n=2 C\nblock R');
    const [main, old] = sectionings(s);
    expect(main!.sections).toEqual([
      { name: 'One', from: 1, to: 2 },
      { name: 'Two', from: 3, to: 4 },
    ]);
    expect(mapSections(main!, old!).map((x) => x.others.map((o) => o.name))).toEqual([
      ['A', 'B'],
      ['B', 'C'],
    ]);
    expect(mapSections(old!, main!).map((x) => x.others.map((o) => o.name))).toEqual([
      ['One'],
      ['One', 'Two'],
      ['Two'],
    ]);
  });

  it('a loop without a switch stays on its side and says so; partners run their own orders', () => {
    const locked = written(
      'loop: yes\norders: apart\npunch R | inner block L\npunch R low | low block L\nhook punch R | -',
    );
    const r = loopReport(locked);
    expect(r.untrained).toEqual([
      { lane: 'A', kind: 'strike', side: 'left' },
      { lane: 'B', kind: 'block', side: 'right' },
    ]);
    expect(r.orders.map((o) => o.steps.length)).toEqual([3, 2]);
    expect(r.period).toBe(6);
    expect(loopCount(locked, 2).b!.actions[0]!.name).toBe('inner block');
    const freed = written('loop: yes\npunch R | inner block L\npunch R, switch | inner block L');
    expect(loopReport(freed).untrained).toEqual([]);
    expect(loopCount(freed, 2).a!.actions[0]!.side).toBe('left');
    expect(loopCount(freed, 4).a!.actions[0]!.side).toBe('right');
  });

  it('arm meets the arm it faces; crossed contact is a recovery (F 49)', () => {
    const s = written(
      'check R at its left arm + palm strike L at its right arm\ncheck R at its right arm\nlow kick L at its leg',
    );
    expect(postContacts(s).map((c) => [c.count, c.limb, c.part, c.crossed])).toEqual([
      [1, 'right', 'left arm', false],
      [1, 'left', 'right arm', false],
      [2, 'right', 'right arm', true],
      [3, 'left', 'leg', false],
    ]);
    // The other side of the body faces the other arm: the mirror crosses where the set crosses.
    expect(postContacts(mirror(s)).map((c) => c.crossed)).toEqual([false, false, true, false]);
  });
});
