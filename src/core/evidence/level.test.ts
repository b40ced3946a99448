import { describe, expect, it } from 'vitest';
import { seeded } from '../units/random';
import { drawNormal } from './beta';
import { TODAY } from './testing/builders';
import { shareAt } from './growth';
import { FIRST_SPREADS, levelOf, spreadsOf } from './level';
import type { Entry, Evidence } from './looks';
import { dayNumber } from '../units/plainDate';

const POINTS = Array.from({ length: 20 }, (_, i) => `p${i}`);
const today = dayNumber(TODAY);
const even = () => ({ a: 2, b: 2 });

/** A student of a known level: each point lies apart by itself, and each day has its form. */
function student(
  random: () => number,
  {
    level,
    point,
    form,
    side = 0,
    growth = 0,
  }: { level: number; point: number; form: number; side?: number; growth?: number },
): Evidence {
  const days = Array.from({ length: 10 }, (_, k) => ({ ago: 7 * k + 1, form: form * drawNormal(random) }));
  return new Map(
    POINTS.map((id) => {
      const looks = (shift: number) => {
        const own = level + shift + point * drawNormal(random);
        return days.map(({ ago, form: f }): Entry => {
          let held = 0;
          for (let r = 0; r < 5; r += 1) if (random() < shareAt(own + f - growth * ago)) held += 1;
          return { day: today - ago, at: 0, conditionId: 'air', purpose: null, held, of: 5 };
        });
      };
      return [id, { left: looks(-side), right: looks(side), none: [] }];
    }),
  );
}
const school = (truth: Parameters<typeof student>[1], people = 16, drift = 0) => {
  const random = seeded(11);
  return Array.from({ length: people }, () => ({
    evidence: student(random, { ...truth, level: drawNormal(random) * truth.level }),
    drift,
  }));
};

describe('what is common to all points of a student', () => {
  it('their level is found again, and is surer the more was seen', () => {
    const random = seeded(3);
    for (const level of [-1.5, 0, 1.2]) {
      const evidence = student(random, { level, point: 0.4, form: 0 });
      const said = levelOf(even, evidence, TODAY);
      expect(Math.abs(said.mean - level)).toBeLessThan(0.3);
      const few = new Map([...evidence].slice(0, 3));
      expect(levelOf(even, few, TODAY).sd).toBeGreaterThan(said.sd);
    }
    const nobody = levelOf(even, new Map(), TODAY);
    expect(nobody.mean).toBeCloseTo(0, 9);
    expect(nobody.sd).toBeCloseTo(FIRST_SPREADS.level, 9);
  });

  it('one habit far below does not pull the level down with it', () => {
    const random = seeded(5);
    const evidence = new Map(student(random, { level: 1, point: 0.2, form: 0 }));
    const before = levelOf(even, evidence, TODAY).mean;
    const lost = (e: Entry) => ({ ...e, held: 0 });
    const habit = evidence.get('p0')!;
    evidence.set('p0', { left: habit.left.map(lost), right: habit.right.map(lost), none: [] });
    expect(before - levelOf(even, evidence, TODAY).mean).toBeLessThan(0.15);
  });

  it('how far things lie apart is learned from the school: levels, points, sides, the form of a day', () => {
    const said = spreadsOf(school({ level: 0.8, point: 0.4, form: 0.5, side: 0.1 }), even, TODAY);
    const apart = spreadsOf(school({ level: 2, point: 0.4, form: 0.5, side: 0.1 }), even, TODAY);
    expect(apart.level).toBeGreaterThan(1.3 * said.level);
    expect(Math.abs(said.point - 0.4)).toBeLessThan(0.12);
    expect(Math.abs(said.form - 0.5)).toBeLessThan(0.15);
    expect(said.sides.right - said.sides.left).toBeGreaterThan(0.1);
    expect(said.sides.right - said.sides.left).toBeLessThan(0.3);
    const steady = spreadsOf(school({ level: 0.8, point: 0.4, form: 0 }), even, TODAY);
    expect(steady.form).toBeLessThan(0.15);
  });

  it('growth is no form of a day, and that people grow faster than was believed is seen', () => {
    const growing = school({ level: 0.8, point: 0.3, form: 0, growth: 0.012 }, 16, 0.008);
    const said = spreadsOf(growing, even, TODAY);
    expect(said.growth).toBeGreaterThan(1.2);
    expect(said.growth).toBeLessThan(1.8);
    expect(said.form).toBeLessThan(0.2);
  });

  it('a school of which nothing is known keeps the first belief', () => {
    expect(spreadsOf([], even, TODAY)).toEqual(FIRST_SPREADS);
  });
});
