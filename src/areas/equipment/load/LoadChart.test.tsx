import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { LoadView } from '../../../contracts/views';
import { addDays, LOAD_AS_DELIVERED, type Ladder } from '../../../core';
import { limbsOf, monday, WEEKS, WEEKS_AHEAD } from './limbs';
import { LoadChart } from './LoadChart';
import { entry, loadView, TODAY } from './testing/load';

const today = TODAY;
const RULE = LOAD_AS_DELIVERED;
const draw = (entries: LoadView['entries'], more: { ladder?: Ladder; snaps?: boolean } = {}) => {
  const limbs = limbsOf(loadView({ entries }), more.ladder ?? 'hand', today);
  const { container } = render(<LoadChart limbs={limbs} rule={RULE} today={today} snaps={more.snaps ?? false} />);
  const [days, sums] = [...container.querySelectorAll('svg')];
  return { limbs, days: days!, sums: sums!, container };
};
const texts = (of: Element) => [...of.querySelectorAll('text')].map((t) => t.textContent);
/** Laths are closed paths with wood round them: what was done is whole, what is to come broken. */
const laths = (of: Element) =>
  [...of.querySelectorAll('path[stroke="var(--wood-line)"]')].filter((p) => p.getAttribute('d')!.endsWith('Z'));
const done = (of: Element) => laths(of).filter((p) => p.getAttribute('stroke-dasharray') === null);
const toCome = (of: Element) => laths(of).filter((p) => p.getAttribute('stroke-dasharray') !== null);
const cords = (of: Element) => of.querySelectorAll('path[stroke="var(--cloth)"]').length;

describe('what was done, day by day', () => {
  it('a lath a day and a hand: the one above the line, the other below; every number of it is one', () => {
    const { days, container } = draw([entry(3, 'left', 20), entry(3, 'right', 20), entry(1, 'right', 30)]);
    expect(done(days)).toHaveLength(3);
    expect(container.innerHTML).not.toMatch(/NaN|Infinity|undefined/);
    const image = screen.getByRole('img', { name: /^Each day from / });
    expect(image.getAttribute('aria-label')).toMatch(/ above, .* below$/);
  });

  it('higher where more was done, with a notch every ten', () => {
    const heights = (n: number) => {
      const [lath] = done(draw([entry(3, 'right', n)]).days);
      const ys = lath!
        .getAttribute('d')!
        .match(/[ V](-?\d+(\.\d+)?)/g)!
        .map(Number);
      return Math.max(...ys) - Math.min(...ys);
    };
    expect(heights(40)).toBeGreaterThan(heights(20));
    const [lath] = done(draw([entry(3, 'right', 40)]).days);
    expect(lath!.getAttribute('d')!.split('L').length - 1).toBeGreaterThanOrEqual(9);
  });

  it('what is to come is pale and broken, on the usual days and never before today', () => {
    const { limbs, days } = draw([
      entry(9, 'left', 20),
      entry(7, 'left', 20),
      entry(2, 'left', 20),
      entry(2, 'right', 20),
    ]);
    const ahead = limbs.flatMap((l) => l.ahead).filter((a) => a.number > 0);
    expect(toCome(days)).toHaveLength(ahead.length);
    for (const a of ahead) expect(a.day >= today).toBe(true);
  });

  it('what lies before the weeks that are shown is not drawn', () => {
    const first = addDays(monday(today), -7 * (WEEKS - WEEKS_AHEAD));
    const ago = (Date.parse(today) - Date.parse(first)) / 86_400_000;
    expect(done(draw([entry(ago, 'right', 20)]).days)).toHaveLength(1);
    expect(done(draw([entry(ago + 1, 'right', 20)]).days)).toHaveLength(0);
  });

  it('nothing done yet is an empty chart with its weeks', () => {
    const { days, sums, container } = draw([]);
    expect(done(days)).toEqual([]);
    expect(container.innerHTML).not.toMatch(/NaN|Infinity|undefined/);
    expect(texts(sums)).toContain('week of');
    expect(texts(sums).filter((t) => /^\d+ [A-Z][a-z]{2}$/.test(t))).toHaveLength(WEEKS);
  });
});

describe('what was said below it', () => {
  it('a word stands in its row on its day; what stops the work is taller and told from what is a little', () => {
    const { sums } = draw([entry(6, 'right', 20, { skin: 'red' }), entry(3, 'right', 20, { skin: 'open' })]);
    const words = texts(sums);
    expect(words).toEqual(expect.arrayContaining(['skin', 'swelling', 'joints', 'feeling']));
    const heights = [...sums.querySelectorAll('rect')].map((r) => Number(r.getAttribute('height')));
    expect(heights).toEqual([7, 12]);
  });

  it('asked and fine is a tick in every row; not asked is nothing', () => {
    const ticks = (of: Element) => of.querySelectorAll('path[stroke-width="1.1"]').length;
    expect(ticks(draw([entry(3, 'right', 20, {})]).sums)).toBe(4);
    expect(ticks(draw([entry(3, 'right', 20)]).sums)).toBe(0);
  });

  it('open skin winds a cord round the days on which that hand stands still', () => {
    expect(cords(draw([entry(3, 'right', 20, {})]).days)).toBe(0);
    expect(cords(draw([entry(3, 'right', 20, { skin: 'open' })]).days)).toBeGreaterThan(0);
  });

  it('the weeks add up, left and right apart', () => {
    // In the week before, in which nothing is to come.
    const { sums } = draw([entry(10, 'left', 20), entry(9, 'left', 25), entry(9, 'right', 30)]);
    expect(texts(sums)).toContain('45|30');
    expect(texts(sums)).toContain('left|right');
  });
});

describe('the fast return', () => {
  it('is marked where it may be added, once so many are drawn', () => {
    const many = [entry(3, 'right', RULE.snapFrom + 20)];
    expect(texts(draw(many, { snaps: true }).days)).toContain(`snap back from ${RULE.snapFrom}`);
    expect(texts(draw(many).days)).not.toContain(`snap back from ${RULE.snapFrom}`);
  });
});
