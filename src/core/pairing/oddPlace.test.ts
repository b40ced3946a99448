import { expect, it } from 'vitest';
import { unpairedInWords } from '../words/english/pairing';
import { oddPlace } from './oddPlace';

const post = { serves: 'striking post', fromAge: 16, fromRankId: '2' } as const;
const pads = { serves: 'pads', fromAge: null, fromRankId: null } as const;
const place = (age: number | null, rank: number, times: number, store: Parameters<typeof oddPlace>[0] = [post, pads]) =>
  oddPlace(store, { age, rank }, Number, times);

it('the odd one goes in turn to what is sound and theirs to use, and to a teacher', () => {
  expect([0, 1, 2, 3].map((n) => place(30, 2, n))).toEqual([
    'at the pads',
    'at the post',
    'with a teacher',
    'at the pads',
  ]);
  // Nobody under age, of a lower belt or of unknown age is sent to the post.
  for (const [age, rank] of [
    [15, 3],
    [30, 1],
    [null, 5],
  ] as const)
    expect([0, 1, 2].map((n) => place(age, rank, n))).toEqual(['at the pads', 'with a teacher', 'at the pads']);
  expect(place(30, 2, 5, [])).toBeNull();
  expect(oddPlace(null, { age: 30, rank: 2 }, Number, 0)).toBeNull();
});

it('is said with the place, and with all there could be where no store is kept', () => {
  const odd = { id: 'a', why: 'odd' } as const;
  expect(unpairedInWords(odd, false, 'with a teacher').allows).toBe('with a teacher; another in the next round');
  expect(unpairedInWords(odd, false).allows).toMatch(/^at the pads, at the post or with a teacher/);
});
