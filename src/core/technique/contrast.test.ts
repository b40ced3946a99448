import { describe, expect, it } from 'vitest';
import { contrastOf, type Likened } from './contrast';

const of = (id: string, points: string[], kind = 'block'): Likened => ({
  id,
  kind,
  points: points.map((p) => ({ id: p, name: p })),
});

describe('what looks alike', () => {
  const low = of('low', ['heel', 'hip', 'ends at the knee', 'loads at the ear']);
  it('is the one of the same kind with most points in common, and what tells them apart', () => {
    const rising = of('rising', ['heel', 'hip', 'loads at the ear', 'ends above the head']);
    const outer = of('outer', ['heel', 'hip', 'crosses the face']);
    expect(contrastOf(low, [low, outer, rising, of('kick', ['heel', 'hip', 'ends at the knee'], 'kick')])).toEqual({
      with: 'rising',
      here: ['ends at the knee'],
      there: ['ends above the head'],
    });
  });
  it('is nothing where too little is shared, where nothing differs, and for what has no points', () => {
    expect(contrastOf(low, [of('far', ['heel', 'a', 'b', 'c'])])).toBeNull();
    expect(contrastOf(low, [of('same', ['heel', 'hip', 'ends at the knee', 'loads at the ear'])])).toBeNull();
    expect(contrastOf(of('bare', []), [low])).toBeNull();
  });
});
