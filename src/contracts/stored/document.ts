import * as v from 'valibot';
import { isPlain } from './throughout';

/**
 * A document that is kept whole: in a column, in a file or on a device. What was written years ago opens as if it were
 * written today, and what is published is never rewritten for it.
 */
export interface StoredDocument<T> {
  /** What it is called where it cannot be opened. */
  readonly name: string;
  /** The version that is written today; 1 the first, which bears no number. */
  readonly version: number;
  readonly shape: v.GenericSchema<unknown, T>;
  /** Brings what was kept, of whatever version, to today's shape. Throws `NotOurs` where it cannot. */
  upgrade(raw: unknown): T;
  /** The same where the version stands apart from the document, as on a device. */
  upgradeFrom(version: unknown, body: unknown): T;
  /** As it is kept: today's version is written into it. */
  keep(value: T): unknown;
}

/** What was kept cannot be opened by this program. */
export class NotOurs extends Error {}

/** A list bears its version in a wrapping of its own. */
const isWrapped = (raw: unknown): raw is { version: unknown; list: unknown[] } =>
  isPlain(raw) && Array.isArray(raw['list']) && 'version' in raw;

/**
 * `steps[0]` brings version 1 to 2, and so on: a new field is one more step, and a sample of the version before stays in
 * `samples/`. A document of the first version is written without a number; a list, from the second on, as
 * `{version, list}`.
 */
export function storedDocument<T>(
  name: string,
  shape: v.GenericSchema<unknown, T>,
  steps: readonly ((before: never) => unknown)[] = [],
): StoredDocument<T> {
  const today = steps.length + 1;
  const upgradeFrom = (said: unknown, body: unknown): T => {
    if (typeof said !== 'number' || !Number.isInteger(said) || said < 1)
      throw new NotOurs(`This ${name} does not say its version.`);
    if (said > today) throw new NotOurs(`This ${name} is of a later kind (${said}); open it with a newer Stavewright.`);
    return steps.slice(said - 1).reduce((now: unknown, step) => step(now as never), body) as T;
  };
  return {
    name,
    version: today,
    shape,
    upgradeFrom,
    upgrade(raw) {
      if (!isPlain(raw) || !('version' in raw)) return upgradeFrom(1, raw);
      const { version, ...rest } = raw;
      return upgradeFrom(version ?? 1, isWrapped(raw) ? raw.list : rest);
    },
    keep: (value) =>
      today === 1 ? value : Array.isArray(value) ? { version: today, list: value } : { version: today, ...value },
  };
}
