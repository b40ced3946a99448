import { randomBytes } from 'node:crypto';
import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { prepareDatabase, type Roles } from './prepare';
import { sampleTables } from './sampleTables';

const tag = randomBytes(4).toString('hex');
const owner = `plain_owner_${tag}`;
const database = `t_plain_${tag}`;
const roles: Roles = {
  app: { name: `plain_app_${tag}`, password: 'first' },
  auth: { name: `plain_auth_${tag}`, password: 'first' },
};
const at = (name: string, user?: string, password?: string): string => {
  const url = new URL(inject('ownerUrl'));
  url.pathname = `/${name}`;
  if (user) [url.username, url.password] = [user, password!];
  return url.href;
};
const as = async <T extends pg.QueryResultRow>(url: string, text: string, values: unknown[] = []): Promise<T[]> => {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query<T>(text, values)).rows;
  } finally {
    await client.end();
  }
};
const admin = <T extends pg.QueryResultRow>(text: string) => as<T>(at('postgres'), text);

/** The migrations as an earlier release shipped them: the first `count`. */
function earlierRelease(count: number): string {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'stavewright-migrations-'));
  cpSync('src/data/migrations', folder, { recursive: true });
  const file = path.join(folder, 'meta/_journal.json');
  const journal = JSON.parse(readFileSync(file, 'utf8')) as { entries: unknown[] };
  writeFileSync(file, JSON.stringify({ ...journal, entries: journal.entries.slice(0, count) }));
  return folder;
}

beforeAll(async () => {
  await admin(`create role ${owner} login createrole nosuperuser password 'owner'`);
  await admin(`create database ${database} owner ${owner}`);
});
afterAll(async () => {
  await admin(`drop database ${database} with (force)`);
  for (const role of [roles.app.name, roles.auth.name, owner]) await admin(`drop role if exists ${role}`);
});

describe('a database whose owner is no superuser', () => {
  const url = () => at(database, owner, 'owner');

  it('is brought from an earlier release to this one with all its rows, and a second and third start change nothing', async () => {
    await prepareDatabase(url(), roles, earlierRelease(3));
    const school = v7();
    // As the app wrote it then: the owner itself is behind the forced security as well.
    await as(
      at(database, roles.app.name, 'first'),
      `select set_config('app.school', '${school}', false); insert into school (id, name, time_zone) values ('${school}', 'Old', 'UTC')`,
    );
    await prepareDatabase(url(), roles);
    const seen = await as<{ state: string }>(
      at(database),
      `select state from syllabus_version where school_id = '${school}'`,
    );
    expect(seen).toEqual([{ state: 'draft' }]);
    await prepareDatabase(url(), roles);
    await prepareDatabase(url(), roles);
    const unforced = await as(
      at(database),
      `select relname from pg_class c join pg_namespace n on n.oid = c.relnamespace
       where relkind = 'r' and n.nspname in ('public', 'auth') and not relforcerowsecurity`,
    );
    expect(unforced).toEqual([]);
  });

  it('is sampled before it is first read, once, and again when it was filled', async () => {
    const sampled = async () =>
      (
        await as<{ n: number }>(
          at(database),
          `select count(*)::int as n from pg_statistic s
        join pg_class c on c.oid = s.starelid where c.relname = 'school'`,
        )
      )[0]!.n;
    expect(await sampled()).toBe(0);
    expect(await sampleTables(url())).toBe(true);
    expect(await sampled()).toBeGreaterThan(0);
    expect(await sampleTables(url())).toBe(false);
    expect(await sampleTables(url(), true)).toBe(true);
  });

  it('takes new passwords for its roles, and refuses a role that may do too much', async () => {
    const renewed = { ...roles, app: { ...roles.app, password: 'second' } };
    await prepareDatabase(url(), renewed);
    expect(await as(at(database, roles.app.name, 'second'), 'select 1 as one')).toEqual([{ one: 1 }]);
    await expect(as(at(database, roles.app.name, 'first'), 'select 1')).rejects.toThrow(/password authentication/);
    await admin(`alter role ${roles.app.name} bypassrls`);
    await expect(prepareDatabase(url(), renewed)).rejects.toThrow(/more than the app needs/);
    await admin(`alter role ${roles.app.name} nobypassrls`);
  });
});
