import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import './tables';
import { isOnlyAdded } from './tables/columns';
import { HIDES_STRUCK } from './tables/struck';

export interface Roles {
  app: { name: string; password: string };
  auth: { name: string; password: string };
}

const MIGRATIONS = path.join(path.dirname(fileURLToPath(import.meta.url)), 'migrations');
const THIS_SCHOOL = `(select nullif(current_setting('app.school', true), '')::uuid)`;
const ident = (s: string) => pg.escapeIdentifier(s);

/**
 * Brings the database at `ownerUrl` to the present shape: migrations under an advisory lock, the two roles the server
 * connects with (neither owns a table), and row-level security on every table there is. Safe to call at every start, and by
 * an owner that is no superuser. `migrationsFolder` is another one only to stand at an earlier release.
 */
export async function prepareDatabase(ownerUrl: string, roles: Roles, migrationsFolder = MIGRATIONS): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock(7119021)');
    await openToOwner(client);
    await migrate(drizzle({ client }), { migrationsFolder });
    await client.query('begin');
    await makeRole(client, roles.app);
    await makeRole(client, roles.auth);
    await guardTables(client, roles);
    await client.query('commit');
  } finally {
    await client.end();
  }
}

const TABLES = `select n.nspname as schema, c.relname as name from pg_class c join pg_namespace n on n.oid = c.relnamespace
     where c.relkind in ('r', 'p') and n.nspname in ('public', 'auth')`;

/**
 * An owner that is no superuser is held by forced row-level security like everybody: a migration that moves rows would
 * find none. It is lifted for the owner while migrations run; the app's roles own nothing and stay behind it.
 */
async function openToOwner(client: pg.Client) {
  const tables = await client.query<{ schema: string; name: string }>(`${TABLES} and c.relforcerowsecurity`);
  for (const { schema, name } of tables.rows)
    await client.query(`alter table ${schema}.${ident(name)} no force row level security`);
}

/**
 * Makes a role the app connects with, or gives the one there is its password. An owner that is no superuser may not even
 * say that another is none, so what a role may is said when it is made and looked at later.
 */
async function makeRole(client: pg.Client, role: { name: string; password: string }) {
  const known = await client.query<{ powerful: boolean }>(
    'select rolsuper or rolbypassrls or rolcreaterole as powerful from pg_roles where rolname = $1',
    [role.name],
  );
  if (known.rows[0]?.powerful)
    throw new Error(
      `the role ${role.name} may do more than the app needs: take superuser, createrole and bypassrls from it`,
    );
  const password = `login password ${pg.escapeLiteral(role.password)}`;
  await client.query(
    known.rowCount
      ? `alter role ${ident(role.name)} ${password}`
      : `create role ${ident(role.name)} nosuperuser nocreatedb nocreaterole ${password}`,
  );
}

async function guardTables(client: pg.Client, roles: Roles) {
  const app = ident(roles.app.name);
  const auth = ident(roles.auth.name);
  const policy = async (table: string, name: string, role: string, rule: string, seen = '') => {
    await client.query(`drop policy if exists ${name} on ${table}`);
    await client.query(
      `create policy ${name} on ${table} for all to ${role} using (${rule}${seen}) with check (${rule})`,
    );
  };
  const tables = await client.query<{ schema: string; name: string }>(TABLES);
  await client.query(`grant usage on schema public to ${app}; grant usage on schema auth to ${app}, ${auth}`);
  // One definition of what still counts, for every reader there is: what was struck is not seen any more.
  const struck = tables.rows.some((t) => t.schema === 'public' && t.name === 'struck');
  const unstruck = ` and id <> all ((select coalesce(array_agg(s.id), '{}') from public.struck s
    where s.school_id = ${THIS_SCHOOL})::uuid[])`;
  for (const { schema, name } of tables.rows) {
    const table = `${schema}.${ident(name)}`;
    await client.query(`alter table ${table} enable row level security; alter table ${table} force row level security`);
    await client.query(`revoke all on ${table} from public, ${app}, ${auth}`);
    if (schema === 'public') {
      const own = `${name === 'school' ? 'id' : 'school_id'} = ${THIS_SCHOOL}`;
      await policy(table, 'own_school', app, own, struck && HIDES_STRUCK.has(name) ? unstruck : '');
      const rights = isOnlyAdded(name) ? 'select, insert' : 'select, insert, update, delete';
      await client.query(`grant ${rights} on ${table} to ${app}`);
    } else {
      await policy(table, 'sign_in', auth, 'true');
      await client.query(`grant select, insert, update, delete on ${table} to ${auth}`);
    }
  }
  // The head gives and takes sign-ins of their own school, in the same transaction as the rest of the command.
  await policy('auth."user"', 'own_school', app, `school_id = ${THIS_SCHOOL}`);
  const ofOwnUser = `exists (select 1 from auth."user" u where u.id = user_id and u.school_id = ${THIS_SCHOOL})`;
  await policy('auth.account', 'own_school', app, ofOwnUser);
  await policy('auth.session', 'own_school', app, ofOwnUser);
  await client.query(`grant select, insert, delete on auth."user" to ${app}`);
  await client.query(`grant select (id, user_id), insert on auth.account to ${app}`);
  await client.query(`grant select (id, user_id), delete on auth.session to ${app}`);
  // Whoever holds a certificate asks with its code alone; the school that gave it writes it there.
  if (tables.rows.some((t) => t.name === 'certificate_code')) {
    await policy('auth.certificate_code', 'own_school', app, `school_id = ${THIS_SCHOOL}`);
    await client.query(`grant insert on auth.certificate_code to ${app}`);
  }
  // The same of calendars, whose addresses can be taken back.
  if (tables.rows.some((t) => t.name === 'calendar_address')) {
    await policy('auth.calendar_address', 'own_school', app, `school_id = ${THIS_SCHOOL}`);
    await client.query(`grant select, insert, delete on auth.calendar_address to ${app}`);
  }
}
