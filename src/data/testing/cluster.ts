// Starts the throw-away PostgreSQL of the tests once for all test files; each file makes its own database in it.
import type { TestProject } from 'vitest/node';
import { clusterFolder, startCluster } from '../../../scripts/postgres.mjs';
import { ensurePostgres } from '../../../scripts/machine.mjs';

declare module 'vitest' {
  interface ProvidedContext {
    ownerUrl: string;
  }
}

export default async function setup(project: TestProject) {
  ensurePostgres();
  const cluster = await startCluster(clusterFolder('test'), { throwAway: true });
  project.provide('ownerUrl', cluster.ownerUrl('postgres'));
  return () => cluster.stop();
}
