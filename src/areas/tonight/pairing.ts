import type { CalledPair, LookKitView } from '../../contracts/views';
import {
  itemKey,
  NOTHING_AROUND,
  pairKey,
  pairRounds,
  restsWork,
  type Block,
  type PairingAround,
  type PairingPerson,
  type Pairing,
} from '../../core';
import type { KitStudent } from '../../kit/mat/line';

/** Whether the work of a block, or a thing in it, rests for somebody as a whole. */
function restsIn(block: Block, s: KitStudent): boolean {
  const named = block.items.some(({ item, conditionId }) => {
    const key = itemKey(item);
    const rest = s.rests[`${key}@${conditionId ?? ''}`] ?? s.rests[key];
    return rest !== undefined && rest.points === null;
  });
  if (named) return true;
  const work = {
    key: '',
    name: block.name,
    kind: 'partner drill',
    bodyParts: [],
    partner: true,
    impact: block.pairs?.kind === 'holding' ? (['hands', 'legs'] as const) : [],
  } as const;
  // A pause names its own item and rests nothing else.
  const resting = s.resting
    .filter((r) => !r.pause)
    .map((r) => ({ what: r.what, until: r.until, itemKey: null, ...(r.impact ? { impact: r.impact } : {}) }));
  return restsWork(work, resting) !== null;
}

/** Whether somebody has the answers of a block: what it works at was asked for a belt they wear, or holds already. */
function hasAnswers(kit: LookKitView, block: Block, s: KitStudent): boolean {
  const place = new Map(kit.ranks.map((r, i) => [r.id, i]));
  const mine = place.get(s.rankId) ?? 0;
  const keys = new Set(block.items.map((i) => itemKey(i.item)));
  const asked = kit.asked.filter((a) => (keys.size > 0 ? keys.has(a.itemKey) : a.group === 'Partner'));
  // Nothing is asked of anybody: whoever wears a second belt is taken to have them.
  if (asked.length === 0) return mine > 0;
  if (asked.some((a) => (place.get(a.rankId) ?? 0) <= mine)) return true;
  const next = asked.filter((a) => place.get(a.rankId) === mine + 1);
  return next.some((a) => s.worths.some((w) => kit.requirements[w.r]?.itemKey === a.itemKey && w.word === 'met'));
}

/** Those on the line as pairing sees them. */
export function pairingPeople(kit: LookKitView, block: Block, present: readonly KitStudent[]): PairingPerson[] {
  const place = new Map(kit.ranks.map((r, i) => [r.id, i]));
  return present.map((s) => ({
    id: s.id,
    rank: place.get(s.rankId) ?? 0,
    age: s.age,
    stature: s.stature ?? null,
    mass: s.mass ?? null,
    rung: s.rung,
    minor: s.minor,
    rests: restsIn(block, s),
    answers: hasAnswers(kit, block, s),
    household: s.household ?? null,
  }));
}

/** Rounds that were called tonight, by block and round. */
export type Called = Readonly<Record<string, readonly CalledPair[]>>;
export const calledKey = (blockId: string, round: number): string => `${blockId} ${round}`;

/** What is known of those present besides: what was said, the last weeks, and what was called tonight. */
export function pairingAround(
  kit: LookKitView,
  called: Called,
  pins: readonly (readonly [string, string])[],
): PairingAround {
  const known = kit.pairing;
  const met = new Map<string, number>();
  const odd = new Map(Object.entries(known?.odd ?? {}));
  const first = new Map(Object.entries(known?.first ?? {}));
  const one = (map: Map<string, number>, key: string) => map.set(key, (map.get(key) ?? 0) + 1);
  for (const pairs of Object.values(called))
    for (const p of pairs) {
      one(met, pairKey(p.a, p.b));
      one(first, p.first);
      if (p.c === null) continue;
      one(met, pairKey(p.a, p.c));
      one(met, pairKey(p.b, p.c));
      one(odd, p.c);
    }
  const keys = (list: readonly (readonly [string, string])[] | undefined) =>
    new Set((list ?? []).map(([a, b]) => pairKey(a, b)));
  return {
    ...NOTHING_AROUND,
    today: kit.today,
    pins,
    apart: keys(known?.apart),
    wishes: keys(known?.wishes),
    recent: new Map((known?.recent ?? []).map((r) => [pairKey(r.a, r.b), { times: r.times, last: r.last }])),
    met,
    odd,
    first,
  };
}

/** The rounds of a block that are still to come, over what was called before. */
export function roundsToCome(
  kit: LookKitView,
  block: Block,
  present: readonly KitStudent[],
  called: Called,
  pins: readonly (readonly [string, string])[],
): Pairing[] {
  if (block.pairs === null) return [];
  const been = Array.from({ length: block.pairs.rounds }, (_, i) => called[calledKey(block.id, i + 1)]).filter(
    (r) => r !== undefined,
  ).length;
  const work = { kind: block.pairs.kind, rung: block.pairs.rung, answers: block.pairs.answers };
  const people = pairingPeople(kit, block, present);
  return pairRounds(people, work, pairingAround(kit, called, pins), Math.max(1, block.pairs.rounds - been));
}
