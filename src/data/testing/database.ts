import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { inject } from 'vitest';
import { openDatabase, openPool, type Database } from '../connection';
import { prepareDatabase } from '../prepare';

export interface TestDatabase {
  db: Database;
  /** As the owner, past row-level security: for looking at what really stands in the tables. */
  owner: pg.Pool;
  appUrl: string;
  authUrl: string;
  drop(): Promise<void>;
}

const PASSWORD = 'tests-only';

/** A fresh migrated and guarded database in the test cluster, reached as the app reaches it. */
export async function makeDatabase(): Promise<TestDatabase> {
  const url = new URL(inject('ownerUrl'));
  const name = `t_${randomBytes(6).toString('hex')}`;
  const admin = new pg.Client({ connectionString: url.href });
  await admin.connect();
  await admin.query(`create database ${name}`);
  const at = (user?: string) => {
    const u = new URL(url);
    u.pathname = `/${name}`;
    if (user) [u.username, u.password] = [user, PASSWORD];
    return u.href;
  };
  await prepareDatabase(at(), {
    app: { name: 'test_app', password: PASSWORD },
    auth: { name: 'test_auth', password: PASSWORD },
  });
  const appPool = openPool(at('test_app'), 8);
  const owner = openPool(at(), 2);
  return {
    db: openDatabase(appPool),
    owner,
    appUrl: at('test_app'),
    authUrl: at('test_auth'),
    drop: async () => {
      await appPool.end();
      await owner.end();
      await admin.query(`drop database ${name} with (force)`);
      await admin.end();
    },
  };
}
