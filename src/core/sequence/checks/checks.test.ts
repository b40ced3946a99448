import { describe, expect, it } from 'vitest';
import { written } from '../testing/builders';
import { checkSequence, PLAIN_CONTEXT, type CheckContext, type CheckName } from '.';
import { readSequence } from '../notation/read';
import { makeVocabulary, type Word } from '../notation/vocabulary';

const word = (name: string, kind: Word['kind'], more: Partial<Word> = {}): Word => ({
  id: name,
  name,
  kind,
  zone: null,
  terms: [],
  retired: false,
  geometry: null,
  rank: 0,
  ceiling: null,
  ...more,
});
const slipped = (text: string, check: CheckName, context: Partial<CheckContext> = {}) => {
  const { sequence } = readSequence(text, context.vocabulary);
  return checkSequence(sequence, { ...PLAIN_CONTEXT, ...context })
    .filter((f) => f.check === check && !f.ok)
    .map((f) => f.text);
};
const passed = (text: string, check: CheckName) => checkSequence(written(text)).some((f) => f.check === check && f.ok);

// What is checked here are facts of the trade: common practice, no source.
describe('what the checks find', () => {
  it('a form that does not close, and one that does', () => {
    expect(slipped('step L, front stance\nstep R, front stance', 'closing')[0]).toMatch(
      /^It ends 1\.\d\d m north of the mark; 0\.30 is allowed\.$/,
    );
    expect(slipped('turn R 90 in place', 'closing')).toEqual(['It ends facing 90° right of the start.']);
    expect(passed('step L, front stance\ndraw L', 'closing')).toBe(true);
    expect(slipped('kind: combination\nstep L, front stance', 'closing')).toEqual([]);
  });

  it('punches that lean to one side', () => {
    expect(slipped('punch L\npunch L\npunch L\npunch R', 'sides')).toEqual(['Strikes lean left: three of four.']);
    expect(passed('punch L\npunch R', 'sides')).toBe(true);
  });

  it('heights and legs that are never trained', () => {
    const hands = Array.from({ length: 8 }, (_, i) => `punch ${i % 2 ? 'L' : 'R'}`).join('\n');
    expect(slipped(hands, 'heights')).toEqual(['Nothing is done at the upper and the lower height.']);
    expect(slipped(hands, 'families')).toEqual(['No leg technique: only the hands are trained.']);
  });

  it('a step against the cut (F 26)', () => {
    expect(slipped('step L, front stance, slant cut R', 'cut')[0]).toContain(
      'the cut starts on the right and the left foot steps',
    );
    expect(slipped('step R, front stance, slant cut R', 'cut')).toEqual([]);
    expect(slipped('step L back, front stance, slant cut R', 'cut')).toEqual([]);
  });

  it('line work that turns into a punch instead of a low block (F 25)', () => {
    const line =
      'line work: yes\nstep L, front stance, punch L\nstep R, front stance, punch R\nturn L 180, L foot across, front stance, ';
    expect(slipped(`${line}punch L`, 'line turn')).toHaveLength(1);
    expect(slipped(`${line}low block L`, 'line turn')).toEqual([]);
  });

  it('a foot that carries all the weight, or goes farther than a body can', () => {
    expect(slipped('front kick R\nfront kick L', 'feet')[0]).toContain(
      'left foot, which has carried all the weight since count 1',
    );
    expect(slipped('front kick R\nstep L', 'feet')).toHaveLength(1);
    expect(slipped('front kick R\nstep R\nfront kick L', 'feet')).toEqual([]);
    expect(slipped('step L, front stance, weight 100/0\nstep L', 'feet')).toHaveLength(1);
    const wide = (name: string) =>
      name === 'long stance' ? { length: 5, width: 1, leadTurn: 0, rearTurn: 0, leadWeight: 50, sink: 0.1 } : null;
    expect(slipped('step L, long stance', 'stride', { body: { stature: 1.7, stances: wide } })[0]).toContain('m apart');
  });

  it('a stance shift in which the centre does not cross the middle (F 14)', () => {
    expect(slipped('step L, back stance\nshift, front stance, weight 40/60', 'stance shift')).toHaveLength(1);
    expect(slipped('step L, back stance\nshift, front stance', 'stance shift')).toEqual([]);
    expect(passed('step L, back stance\nshift, front stance', 'stance shift')).toBe(true);
  });

  it('rising or sinking where the head stays level (F 22)', () => {
    expect(slipped('level: yes\nstep L, front stance\nstep R, natural stance', 'level')).toEqual([
      'Count 2 rises where the head stays level.',
    ]);
    expect(slipped('step L, front stance\nstep R, natural stance', 'level')).toEqual([]);
  });

  it('techniques that are unknown, retired, above the rank or above their ceiling (F 36)', () => {
    const vocabulary = makeVocabulary([
      word('Punch', 'strike'),
      word('Rising block', 'block', { retired: true }),
      word('Spinning kick', 'kick', { rank: 4 }),
      word('Elbow strike', 'strike', { ceiling: { condition: '', kind: 'equipment only', contact: '', targets: '' } }),
      word('Throat strike', 'strike', { ceiling: { condition: 'air', kind: null, contact: '', targets: '' } }),
    ]);
    const context = {
      vocabulary,
      rank: 1,
      ranks: ['White', 'Straw', 'Amber', 'Fern', 'Lake'],
      beyond: (a: string, b: string) => a === 'both free' && b === 'air',
    };
    expect(slipped('punch R\nelbow strke strike L', 'unknown', context)[0]).toBe(
      'Count 2: “elbow strke strike” is not in the library; near it: elbow strike.',
    );
    expect(slipped('rising block R', 'retired', context)).toEqual(['Count 1: rising block is retired.']);
    expect(slipped('spinning kick R\npunch L\nspinning kick L', 'rank', context)).toEqual([
      'Counts 1 and 3: spinning kick belongs to Lake, above Straw.',
    ]);
    expect(slipped('rank: Strow\npunch R', 'rank', { ...context, rank: null })).toEqual([
      'There is no rank called Strow.',
    ]);
    expect(slipped('kind: partner drill\nelbow strike R | slip L', 'ceiling', context)[0]).toContain('equipment only');
    expect(slipped('elbow strike R', 'ceiling', context)).toEqual([]);
    expect(slipped('condition: both free\nthroat strike R', 'ceiling', context)[0]).toContain(
      'goes no farther than air',
    );
  });

  it('answers that cannot reach the attack (F 9), or meet a leg with a held arm (F 11)', () => {
    expect(slipped('punch R high | low block L', 'answer')[0]).toContain(
      'the lower height does not meet an attack at the upper',
    );
    expect(slipped('punch R | outer block R', 'answer')[0]).toContain('moves away');
    expect(slipped('punch R | outer block L', 'answer')).toEqual([]);
    expect(slipped('front kick R | low block L', 'leg met by arm')[0]).toContain('an arm does not stop a leg');
    expect(slipped('front kick R | step L back, low block L', 'leg met by arm')).toEqual([]);
  });

  it('a slide, a crossing step, a step of ninety degrees and a partner’s step into the cut', () => {
    const path = (foot: string) =>
      `the cut starts on the left and the right foot ${foot}: that leg stands in the path.`;
    expect(slipped('slide R, diagonal cut L', 'cut')).toEqual([`Count 1: ${path('slides')}`]);
    expect(slipped('cross R left, diagonal cut L', 'cut')).toEqual([`Count 1: ${path('crosses')}`]);
    expect(slipped('step R right, diagonal cut L', 'cut')).toEqual([`Count 1: ${path('steps')}`]);
    expect(slipped('- | step R, diagonal cut L', 'cut')).toEqual([`Count 1: the partner: ${path('steps')}`]);
    for (const clear of ['step L, diagonal cut L', 'step R back, diagonal cut L', 'draw R, diagonal cut L'])
      expect(slipped(clear, 'cut')).toEqual([]);
  });

  it('one arm or leg that does two things in one count, in either lane', () => {
    expect(slipped('punch R + palm check R', 'limb twice')).toEqual([
      'Count 1: the right hand does punch and palm check at once.',
    ]);
    expect(slipped('front kick L + low kick L | push both + punch L', 'limb twice')).toEqual([
      'Count 1: the left leg does front kick and low kick at once.',
      'Count 1: the partner: the left hand does push and punch at once.',
    ]);
    expect(slipped('rising block L + punch R, front kick R', 'limb twice')).toEqual([]);
  });

  it('an attack without an answer, an answer that meets nothing, and attacks of lane B', () => {
    expect(slipped('punch R | -\n- | punch L\npunch R | inner block L', 'answer')).toEqual([
      'Counts 1 and 2: nobody answers the attack; “free” leaves an answer open.',
    ]);
    expect(slipped('step R | low block L', 'answer')).toEqual(['Count 1: the answer meets nothing.']);
    expect(slipped('low block L | punch R high', 'answer')[0]).toContain('the lower height does not meet');
    expect(slipped('push R | -', 'answer')).toHaveLength(1);
  });
  it('who strikes while blocking, or at somebody who also shows, is looked at for reach all the same', () => {
    expect(slipped('rising block L + punch R high | low block L', 'answer')).toHaveLength(1);
    expect(slipped('punch R high | low block L, cue left pad', 'answer')).toHaveLength(1);
    expect(slipped('rising block L + punch R | punch R high', 'answer')).toEqual([]);
  });
  it('an answer left free, a holder who shows and work at a pad ask for none', () => {
    for (const text of ['punch R | free', 'cue left pad | punch R', 'punch R at left pad | -', 'punch R | step L back'])
      expect(slipped(`kind: partner drill\n${text}`, 'answer')).toEqual([]);
  });

  it('a loop in which a lane does one kind with one side only, and what would mend it', () => {
    const text = 'kind: partner drill\nloop: yes\nstanding punch R | inner block L\ninner block L | standing punch R';
    expect(slipped(text, 'loop')).toEqual([
      'Lane A: strikes only right and blocks only left, however long it goes on; a count with “switch” would mend it.',
      'Lane B: strikes only right and blocks only left, however long it goes on; a count with “switch” would mend it.',
    ]);
    expect(slipped(`${text.replace('| standing', ', switch | standing')}`, 'loop')).toEqual([]);
    // Two switches in a round come back to the same side each time.
    expect(slipped('loop: yes\npunch R, switch\nlow block L, switch', 'loop')[0]).toContain('blocks only right');
    expect(slipped('loop: yes\npunch R, switch\npunch R, switch', 'loop')).toEqual([]);
  });

  it('breath that never goes out on a strike, or goes in on one (F 20)', () => {
    expect(slipped('punch R, hold\nlow block L, out', 'breath')).toEqual(['The breath never goes out on a strike.']);
    expect(slipped('punch R, out\npunch L, in', 'breath')).toEqual(['Count 2: the breath goes in on a strike.']);
    expect(slipped('punch R\npunch L', 'breath')).toEqual([]);
  });

  it('a drill locked to one side, and a hall that is too small', () => {
    expect(slipped('kind: partner drill\nloop: yes\npunch R | inner block L', 'loop')).toHaveLength(2);
    const hall = { name: 'the marsh room', room: { width: 3, depth: 3 }, people: 14 };
    expect(slipped('step L, front stance, punch L', 'hall', { hall })[0]).toMatch(
      /the marsh room together; fourteen come\.$/,
    );
  });
});

describe('waiving', () => {
  const keyOf = (text: string, check: CheckName) =>
    checkSequence(written(text)).find((f) => f.check === check && !f.ok)?.key;
  it('holds while its count stays as it is, wherever it stands', () => {
    const a = keyOf('front kick R\nfront kick L', 'feet');
    expect(a).toBeDefined();
    expect(keyOf('punch R\npunch L\nfront kick R\nfront kick L', 'feet')).toBe(a);
    expect(keyOf('front kick R\nroundhouse kick L', 'feet')).not.toBe(a);
  });
  it('of a whole sequence does not hang on its numbers', () => {
    expect(keyOf('step L, front stance', 'closing')).toBe(
      keyOf('step L, front stance\nstep R, front stance', 'closing'),
    );
  });
});
