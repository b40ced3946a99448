import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { inject } from 'vitest';
import { ROLES, TEMPLATE } from './roles';
import { openDatabase, openPool, type Database } from '../connection';

export interface TestDatabase {
  db: Database;
  /** As the owner, past row-level security: for looking at what really stands in the tables. */
  owner: pg.Pool;
  appUrl: string;
  authUrl: string;
  /** Closes what is open to it, and leaves it there. */
  leave(): Promise<void>;
  drop(): Promise<void>;
}

/** A fresh migrated and guarded database in the test cluster, or a copy of another one, reached as the app reaches it. */
export async function makeDatabase(template = TEMPLATE): Promise<TestDatabase> {
  const url = new URL(inject('ownerUrl'));
  const name = `t_${randomBytes(6).toString('hex')}`;
  const admin = new pg.Client({ connectionString: url.href });
  await admin.connect();
  await admin.query(`create database ${name} template ${template}`);
  const at = (role?: { name: string; password: string }) => {
    const u = new URL(url);
    u.pathname = `/${name}`;
    if (role) [u.username, u.password] = [role.name, role.password];
    return u.href;
  };
  const appPool = openPool(at(ROLES.app), 8);
  const owner = openPool(at(), 2);
  const leave = async () => {
    await Promise.all([appPool.end(), owner.end(), admin.end()]);
  };
  return {
    db: openDatabase(appPool),
    owner,
    appUrl: at(ROLES.app),
    authUrl: at(ROLES.auth),
    leave,
    drop: async () => {
      await Promise.all([appPool.end(), owner.end()]);
      await admin.query(`drop database ${name} with (force)`);
      await admin.end();
    },
  };
}
