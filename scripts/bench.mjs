// npm run bench: prints ratios against a limit measured in the same run. `-- --json` prints the JSON array alone.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { asProgram, ensureChromium, ensurePackages, ensurePostgres, project, say } from './machine.mjs';

await asProgram(async () => {
  const quiet = process.argv.includes('--json');
  if (quiet) console.log = (...words) => console.error(...words);
  ensurePackages();
  ensurePostgres();
  ensureChromium();
  const { buildIfStale } = await import('./build.mjs');
  if (!quiet) say('Building what is measured, and a school where it takes one…');
  const { clusterFolder, startCluster } = await import('./postgres.mjs');
  await buildIfStale();
  // Durable, as in use: the bench must not count on a database that forgets.
  const cluster = await startCluster(clusterFolder('bench'));
  try {
    const done = spawnSync(
      process.execPath,
      ['--import', 'tsx', path.join(project, 'scripts/bench/run.ts'), ...process.argv.slice(2)],
      {
        cwd: project,
        stdio: 'inherit',
        env: { ...process.env, NODE_ENV: 'production', BENCH_OWNER_URL: cluster.ownerUrl('postgres') },
      },
    );
    if (done.status !== 0) process.exitCode = 1;
  } finally {
    cluster.stop();
  }
});
