import { afterAll, vi } from 'vitest';

// Files run in one world, one after the other: what one of them put in the place of the browser's is gone after it. Who was
// watched goes first, or else what stood there while it was watched would be put back afterwards.
afterAll(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});
