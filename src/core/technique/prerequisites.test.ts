import { describe, expect, it } from 'vitest';
import { commonStance } from '../floor/stance';
import { layoutStance, stanceInWords } from '../floor/stancePlan';
import { suggestPrerequisites } from './prerequisites';
import type { Technique } from './technique';

const t = (id: string, kind: Technique['kind'], stanceId: string | null = null): Technique => ({
  id,
  name: id,
  kind,
  sided: true,
  stanceId,
  stepId: null,
  points: [],
});

describe('what might come before a technique', () => {
  const all = [
    t('front stance', 'stance'),
    t('front kick', 'kick'),
    t('side kick', 'kick'),
    t('jumping front kick', 'kick', 'front stance'),
  ];
  const ranks = new Map([
    ['front kick', 1],
    ['side kick', 2],
    ['jumping front kick', 3],
  ]);
  it('is its stance, what its name is made of, and the nearest of its kind below, each with the reason', () => {
    const got = suggestPrerequisites(all[3]!, all, (id) => ranks.get(id) ?? null, []);
    expect(got.map((s) => s.id)).toEqual(['front stance', 'front kick', 'side kick']);
    expect(got[0]!.why).toBe('it is done in this stance');
  });
  it('is nothing that is known already, nor itself', () => {
    const got = suggestPrerequisites(all[3]!, all, () => null, ['front stance', 'front kick']);
    expect(got).toEqual([]);
  });
});

describe('a stance from above', () => {
  it('stands in its square whatever its size, with the shares beside the feet', () => {
    for (const g of ['front stance', 'back stance', 'straddle stance', 'closed stance'].map((n) => commonStance(n)!)) {
      const plan = layoutStance(g, 1.7, 220);
      for (const p of plan.primitives)
        if (p.is === 'shape' && p.at) {
          expect(p.at.x).toBeGreaterThan(0);
          expect(p.at.x).toBeLessThan(220);
          expect(p.at.y).toBeGreaterThan(0);
          expect(p.at.y).toBeLessThan(220);
        }
      expect(plan.primitives.some((p) => p.is === 'label' && p.text === String(g.leadWeight))).toBe(true);
    }
  });
  it('is told in numbers with units', () => {
    expect(stanceInWords(commonStance('front stance')!, 1.7)).toBe(
      '2 shoulder breadths long (88 cm), tracks 0.8 shoulder breadths apart (35 cm), front toes 0°, rear toes 28° out, 60 in a hundred on the front foot',
    );
  });
});
