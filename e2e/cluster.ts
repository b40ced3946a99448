// Before all: the throw-away cluster, a filled demo database and an empty one to copy from, and a built app.
import { spawnSync } from 'node:child_process';
import pg from 'pg';
import { ensurePostgres, project } from '../scripts/machine.mjs';
import { clusterFolder, startCluster } from '../scripts/postgres.mjs';
import { buildIfStale } from '../scripts/build.mjs';

export const PASSWORD = 'tests-only';
/** The same server, another database, and another role if named. */
export const at = (url: string, database: string, user?: string): string => {
  const u = new URL(url);
  u.pathname = `/${database}`;
  if (user) [u.username, u.password] = [user, PASSWORD];
  return u.href;
};

export default async function setup() {
  ensurePostgres();
  await buildIfStale();
  const cluster = await startCluster(clusterFolder('test'), { throwAway: true });
  const admin = new pg.Client({ connectionString: cluster.ownerUrl('postgres') });
  await admin.connect();
  const old = await admin.query<{ datname: string }>(`select datname from pg_database where datname like 'e2e_%'`);
  for (const d of old.rows) await admin.query(`drop database ${d.datname} with (force)`);
  for (const [name, demo] of [
    ['e2e_empty', ''],
    ['e2e_demo', '1'],
  ] as const) {
    await admin.query(`create database ${name}`);
    const done = spawnSync(process.execPath, ['dist/server/prepare/database.mjs'], {
      cwd: project,
      encoding: 'utf8',
      env: {
        ...process.env,
        OWNER_URL: at(cluster.ownerUrl('postgres'), name),
        APP_ROLE: 'test_app',
        APP_PASSWORD: PASSWORD,
        AUTH_ROLE: 'test_auth',
        AUTH_PASSWORD: PASSWORD,
        APP_DATABASE_URL: at(cluster.ownerUrl('postgres'), name, 'test_app'),
        SESSION_SECRET: 'only-for-tests-on-this-machine-0123456789',
        DEMO: demo,
      },
    });
    if (done.status !== 0) throw new Error(done.stderr);
  }
  await admin.end();
  process.env['E2E_OWNER_URL'] = cluster.ownerUrl('postgres');
  return () => cluster.stop();
}
