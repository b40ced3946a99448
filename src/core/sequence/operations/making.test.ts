import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anySequence, word, written } from '../testing/builders';
import type { Sequence } from '../move';
import { printLine, printSequence } from '../notation/print';
import { parseStep, readSequence } from '../notation/read';
import { makeVocabulary } from '../notation/vocabulary';
import { recipeEffects } from './effects';
import { COMMON_LEVELS } from './levels';
import { MOST_DERIVED, derive, recipeWords, type Operation } from './recipe';

const step = (text: string) => {
  const read = parseStep(text);
  if (!read.ok) throw new Error(read.error[0]!.message);
  return read.value;
};
const lines = (s: Pick<Sequence, 'moves'>) => s.moves.map((m) => printLine(m));
/** What a recipe of one step makes of a text. */
const makes = (text: string, o: Operation) => {
  const made = derive(written(text), [o]);
  return made.ok ? lines(made.value) : made.error;
};
const before = (text: string, slidesUp?: boolean): Operation => ({
  op: 'substitute',
  pattern: { kind: 'strike' },
  replacement: { do: 'before', step: step(text), ...(slidesUp ? { slidesUp } : {}) },
});

describe('a leg put in before a count', () => {
  // Common practice, no source: the leg that is about to step can kick; the other carries the weight.
  it('that steps is the one about to step, whatever the hand does', () => {
    expect(makes('step R, front stance, reverse punch L', before('front kick R'))).toEqual([
      'front kick R',
      'step R, front stance, reverse punch L',
    ]);
    expect(makes('step L, front stance, reverse punch R', before('front kick R'))).toEqual([
      'front kick L',
      'step L, front stance, reverse punch R',
    ]);
  });
  it('that stands follows the match; and a hand follows the match always', () => {
    expect(makes('punch L', before('front kick R'))).toEqual(['front kick L', 'punch L']);
    expect(makes('step R, reverse punch L', before('palm strike R'))).toEqual([
      'palm strike L',
      'step R, reverse punch L',
    ]);
  });
  it('leaves the standing foot where it is, or slides it up where the recipe says so', () => {
    expect(makes('step R, punch R', before('front kick R', true))[0]).toBe('slide L, front kick R');
    expect(recipeWords([before('front kick R', true)])).toContain('the standing foot sliding up');
  });
});

describe('what something becomes', () => {
  const become = (to: object): Operation => ({
    op: 'substitute',
    pattern: { family: 'hand', kinds: ['strike', 'hand shape'] },
    replacement: { do: 'become', ...to },
  });
  it('has the height of its new name, keeps its own where the name says none, and takes a target', () => {
    expect(makes('punch L high\nedge of hand R low', become({ name: 'low punch' }))).toEqual([
      'low punch L',
      'low punch R',
    ]);
    expect(makes('punch L high', become({ name: 'elbow strike' }))).toEqual(['elbow strike L high']);
    expect(makes('punch L', become({ name: 'elbow strike', target: 'left pad' }))).toEqual([
      'elbow strike L at left pad',
    ]);
  });
});

describe('changing over', () => {
  it('lead and rear change paired names with the limb, by pairs of the school too', () => {
    expect(makes('lead punch L\nreverse punch R', { op: 'invert', what: 'lead and rear' })).toEqual([
      'reverse punch R',
      'lead punch L',
    ]);
    expect(
      makes('front kick R', { op: 'invert', what: 'hands and feet', pairs: [['front kick', 'reverse punch']] }),
    ).toEqual(['reverse punch R']);
  });
});

describe('ways', () => {
  it('turns all go across, or all by swing; in place stays in place', () => {
    const text = 'turn L 90, step L, punch L\nturn R 180 in place, punch R';
    expect(makes(text, { op: 'turns', by: 'cross' })).toEqual(
      ['turn L 90 across, step L, punch L', 'turn R 180 in place, punch R'].map((l) =>
        l.replace('turn L 90 across, step L', 'L foot across').replace(/^L foot/, 'turn L 90, L foot'),
      ),
    );
  });
  it('power goes by kind of count, and counts that do nothing have none', () => {
    const made = makes('turn L 90, step L, punch L\nstep R, punch R\npunch L\nstep L', {
      op: 'power by kind',
      ways: { turning: 'swing', advancing: 'slide', standing: 'vibration' },
    });
    expect(made).toEqual([
      'turn L 90, L foot, punch L, power swing',
      'step R, punch R, power slide',
      'punch L, power vibration',
      'step L',
    ]);
  });
});

describe('heights in their own order', () => {
  it('begin with the hand, turn with the foot and as far as the recipe says', () => {
    const made = makes('punch L\nelbow strike R', {
      op: 'levels',
      pattern: { zones: ['lower', 'upper'], first: 'right', turn: 45, foot: 'same', bothHands: false },
    });
    expect(made.slice(0, 3)).toEqual([
      'turn R 45, R foot, punch R low',
      'turn L 45, L foot, punch L high',
      'turn R 45, R foot, elbow strike R low',
    ]);
    expect(made).toHaveLength(2 + 2 + 4);
  });
  it('go with the techniques that the recipe names', () => {
    const made = makes('low block L', {
      op: 'levels',
      pattern: { ...COMMON_LEVELS, techniques: ['palm strike'], zones: ['middle'], turn: 0 },
    });
    expect(made).toEqual(['palm strike L mid', 'palm strike R mid']);
  });
  it('law: no arm does two things in one count', () => {
    const made = derive(written('punch L\nelbow strike R'), [{ op: 'levels' }]);
    expect(made.ok && made.value.moves.every((m) => m.step.actions.length === 1)).toBe(true);
  });
});

describe('called at random', () => {
  const attacks = 'punch R, cue one\nlow block L\nhook punch R, cue two\nlow block L';
  it('cues begin combinations that stay whole, each as often as the others', () => {
    const made = derive(written(attacks), [{ op: 'shuffle', seed: 7, rounds: 5, by: 'as written' }]);
    if (!made.ok) throw new Error(made.error);
    const cues = made.value.moves.map((m) => m.step.cue);
    expect(cues.filter((c) => c === 'one')).toHaveLength(5);
    expect(cues.filter((c) => c === 'two')).toHaveLength(5);
    for (const [i, m] of made.value.moves.entries()) expect(m.step.actions[0]!.name === 'low block').toBe(i % 2 === 1);
  });
  it('law: however many counts there are, each comes as often, and none three times running', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 9 }), fc.integer({ min: 1, max: 12 }), fc.nat(), (n, rounds, seed) => {
        const text = Array.from({ length: n }, (_, i) => `punch ${i % 2 ? 'R' : 'L'} at place ${i}`).join('\n');
        const made = derive(written(text), [{ op: 'shuffle', seed, rounds, by: 'name' }]);
        if (!made.ok) throw new Error(made.error);
        const cues = made.value.moves.map((m) => m.step.cue!);
        const often = new Map<string, number>();
        for (const c of cues) often.set(c, (often.get(c) ?? 0) + 1);
        expect([...often.values()]).toEqual(Array.from({ length: n }, () => rounds));
        expect(cues.some((c, i) => i > 1 && c === cues[i - 1] && c === cues[i - 2])).toBe(false);
      }),
    );
  });
  it('says what is missing', () => {
    expect(makes('punch R', { op: 'shuffle', seed: 1, rounds: 2, by: 'as written' })).toContain(
      'nothing to choose from',
    );
    expect(makes('punch R\npunch L', { op: 'shuffle', seed: 1, rounds: 2, by: 'quarter' })).toContain('at upper left');
  });
});

describe('recipes of one lane', () => {
  const drill = 'punch R | low block L\npunch L | low block R';
  it('put in, add, mirror and power what lane B does, and leave lane A', () => {
    expect(
      makes(drill, {
        op: 'substitute',
        pattern: { kind: 'block' },
        replacement: { do: 'after', step: step('punch R') },
        lane: 'B',
      }),
    ).toEqual(['punch R | low block L', '- | punch L', 'punch L | low block R', '- | punch R']);
    expect(makes(drill, { op: 'extend', steps: [step('duck')], lane: 'B' }).at(-1)).toBe('- | duck');
    expect(makes(drill, { op: 'mirror', lane: 'B' })).toEqual(['punch R | low block R', 'punch L | low block L']);
    expect(makes(drill, { op: 'power round', ways: ['drop'], lane: 'B' })[0]).toBe('punch R | low block L, power drop');
  });
  it('law: nothing done to lane B changes nothing, and lane A never sees what is done to the other', () => {
    fc.assert(
      fc.property(anySequence(), (seq) => {
        const same = derive(seq, [{ op: 'substitute', pattern: {}, replacement: { do: 'become' }, lane: 'B' }]);
        if (same.ok && seq.moves.some((m) => m.partner))
          expect(same.value.moves.map((m) => m.step)).toEqual(seq.moves.map((m) => m.step));
        const mirrored = derive(seq, [{ op: 'mirror', lane: 'B' }]);
        expect(mirrored.ok && mirrored.value.moves.map((m) => m.step)).toEqual(seq.moves.map((m) => m.step));
      }),
    );
  });
});

describe('what is derived', () => {
  it('law: prints, and reads back the same', () => {
    const ops: Operation[] = [
      { op: 'pyramid' },
      { op: 'power round', ways: ['swing', 'drop'] },
      { op: 'levels' },
      { op: 'power by kind', ways: { standing: 'wind' } },
      { op: 'turns', by: 'cross' },
      { op: 'answer' },
      { op: 'mirror' },
    ];
    fc.assert(
      fc.property(anySequence(), fc.constantFrom(...ops), (seq, o) => {
        const made = derive(seq, [o]);
        if (!made.ok || made.value.moves.length > 200) return;
        const { sequence, problems } = readSequence(printSequence(made.value));
        expect(problems.filter((p) => p.severity === 'error')).toEqual([]);
        expect(sequence.moves).toEqual(made.value.moves);
      }),
      { numRuns: 200 },
    );
    expect(MOST_DERIVED).toBe(2000);
  });
});

describe('a step without effect', () => {
  const effects = (text: string, ...recipe: Operation[]) => recipeEffects(written(text), recipe);
  it('says so, with its place in the recipe', () => {
    expect(effects('punch R', { op: 'mirror' }, { op: 'turns', by: 'cross' })).toEqual(['Step 2: changes nothing.']);
    expect(effects('punch R', { op: 'mirror' })).toEqual([]);
  });
  it('names the techniques it knows no partner for', () => {
    expect(effects('marsh wind (strike) R\nslip L', { op: 'invert', what: 'hands and feet' })).toEqual([
      'Step 1: changes nothing: it knows no partner for marsh wind and slip.',
    ]);
    expect(effects('punch R\nslip L', { op: 'invert', what: 'hands and feet' })).toEqual([
      'Step 1: it knows no partner for slip.',
    ]);
  });
  it('names attacks that no rule answers, and rules that met no attack', () => {
    const rules = [{ kind: 'kick' as const, step: step('duck') }];
    expect(effects('punch R\npunch L', { op: 'answer', rules })).toEqual([
      'Step 1: no rule answers counts 1 and 2.',
      'Step 1: rule 1 met no attack.',
    ]);
  });
  it('names answers that the library lacks', () => {
    const vocabulary = makeVocabulary([word('Inner block', { kind: 'block' })]);
    const recipe: Operation[] = [{ op: 'answer' }];
    const of = (text: string) => recipeEffects(written(text), recipe, { find: () => undefined, vocabulary });
    expect(of('punch R mid')).toEqual([]);
    expect(of('punch R mid\nfront kick R\nhook punch L')).toEqual([
      'Step 1: the library has no evade and duck: write rules of your own.',
    ]);
  });
  it('says how far a round leaves one turned', () => {
    const pattern = { ...COMMON_LEVELS, techniques: undefined, zones: ['upper' as const], turn: 45, bothHands: false };
    expect(effects('punch L', { op: 'levels', pattern })).toEqual(['Step 1: each round leaves one 45° to the left.']);
    expect(effects('punch L', { op: 'levels' })).toEqual([]);
  });
});
