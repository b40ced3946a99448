import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mergeOrder } from './mergeOrder';

describe('an order that is merged into another', () => {
  it.each([
    ['between those it stands between', 'WB', 'WSAB', 'WSAB'],
    ['after the last known one', 'WB', 'WSA', 'WSAB'],
    ['before the first known one', 'B', 'WSB', 'WSB'],
    ['at the end where nothing is known', 'WB', 'SA', 'WBSA'],
    ['into an empty one', '', 'WSA', 'WSA'],
    ['what is there keeps its order', 'BW', 'WSB', 'BWS'],
  ])('%s', (_, here, list, out) => expect(mergeOrder([...here], [...list]).join('')).toBe(out));

  it('keeps everything once, and what is there in its order', () => {
    const some = fc.uniqueArray(fc.integer({ min: 0, max: 12 }), { maxLength: 10 });
    fc.assert(
      fc.property(some, some, (here, list) => {
        const out = mergeOrder(here, list);
        expect([...out].sort()).toEqual([...new Set([...here, ...list])].sort());
        expect(out.filter((x) => here.includes(x))).toEqual(here);
      }),
    );
  });
});
