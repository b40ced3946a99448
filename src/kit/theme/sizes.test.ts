import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { SPACE, tokensCss, TYPE } from './tokens';

const src = path.resolve(import.meta.dirname, '../..');
const sheets = readdirSync(src, { recursive: true, encoding: 'utf8' })
  .filter((f) => f.endsWith('.css'))
  .map((file) => ({ file, css: readFileSync(path.join(src, file), 'utf8') }));

/** What is sized by itself: seen across a hall, a letter within a drawing, or on paper. */
const OWN: Readonly<Record<string, readonly string[]>> = {
  'kit/mat/mat.css': ['46px'],
  'areas/grading/Check.css': ['40px'],
  'areas/grading/RunSheet.css': ['12px'],
  'areas/cycle/Cycle.css': ['13px', '13px', '11px'],
};

/** Sizes in pixels that a sheet gives to its type, without those that take the size of their place. */
const sizesIn = (css: string): string[] =>
  [...css.matchAll(/(?:font-size|font): ([^;}]*)/g)]
    .map(([, value]) => value!)
    .filter((value) => !/\b(?:min|max|clamp|calc)\(/.test(value))
    .flatMap((value) => /(?:^|\s)(\d+(?:\.\d+)?px)/.exec(value)?.[1] ?? []);

describe('one theme for desk and mat', () => {
  it('has six sizes of type from the largest down, each with room for its line, and five spaces up', () => {
    expect(TYPE).toHaveLength(6);
    expect(SPACE).toHaveLength(5);
    expect(TYPE.map(([size]) => size)).toEqual([...TYPE.map(([size]) => size)].sort((a, b) => b - a));
    expect([...SPACE]).toEqual([...SPACE].sort((a, b) => a - b));
    for (const [size, line] of TYPE) expect(line / size).toBeGreaterThanOrEqual(1.15);
    for (const n of [1, 2, 3, 4, 5, 6]) expect(tokensCss).toContain(`--type-${n}:`);
    for (const n of [1, 2, 3, 4, 5]) expect(tokensCss).toContain(`--space-${n}:`);
  });

  it('finds a size that a sheet gives itself', () => {
    expect(sizesIn('a{font-size: 17px}b{font: 600 17.5px/22px var(--serif)}')).toEqual(['17px', '17.5px']);
    expect(sizesIn('a{font-size: var(--size-4)}b{font: 600 var(--type-2) var(--serif)}c{font: inherit}')).toEqual([]);
    expect(sizesIn('a{font-size: min(30px, 9cqh)}')).toEqual([]);
  });

  it.each(sheets)('$file takes its sizes from it', ({ file, css }) => {
    expect(sizesIn(css)).toEqual(OWN[file] ?? []);
  });

  it.each(sheets)('$file sets things apart by its spaces', ({ css }) => {
    const gaps = [...css.matchAll(/(?:row-|column-)?gap: ([^;}]*)/g)].flatMap(([, value]) => value!.split(/\s+/));
    // Two things that touch (1 to 3) and halls that stand far apart (40 and more) are none of the five.
    for (const gap of gaps)
      expect(gap).toMatch(/^(?:0|[123]px|[4-9]\dpx|var\(--space-[1-5]\)|[\d.]+(?:mm|pt|em|ch|%))$/);
  });

  it('every size and space that a sheet names is there', () => {
    const named = new Set(sheets.flatMap(({ css }) => css.match(/--(?:size|type|space)-\d+/g) ?? []));
    for (const name of named) expect(tokensCss).toContain(`${name}:`);
  });
});
