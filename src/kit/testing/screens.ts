import { cleanup, configure } from '@testing-library/react';
import 'fake-indexeddb/auto';
import * as React from 'react';
import { afterAll, afterEach, vi } from 'vitest';
import { layLabels } from './quickLabels';
import { plainStyles, quickStyles } from './quickStyles';

// No test asserts a time: what is waited for is bounded by the test's own limit, not by a second of a busy machine.
configure({ asyncUtilTimeout: 15_000 });

// jsdom draws nothing: screens are told that they are wide and that nothing moves.
window.matchMedia = (query) =>
  ({
    matches: false,
    media: query,
    onchange: null,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
    addListener: () => undefined,
    removeListener: () => undefined,
    dispatchEvent: () => false,
  }) satisfies MediaQueryList;
// Nor does it know locks; nobody else sends from here.
Object.defineProperty(navigator, 'locks', {
  configurable: true,
  value: { request: (_: string, __: object, work: (lock: object) => unknown) => Promise.resolve(work({})) },
});
// And it reads files by the older way only.
const readBy = <T>(blob: Blob, how: 'readAsText' | 'readAsArrayBuffer') =>
  new Promise<T>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as T);
    reader.onerror = () => reject(reader.error ?? new Error('not read'));
    reader[how](blob);
  });
Blob.prototype.text = function (this: Blob) {
  return readBy(this, 'readAsText');
};
Blob.prototype.arrayBuffer = function (this: Blob) {
  return readBy(this, 'readAsArrayBuffer');
};
// Nothing has a size, so none changes.
window.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
window.scrollTo = () => undefined;
Element.prototype.scrollTo = () => undefined;
// As newer browsers do it: what an effect gives back by accident is then seen.
Element.prototype.scrollIntoView = () => Promise.resolve() as unknown as undefined;

window.getComputedStyle = quickStyles(plainStyles());
layLabels();

afterEach(cleanup);

// Where a file's tests would have gone is not where the next file's begin: they share one document.
const { location } = window;
afterAll(() => {
  if (Object.getOwnPropertyDescriptor(window, 'location')?.configurable) vi.stubGlobal('location', location);
});

// React notes of every element where it was made, in case it has to warn of it: a third of the time of a screen's tests. It
// leaves that off by itself after ten thousand in one go; here it begins there. Its warnings still say what is wrong.
const inside: unknown = Object.entries(React).find(([name]) => name.startsWith('__CLIENT_INTERNALS'))?.[1];
if (inside && typeof inside === 'object' && 'recentlyCreatedOwnerStacks' in inside)
  Object.defineProperty(inside, 'recentlyCreatedOwnerStacks', {
    configurable: true,
    get: () => 10_000,
    set: () => {},
  });
