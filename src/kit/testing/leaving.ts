import { vi } from 'vitest';

/** A stand-in for where the browser goes next: a page of the tests stays, and it is seen where it would have gone. */
export function leaving() {
  const assign = vi.fn();
  vi.stubGlobal('location', { ...window.location, assign });
  return assign;
}
