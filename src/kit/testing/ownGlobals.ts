import { afterAll, vi } from 'vitest';

// Files run in one world, one after the other: what one of them put in the place of the browser's is gone after it.
afterAll(() => {
  vi.unstubAllGlobals();
});
