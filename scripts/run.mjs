// npm run demo · npm start · npm run dev: sees to packages, PostgreSQL and the build, then serves.
import { fork, spawn, spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { asProgram, ensurePackages, ensurePostgres, Plain, project, say } from './machine.mjs';

const mode = process.argv[2] ?? 'start';
const fresh = process.argv.includes('--fresh');
const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4310);

/** A taken port is said before anything else is started. */
const portIsFree = () =>
  new Promise((resolve, reject) => {
    const probe = net.createServer();
    probe.once('error', (e) =>
      reject(
        new Plain(
          e.code === 'EADDRINUSE'
            ? `Port ${port} is taken by another program. Choose another: PORT=${port + 90} npm run ${mode === 'start' ? 'start' : mode}`
            : e.code === 'EACCES'
              ? `This user may not open port ${port}. Choose one above 1023: PORT=4400 npm run ${mode}`
              : `The address ${host}:${port} cannot be used: ${e.message}`,
        ),
      ),
    );
    probe.listen(port, host, () => probe.close(resolve));
  });

async function database() {
  const { clusterFolder, keptKeys, startCluster } = await import('./postgres.mjs');
  if (process.env.DATABASE_URL) {
    const url = new URL(process.env.DATABASE_URL);
    const keys = keptKeys();
    const base = decodeURIComponent(url.pathname.slice(1)).replace(/\W/g, '_') || 'stavewright';
    if (fresh)
      throw new Plain(
        'With DATABASE_URL nothing is thrown away for you: empty that database yourself, then start again without --fresh.',
      );
    return { ownerUrl: url.href, keys, base, stop: () => {} };
  }
  ensurePostgres();
  const folder = clusterFolder(mode === 'demo' ? 'demo' : 'school');
  if (fresh) {
    if (mode !== 'demo') throw new Plain('--fresh is for the demo only: it throws everything away.');
    const old = await startCluster(folder);
    old.kill();
    rmSync(folder, { recursive: true, force: true });
  }
  const cluster = await startCluster(folder);
  return { ownerUrl: cluster.ownerUrl('postgres'), keys: cluster.keys, base: 'stavewright', stop: cluster.stop };
}

await asProgram(async () => {
  if (!['demo', 'start', 'dev'].includes(mode)) throw new Plain(`There is no "${mode}". Say demo, start or dev.`);
  if (!(port >= 0 && port < 65536)) throw new Plain(`PORT=${process.env.PORT} is no port number.`);
  await portIsFree();
  ensurePackages();
  const db = await database();
  let stopping = false;
  const stop = (code) => {
    if (stopping) return;
    stopping = true;
    server?.kill('SIGTERM');
    const end = () => {
      db.stop();
      process.exit(code);
    };
    if (server && server.exitCode === null) {
      server.once('exit', end);
      setTimeout(end, 4000).unref();
    } else end();
  };
  let server = null;
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stop(0));
  try {
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
    const prepared = spawnSync(
      process.execPath,
      ['--import', 'tsx', path.join(project, 'scripts/prepare-database.ts')],
      {
        cwd: project,
        stdio: ['ignore', 'inherit', 'pipe'],
        encoding: 'utf8',
        env: { ...env, ...(mode === 'demo' ? { DEMO: '1' } : {}) },
      },
    );
    if (prepared.status !== 0) {
      const told = prepared.stderr ?? '';
      const why =
        /password authentication|ECONNREFUSED|does not exist|permission denied[^\n]*|must be (?:superuser|owner)[^\n]*/i.exec(
          told,
        )?.[0];
      throw new Plain(
        process.env.DATABASE_URL && why
          ? `The database at DATABASE_URL cannot be used: ${why}. Its user must own the database and may create roles.`
          : `The database could not be prepared.\n${told}`,
      );
    }
    delete env.OWNER_URL;
    if (mode === 'dev') {
      server = spawn(process.execPath, ['node_modules/.bin/astro', 'dev', '--host', host, '--port', String(port)], {
        cwd: project,
        stdio: 'inherit',
        env,
      });
    } else {
      const { buildIfStale } = await import('./build.mjs');
      await buildIfStale();
      server = fork(path.join(project, 'scripts/serve.mjs'), { cwd: project, env, stdio: 'inherit' });
      await new Promise((resolve) => {
        server.once('message', resolve);
        server.once('exit', resolve);
      });
      if (server.exitCode === null) await greet();
    }
    server.once('exit', (code) => stop(code ?? 0));
    if (server.exitCode !== null) stop(server.exitCode);
  } catch (error) {
    db.stop();
    throw error;
  }
});

async function greet() {
  say(`\nStavewright is open at http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`);
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
