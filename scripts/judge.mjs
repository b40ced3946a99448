// npm run judge: how well judgement does in a school whose truth is known. `-- --json` prints the JSON array alone.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { asProgram, ensurePackages, project } from './machine.mjs';

await asProgram(() => {
  if (process.argv.includes('--json')) console.log = (...words) => console.error(...words);
  ensurePackages();
  const done = spawnSync(
    process.execPath,
    ['--import', 'tsx', path.join(project, 'scripts/judge/run.ts'), ...process.argv.slice(2)],
    { cwd: project, stdio: 'inherit' },
  );
  if (done.status !== 0) process.exitCode = 1;
});
