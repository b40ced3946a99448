// npm run demo · npm start · npm run dev: sees to packages, PostgreSQL and the build, then serves and keeps it running.
import { fork, spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { asProgram, ensurePackages, ensurePostgres, home, Plain, project, say } from './machine.mjs';
import { endProcess, forgetRunning, named, orphanIn, runningIn, writeRunning } from './running.mjs';
import { keepUp, pauseAfter } from './supervise.mjs';

const mode = process.argv[2] ?? 'start';
const fresh = process.argv.includes('--fresh');
const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4310);
const address = `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`;
const elsewhere = `Choose another: PORT=${port + 90} npm ${mode === 'start' ? 'start' : `run ${mode}`}`;
/** How often it is looked whether the database still runs, in ms. */
const LOOK_EVERY = 1000;

const { clusterFolder, startCluster } = await import('./postgres.mjs');
const FOLDERS = { demo: clusterFolder('demo'), start: clusterFolder('school'), dev: clusterFolder('school') };
// On a PostgreSQL that is not ours any number of servers may run, each at its own port.
const folder = process.env.DATABASE_URL ? path.join(home, 'served', String(port)) : FOLDERS[mode];

/** What was started and has to be ended with us, whatever happens; the last one first. */
const ends = [];
let stopping = false;
async function stop(code) {
  if (stopping) return;
  stopping = true;
  for (const end of ends.reverse()) await end();
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));
/** A child of ours that is ended with us. */
const ended = (child) => {
  const who = named(child.pid);
  ends.push(() => endProcess(who));
  return child;
};

/** A taken port is said before anything else is started. */
const portIsFree = () =>
  new Promise((resolve, reject) => {
    const probe = net.createServer();
    const why = (e) => {
      if (e.code === 'EACCES')
        return `This user may not open port ${port}. Choose one above 1023: PORT=4400 npm run ${mode}`;
      if (e.code !== 'EADDRINUSE') return `The address ${host}:${port} cannot be used: ${e.message}`;
      const ours = Object.entries(FOLDERS).find(([, f]) => runningIn(f)?.port === port);
      return ours
        ? `${ours[0] === 'demo' ? 'The demo' : 'Your school'} is open at port ${port} already. ${elsewhere}`
        : `Port ${port} is taken by another program. ${elsewhere}`;
    };
    probe.once('error', (e) => reject(new Plain(why(e))));
    probe.listen(port, host, () => probe.close(resolve));
  });

/** What an earlier start command left behind is ended; one that still runs is not disturbed. */
async function clearTheWay() {
  const running = runningIn(folder);
  if (running)
    throw new Plain(
      `It is open already, at http://127.0.0.1:${running.port} (process ${running.command.pid}). Close that one first.`,
    );
  const orphan = orphanIn(folder);
  if (!orphan) return;
  say('An earlier server was left running; it is ended first.');
  await endProcess(orphan);
}

async function database() {
  if (process.env.DATABASE_URL) {
    const { roleBase, sharedKeys } = await import('./sharedKeys.mjs');
    if (fresh)
      throw new Plain(
        'With DATABASE_URL nothing is thrown away for you: empty that database yourself, then start again without --fresh.',
      );
    const url = new URL(process.env.DATABASE_URL).href;
    const keys = await sharedKeys(url).catch((error) => {
      throw notUsable(String(error.code ?? '') + ' ' + error.message);
    });
    return { ownerUrl: url, keys, base: roleBase(url), cluster: null };
  }
  ensurePostgres();
  if (fresh) {
    if (mode !== 'demo') throw new Plain('--fresh is for the demo only: it throws everything away.');
    const old = await startCluster(folder);
    old.kill();
    rmSync(folder, { recursive: true, force: true });
  }
  const starting = startCluster(folder);
  // Whoever is told to stop while the database gets up waits for that, and stops it.
  ends.push(() => starting.then((c) => c.end()).catch(() => {}));
  const cluster = await starting;
  return { ownerUrl: cluster.ownerUrl('postgres'), keys: cluster.keys, base: 'stavewright', cluster };
}

const notUsable = (told) => {
  const why =
    /password authentication|ECONNREFUSED|ENOTFOUND|does not exist|permission denied[^\n]*|must be (?:superuser|owner)[^\n]*|[^\n]*more than the app needs[^\n]*/i.exec(
      told,
    )?.[0];
  return new Plain(
    why
      ? `The database at DATABASE_URL cannot be used: ${why}. Its user must own the database and may create roles.`
      : `The database could not be prepared.\n${told.trim()}`,
  );
};

/** Brings the database to the present shape and, for the demo, fills it. */
const prepare = (env) =>
  new Promise((resolve, reject) => {
    const source = ['--import', 'tsx', path.join(project, 'scripts/prepare-database.ts')];
    const built = [path.join(project, 'dist/server/prepare/database.mjs')];
    const child = spawn(process.execPath, mode === 'dev' ? source : built, {
      cwd: project,
      stdio: ['ignore', 'inherit', 'pipe'],
      env: {
        ...env,
        ...(mode === 'demo' ? { DEMO: '1' } : {}),
        ...(process.argv.includes('--standings') ? { STANDINGS: '1' } : {}),
      },
    });
    ended(child);
    let told = '';
    child.stderr.on('data', (text) => (told += text));
    child.once('close', (status) => {
      if (status === 0 || stopping) resolve();
      else if (process.env.DATABASE_URL) reject(notUsable(told));
      else if (/No space left/.test(told))
        reject(
          new Plain(
            'The disk is full, so the database cannot be prepared. Nothing is lost; make some room and start again.',
          ),
        );
      else reject(new Plain(`The database could not be prepared.\n${told.trim()}`));
    });
  });

/** Starts the database again whenever it has fallen. It is never given up: a full disk may have room in a minute. */
function keepDatabase(cluster) {
  let pid = cluster.pid;
  let current = cluster;
  let falls = 0;
  let nextTry = 0;
  let busy = false;
  let saidLast = '';
  const alive = () => {
    try {
      process.kill(pid, 0);
      return true;
    } catch (error) {
      return error.code === 'EPERM';
    }
  };
  const look = async () => {
    if (stopping || busy || Date.now() < nextTry || alive()) return;
    busy = true;
    falls += 1;
    if (falls === 1) say('The database has fallen; it is started again. Nothing is lost.');
    try {
      const again = await startCluster(folder);
      if (stopping) return again.end();
      [current, pid] = [again, again.pid];
      say('The database is up again.');
      [falls, saidLast] = [0, ''];
    } catch (error) {
      if (error.message !== saidLast) say(error.message);
      saidLast = error.message;
      nextTry = Date.now() + pauseAfter(falls + 1);
    }
    busy = false;
  };
  const timer = setInterval(() => void look(), LOOK_EVERY);
  ends.push(() => {
    clearInterval(timer);
    current.end();
  });
}

await asProgram(async () => {
  if (!['demo', 'start', 'dev'].includes(mode)) throw new Plain(`There is no "${mode}". Say demo, start or dev.`);
  if (!(port >= 0 && port < 65536)) throw new Plain(`PORT=${process.env.PORT} is no port number.`);
  ensurePackages();
  await clearTheWay();
  await portIsFree();
  const command = named(process.pid);
  writeRunning(folder, { command, port, server: null });
  ends.push(() => forgetRunning(folder));
  try {
    await serve(command);
  } catch (error) {
    if (stopping) return;
    stopping = true;
    for (const end of ends.reverse()) await end();
    throw error;
  }
});

async function serve(command) {
  const db = await database();
  if (db.cluster) keepDatabase(db.cluster);
  const role = (name) => `${db.base}_${name}`;
  const as = (name, password) => {
    const url = new URL(db.ownerUrl);
    url.username = role(name);
    url.password = password;
    return url.href;
  };
  const env = {
    ...process.env,
    OWNER_URL: db.ownerUrl,
    APP_ROLE: role('app'),
    APP_PASSWORD: db.keys.app,
    AUTH_ROLE: role('auth'),
    AUTH_PASSWORD: db.keys.auth,
    APP_DATABASE_URL: as('app', db.keys.app),
    AUTH_DATABASE_URL: as('auth', db.keys.auth),
    SESSION_SECRET: db.keys.session,
    ASTRO_TELEMETRY_DISABLED: '1',
    HOST: host,
    PORT: String(port),
  };
  delete env.DEMO;
  if (mode !== 'dev') {
    const { buildIfStale } = await import('./build.mjs');
    await buildIfStale(ended);
    if (stopping) return;
  }
  await prepare(env);
  delete env.OWNER_URL;
  delete env.DATABASE_URL;
  if (mode === 'dev') {
    const astro = spawn(process.execPath, ['node_modules/.bin/astro', 'dev', '--host', host, '--port', String(port)], {
      cwd: project,
      stdio: 'inherit',
      env,
    });
    ended(astro).once('exit', (code) => void stop(code ?? 0));
    return;
  }
  if (stopping) return;
  let greeted = false;
  let current = null;
  const kept = keepUp({
    begin: () => {
      const server = fork(path.join(project, 'scripts/serve.mjs'), { cwd: project, env, stdio: 'inherit' });
      server.once('spawn', () => {
        const who = named(server.pid);
        writeRunning(folder, { command, port, server: who });
        current = who;
      });
      return server;
    },
    ready: () => {
      if (greeted) say('The server is up again.');
      else void greet();
      greeted = true;
    },
    fell: ({ code, signal, pause }) =>
      say(
        `The server fell (${signal ?? `code ${code}`})${signal === 'SIGABRT' || code === 134 ? ', most likely for want of memory' : ''}. It is started again in ${pause / 1000} s; what was acknowledged is kept.`,
      ),
    gaveUp: (code) => {
      say('The server does not get up. What it said stands above; nothing was lost.');
      void stop(code === 0 ? 1 : code);
    },
  });
  ends.push(async () => {
    kept.stop();
    if (current) await endProcess(current);
  });
}

async function greet() {
  say(`\nStavewright is open at ${address}`);
  if (mode !== 'demo') {
    say('The first visit sets up the school. Ctrl+C closes it; everything is kept.\n');
    return;
  }
  const { DEMO_SIGN_INS, DEMO_PASSWORD } = await import('./demo-sign-ins.mjs');
  say('\nSign in as');
  for (const s of DEMO_SIGN_INS) say(`  ${s.role.padEnd(18)} ${s.email.padEnd(34)} ${s.name}`);
  say(
    `each with the password  ${DEMO_PASSWORD}\n\nCtrl+C closes it; what you entered is kept. npm run demo -- --fresh starts over.\n`,
  );
}
