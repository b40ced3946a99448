import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyMove, anySequence, written } from '../testing/builders';
import { ancestorsOf, derivationOrder, descendantsOf, type Origin } from '../family';
import { asGraded, asKeptBy, schoolsOf } from '../graded';
import type { Sequence } from '../move';
import { printLine } from '../notation/print';
import { parseStep } from '../notation/read';
import { applyDepartures, findDepartures, withDepartures } from './departures';
import { derive, recipeWords, type Recipe } from './recipe';

const step = (text: string) => {
  const read = parseStep(text);
  if (!read.ok) throw new Error(read.error[0]!.message);
  return read.value;
};
const lines = (s: Pick<Sequence, 'moves'>) => s.moves.map((m) => printLine(m));
const kicks: Recipe = [
  {
    op: 'substitute',
    pattern: { name: 'punch', advancing: true },
    replacement: { do: 'before', step: step('front kick R mid') },
  },
];
const first = written(
  'step L, front stance, low block L\nstep R, front stance, punch R\nstep L, front stance, punch L',
);

describe('a recipe', () => {
  it('is followed step by step and told in words', () => {
    const made = derive(first, [...kicks, { op: 'mirror' }]);
    expect(made.ok && lines(made.value)).toEqual([
      'step R, front stance, low block R',
      'front kick L mid',
      'step L, front stance, punch L',
      'front kick R mid',
      'step R, front stance, punch R',
    ]);
    expect(recipeWords([...kicks, { op: 'mirror' }])).toBe(
      'a front kick before each advancing punch, then the other side',
    );
  });

  it.each<[Recipe, string]>([
    [[{ op: 'section', name: 'Home' }], 'There is no section called Home.'],
    [
      [{ op: 'mirror' }, { op: 'new head', head: 'x', from: 1 }],
      'Step 2 of the recipe: A sequence of the recipe is not there any more.',
    ],
    [
      [{ op: 'quarters', seed: 1, rounds: 2 }],
      'No count goes to the upper left or the upper right or the lower left or the lower right: write it as “at upper left”.',
    ],
    [[{ op: 'swap roles' }], 'Roles swap between two partners; there is only one here.'],
    [[{ op: 'repeat', times: 900 }], 'Step 1 of the recipe would make 2700 counts; 2000 are the most.'],
    [[{ op: 'counts', from: 9, to: 10 }], 'There is no count 9.'],
  ])('that cannot be followed is refused with the reason: %j', (recipe, error) => {
    expect(derive(first, recipe)).toEqual({ ok: false, error });
  });

  it('every operation has words and leaves the heading of the parent', () => {
    const all: Recipe = [
      { op: 'invert', what: 'high and low' },
      { op: 'chain', with: 'a' },
      { op: 'extend', steps: [step('punch R')] },
      { op: 'counts', from: 1, to: 3 },
      { op: 'pyramid' },
      { op: 'power round', ways: ['swing', 'drop'] },
      { op: 'answer' },
      { op: 'swap roles' },
    ];
    const made = derive(first, all, {
      find: () => first,
      vocabulary: { words: [], find: () => undefined, near: () => [] },
    });
    expect(made.ok && made.value.moves).toHaveLength(18);
    expect(recipeWords(all, () => 'Sluice')).toContain('followed by Sluice');
    expect(recipeWords([])).toBe('the same');
  });
});

describe('hand edits on a child', () => {
  it('found and laid on again give the edited text, whatever was edited', () => {
    fc.assert(
      fc.property(anySequence(), anySequence(), (a, b) => {
        const departures = findDepartures(a.moves, b.moves);
        const back = applyDepartures(a.moves, departures);
        expect(back.moves).toEqual(b.moves);
        expect(back.unfit).toEqual([]);
        expect(back.from).toHaveLength(b.moves.length);
      }),
    );
  });

  it('no edit, no departure; and one edit is one departure', () => {
    fc.assert(
      fc.property(anySequence(), (s) => {
        expect(findDepartures(s.moves, s.moves)).toEqual([]);
      }),
    );
    fc.assert(
      fc.property(anySequence(anyMove, 1), anyMove, fc.nat(), (s, m, at) => {
        const i = at % s.moves.length;
        const edited = [...s.moves.slice(0, i), { ...m, remark: 'edited by hand' }, ...s.moves.slice(i + 1)];
        expect(findDepartures(s.moves, edited)).toHaveLength(1);
      }),
    );
  });

  it('stay on their move when the parent changes above it, and are reported when their move is gone', () => {
    const child = derive(first, kicks);
    if (!child.ok) throw new Error(child.error);
    const edited = child.value.moves.map((m) =>
      printLine(m) === 'front kick L mid' ? written('front kick L high, slow').moves[0]! : m,
    );
    const withExtra = [...edited, ...written('draw R, ready').moves];
    const departures = findDepartures(child.value.moves, withExtra);
    expect(departures).toHaveLength(2);

    const longer = derive(written('punch R low\npunch L low\n' + lines(first).join('\n')), kicks);
    if (!longer.ok) throw new Error(longer.error);
    const moved = withDepartures(longer.value, departures);
    expect(moved.departed.unfit).toEqual([]);
    expect(lines(moved)).toEqual([
      'punch R low',
      'punch L low',
      'step L, front stance, low block L',
      'front kick R mid',
      'step R, front stance, punch R',
      'front kick L high, slow',
      'step L, front stance, punch L',
      'draw R, ready stance',
    ]);

    const other = derive(written('step L, front stance, low block L\nstep R, front stance, punch R'), kicks);
    if (!other.ok) throw new Error(other.error);
    const short = withDepartures(other.value, departures);
    expect(short.departed.unfit).toHaveLength(2);
    expect(lines(short)).toEqual(lines(other.value));
  });

  it('a count left out by hand leaves a gap', () => {
    const departures = findDepartures(first.moves, [first.moves[0]!, first.moves[2]!]);
    const d = applyDepartures(first.moves, departures);
    expect(d.gaps.map((g) => g.after)).toEqual([1]);
  });
});

describe('the family of a sequence', () => {
  const o = (id: string, parentId: string | null, ...heads: string[]): Origin => ({
    id,
    parentId,
    recipe: heads.map((h) => ({ op: 'chain', with: h })),
  });
  const all = [o('c', 'b'), o('b', 'a'), o('a', null), o('d', 'a', 'c'), o('e', null)];

  it('is computed parents first', () => {
    const order = derivationOrder(all);
    if (!order.ok) throw new Error('circle');
    const at = (id: string) => order.value.indexOf(id);
    expect(at('a')).toBeLessThan(at('b'));
    expect(at('c')).toBeLessThan(at('d'));
    expect(order.value).toHaveLength(5);
  });

  it('is walked both ways', () => {
    expect(descendantsOf('a', all).sort()).toEqual(['b', 'c', 'd']);
    expect(ancestorsOf('d', all)).toEqual(['a', 'c', 'b']);
    expect(descendantsOf('e', all)).toEqual([]);
  });

  it('refuses a circle and names it', () => {
    const circle = derivationOrder([o('a', 'c'), o('b', 'a'), o('c', 'b'), o('x', 'a'), o('y', null)]);
    expect(circle.ok).toBe(false);
    if (!circle.ok) expect([...circle.error.circle].sort()).toEqual(['a', 'b', 'c']);
    expect(derivationOrder([o('a', 'a')]).ok).toBe(false);
  });
});

describe('variants', () => {
  const s = written('punch R\n~ Reed House: punch R, shout\n~* Sluice Hall: punch R high\npunch L');
  it('a school keeps its own, gradings show the marked one', () => {
    expect(schoolsOf(s)).toEqual(['Reed House', 'Sluice Hall']);
    expect(lines(asKeptBy(s, 'Reed House'))).toEqual(['punch R, shout', 'punch L']);
    expect(lines(asGraded(s))).toEqual(['punch R high', 'punch L']);
    expect(lines(asKeptBy(s, 'nobody'))).toEqual(lines(s));
  });
});
