import type { Block, BlockItem } from '../tonight/plan';
import type { PlainDate } from '../units/plainDate';
import { owned } from './owned';
import { countStates, pieceState, type Thing, type ThingServes } from './thing';

/** Somebody who is expected, as far as equipment asks. */
export interface ThingUser {
  /** Place of the belt in the order, the lowest 0. */
  rank: number;
  /** In whole years; null: not known, and then too young for whatever has an age. */
  age: number | null;
  /** Whether they may strike what is hard today: old enough, agreed to, and not every limb stopped; left out: they may. */
  strikes?: boolean;
}

/** What a block of a class takes out: what for, from when, and for whom. */
export interface ThingNeed {
  blockId: string;
  block: string;
  /** Minutes after midnight. */
  at: number;
  serves: ThingServes;
  /** Place of the lowest belt that works at it; who is below does something else meanwhile. */
  fromRank: number;
}

/**
 * What a class takes out, block by block. `takes` says what an item in a condition takes, and from which belt on it is
 * worked at; contact from the rung on at which the school wears gloves takes gloves.
 */
export function takenOut(
  blocks: readonly (Pick<Block, 'id' | 'name' | 'items' | 'pairs'> & { at: number })[],
  takes: (item: BlockItem) => readonly { serves: ThingServes; fromRank: number }[],
  glovesFrom: number,
): ThingNeed[] {
  return blocks.flatMap((b) => {
    const from = new Map<ThingServes, number>();
    const add = (serves: ThingServes, rank: number) => from.set(serves, Math.min(rank, from.get(serves) ?? Infinity));
    for (const { serves, fromRank } of b.items.flatMap((i) => takes(i))) add(serves, fromRank);
    if (b.pairs?.kind === 'contact' && b.pairs.rung >= glovesFrom) add('gloves', 0);
    if (b.pairs?.kind === 'holding' && !from.has('target') && !from.has('pads')) add('pads', 0);
    return [...from].map(([serves, fromRank]) => ({ blockId: b.id, block: b.name, at: b.at, serves, fromRank }));
  });
}

/** Who may use a thing: old enough, of the belt or above it, and at a post only who may strike. `rankOf` gives the place of a belt. */
export const mayUse = (
  t: Pick<Thing, 'fromAge' | 'fromRankId' | 'serves'>,
  u: ThingUser,
  rankOf: (id: string) => number,
): boolean =>
  (t.serves !== 'striking post' || u.strikes !== false) &&
  (t.fromAge === null || (u.age !== null && u.age >= t.fromAge)) &&
  (t.fromRankId === null || u.rank >= rankOf(t.fromRankId));

/** A kind of the store as a class asks for it: who may use it, how many of it there are, and how many of these are sound. */
export interface OnTheShelf extends Pick<Thing, 'serves' | 'fromAge' | 'fromRankId' | 'people'> {
  id: string;
  all: number;
  sound: number;
}

/** What stands on the shelf on a day. */
export const onTheShelf = (t: { id: string } & Thing, today: PlainDate): OnTheShelf => ({
  id: t.id,
  serves: t.serves,
  fromAge: t.fromAge,
  fromRankId: t.fromRankId,
  people: t.people,
  all: t.pieces.length,
  sound: countStates(t, today).sound,
});

/** How a need stands with one thing that serves it. */
export interface NeedAt {
  need: ThingNeed;
  thingId: string;
  /** Who may use it, and how many of it they want. */
  people: number;
  wanted: number;
  /** So many of the wanted are sound and in their place. */
  there: number;
}

/**
 * Whether there is enough. As many people as can be find a thing that serves the need and is theirs to use: who finds it
 * taken has somebody move on to another that is theirs as well (augmenting paths, Kuhn 1955), so that nobody goes without
 * while things could be handed round. Who may use none of them takes none. Whoever found none is missed where the most
 * share one, and then where there are the most.
 */
export function enoughFor(
  things: readonly OnTheShelf[],
  needs: readonly ThingNeed[],
  people: readonly ThingUser[],
  rankOf: (id: string) => number,
): NeedAt[] {
  return needs.flatMap((need) => {
    const serving = things
      .filter((t) => t.serves === need.serves)
      .map((t) => ({ t, room: t.sound * t.people, users: new Set<ThingUser>(), without: 0 }));
    const seat = (u: ThingUser, tried: Set<object>): boolean => {
      for (const s of serving) {
        if (tried.has(s) || !mayUse(s.t, u, rankOf)) continue;
        tried.add(s);
        const one = s.users.size < s.room ? null : [...s.users].find((other) => seat(other, tried));
        if (one === undefined) continue;
        if (one) s.users.delete(one);
        s.users.add(u);
        return true;
      }
      return false;
    };
    for (const u of people) {
      if (u.rank < need.fromRank || seat(u, new Set())) continue;
      const may = serving.filter((s) => mayUse(s.t, u, rankOf));
      const at = may.sort((a, b) => b.t.people - a.t.people || b.t.all - a.t.all)[0];
      if (at) at.without += 1;
    }
    return serving
      .map(({ t, users, without }): NeedAt => {
        const there = Math.ceil(users.size / t.people);
        const people = users.size + without;
        return { need, thingId: t.id, people, wanted: Math.ceil(people / t.people), there };
      })
      .filter((r) => r.people > 0);
  });
}

/** By how many pieces a need is short. */
export const shortBy = (n: NeedAt): number => Math.max(0, n.wanted - n.there);

/** What would end a shortage of a thing, the quickest first. */
export type StoreHelp =
  | { help: 'check'; pieceIds: readonly string[]; since: PlainDate }
  | { help: 'ask'; pieceId: string; to: string; until: PlainDate | null }
  | { help: 'mend'; pieceIds: readonly string[] }
  | { help: 'share'; people: number };

/** Looking over what is due, asking back what is lent, mending, or sharing what there is. */
export function storeHelps(t: Thing, n: NeedAt, today: PlainDate): StoreHelp[] {
  const short = shortBy(n);
  if (short === 0) return [];
  const of = (state: string) => t.pieces.filter((p) => pieceState(p, today) === state);
  const due = of('due').slice(0, short);
  const since = due.map((p) => p.checkBy!).sort()[0];
  return [
    ...(since ? [{ help: 'check' as const, pieceIds: due.map((p) => p.id), since }] : []),
    ...of('lent')
      .slice(0, short)
      .map((p) => ({ help: 'ask' as const, pieceId: p.id, to: p.lent!.to, until: p.lent!.until })),
    ...(of('to mend').length > 0
      ? [
          {
            help: 'mend' as const,
            pieceIds: of('to mend')
              .slice(0, short)
              .map((p) => p.id),
          },
        ]
      : []),
    ...(n.there > 0 ? [{ help: 'share' as const, people: Math.ceil(n.people / n.there) }] : []),
  ];
}

/**
 * What the hall owns as it is today: gear and weapons that conditions and work take are there while one of them is sound;
 * see `owned`.
 */
export const ownedNow = (
  owns: readonly string[] | null,
  things: readonly Thing[],
  today: PlainDate,
): readonly string[] | null =>
  things.length === 0
    ? owns
    : owned(
        owns,
        things.filter((t) => t.pieces.some((p) => pieceState(p, today) === 'sound')),
        true,
      );

/** How many sound pieces serve each kind of work. */
export function soundFor(things: readonly Thing[], today: PlainDate): Map<ThingServes, number> {
  const n = new Map<ThingServes, number>();
  for (const t of things) {
    if (t.serves === null) continue;
    n.set(t.serves, (n.get(t.serves) ?? 0) + countStates(t, today).sound);
  }
  return n;
}
