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
  const named = (start: string) => files.filter((f) => f.startsWith(`${start}.`) && f.endsWith('.js'));
  const seen = new Set<string>();
  const follow = (file: string) => {
    if (seen.has(file)) return;
    seen.add(file);
    const text = readFileSync(path.join(folder, file), 'utf8');
    for (const m of text.matchAll(/(?:import|from)\s*["']\.\/([^"']+\.js)["']/g)) follow(m[1]!);
  };
  for (const file of [...named('Look'), ...named('client')]) follow(file);
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
