// Every release, one after the other, with a row in every table: what was written then is there now and can be read.
import { randomBytes } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { getTableColumns, getTableName, is, Table } from 'drizzle-orm';
import pg from 'pg';
import { v7 } from 'uuid';
import { expect, inject, it } from 'vitest';
import { openDatabase, openPool } from './connection';
import * as tables from './tables';

const sample = (name: string): unknown =>
  JSON.parse(readFileSync(`src/contracts/stored/samples/${name}.1.json`, 'utf8')) as unknown;
/** What stands in the columns that hold a document, as the first release wrote it. */
const DOCUMENTS: Record<string, unknown> = {
  'sequence.body': sample('sequence'),
  'sequence.recipe': sample('recipe'),
  'sequence.departures': sample('departures'),
  'syllabus_version.body': sample('syllabus'),
  'technique.detail': sample('technique'),
  'rank.cloth': sample('cloth'),
  'class_held.taught': sample('taught'),
  'look.slips': sample('slips'),
};
/** Where a rule of the database asks for more than any value. */
const VALUES: Record<string, unknown> = {
  'condition.name': 'both free',
  'person.role': 'head',
  'syllabus_version.state': 'published',
  'look.sequence_id': null,
  'look.part_from': null,
  'point.kind': 'counted',
};

interface Column {
  table: string;
  name: string;
  type: string;
  needed: boolean;
}
interface Key {
  table: string;
  columns: string[];
  of: string;
  their: string[];
}

const columnsOf = async (db: pg.Client): Promise<Column[]> =>
  (
    await db.query<Column>(`select table_name as table, column_name as name, data_type as type,
      is_nullable = 'NO' and column_default is null as needed from information_schema.columns
      where table_schema = 'public' order by table_name, ordinal_position`)
  ).rows;
const keysOf = async (db: pg.Client): Promise<Key[]> =>
  (
    await db.query<Key>(`select c.conrelid::regclass::text as table, c.confrelid::regclass::text as of,
      (select array_agg(a.attname::text order by x.n) from unnest(c.conkey) with ordinality x(at, n)
        join pg_attribute a on a.attrelid = c.conrelid and a.attnum = x.at) as columns,
      (select array_agg(a.attname::text order by x.n) from unnest(c.confkey) with ordinality x(at, n)
        join pg_attribute a on a.attrelid = c.confrelid and a.attnum = x.at) as their
      from pg_constraint c join pg_namespace n on n.oid = c.connamespace where c.contype = 'f' and n.nspname = 'public'`)
  ).rows.map((k) => ({ ...k, table: k.table.replaceAll('"', ''), of: k.of.replaceAll('"', '') }));

const valueOf = (c: Column): unknown => {
  const at = `${c.table}.${c.name}`;
  if (at in VALUES) return VALUES[at];
  if (at in DOCUMENTS) return JSON.stringify(DOCUMENTS[at]);
  if (c.type === 'uuid') return v7();
  if (c.type === 'date') return '2026-02-03';
  if (c.type.startsWith('timestamp')) return '2026-02-03T18:00:00Z';
  if (c.type === 'boolean') return false;
  if (c.type === 'jsonb' || c.type === 'json') return '{}';
  if (c.type === 'ARRAY') return '{}';
  if (/int|real|double|numeric/.test(c.type)) return 1;
  return 'kept';
};

/**
 * Puts a row into every table that has none, those that others stand on first; and into a column that a release added to
 * an older table what that release wrote there. `filled` are the documents that stand already.
 */
async function fill(db: pg.Client, filled: Set<string>): Promise<string[]> {
  const columns = await columnsOf(db);
  const keys = await keysOf(db);
  // Every row belongs to a school, though not every table says so by a key.
  const names = [...new Set(['school', ...columns.map((c) => c.table)])];
  const has = new Set<string>();
  for (const name of names) if ((await db.query(`select 1 from "${name}" limit 1`)).rowCount === 1) has.add(name);
  for (const at of Object.keys(DOCUMENTS)) {
    const [table, column] = at.split('.') as [string, string];
    if (filled.has(at) || !columns.some((c) => c.table === table && c.name === column)) continue;
    filled.add(at);
    if (has.has(table)) await db.query(`update "${table}" set "${column}" = $1`, [JSON.stringify(DOCUMENTS[at])]);
  }
  for (let before = -1; before !== has.size;) {
    before = has.size;
    for (const name of names) {
      if (has.has(name)) continue;
      const mine = keys.filter((k) => k.table === name && k.of !== name);
      if (mine.some((k) => !has.has(k.of))) continue;
      const row = new Map<string, unknown>();
      for (const c of columns.filter((x) => x.table === name))
        if (c.needed || `${c.table}.${c.name}` in DOCUMENTS || `${c.table}.${c.name}` in VALUES)
          row.set(c.name, valueOf(c));
      for (const k of mine) {
        const [theirs] = (await db.query<Record<string, unknown>>(`select * from "${k.of}" limit 1`)).rows;
        // What may be left open is left open where it is no document's own.
        k.columns.forEach((c, i) => {
          if (row.has(c) && row.get(c) !== null) row.set(c, theirs![k.their[i]!]);
        });
      }
      if (columns.some((c) => c.table === name && c.name === 'school_id') && name !== 'school')
        row.set('school_id', (await db.query<{ id: string }>('select id from school limit 1')).rows[0]!.id);
      const cells = [...row];
      await db.query(
        `insert into "${name}" (${cells.map(([c]) => `"${c}"`).join(', ')}) values (${cells.map((_, i) => `$${i + 1}`).join(', ')})`,
        cells.map(([, v]) => v),
      );
      has.add(name);
    }
  }
  return names.filter((n) => !has.has(n));
}

it('each migration takes along what the ones before it left, and today’s program reads all of it', async () => {
  const url = new URL(inject('ownerUrl'));
  const admin = new pg.Client({ connectionString: url.href });
  await admin.connect();
  const name = `t_${randomBytes(6).toString('hex')}`;
  await admin.query(`create database ${name}`);
  url.pathname = `/${name}`;
  const db = new pg.Client({ connectionString: url.href });
  await db.connect();
  const pool = openPool(url.href, 1);
  const filled = new Set<string>();
  try {
    for (const file of readdirSync('src/data/migrations')
      .filter((f) => f.endsWith('.sql'))
      .sort()) {
      for (const s of readFileSync(`src/data/migrations/${file}`, 'utf8').split('--> statement-breakpoint'))
        await db.query(s).catch((e: Error) => {
          throw new Error(`${file}: ${e.message}`);
        });
      expect(await fill(db, filled), `${file} leaves tables that nothing can be put into`).toEqual([]);
    }
    const here = openDatabase(pool);
    for (const table of Object.values(tables)) {
      if (!is(table, Table) || Object.keys(getTableColumns(table)).length === 0) continue;
      const rows = await here.select().from(table as never);
      expect(rows.length, getTableName(table)).toBeGreaterThan(0);
    }
    const [condition] = await here.select().from(tables.condition);
    expect(condition).toMatchObject({ partner: true, gear: null, home: false, attacker: 'free', defender: 'free' });
    const [sequence] = await here.select().from(tables.sequence);
    expect(sequence!.counts).toBe(sequence!.body.moves.length);
    const [technique] = await here.select().from(tables.technique);
    expect(technique!.detail.ceiling).toMatchObject({ kind: 'equipment only', contact: '' });
  } finally {
    await pool.end();
    await db.end();
    await admin.query(`drop database ${name} with (force)`);
    await admin.end();
  }
});
