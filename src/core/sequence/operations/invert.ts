import * as v from 'valibot';
import { fold } from '../../units/fold';
import { ok } from '../../units/result';
import { otherZone } from '../../units/zone';
import { listInWords } from '../../words/speak';
import { mapActions, mapSteps, type Action, type ActionKind, type Sequence } from '../move';
import { kindInName, NO_WORDS } from '../notation/vocabulary';
import type { OperationKind } from './kind';
import { nameNow } from './named';

export const INVERSIONS = ['lead and rear', 'hands and feet', 'inside and outside', 'high and low'] as const;
export type Inversion = (typeof INVERSIONS)[number];

/** Two techniques that stand for each other under an inversion, with their kinds. */
export type InversionPair = readonly [Named, Named];
export interface Named {
  name: string;
  kind: ActionKind;
}
const named = (name: string): Named => ({ name, kind: kindInName(name, NO_WORDS)! });
const pairs = (...list: [string, string][]): InversionPair[] => list.map(([a, b]) => [named(a), named(b)]);

/** What stands for what where the school has not said otherwise: common practice, no source. */
export const COMMON_PAIRS: Readonly<Record<Inversion, readonly InversionPair[]>> = {
  'lead and rear': pairs(['lead punch', 'reverse punch']),
  'hands and feet': pairs(
    ['punch', 'front kick'],
    ['hook punch', 'roundhouse kick'],
    ['elbow strike', 'knee strike'],
    ['backfist strike', 'back kick'],
    ['edge of hand strike', 'side kick'],
  ),
  'inside and outside': pairs(['inner block', 'outer block'], ['inner check', 'outer check']),
  'high and low': pairs(['rising block', 'low block'], ['high punch', 'low punch'], ['high kick', 'low kick']),
};

/**
 * Inverts one quality of every action; each inversion done twice gives the start.
 * - lead and rear: the other limb acts, the feet stay as they are, and paired names change over;
 * - hands and feet: a hand technique becomes the kick paired with it, and the other way round;
 * - inside and outside: the path and the paired names change over;
 * - high and low: upper becomes lower, the middle stays, paired names change over.
 *
 * `own` replaces the common pairs. A name may stand in one pair only; a second pair with it is not used.
 */
export function invert(seq: Sequence, what: Inversion, own: readonly InversionPair[] = COMMON_PAIRS[what]): Sequence {
  const partner = new Map<string, Named>();
  for (const [a, b] of own) {
    const [x, y] = [fold(a.name), fold(b.name)];
    if (x === y || partner.has(x) || partner.has(y)) continue;
    partner.set(x, b);
    partner.set(y, a);
  }
  const change = (a: Action): Action => {
    const other = partner.get(fold(a.name));
    // Only an action of the pair's own kind changes over, so that the way back is the same.
    const self = other && partner.get(fold(other.name));
    const taken =
      other && self && self.kind === a.kind && self.name === a.name ? { name: other.name, kind: other.kind } : {};
    if (what === 'lead and rear')
      return { ...a, ...taken, side: a.side === 'left' ? 'right' : a.side === 'right' ? 'left' : a.side };
    if (what === 'hands and feet') return { ...a, ...taken };
    if (what === 'inside and outside')
      return {
        ...a,
        ...taken,
        path: a.path === 'inside' ? 'outside' : a.path === 'outside' ? 'inside' : null,
      };
    return { ...a, ...taken, zone: otherZone(a.zone) };
  };
  return { ...seq, moves: seq.moves.map((m) => mapSteps(m, (s) => mapActions(s, change))) };
}

export interface InvertOperation {
  op: 'invert';
  what: Inversion;
  /** Pairs of the school's own; none: common practice. */
  pairs?: readonly (readonly [string, string])[] | undefined;
}
export const invertKind: OperationKind<InvertOperation> = {
  op: 'invert',
  shape: ({ line }) =>
    v.object({
      op: v.literal('invert'),
      what: v.picklist(INVERSIONS),
      pairs: v.optional(v.pipe(v.array(v.tuple([line, line])), v.maxLength(50))),
    }),
  apply: (seq, o, { vocabulary }) => {
    const named = (name: string): Named => {
      const now = nameNow(name, vocabulary);
      return { name: now, kind: kindInName(now, vocabulary) ?? 'strike' };
    };
    return ok(
      invert(seq, o.what, o.pairs?.map(([a, b]): InversionPair => [named(a), named(b)]) ?? COMMON_PAIRS[o.what]),
    );
  },
  words: (o) => `${o.what} changed over`,
  effects: (o, before, _after, same, { vocabulary }) => {
    if (o.what === 'lead and rear' && !same) return [];
    const pairs = o.pairs ?? COMMON_PAIRS[o.what].map(([a, b]) => [a.name, b.name] as const);
    // A name stands for its technique in whatever language the pair was written.
    const nameOf = (name: string) => fold(vocabulary.find(name)?.name ?? name);
    const known = new Set(pairs.flat().map(nameOf));
    const names = [...new Set(before.moves.flatMap((m) => m.step.actions.map((a) => a.name)))];
    const alone = names.filter((n) => !known.has(nameOf(n)));
    if (alone.length === 0) return same ? ['changes nothing.'] : [];
    return [`${same ? 'changes nothing: it' : 'it'} knows no partner for ${listInWords(alone)}.`];
  },
};
