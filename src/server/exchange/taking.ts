import type { BundleLine } from '../../contracts/stored/bundle';
import type { Transaction } from '../../data/connection';
import type { Who } from '../who';

/** Where the file and this school both have something and differ: which counts. */
export type Keep = 'file' | 'here';

/** A school that is being taken in: every part says line by line what became of it. */
export interface Taking {
  tx: Transaction;
  who: Who;
  keep: Keep;
  lines: BundleLine[];
  /** False, and said, where the file names something a second time. */
  once: (what: BundleLine['what'], name: string) => boolean;
  /** One more is done; throws where somebody stopped it. */
  step: () => void;
}

export const same = (a: unknown, b: unknown) => stable(a) === stable(b);

/** The same text for the same thing, whatever the order of its keys. */
const stable = (x: unknown): string =>
  JSON.stringify(x, (_, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );
