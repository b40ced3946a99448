import { expect, it } from 'vitest';
import { passing } from '../http/fault';
import { Refusal } from '../http/problem';
import { arrived, carry } from './carried';

const there = async (work: () => Promise<unknown>) => arrived(structuredClone(await carry(work)));

it('an answer comes back as text', async () => {
  expect(JSON.parse(await there(() => Promise.resolve({ rows: [1, 'ä'] })))).toEqual({ rows: [1, 'ä'] });
});

it('a refusal comes back as one, with all it says', async () => {
  const mends = [{ say: 'Take it', set: { day: '2026-01-01' } }];
  const refused = new Refusal(409, 'No.', [{ path: 'day', message: 'Not that day.' }], { mends });
  const said = await there(() => Promise.reject(refused)).catch((e: unknown) => e);
  expect(said).toBeInstanceOf(Refusal);
  expect(said).toMatchObject({ status: 409, title: 'No.', errors: refused.errors, more: { mends } });
});

it('a database that is away is known as that, and a fault of ours as a fault', async () => {
  const cause = new Error('x');
  Object.defineProperty(cause, 'code', { value: 'ECONNREFUSED' });
  const away = new Error('query failed', { cause });
  expect(passing(await there(() => Promise.reject(away)).catch((e: unknown) => e))).toBe('away');
  const ours = await there(() => Promise.reject(new TypeError('x is not a function'))).catch((e: unknown) => e);
  expect([passing(ours), (ours as Error).name]).toEqual([null, 'TypeError']);
});
