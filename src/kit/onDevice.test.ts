import * as v from 'valibot';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { storedDocument } from '../contracts/stored/document';
import { dropFromDevice, keepOnDevice, readFromDevice } from './onDevice';

const store = new Map<string, string>();
beforeEach(() => {
  store.clear();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, x: string) => void store.set(k, x),
    removeItem: (k: string) => void store.delete(k),
  });
});

const first = storedDocument('draft', v.object({ text: v.string(), version: v.number() }));
const second = storedDocument('draft', v.object({ text: v.string(), version: v.number(), note: v.string() }), [
  (old: { text: string; version: number }) => ({ ...old, note: '' }),
]);

describe('what is typed and not saved yet', () => {
  it('waits on the device under its key, with a version of its own inside', () => {
    keepOnDevice('a', first, { text: 'step L', version: 7 });
    expect(readFromDevice('a', first)).toEqual({ text: 'step L', version: 7 });
    expect(readFromDevice('b', first)).toBeNull();
    dropFromDevice('a');
    expect(readFromDevice('a', first)).toBeNull();
  });
  it('of an earlier release opens as it is written today', () => {
    keepOnDevice('a', first, { text: 'step L', version: 7 });
    expect(readFromDevice('a', second)).toEqual({ text: 'step L', version: 7, note: '' });
    // From before drafts bore a version at all.
    store.set('old', JSON.stringify({ text: 'step R', version: 3 }));
    expect(readFromDevice('old', second)).toEqual({ text: 'step R', version: 3, note: '' });
  });
  it('of a later release, or broken off, is nothing rather than an end of the page', () => {
    keepOnDevice('a', second, { text: 'step L', version: 7, note: 'n' });
    expect(readFromDevice('a', first)).toBeNull();
    store.set('b', '{"kept":1,"body":{"te');
    expect(readFromDevice('b', first)).toBeNull();
  });
  it('a store that is full or closed ends nothing', () => {
    const refuses = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    vi.stubGlobal('localStorage', { getItem: refuses, setItem: refuses, removeItem: refuses });
    expect(() => keepOnDevice('a', first, { text: 'x', version: 1 })).not.toThrow();
    expect(readFromDevice('a', first)).toBeNull();
    expect(() => dropFromDevice('a')).not.toThrow();
  });
});
