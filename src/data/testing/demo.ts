import pg from 'pg';
import { inject } from 'vitest';
import type { PlainDate } from '../../core';
import { fillDemo } from '../demo/fill';
import { makeDatabase, type TestDatabase } from './database';
import { DEMO_TEMPLATE } from './roles';

/**
 * A database with the demo school in it as it is made on a day. It is filled once, since that takes longer than most tests,
 * and copied for whoever asks; who comes meanwhile waits.
 */
export async function makeDemo(day: PlainDate): Promise<TestDatabase> {
  const filled = `${DEMO_TEMPLATE}_${day.replaceAll('-', '')}`;
  const admin = new pg.Client({ connectionString: inject('ownerUrl') });
  await admin.connect();
  try {
    await admin.query('select pg_advisory_lock(hashtext($1))', [filled]);
    const { rows } = await admin.query('select 1 from pg_database where datname = $1', [filled]);
    if (rows.length === 0) {
      const made = await makeDatabase();
      await fillDemo(made.appUrl, day);
      const { pathname } = new URL(made.appUrl);
      await made.leave();
      await admin.query(`alter database ${pathname.slice(1)} rename to ${filled}`);
    }
    return await makeDatabase(filled);
  } finally {
    await admin.end();
  }
}
