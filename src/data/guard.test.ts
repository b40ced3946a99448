import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { sql } from 'drizzle-orm';
import { getAuthTables } from 'better-auth/db';
import { getTableColumns } from 'drizzle-orm';
import { v7 } from 'uuid';
import { inSchool } from './connection';
import { openSchool } from './openSchool';
import { person, school } from './tables';
import * as authTables from './tables/auth';
import { makeDatabase, type TestDatabase } from './testing/database';

let t: TestDatabase;
const [mine, other] = [v7(), v7()];
const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };

beforeAll(async () => {
  t = await makeDatabase();
  for (const id of [mine, other])
    await inSchool(t.db, id, (tx) =>
      openSchool(
        tx,
        {
          id,
          name: `School ${id}`,
          timeZone: 'UTC',
          head: { id: v7(), name: 'Head' },
          ranks: [{ name: 'White', cloth }],
        },
        v7,
      ),
    );
});
afterAll(() => t.drop());

describe('the guard of the tables', () => {
  it('stands on every table of the catalogue: security on, forced, and a policy that names the school', async () => {
    const { rows } = await t.owner.query<{
      schema: string;
      table: string;
      on: boolean;
      forced: boolean;
      rules: string[];
    }>(`
      select n.nspname as schema, c.relname as table, c.relrowsecurity as on, c.relforcerowsecurity as forced,
        array(select pg_get_expr(p.polqual, p.polrelid) || ' / ' || pg_get_expr(p.polwithcheck, p.polrelid) from pg_policy p
              join pg_roles r on r.oid = any(p.polroles) where p.polrelid = c.oid and r.rolname = 'test_app') as rules
      from pg_class c join pg_namespace n on n.oid = c.relnamespace
      where c.relkind in ('r','p') and n.nspname not in ('pg_catalog','information_schema','drizzle') and n.nspname not like 'pg_toast%'`);
    expect(rows.length).toBeGreaterThan(20);
    for (const r of rows) {
      expect([r.table, r.on, r.forced]).toEqual([r.table, true, true]);
      if (r.schema === 'public') expect(r.rules.length, `${r.table} has no policy for the app`).toBeGreaterThan(0);
      for (const rule of r.rules) expect(rule).toMatch(/app\.school.* \/ .*app\.school/s);
    }
  });

  it('lets the app’s roles neither own, bypass nor change what is only added', async () => {
    const roles = await t.owner.query(
      `select rolsuper, rolbypassrls, rolcreaterole, rolcreatedb from pg_roles where rolname in ('test_app','test_auth')`,
    );
    for (const r of roles.rows)
      expect(r).toEqual({ rolsuper: false, rolbypassrls: false, rolcreaterole: false, rolcreatedb: false });
    const owned = await t.owner.query(
      `select 1 from pg_class c join pg_roles r on r.oid = c.relowner where r.rolname in ('test_app','test_auth')`,
    );
    expect(owned.rowCount).toBe(0);
    for (const table of ['look', 'mark', 'history', 'rank_held', 'adaptation', 'override']) {
      const { rows } = await t.owner.query<{ u: boolean; d: boolean }>(
        `select has_table_privilege('test_app', '${table}', 'update') as u, has_table_privilege('test_app', '${table}', 'delete') as d`,
      );
      expect([table, rows[0]]).toEqual([table, { u: false, d: false }]);
    }
    const secrets = await t.owner.query<{ a: boolean; s: boolean }>(
      `select has_column_privilege('test_app', 'auth.account', 'password', 'select') as a, has_column_privilege('test_app', 'auth.session', 'token', 'select') as s`,
    );
    expect(secrets.rows[0]).toEqual({ a: false, s: false });
  });

  it('shows one school its own rows, and nothing where no school is set', async () => {
    const names = await inSchool(t.db, mine, (tx) => tx.select({ id: school.id }).from(school));
    expect(names).toEqual([{ id: mine }]);
    expect(await t.db.select().from(school)).toEqual([]);
    expect(await t.db.select().from(person)).toEqual([]);
  });

  it('refuses to write a row into another school', async () => {
    const write = inSchool(t.db, mine, (tx) =>
      tx.insert(person).values({ schoolId: other, id: v7(), name: 'Stranger', role: 'student' }),
    );
    await expect(write).rejects.toThrow();
    const { rows } = await t.owner.query<{ n: string }>(
      `select count(*) as n from person where school_id = $1 and name = 'Stranger'`,
      [other],
    );
    expect(rows[0]!.n).toBe('0');
  });

  it('forgets the school when the transaction ends', async () => {
    await inSchool(t.db, mine, (tx) => tx.select().from(person));
    const { rows } = await t.db.execute<{ s: string | null }>(
      sql`select nullif(current_setting('app.school', true), '') as s`,
    );
    expect(rows[0]!.s).toBeNull();
  });

  it('has the sign-in tables that the sign-in library expects', () => {
    const wanted = getAuthTables({ rateLimit: { storage: 'database' } });
    for (const [name, table] of Object.entries(wanted)) {
      const ours = authTables[name as keyof typeof authTables];
      expect(ours, `table ${name}`).toBeDefined();
      const columns = Object.keys(getTableColumns(ours as typeof authTables.user));
      for (const field of Object.keys(table.fields)) expect(columns, `${name}.${field}`).toContain(field);
    }
  });
});
