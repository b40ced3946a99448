// P3: how much script the mat's page needs before it can be used.
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { project } from '../machine.mjs';

const GOAL = 200_000;

/** A built script with all that it imports at once; what is fetched later by need is left out. */
export function benchWeight() {
  const folder = path.join(project, 'dist/client/_astro');
  const files = readdirSync(folder);
  const server = path.join(project, 'dist/server');
  const manifest = readFileSync(
    path.join(
      server,
      readdirSync(server).find((f) => f.startsWith('manifest_'))!,
    ),
    'utf8',
  );
  // The page itself says which island it is made of; the build says which file that became.
  const page = readFileSync(path.join(project, 'src/pages/look.astro'), 'utf8');
  const island = /from '\.\.\/(areas\/look\/[^']+)'/.exec(page)?.[1];
  const built = new RegExp(`/src/${island}":"_astro/([^"]+)"`).exec(manifest)?.[1];
  if (!island || !built) throw new Error('The mat’s page has no island any more: what is weighed here?');
  const seen = new Set<string>();
  const follow = (file: string) => {
    if (seen.has(file)) return;
    seen.add(file);
    const text = readFileSync(path.join(folder, file), 'utf8');
    for (const m of text.matchAll(/(?:import|from)\s*["']\.\/([^"']+\.js)["']/g)) follow(m[1]!);
  };
  for (const file of [built, ...files.filter((f) => /^client\..*\.js$/.test(f))]) follow(file);
  let bytes = 0;
  for (const file of seen) bytes += gzipSync(readFileSync(path.join(folder, file))).length;
  return {
    id: 'P3',
    what: `script of the mat’s page: ${Math.round(bytes / 1000)} kB gzipped in ${seen.size} files, of ${GOAL / 1000} kB`,
    ratio: bytes / GOAL,
    goal: '<= 1',
    ok: bytes <= GOAL,
  };
}
