import { seeded } from '../units/random';
import { WORST } from './fit';
import { pairKey, type Pairing, type PairingAround, type PairingPerson, type PairWork } from './model';
import { matched, possiblePairs, takingPart, withThirds, type Possible } from './pairUp';

/** Up to so many who take part every way of pairing is gone through. */
const FEW = 8;
/** So often rounds are begun anew, with other small differences, where somebody met twice. */
const TRIES = 24;

type Mates = readonly number[];

/** What the next rounds are to know of this one: who met, a third both others, who was odd, and who was first. */
function counted(around: PairingAround, { pairs, alone }: Pairing): PairingAround {
  const met = new Map(around.met);
  const odd = new Map(around.odd);
  const first = new Map(around.first);
  const one = (map: Map<string, number>, key: string) => map.set(key, (map.get(key) ?? 0) + 1);
  for (const p of pairs) {
    one(met, pairKey(p.a, p.b));
    one(first, p.first);
    if (p.c === null) continue;
    one(met, pairKey(p.a, p.c));
    one(met, pairKey(p.b, p.c));
    one(odd, p.c);
  }
  for (const u of alone) if (u.why === 'odd') one(odd, u.id);
  return { ...around, met, odd, first };
}

/** How many pairs met before, over all rounds. */
function repeats(rounds: readonly Mates[], part: readonly PairingPerson[], met: ReadonlyMap<string, number>): number {
  const seen = new Map(met);
  let again = 0;
  for (const mates of rounds)
    mates.forEach((j, i) => {
      if (j <= i) return;
      const key = pairKey(part[i]!.id, part[j]!.id);
      if (seen.get(key)) again += 1;
      seen.set(key, (seen.get(key) ?? 0) + 1);
    });
  return again;
}

/** All ways to pair as many as in `size` pairs, for a few; the cheapest first. */
function allMatchings(n: number, possible: readonly Possible[], size: number): { mates: number[]; cost: number }[] {
  const of = Array.from({ length: n }, (_, i) => possible.filter((p) => p.i === i));
  const found: { mates: number[]; cost: number }[] = [];
  const mates = new Array<number>(n).fill(-1);
  const go = (i: number, made: number, cost: number, left: number) => {
    if (made + Math.floor(left / 2) < size) return;
    if (i === n) {
      if (made === size) found.push({ mates: [...mates], cost });
      return;
    }
    if (mates[i] !== -1) return go(i + 1, made, cost, left);
    for (const p of of[i]!) {
      if (mates[p.j] !== -1) continue;
      [mates[i], mates[p.j]] = [p.j, i];
      go(i + 1, made + 1, cost + p.cost - (p.tied ? 100 * WORST : 0), left - 2);
      [mates[i], mates[p.j]] = [-1, -1];
    }
    go(i + 1, made, cost, left - 1);
  };
  go(0, 0, 0, n);
  return found.sort((a, b) => a.cost - b.cost);
}

/** The least repeats that a few can have over so many rounds, tried from none upwards; the cheapest first round first. */
function fewestRepeats(
  ways: readonly { mates: number[] }[],
  part: readonly PairingPerson[],
  rounds: number,
  met: ReadonlyMap<string, number>,
  below: number,
): Mates[] | null {
  const n = part.length;
  const key = (i: number, j: number) => i * n + j;
  const times = new Array<number>(n * n).fill(0);
  for (let i = 0; i < n; i += 1)
    for (let j = i + 1; j < n; j += 1) times[key(i, j)] = met.get(pairKey(part[i]!.id, part[j]!.id)) ?? 0;
  const pairsOf = ways.map((w) => w.mates.flatMap((j, i) => (j > i ? [key(i, j)] : [])));
  for (let allowed = 0; allowed < below; allowed += 1) {
    const chosen: number[] = [];
    let steps = 0;
    const go = (left: number): boolean => {
      if (chosen.length === rounds) return true;
      for (let w = 0; w < ways.length; w += 1) {
        if ((steps += 1) > 200_000) return false;
        const again = pairsOf[w]!.filter((k) => times[k]! > 0).length;
        if (again > left) continue;
        for (const k of pairsOf[w]!) times[k]! += 1;
        chosen.push(w);
        if (go(left - again)) return true;
        chosen.pop();
        for (const k of pairsOf[w]!) times[k]! -= 1;
      }
      return false;
    };
    if (go(allowed)) return chosen.map((w) => ways[w]!.mates);
    for (const w of chosen) for (const k of pairsOf[w]!) times[k]! -= 1;
  }
  return null;
}

function roundByRound(
  part: readonly PairingPerson[],
  possible: readonly Possible[],
  work: PairWork,
  around: PairingAround,
  rounds: number,
  nudge: (p: Possible) => number,
): Mates[] {
  let now = around;
  return Array.from({ length: rounds }, () => {
    const mates = matched(part, possible, now, nudge);
    now = counted(now, withThirds(part, mates, work, now));
    return mates;
  });
}

/**
 * Rounds of an evening: in each as many pairs as there can be, and over all of them as few who meet again as is possible:
 * for a few by trying every way, for many by beginning anew until nobody does or patience ends. The odd one changes in turn,
 * and so does who is first.
 */
export function pairRounds(
  people: readonly PairingPerson[],
  work: PairWork,
  around: PairingAround,
  rounds: number,
): Pairing[] {
  const { part, out } = takingPart(people, work);
  const possible = possiblePairs(part, work, around);
  let best = roundByRound(part, possible, work, around, rounds, () => 0);
  let least = repeats(best, part, around.met);
  if (least > 0 && part.length <= FEW) {
    const size = best[0]!.filter((j) => j >= 0).length / 2;
    const ways = allMatchings(part.length, possible, size);
    best = fewestRepeats(ways, part, rounds, around.met, least) ?? best;
    least = 0;
  }
  const chance = seeded(part.length * 31 + rounds);
  for (let t = 0; t < TRIES && least > 0 && part.length > FEW; t += 1) {
    const noise = new Map(possible.map((p) => [p, Math.floor(chance() * 4000)]));
    const tried = roundByRound(part, possible, work, around, rounds, (p) => noise.get(p)!);
    const again = repeats(tried, part, around.met);
    if (again < least) [best, least] = [tried, again];
  }
  let now = around;
  return best.map((mates) => {
    const { pairs, alone } = withThirds(part, mates, work, now);
    now = counted(now, { pairs, alone });
    return { pairs, alone: [...out, ...alone] };
  });
}
