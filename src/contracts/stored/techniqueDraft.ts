import * as v from 'valibot';
import type { TechniqueInput } from '../technique';
import { storedDocument } from './document';
import { ceilingWithKind } from './technique';

/** A technique as it is being typed on a device: what it began from, of which version, and what stands there now. */
export interface TechniqueDraft {
  /** Null: it was kept before that was known; what stands now is meant. */
  was: TechniqueInput | null;
  version: number | null;
  now: TechniqueInput;
}

type Typed = { detail?: object | undefined };
const withKind = <T extends Typed>(t: T): T => (t.detail ? { ...t, detail: ceilingWithKind(t.detail) } : t);
/** Once only what was typed was kept; then also what it began from. */
const firstToSecond = (first: { was?: Typed; version?: number; now?: Typed } & Typed) =>
  first.now
    ? { was: first.was ? withKind(first.was) : null, version: first.version ?? null, now: withKind(first.now) }
    : { was: null, version: null, now: withKind(first) };

const typed = v.looseObject({ id: v.string(), name: v.string(), points: v.array(v.unknown()) });
export const storedTechniqueDraft = storedDocument<TechniqueDraft>(
  'draft',
  // Half-typed, so nothing is checked but that it is one.
  v.object({ was: v.nullable(typed), version: v.nullable(v.number()), now: typed }) as never,
  [firstToSecond],
);
