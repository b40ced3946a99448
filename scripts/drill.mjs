// npm run drill: what must not happen is tried for some minutes on this machine. `-- --json` prints the rows alone,
// `-- --short` the quick version that the tests run.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { asProgram, ensurePackages, ensurePostgres, project, say } from './machine.mjs';

await asProgram(async () => {
  const quiet = process.argv.includes('--json');
  if (quiet) console.log = (...words) => console.error(...words);
  ensurePackages();
  ensurePostgres();
  const { buildIfStale } = await import('./build.mjs');
  await buildIfStale();
  if (!quiet) say('Drilling; this takes some minutes…');
  const done = spawnSync(
    process.execPath,
    ['--import', 'tsx', path.join(project, 'scripts/drill/run.ts'), ...process.argv.slice(2)],
    { cwd: project, stdio: 'inherit', env: process.env },
  );
  process.exitCode = done.status ?? 1;
});
