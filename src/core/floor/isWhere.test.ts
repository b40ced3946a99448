import { dequal } from 'dequal';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { written } from '../sequence/testing/builders';
import type { At } from './ground';
import { isWhere } from './isWhere';
import { traceFloor } from './trace';

const { at: places } = traceFloor(
  written('step L, front stance, punch R\nturn R 180, R foot, front stance, punch L\nfront kick R\nslide L'),
  { stature: 1.7 },
);

/** Something else of the same kind. */
function another(value: unknown): unknown {
  if (typeof value === 'number') return value + 0.5;
  if (typeof value === 'string') return `${value}!`;
  if (value === null) return 'left';
  if (Array.isArray(value)) return value.length === 0 ? [{ x: 0, y: 0 }] : value.slice(1);
  const inner = Object.entries(value as Record<string, unknown>)[0]!;
  return { ...(value as object), [inner[0]]: another(inner[1]) };
}

describe('whether somebody stands as before', () => {
  it('each thing that is told of a place counts', () => {
    for (const at of places) {
      expect(isWhere(at, structuredClone(at))).toBe(true);
      for (const key of Object.keys(at) as (keyof At)[])
        expect([key, isWhere(at, { ...at, [key]: another(at[key]) })]).toEqual([key, false]);
    }
  });

  it('also both numbers and the angle of each foot, and every spot of its way', () => {
    const at = places.find((p) => p.path.length > 2)!;
    for (const foot of ['left', 'right'] as const)
      for (const key of ['x', 'y', 'angle'] as const)
        expect(isWhere(at, { ...at, [foot]: { ...at[foot], [key]: at[foot][key] + 1 } })).toBe(false);
    at.path.forEach((spot, i) => {
      for (const key of ['x', 'y'] as const)
        expect(isWhere(at, { ...at, path: at.path.with(i, { ...spot, [key]: spot[key] + 1 }) })).toBe(false);
    });
  });

  it('as deep equality has it, for any two places of a way', () => {
    const place = fc.constantFrom(...places);
    fc.assert(
      fc.property(place, place, (a, b) => {
        expect(isWhere(a, b)).toBe(dequal(a, b));
      }),
    );
  });
});
