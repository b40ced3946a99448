import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anySequence, written } from './testing/builders';
import { namedAlike, tellTale } from './tellTale';

describe('which of the forms of a name', () => {
  const first = written(
    'step L, front stance, low block L\nstep R, front stance, punch R\nstep L, front stance, rising block L',
  );
  it('is told by the first count that is another', () => {
    const second = written('step L, front stance, low block L\nstep R, front stance, rising block R\npunch L');
    expect(tellTale(first, second)).toMatchObject({ count: 2, other: { actions: [{ name: 'rising block' }] } });
    expect(tellTale(second, first)?.count).toBe(2);
  });
  it('where the second has ended, the next count tells it, and the beginning of one is not told from it', () => {
    const short = written('step L, front stance, low block L');
    expect(tellTale(first, short)).toEqual({ count: 2, other: null });
    expect(tellTale(short, first)).toBeNull();
  });
  it('goes by what is shown at gradings', () => {
    const graded = written('step L, front stance, low block L\n~* The ferry house: step L, front stance, punch L');
    expect(tellTale(first, graded)?.count).toBe(1);
    expect(tellTale(first, written('step L, front stance, low block L\n~ The ferry house: punch L'))?.count).toBe(2);
  });
  it('a form is never told from itself, and both ways find the same count where both go on', () => {
    fc.assert(
      fc.property(anySequence(), anySequence(), (a, b) => {
        expect(tellTale(a, a)).toBeNull();
        const [there, back] = [tellTale(a, b), tellTale(b, a)];
        if (there?.other) expect(back?.count).toBe(there.count);
      }),
    );
  });
  it.each([
    ['First Causeway', 'Second Causeway', true],
    ['Sluice', 'Sluice (Ferry House)', true],
    ['Sluice', 'Ferry Pole', false],
    ['', '', false],
  ])('%s and %s could be taken for each other: %s', (a, b, alike) => expect(namedAlike(a, b)).toBe(alike));
});
