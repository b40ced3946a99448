import { describe, expect, it } from 'vitest';
import { derive, parseSequence, parseStep, type Recipe, type Sequence } from '../../core';
import { departsFrom } from './reading';

const written = (text: string): Sequence => {
  const read = parseSequence(text);
  if (!read.ok) throw new Error(read.error[0]!.message);
  return read.value;
};
const kick = parseStep('front kick R mid');
const kicks: Recipe = kick.ok
  ? [{ op: 'substitute', pattern: { kind: 'strike' }, replacement: { do: 'before', step: kick.value } }]
  : [];

describe('where a derived sequence departs', () => {
  const parent = written('low block L\npunch R\npunch L');
  const child = (recipe: Recipe) => {
    const made = derive(parent, recipe);
    if (!made.ok) throw new Error(made.error);
    return made.value;
  };

  it('from its parent, where the recipe keeps the parent’s counts', () => {
    const d = departsFrom(child(kicks), child(kicks), parent, kicks);
    expect([...d.moves]).toEqual([1, 3]);
    expect(d).toMatchObject({ added: 2, left: 0, byHand: 0, gaps: [] });
  });

  it('a count left out leaves a gap, a changed one is both', () => {
    const d = departsFrom(
      written('low block L\nfront kick R mid\npunch R\npunch L, shout'),
      child(kicks),
      parent,
      kicks,
    );
    expect(d.gaps).toEqual([3]);
    expect([...d.moves]).toEqual([1, 3]);
    expect(d.byHand).toBe(2);
  });

  it('from its recipe, where every count is another than the parent’s', () => {
    const mirrored: Recipe = [{ op: 'mirror' }];
    expect(departsFrom(child(mirrored), child(mirrored), parent, mirrored).moves.size).toBe(0);
    const d = departsFrom(written('low block R\npunch L\npunch R high'), child(mirrored), parent, mirrored);
    expect([...d.moves]).toEqual([2]);
  });

  it('nowhere, where there is no recipe', () => {
    expect(departsFrom(parent, null, null, null)).toEqual({ moves: new Set(), gaps: [], added: 0, left: 0, byHand: 0 });
  });
});
