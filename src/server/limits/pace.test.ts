import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type pg from 'pg';
import { openPool } from '../../data/connection';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { sweepCounters } from './counter';
import { Pace } from './pace';

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

describe('the pace at which somebody may ask', () => {
  it('counts over all servers together, and for each by themselves', async () => {
    const servers = [new Pace(pool, { most: 100, seconds: 60 }), new Pace(pool, { most: 100, seconds: 60 })];
    let passed = 0;
    for (let i = 0; i < 200; i += 1) if ((await servers[i % 2]!.allows('student')).ok) passed += 1;
    expect(passed).toBeGreaterThanOrEqual(100);
    expect(passed).toBeLessThanOrEqual(120);
    expect((await servers[0]!.allows('teacher')).ok).toBe(true);
    const shut = await servers[0]!.allows('student');
    expect(shut.ok ? 0 : shut.seconds).toBeGreaterThan(0);
  });

  it('opens again when the time is over, and forgets what is long past', async () => {
    let now = Date.now();
    const pace = new Pace(pool, { most: 10, seconds: 1 }, () => now);
    for (let i = 0; i < 40; i += 1) await pace.allows('child');
    expect((await pace.allows('child')).ok).toBe(false);
    await t.owner.query(`update auth.pace set until = now() - interval '2 hours'`);
    now += 2000;
    expect((await pace.allows('child')).ok).toBe(true);
    await sweepCounters(pool);
    expect((await t.owner.query('select 1 from auth.pace')).rows).toEqual([]);
  });

  it('lets everybody pass while the database is away', async () => {
    const away = openPool('postgres://nobody:x@127.0.0.1:1/none', 1);
    const pace = new Pace(away, { most: 1, seconds: 60 });
    for (let i = 0; i < 25; i += 1) expect((await pace.allows('x')).ok).toBe(true);
    await away.end();
  });
});
