import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { roving, stepTo, type Cells } from './roving';

const KEYS = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'Home', 'End'];
const press = (key: string, more: object = {}) => ({
  key,
  altKey: false,
  ctrlKey: false,
  metaKey: false,
  preventDefault: vi.fn(),
  ...more,
});

describe('moving by keys', () => {
  it('goes to the neighbour, to the ends of a row, and stays at an edge', () => {
    const grid: Cells = { rows: 3, columns: 4 };
    const at = { row: 1, column: 2 };
    expect(stepTo('ArrowDown', at, grid)).toEqual({ row: 2, column: 2 });
    expect(stepTo('ArrowUp', at, grid)).toEqual({ row: 0, column: 2 });
    expect(stepTo('ArrowLeft', at, grid)).toEqual({ row: 1, column: 1 });
    expect(stepTo('End', at, grid)).toEqual({ row: 1, column: 3 });
    expect(stepTo('Home', at, grid)).toEqual({ row: 1, column: 0 });
    expect(stepTo('ArrowDown', { row: 2, column: 0 }, grid)).toEqual({ row: 2, column: 0 });
    expect(stepTo('x', at, grid)).toBeNull();
  });

  it('a list has no way across, and its ends are above and below; a name may stand before the first column', () => {
    expect(stepTo('ArrowRight', { row: 0, column: 0 }, { rows: 3 })).toBeNull();
    expect(stepTo('End', { row: 0, column: 0 }, { rows: 3 })).toEqual({ row: 2, column: 0 });
    expect(stepTo('ArrowUp', { row: 0, column: 1 }, { columns: 3 })).toBeNull();
    expect(stepTo('ArrowLeft', { row: 0, column: 0 }, { rows: 1, columns: 3, first: -1 })).toEqual({
      row: 0,
      column: -1,
    });
  });

  it('from nowhere the first step leads to the first; in nothing there is nowhere to go', () => {
    expect(stepTo('ArrowRight', { row: 0, column: -1 }, { columns: 3 })).toEqual({ row: 0, column: 0 });
    for (const key of KEYS) expect(stepTo(key, { row: 0, column: 0 }, { rows: 0, columns: 0 })).toBeNull();
  });

  it('law: never leaves the cells; round, as many steps as there are lead home', () => {
    const cells = fc.record({
      rows: fc.integer({ min: 1, max: 5 }),
      columns: fc.integer({ min: 1, max: 5 }),
      first: fc.constantFrom(-1 as const, 0 as const),
      round: fc.boolean(),
    });
    fc.assert(
      fc.property(cells, fc.array(fc.constantFrom(...KEYS), { maxLength: 20 }), (c, keys) => {
        let at = { row: 0, column: 0 };
        for (const key of keys) {
          at = stepTo(key, at, c)!;
          expect(at.row).toBeGreaterThanOrEqual(0);
          expect(at.row).toBeLessThan(c.rows);
          expect(at.column).toBeGreaterThanOrEqual(c.first);
          expect(at.column).toBeLessThan(c.columns);
        }
        if (!c.round) return;
        const many = c.columns - c.first;
        let round = at;
        for (let i = 0; i < many; i++) round = stepTo('ArrowRight', round, c)!;
        expect(round).toEqual(at);
      }),
    );
  });

  it('says where one is and puts the focus there; keys that mean something else are left alone', () => {
    const [go, focus] = [vi.fn(), vi.fn()];
    const elementOf = () => ({ focus }) as unknown as HTMLElement;
    const at = { row: 0, column: 0 };
    const down = press('ArrowDown');
    expect(roving(down, at, { rows: 2 }, go, elementOf)).toBe(true);
    expect(go).toHaveBeenCalledExactlyOnceWith({ row: 1, column: 0 });
    expect([focus, down.preventDefault].map((f) => f.mock.calls.length)).toEqual([1, 1]);
    for (const e of [press('ArrowDown', { altKey: true }), press('ArrowDown', { ctrlKey: true }), press('Enter')]) {
      expect(roving(e, at, { rows: 2 }, go, elementOf)).toBe(false);
      expect(e.preventDefault).not.toHaveBeenCalled();
    }
    expect(go).toHaveBeenCalledOnce();
  });
});
