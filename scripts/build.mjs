// Builds the app if its sources have changed since the last build: Astro, the service worker, compressed copies.
import { createHash } from 'node:crypto';
import { cpSync, existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { asProgram, project, runAside, say } from './machine.mjs';

const PREPARE = 'scripts/prepare-database.ts';

function* files(folder) {
  for (const name of readdirSync(folder).sort()) {
    const at = path.join(folder, name);
    if (statSync(at).isDirectory()) yield* files(at);
    else yield at;
  }
}

function fingerprint() {
  const hash = createHash('sha256');
  const tops = ['src', 'public'].map((d) => path.join(project, d)).filter((d) => existsSync(d));
  const all = [
    ...tops.flatMap((d) => [...files(d)]),
    ...['package-lock.json', 'astro.config.mjs', 'scripts/build.mjs', PREPARE].map((f) => path.join(project, f)),
  ];
  for (const f of all) if (!/\.test\.tsx?$/.test(f)) hash.update(f.slice(project.length)).update(readFileSync(f));
  return hash.digest('hex');
}

/** What runs beside the server, each one file with the packages beside it: its threads, and what prepares its database. */
async function buildBeside() {
  const { build } = await import('esbuild');
  for (const [source, made] of [
    ['src/server/jobs/thread.ts', 'jobs/thread.mjs'],
    [PREPARE, 'prepare/database.mjs'],
  ])
    await build({
      entryPoints: [path.join(project, source)],
      bundle: true,
      format: 'esm',
      platform: 'node',
      packages: 'external',
      target: 'node20',
      outfile: path.join(project, 'dist/server', made),
      tsconfigRaw: {},
    });
  // It reads these beside itself, as its sources do.
  for (const folder of ['migrations', 'demo/hall'])
    cpSync(path.join(project, 'src/data', folder), path.join(project, 'dist/server/prepare', path.basename(folder)), {
      recursive: true,
    });
}

async function buildServiceWorker() {
  const { build } = await import('esbuild');
  const { injectManifest } = await import('workbox-build');
  const source = path.join(project, 'dist/client/.sw-source.js');
  await build({
    entryPoints: [path.join(project, 'src/workers/serviceWorker.ts')],
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    outfile: source,
    define: { 'process.env.NODE_ENV': '"production"' },
    tsconfigRaw: {},
  });
  await injectManifest({
    swSrc: source,
    swDest: path.join(project, 'dist/client/sw.js'),
    globDirectory: path.join(project, 'dist/client'),
    globPatterns: ['_astro/**/*.{js,css}', '_astro/*-latin-*normal*.woff2'],
    // What finds a body in a picture is kept by whoever measures by one.
    globIgnores: ['_astro/pose-*.js'],
    modifyURLPrefix: { '': '/' },
    dontCacheBustURLsMatching: /_astro\//,
    maximumFileSizeToCacheInBytes: 5_000_000,
  });
  rmSync(source);
}

function compress() {
  for (const f of files(path.join(project, 'dist/client'))) {
    if (!/\.(js|css|html|svg|json|webmanifest)$/.test(f)) continue;
    const bytes = readFileSync(f);
    if (bytes.length < 1024) continue;
    writeFileSync(`${f}.gz`, gzipSync(bytes, { level: 9 }));
    writeFileSync(`${f}.br`, brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }));
  }
}

/** Builds unless dist/ is of these very sources; `started` is given the program that does it, so that it can be ended. */
export async function buildIfStale(started) {
  const stamp = path.join(project, 'dist', '.fingerprint');
  const now = fingerprint();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say('Building (about half a minute)…');
  rmSync(path.join(project, 'dist'), { recursive: true, force: true });
  await runAside(process.execPath, ['node_modules/astro/astro.js', 'build', '--silent'], {
    started,
    env: { ...process.env, NODE_ENV: 'production', ASTRO_TELEMETRY_DISABLED: '1' },
  });
  await buildBeside();
  await buildServiceWorker();
  compress();
  writeFileSync(stamp, now);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await asProgram(buildIfStale);
