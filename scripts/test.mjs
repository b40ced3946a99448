// npm test: installs what is missing, then Vitest and Playwright, with build, format, lint and types beside them;
// ends with one line that sums both runners. A step that fails is counted as one failure, and the later steps still run.
import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { asProgram, ensureChromium, ensurePackages, ensurePostgres, home, project, say } from './machine.mjs';

const env = { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' };

await asProgram(async () => {
  ensurePackages();
  ensurePostgres();
  ensureChromium();
  let passed = 0;
  let failed = 0;
  /** Names of what failed, said once more at the end: what was printed of it may be far up. */
  const fell = [];
  const step = (name, program, args, more = {}) =>
    new Promise((resolve) => {
      say(`\n— ${name}`);
      const started = Date.now();
      const child = spawn(program, args, { cwd: project, stdio: 'inherit', env: { ...env, ...more } });
      child.on('error', (error) => say(String(error)));
      child.on('close', (status) => {
        say(`  ${status === 0 ? 'done' : 'failed'} in ${Math.round((Date.now() - started) / 1000)} s`);
        if (status !== 0) fell.push(name);
        resolve(status === 0);
      });
    });
  // What needs no more than the sources is read beside the tests, with what they leave of two cores, one after the other;
  // each says what it has to say when it is done.
  const aside = (name, program, args, nice = 15) =>
    new Promise((resolve) => {
      const started = Date.now();
      const said = [];
      const child = spawn('nice', ['-n', String(nice), program, ...args], {
        cwd: project,
        env,
        stdio: ['ignore', 'pipe', 'pipe'],
      });
      child.stdout.on('data', (text) => said.push(text));
      child.stderr.on('data', (text) => said.push(text));
      child.on('error', (error) => said.push(Buffer.from(String(error))));
      child.on('close', (status) => {
        say(`\n— ${name}`);
        const text = Buffer.concat(said).toString().trim();
        if (text !== '') say(text);
        say(`  ${status === 0 ? 'done' : 'failed'} in ${Math.round((Date.now() - started) / 1000)} s`);
        if (status !== 0) fell.push(`${name}: ${text.split('\n').slice(-8).join('\n  ')}`);
        if (status === 0) passed += 1;
        else failed += 1;
        resolve();
      });
    });
  // Only what is no script itself can be quick: types, lint and format of all but Astro’s pages, which have their own.
  const tsc = ['node_modules/typescript-native/bin/tsc', '--noEmit', '--singleThreaded'];
  const pages = ['check', '--tsconfig', 'tsconfig.pages.json'];
  const severe = ['--minimumFailingSeverity', 'error', '--minimumSeverity', 'warning'];
  // The browser’s tests wait for it.
  const built = aside('build', process.execPath, ['scripts/build.mjs'], 0);
  const read = built
    .then(() => aside('format', 'npx', ['oxfmt', '--check']))
    .then(() => aside('lint and boundaries', 'npx', ['oxlint', '--config', 'oxlint.config.mjs']))
    .then(() => aside('types', process.execPath, tsc))
    .then(() => aside('types of pages', 'npx', ['astro', ...pages, ...severe]))
    .then(() => aside('lint of pages', 'npx', ['eslint', '--max-warnings', '0', '.']))
    .then(() => aside('format of pages', 'npx', ['prettier', '--check', '--log-level', 'warn', 'src/**/*.astro']));

  const report = (file) => {
    const at = path.join(home, file);
    return existsSync(at) ? JSON.parse(readFileSync(at, 'utf8')) : null;
  };
  for (const f of ['vitest.json', 'playwright.json']) rmSync(path.join(home, f), { force: true });

  const unit = await step('Vitest', 'npx', [
    'vitest',
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${path.join(home, 'vitest.json')}`,
  ]);
  const v = report('vitest.json');
  passed += v?.numPassedTests ?? 0;
  failed += v ? v.numFailedTests + (v.success || v.numFailedTests > 0 ? 0 : 1) : 1;
  if (!unit && v && v.numFailedTests === 0 && v.success) failed += 1;
  for (const file of v?.testResults ?? []) {
    const where = path.relative(project, file.name);
    const tests = file.assertionResults.filter((t) => t.status === 'failed');
    for (const t of tests) fell.push(`${where}: ${t.fullName}`);
    if (file.status === 'failed' && tests.length === 0) fell.push(`${where}: ${file.message}`);
  }

  await built;
  const e2e = await step('Playwright', 'npx', ['playwright', 'test'], {
    PLAYWRIGHT_JSON_OUTPUT_NAME: path.join(home, 'playwright.json'),
  });
  const p = report('playwright.json');
  const second = p?.stats.flaky ?? 0;
  passed += (p?.stats.expected ?? 0) + second;
  // Browsers and servers are killed and started by the dozen here: one more try is given, and never kept silent.
  if (second > 0) say(`\n${second} came right only at the second try; see “flaky” above, and find out why.`);
  const unexpected = p?.stats.unexpected ?? 0;
  failed += p ? unexpected : 1;
  if (!e2e && p && unexpected === 0) failed += 1;

  await read;
  for (const what of fell) say(`\nfailed: ${what}`);
  say(`\n${passed} passed, ${failed} failed`);
  if (failed > 0) process.exitCode = 1;
});
