// Passwords of the app's roles on a PostgreSQL that is not ours (DATABASE_URL). They are kept in that database, where
// only its owner can read them, so that every server which is started with the same address uses the same ones.
import { createHash } from 'node:crypto';
import path from 'node:path';
import { readKeys, secret } from './kept.mjs';
import { home } from './machine.mjs';

const KEYS = ['app', 'auth', 'session'];
/** The lock under which a database is brought to the present shape; see src/data/prepare.ts. */
const LOCK = 7119021;

/** The first part of the roles' names: roles belong to the whole server, databases of ours on it must not share them. */
export function roleBase(url) {
  const database = decodeURIComponent(new URL(url).pathname.slice(1)) || 'stavewright';
  const plain = database.replace(/\W/g, '_');
  return plain === database ? plain : `${plain}_${createHash('sha256').update(database).digest('hex').slice(0, 6)}`;
}

async function asOwner(url, work) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  // A connection that breaks later says so in the query that waits for it.
  client.on('error', () => {});
  await client.connect();
  try {
    await client.query('begin');
    await client.query('select pg_advisory_xact_lock($1)', [LOCK]);
    await client.query('create schema if not exists stavewright_keys');
    await client.query('create table if not exists stavewright_keys.kept (name text primary key, value text not null)');
    const done = await work(client);
    await client.query('commit');
    return done;
  } finally {
    await client.end();
  }
}

const write = async (client, keys) => {
  for (const name of KEYS)
    await client.query(
      'insert into stavewright_keys.kept values ($1, $2) on conflict (name) do update set value = excluded.value',
      [name, keys[name]],
    );
};
const made = () => Object.fromEntries(KEYS.map((k) => [k, secret()]));

/** The passwords kept in the database at `url`; made there by whoever comes first. */
export const sharedKeys = (url) =>
  asOwner(url, async (client) => {
    const { rows } = await client.query('select name, value from stavewright_keys.kept');
    const kept = Object.fromEntries(rows.map((r) => [r.name, r.value]));
    if (KEYS.every((k) => kept[k])) return kept;
    // Earlier they were in a file of the first server.
    const file = readKeys(path.join(home, 'keys.json'), KEYS);
    const keys = file.ok ? file.value : made();
    await write(client, keys);
    return keys;
  });

/** Gives new passwords; every server of this database has to be started again. */
export const renewSharedKeys = (url) => asOwner(url, (client) => write(client, made()));
