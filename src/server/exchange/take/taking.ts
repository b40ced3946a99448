import type { CommandName } from '../../../contracts/commands';
import type { BundleLine } from '../../../contracts/stored/bundle';
import { type Need } from '../../../core';

export type Mine = Extract<CommandName, `bundle.${string}`>;

export type Keep = 'file' | 'here';

export type Once = (what: BundleLine['what'], name: string) => boolean;

export const same = (a: unknown, b: unknown) => stable(a) === stable(b);

/** The same text for the same thing, whatever the order of its keys. */
const stable = (x: unknown): string =>
  JSON.stringify(x, (_, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );

export const onlyOnceEach = (needs: readonly Need[]): Need[] => [
  ...new Map(needs.map((n) => [`${n.of} ${n.on}`, n])).values(),
];
