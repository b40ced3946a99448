import { describe, expect, it } from 'vitest';
import { written } from '../testing/builders';
import { checkSequence, type CheckName } from '.';

const slipped = (text: string, check: CheckName) =>
  checkSequence(written(text))
    .filter((f) => f.check === check && !f.ok)
    .map((f) => f.text);
const passed = (text: string, check: CheckName) => checkSequence(written(text)).some((f) => f.check === check && f.ok);

// Facts of the trade: common practice, no source.
describe('feet, which of them goes', () => {
  it('the foot nearest the way goes first, in a step aside and in a slide (F 18)', () => {
    expect(slipped('step L right, straddle stance', 'first foot')).toEqual([
      'Count 1 steps with the left foot first; the right one is nearest that way, or say “cross L”.',
    ]);
    expect(slipped('step L, guard stance\nslide R', 'first foot')).toEqual([
      'Count 2 slides with the right foot first; the left one is nearest that way.',
    ]);
    expect(slipped('step L, guard stance\nslide L back', 'first foot')).toHaveLength(1);
    for (const fine of [
      'step R right',
      'cross L right',
      'step L, guard stance\nslide L\nslide R back',
      'step L\nstep R',
      'side kick L\nstep L right',
    ])
      expect(slipped(fine, 'first foot')).toEqual([]);
  });

  it('a foot just pushed off is lifted only by a hop', () => {
    expect(slipped('front kick R\nfront kick L', 'feet')[0]).toContain('say “hop R” where one springs');
    expect(slipped('front kick R\nhop R, front kick L', 'feet')).toEqual([]);
    expect(slipped('front kick R\nhop L, front kick L', 'feet')).toEqual([
      'Count 2 lands on the left foot and kicks with it.',
    ]);
    expect(passed('front kick R\nhop L, front kick R', 'feet')).toBe(true);
  });

  it('a stance with one foot forward says which, where neither is', () => {
    expect(slipped('front stance', 'lead')[0]).toContain('Count 1: nothing says which foot goes forward');
    for (const fine of ['front stance L', 'straddle stance', 'step L, front stance\nback stance'])
      expect(slipped(fine, 'lead')).toEqual([]);
  });

  it('what goes round and wanders, or turns away', () => {
    expect(slipped('loop: yes\nstep L, front stance\nstep R, front stance', 'drift')[0]).toMatch(
      /^Each round ends 1\.\d\d m north of the mark: /,
    );
    expect(slipped('loop: yes\npunch L\nturn R 90 in place, punch R', 'drift')[0]).toBe(
      'Each round ends 90° to the right: said again and again it wanders.',
    );
    expect(passed('loop: yes\nstep L, front stance\ndraw L', 'drift')).toBe(true);
    expect(slipped('step L, front stance', 'drift')).toEqual([]);
  });

  it('two crossed contacts in a row at the post (F 49)', () => {
    const crossed = 'inner block R at right arm';
    expect(slipped(`kind: equipment set\n${crossed}\n${crossed}`, 'post')).toEqual([
      'Counts 1 and 2 are both crossed: after a recovery position each arm meets the arm it faces.',
    ]);
    expect(slipped(`kind: equipment set\n${crossed}\ninner block R at left arm\n${crossed}`, 'post')).toEqual([]);
  });
});

describe('weapons between partners (F 26)', () => {
  it('a step onto the side that the cut comes down on, and one straight into a thrust', () => {
    expect(slipped('diagonal cut R | step L left', 'cut')).toEqual([
      'Count 1: the partner: the cut comes from the left and the step goes left, onto it.',
    ]);
    expect(slipped('diagonal cut R | step R right', 'cut')).toEqual([]);
    expect(slipped('staff thrust R | step L', 'cut')[0]).toContain('straight into the thrust');
    expect(slipped('staff thrust R | step L back', 'cut')[0]).toContain('straight back along the thrust');
    expect(slipped('staff thrust R | step R right 45', 'cut')).toEqual([]);
  });
  it('one’s own thrust has nothing in its path', () => {
    expect(slipped('step R, staff thrust L', 'cut')).toEqual([]);
  });
});
