import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { STORED } from '.';
import { NotOurs, storedDocument } from './document';

const SAMPLES = path.join(import.meta.dirname, 'samples');
const sample = (file: string): unknown => JSON.parse(readFileSync(path.join(SAMPLES, file), 'utf8'));
const files = readdirSync(SAMPLES).map((file) => {
  const [name, version] = file.split('.');
  return { file, name: name!, version: Number(version) };
});

describe('what was kept', () => {
  it.each(files)('$file opens as it is written today', ({ file, name, version }) => {
    const document = STORED[name];
    if (!document) throw new Error(`There is no document called ${name}.`);
    const raw = sample(file);
    // On a device the version stands beside the draft, which has one of its own.
    const beside = name.endsWith('Draft');
    const opened = beside ? document.upgradeFrom(version, raw) : document.upgrade(raw);
    const read = v.safeParse(document.shape, opened);
    expect(read.issues?.map((i) => `${v.getDotPath(i)}: ${i.message}`)).toBeUndefined();
    const again = beside ? document.upgradeFrom(document.version, opened) : document.upgrade(document.keep(opened));
    expect(again).toEqual(opened);
  });

  it.each(Object.entries(STORED))('%s has a sample of every version there was', (name, document) => {
    const versions = files.filter((f) => f.name === name).map((f) => f.version);
    expect(versions.sort((a, b) => a - b)).toEqual(Array.from({ length: document.version }, (_, i) => i + 1));
  });
});

describe('a document with a history', () => {
  const shape = v.object({ name: v.string(), sides: v.number(), note: v.string() });
  const third = storedDocument('plan', shape, [
    (first: { name: string }) => ({ ...first, sides: 2 }),
    (second: { name: string; sides: number }) => ({ ...second, note: '' }),
  ]);
  it('takes the steps that are missing, and no others', () => {
    expect(third.upgrade({ name: 'a' })).toEqual({ name: 'a', sides: 2, note: '' });
    expect(third.upgrade({ version: 2, name: 'b', sides: 1 })).toEqual({ name: 'b', sides: 1, note: '' });
    expect(third.upgrade({ version: 3, name: 'c', sides: 1, note: 'x' })).toEqual({ name: 'c', sides: 1, note: 'x' });
  });
  it('writes its version into what it keeps', () => {
    expect(third.keep({ name: 'a', sides: 1, note: '' })).toEqual({ version: 3, name: 'a', sides: 1, note: '' });
  });
  it('wraps a list from its second version on, and opens it bare or wrapped', () => {
    const list = storedDocument('list', v.array(v.string()), [(first: number[]) => first.map(String)]);
    expect(list.upgrade([1, 2])).toEqual(['1', '2']);
    expect(list.keep(['1'])).toEqual({ version: 2, list: ['1'] });
    expect(list.upgrade(list.keep(['1', '2']))).toEqual(['1', '2']);
  });
  it.each([[{ version: 4, name: 'later' }], [{ version: 0 }], [{ version: 'two' }], [{ version: 1.5 }]])(
    'refuses %j and says why',
    (raw) => expect(() => third.upgrade(raw)).toThrow(NotOurs),
  );
});
