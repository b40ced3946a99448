import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

/** The files that a file names in its imports, also those that are there for types alone; by path from the root. */
function named(file: string, text: string, is: (file: string) => boolean): string[] {
  return ts
    .preProcessFile(text, true, true)
    .importedFiles.filter((i) => i.fileName.startsWith('.'))
    .map((i) => path.join(path.dirname(file), i.fileName))
    .flatMap((at) => [`${at}.ts`, `${at}.tsx`, `${at}/index.ts`, at].find(is) ?? []);
}

/** What is left of a house when every file goes that needs nothing left of it, or that nothing left of it needs. */
function roundAbout(needs: ReadonlyMap<string, readonly string[]>): string[] {
  let left = [...needs.keys()];
  for (;;) {
    const here = new Set(left);
    const needed = new Set(left.flatMap((f) => needs.get(f)!.filter((n) => n !== f)));
    const stays = left.filter((f) => needed.has(f) && needs.get(f)!.some((n) => n !== f && here.has(n)));
    if (stays.length === left.length) return stays.sort();
    left = stays;
  }
}

describe('no two files need each other', () => {
  it('in the whole house, whichever way round', () => {
    const files = readdirSync('src', { recursive: true, encoding: 'utf8' })
      .map((f) => `src/${f}`)
      .filter((f) => /\.tsx?$/.test(f));
    const all = new Set(files);
    const needs = new Map(files.map((f) => [f, named(f, readFileSync(f, 'utf8'), (n) => all.has(n))]));
    expect([...needs.values()].flat().length).toBeGreaterThan(files.length);
    expect(roundAbout(needs)).toEqual([]);
  });

  it('and a circle is found by its files, however long it is, without those that only lead to it', () => {
    const chain = { a: ['b'], b: ['c'], c: ['d'], d: [], alone: [] };
    const found = (more: Record<string, string[]>) => roundAbout(new Map(Object.entries({ ...chain, ...more })));
    expect(found({})).toEqual([]);
    expect(found({ d: ['b'] })).toEqual(['b', 'c', 'd']);
    expect(found({ d: ['d'] })).toEqual([]);
    expect(found({ x: ['y'], y: ['x'], d: ['a'] })).toEqual(['a', 'b', 'c', 'd', 'x', 'y']);
  });

  it('and imports are read in every way they are written, none out of a text or a comment', () => {
    const text = `import type { A } from './a'; export * from './b'; const c = await import('./c'); import './d.css';
      // import './e'
      const said = "import './f'";`;
    const at = (f: string) => ['x/a.ts', 'x/b/index.ts', 'x/c.tsx', 'x/e.ts', 'x/f.ts'].includes(f);
    expect(named('x/here.ts', text, at)).toEqual(['x/a.ts', 'x/b/index.ts', 'x/c.tsx']);
  });
});
