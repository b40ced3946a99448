// What the machine must have before anything else runs: the packages of package-lock.json, PostgreSQL, and for tests
// Chromium. Only Node's own modules are used here, since nothing is installed yet.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const project = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
export const home = path.join(project, '.stavewright');

/** An error whose message is meant for the person at the keyboard: no stack is shown. */
export class Plain extends Error {}

export const say = (text) => console.log(text);

/** Runs a program with its output shown; a failure becomes a plain message. */
export function run(program, args, options = {}) {
  const done = spawnSync(program, args, { stdio: 'inherit', cwd: project, ...options });
  if (done.error) throw new Plain(`${program} could not be started: ${done.error.message}`);
  if (done.status !== 0) throw new Plain(`${program} ${args.join(' ')} ended with ${done.status ?? done.signal}.`);
}

/** Runs a program without holding this process up, so that it hears signals meanwhile; `started` is given the child. */
export const runAside = (program, args, { started, ...options } = {}) =>
  new Promise((resolve, reject) => {
    const child = spawn(program, args, { stdio: 'inherit', cwd: project, ...options });
    started?.(child);
    child.once('error', (error) => reject(new Plain(`${program} could not be started: ${error.message}`)));
    child.once('close', (status, signal) => {
      if (status === 0) resolve();
      else reject(new Plain(`${program} ${args.join(' ')} ended with ${status ?? signal}.`));
    });
  });

/** npm ci, once for each content of package-lock.json. */
export function ensurePackages() {
  const wanted = createHash('sha256')
    .update(readFileSync(path.join(project, 'package-lock.json')))
    .digest('hex');
  const stamp = path.join(project, 'node_modules', '.stavewright-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('Installing packages (once, about a minute and a half)…');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(stamp, wanted);
}

/** The folder with initdb and pg_ctl of the newest PostgreSQL on this machine, or null. */
export function postgresPrograms() {
  if (process.env.PG_BIN) return process.env.PG_BIN;
  const root = '/usr/lib/postgresql';
  const versions = existsSync(root)
    ? readdirSync(root).filter((v) => existsSync(path.join(root, v, 'bin', 'initdb')))
    : [];
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0];
  return newest ? path.join(root, newest, 'bin') : null;
}

let listed = false;
function apt(packages, what) {
  const root = process.getuid?.() === 0;
  if (!existsSync('/usr/bin/apt-get'))
    throw new Plain(
      `${what} is missing and this is not a Debian machine. Install it (${packages.join(', ')}) and start again.`,
    );
  const sudo = root ? [] : ['sudo', '-n'];
  if (!root && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status !== 0)
    throw new Plain(`${what} is missing. Install it with: sudo apt-get install ${packages.join(' ')}`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const call = (args) => {
    const [program, ...rest] = [...sudo, 'apt-get', '-q', '-y', '-o', 'Dpkg::Options::=--force-confold', ...args];
    execFileSync(program, rest, { stdio: ['ignore', 'ignore', 'inherit'], env });
  };
  say(`Installing ${what} from Debian (once)…`);
  if (!listed) call(['update']);
  listed = true;
  call(['install', '--no-install-recommends', ...packages]);
}

/** Sees to the PostgreSQL server programs; Debian's own cluster is neither made nor touched. */
export function ensurePostgres() {
  if (postgresPrograms()) return;
  // Without this setting Debian's package would create and start a system cluster of its own.
  const conf = '/etc/postgresql-common/createcluster.conf';
  if (process.getuid?.() === 0 && !existsSync(conf)) {
    mkdirSync(path.dirname(conf), { recursive: true });
    writeFileSync(conf, 'create_main_cluster = false\n');
  }
  apt(['postgresql'], 'PostgreSQL');
  if (!postgresPrograms())
    throw new Plain('PostgreSQL was installed but its programs were not found in /usr/lib/postgresql.');
}

const WINDOWLESS = '/usr/bin/chromium-headless-shell';
const WHOLE = '/usr/bin/chromium';

/** Debian’s Chromium made to run without a window: the whole one, told to show none, works twice as hard for each page. */
export const chromiumProgram = () => (existsSync(WINDOWLESS) ? WINDOWLESS : WHOLE);

/** Sees to a Chromium without a window; where that cannot be had, the whole one does as well if it is here. */
export function ensureChromium() {
  if (existsSync(WINDOWLESS)) return;
  try {
    apt(['chromium-headless-shell'], 'Chromium');
  } catch (error) {
    if (!existsSync(WHOLE)) throw error;
    say('Chromium without a window cannot be had here: the whole one is used, which takes longer.');
  }
}

/** Runs main; a Plain error ends the program with its message only. */
export async function asProgram(main) {
  try {
    await main();
  } catch (error) {
    if (!(error instanceof Plain)) throw error;
    console.error(`\n${error.message}`);
    process.exitCode = 1;
  }
}
