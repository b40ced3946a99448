// Starts the throw-away PostgreSQL of the tests once for all test files, with one migrated and guarded database in it;
// each file copies that one for itself.
import pg from 'pg';
import type { TestProject } from 'vitest/node';
import { clusterFolder, startCluster } from '../../../scripts/postgres.mjs';
import { ensurePostgres } from '../../../scripts/machine.mjs';
import { prepareDatabase } from '../prepare';
import { ROLES, TEMPLATE } from './roles';

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
  await admin.query(`drop database if exists ${TEMPLATE} with (force)`);
  await admin.query(`create database ${TEMPLATE}`);
  await admin.end();
  await prepareDatabase(cluster.ownerUrl(TEMPLATE), ROLES);
  project.provide('ownerUrl', url);
  return () => cluster.stop();
}
