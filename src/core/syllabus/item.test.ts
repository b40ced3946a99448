import fc from 'fast-check';
import { expect, it } from 'vitest';
import { itemKey, itemOfKey, type Item } from './item';

const anyItem: fc.Arbitrary<Item> = fc.oneof(
  fc.uuid().map((technique) => ({ technique })),
  fc.tuple(fc.uuid(), fc.option(fc.tuple(fc.integer({ min: 1, max: 999 }), fc.nat(20)))).map(([sequence, part]) => ({
    sequence,
    part: part && { from: part[0], to: part[0] + part[1], section: null },
  })),
);

it('the key of an item says which it is', () => {
  fc.assert(
    fc.property(anyItem, (item) => {
      expect(itemOfKey(itemKey(item))).toEqual(item);
    }),
  );
});

it.each(['', 't:', 'x:1', 's:1:2', 't:1:2-3'])('%j is no key of an item', (key) => expect(itemOfKey(key)).toBeNull());
