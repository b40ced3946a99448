import { expect, it } from 'vitest';
import { Shelf } from './shelf';

it('keeps what fits, lets go what was asked for longest ago, and never the newest', () => {
  const shelf = new Shelf<string>(10);
  shelf.put('a', 'A', 4);
  shelf.put('b', 'B', 4);
  expect(shelf.get('a')).toBe('A');
  shelf.put('c', 'C', 4);
  expect([shelf.get('a'), shelf.get('b'), shelf.get('c')]).toEqual(['A', undefined, 'C']);
  shelf.put('a', 'A2', 1);
  shelf.put('d', 'D', 5);
  expect([shelf.get('a'), shelf.get('c'), shelf.get('d')]).toEqual(['A2', 'C', 'D']);
  shelf.put('e', 'E', 100);
  expect([shelf.get('a'), shelf.get('e')]).toEqual([undefined, 'E']);
});
