// Starts the throw-away PostgreSQL of the tests once for all test files, with one migrated and guarded database in it;
// each file copies that one for itself.
import pg from 'pg';
import type { TestProject } from 'vitest/node';
import { clusterFolder, startCluster } from '../../../scripts/postgres.mjs';
import { ensurePostgres } from '../../../scripts/machine.mjs';
import { prepareDatabase } from '../prepare';
import { DEMO_TEMPLATE, ROLES, TEMPLATE } from './roles';

declare module 'vitest' {
  interface ProvidedContext {
    ownerUrl: string;
  }
}

export default async function setup(project: TestProject) {
  ensurePostgres();
  const cluster = await startCluster(clusterFolder('test'), { throwAway: true });
  const url = cluster.ownerUrl('postgres');
  const admin = new pg.Client({ connectionString: url });
  await admin.connect();
  const old = await admin.query<{ datname: string }>(
    'select datname from pg_database where datname = $1 or starts_with(datname, $2)',
    [TEMPLATE, `${DEMO_TEMPLATE}_`],
  );
  for (const { datname } of old.rows) await admin.query(`drop database ${datname} with (force)`);
  await admin.query(`create database ${TEMPLATE}`);
  await admin.end();
  await prepareDatabase(cluster.ownerUrl(TEMPLATE), ROLES);
  project.provide('ownerUrl', url);
  return () => cluster.stop();
}
