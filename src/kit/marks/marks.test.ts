import { describe, expect, it } from 'vitest';
import { capital, dateInWords, inWords, plural } from '../../core';
import { firstName } from '../words';
import { limbPath } from './BodyFigure';
import { stickPaths } from './Stick';

const numbers = (d: string) => [...d.matchAll(/-?\d+(?:\.\d+)?/g)].map(Number);

describe('a stick of notches', () => {
  it('stays one piece for held and not seen, and splits once for each slip', () => {
    expect(stickPaths(['H', 'H', 'U'], 60, 13).pieces).toHaveLength(1);
    expect(stickPaths(['H', 'S', 'H'], 60, 13).pieces).toHaveLength(2);
    expect(stickPaths(['S', 'S', 'S', 'S'], 60, 13).pieces).toHaveLength(5);
  });

  it('scribes a tick for each mark not seen, cuts none', () => {
    expect(stickPaths(['U', 'U', 'H', 'U'], 60, 13).ticks.match(/M/g)).toHaveLength(3);
    expect(stickPaths(['H', 'S'], 60, 13).ticks).toBe('');
  });

  it('keeps inside its width whatever the number of marks', () => {
    for (const n of [1, 2, 5, 10, 20]) {
      const { pieces } = stickPaths(
        Array.from({ length: n }, (_, i) => (i % 3 === 0 ? 'S' : 'H')),
        144,
        40,
      );
      for (const p of pieces) {
        const all = numbers(p);
        expect(Math.min(...all)).toBeGreaterThanOrEqual(0);
        expect(Math.max(...all)).toBeLessThanOrEqual(144);
      }
    }
  });

  it('puts the newest at the right', () => {
    const [left, right] = stickPaths(['H', 'H', 'H', 'S'], 100, 13).pieces as [string, string];
    expect(Math.max(...numbers(left).filter((_, i) => i % 2 === 0))).toBeGreaterThan(80);
    expect(Math.min(...numbers(right).filter((_, i) => i % 2 === 0))).toBeGreaterThan(80);
  });
});

describe('a limb', () => {
  it('is drawn around both its joints', () => {
    const d = numbers(limbPath({ x: 10, y: 10 }, { x: 60, y: 10 }, 8, 4));
    expect(Math.min(...d)).toBeLessThan(10);
    expect(d.every(Number.isFinite)).toBe(true);
  });

  it('can be drawn between joints that coincide', () => {
    expect(limbPath({ x: 5, y: 5 }, { x: 5, y: 5 }, 3, 3)).not.toMatch(/NaN/);
  });
});

describe('words', () => {
  it('writes dates for the reader’s locale without a zone', () => {
    expect(dateInWords('2026-03-29')).toBe('29 March 2026');
    expect(dateInWords('2026-03-29', 'en-US')).toBe('March 29, 2026');
    expect(dateInWords('2026-03-29', 'ja-JP')).toBe('2026年3月29日');
  });

  it('counts as people write', () => {
    expect([inWords(0), inWords(7), inWords(11)]).toEqual(['none', 'seven', '11']);
    expect([plural(1, 'look'), plural(2, 'look'), plural(2, 'class', 'classes')]).toEqual(['look', 'looks', 'classes']);
    expect([capital('heel'), firstName('Łucja Sedge'), firstName('Hana')]).toEqual(['Heel', 'Łucja', 'Hana']);
  });
});
