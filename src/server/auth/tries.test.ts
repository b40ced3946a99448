import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type pg from 'pg';
import { openPool } from '../../data/connection';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { deviceCookie } from './device';
import { ACCOUNT, ADDRESS, beginTry } from './tries';

const SECRET = 'only-for-tests-on-this-machine';
let t: TestDatabase;
let pool: pg.Pool;
beforeAll(async () => {
  t = await makeDatabase();
  pool = openPool(t.authUrl, 4);
});
afterAll(async () => {
  await pool.end();
  await t.drop();
});

const attempt = (email: string, address: string, cookies: string | null = null) =>
  beginTry(pool, SECRET, { email, address, cookies });
const cookieOf = (email: string, before: string | null = null) =>
  deviceCookie(SECRET, before, email, false).split(';')[0]!;

describe('tries of a password', () => {
  it('forty addresses together have no more for one account than one has', async () => {
    const all = await Promise.all(Array.from({ length: 40 }, (_, i) => attempt('head@example.org', `10.0.0.${i}`)));
    expect(all.filter((a) => a.ok)).toHaveLength(ACCOUNT.most);
    expect((await attempt(' HEAD@example.org', '10.1.1.1')).ok).toBe(false);
  });

  it('who is guessed at elsewhere still comes in on a device of their own, and the others of the hall anywhere', async () => {
    const known = cookieOf('maren@example.org');
    for (let i = 0; i < 30; i += 1) await attempt('maren@example.org', '10.2.0.1');
    expect((await attempt('maren@example.org', '10.2.0.1')).ok).toBe(false);
    expect((await attempt('maren@example.org', '10.2.0.1', known)).ok).toBe(true);
    expect((await attempt('idris@example.org', '10.2.0.1')).ok).toBe(true);
  });

  it('a tablet is known to each account that signed in on it, and to no other', async () => {
    const both = cookieOf('b@example.org', cookieOf('a@example.org'));
    for (const email of ['a@example.org', 'b@example.org', 'c@example.org'])
      for (let i = 0; i < ACCOUNT.most; i += 1) await attempt(email, '10.3.0.1');
    expect((await attempt('a@example.org', '10.3.0.1', both)).ok).toBe(true);
    expect((await attempt('b@example.org', '10.3.0.1', both)).ok).toBe(true);
    expect((await attempt('c@example.org', '10.3.0.1', both)).ok).toBe(false);
    const forged = both.replace(/.$/, (c) => (c === 'A' ? 'B' : 'A'));
    expect((await attempt('a@example.org', '10.3.0.1', forged)).ok).toBe(false);
  });

  it('an address that tries many accounts is stopped, and a right password begins the count anew', async () => {
    let passed = 0;
    for (let i = 0; i < ADDRESS.most + 20; i += 1) if ((await attempt(`x${i}@example.org`, '10.4.0.1')).ok) passed += 1;
    expect(passed).toBe(ADDRESS.most);
    for (let round = 0; round < 3; round += 1) {
      for (let i = 1; i < ACCOUNT.most; i += 1) await attempt('ilse@example.org', `10.5.${round}.${i}`);
      const last = await attempt('ilse@example.org', `10.5.${round}.99`);
      if (!last.ok) throw new Error('was refused');
      await last.worked();
    }
  });
});
