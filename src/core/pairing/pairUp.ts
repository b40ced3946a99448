import { barBetween, factsOf, illFit, mayBeTied, rungOf, standsOut, WORST } from './fit';
import { matchAll, type Edge } from './matching';
import { pairKey, type Pair, type Pairing, type PairingAround, type PairingPerson, type PairWork } from './model';

/** Meeting again tonight weighs more than all the fits of an evening, being tied more than that. */
const AGAIN = 100 * WORST;
const TIED = 100 * AGAIN;
/** Whose turn it is to be the odd one weighs more than any fit. */
const TURN = 2 * WORST;
const MOST_TURNS = 9;

/** Two who may work together, by their places, with how ill they fit. */
export interface Possible {
  i: number;
  j: number;
  cost: number;
  tied: boolean;
}

/** All who may work together among those that take part. What a teacher tied goes over limits of ours, never over consent. */
export function possiblePairs(people: readonly PairingPerson[], work: PairWork, around: PairingAround): Possible[] {
  const tied = new Set(around.pins.map(([a, b]) => pairKey(a, b)));
  const found: Possible[] = [];
  for (let i = 0; i < people.length; i += 1)
    for (let j = i + 1; j < people.length; j += 1) {
      const [a, b] = [people[i]!, people[j]!];
      const bar = barBetween(a, b, work, around);
      const pin = tied.has(pairKey(a.id, b.id));
      if (bar === null || (pin && mayBeTied(bar))) found.push({ i, j, cost: illFit(a, b, work, around), tied: pin });
    }
  return found;
}

/** What a pair is worth to the matching: a whole number, the higher the better. */
const worth = (cost: number, again: number, tied: boolean): number =>
  AGAIN * 10 - Math.min(9, again) * AGAIN - cost + (tied ? TIED : 0);

/** Who is first: whoever was so less often; only who has the answers defends. */
function roles(a: PairingPerson, b: PairingPerson, work: PairWork, around: PairingAround) {
  const onlyDefends = work.answers && a.answers !== b.answers ? (a.answers ? a.id : b.id) : null;
  if (onlyDefends !== null) return { onlyDefends, first: onlyDefends === a.id ? b.id : a.id };
  const [fa, fb] = [around.first.get(a.id) ?? 0, around.first.get(b.id) ?? 0];
  return { onlyDefends, first: fa < fb || (fa === fb && a.id < b.id) ? a.id : b.id };
}

/** A pair as it is said, whoever knows the belts better named first. */
export function pairOf(a: PairingPerson, b: PairingPerson, work: PairWork, around: PairingAround): Pair {
  const [x, y] = a.rank > b.rank || (a.rank === b.rank && a.id < b.id) ? [a, b] : [b, a];
  return {
    a: x.id,
    b: y.id,
    c: null,
    rung: rungOf([x, y], work),
    ...roles(x, y, work, around),
    why: factsOf(x, y, work, around),
  };
}

/** Who takes part, and who does not with why. */
export function takingPart(people: readonly PairingPerson[], work: PairWork) {
  const out: { id: string; why: 'rests' | 'refused' | 'no consent' }[] = [];
  const part: PairingPerson[] = [];
  for (const p of people) {
    const why = standsOut(p, work);
    if (why === null) part.push(p);
    else out.push({ id: p.id, why });
  }
  return { part, out };
}

/**
 * Whoever has nobody joins the pair that fits best as a third, where each may work with both of them at once; two pairs never
 * share one. Who cannot is named with what stands between, or as the odd one where anybody would have fitted.
 */
export function withThirds(
  part: readonly PairingPerson[],
  mates: readonly number[],
  work: PairWork,
  around: PairingAround,
): Pairing {
  const taken = new Set<number>();
  const pairs: Pair[] = [];
  const members: [number, number][] = [];
  mates.forEach((j, i) => {
    if (j < i) return;
    pairs.push(pairOf(part[i]!, part[j]!, work, around));
    members.push([i, j]);
    taken.add(i).add(j);
  });
  const free = (a: PairingPerson, b: PairingPerson) => barBetween(a, b, work, around) === null;
  const alone: Pairing['alone'][number][] = [];
  part.forEach((p, k) => {
    if (taken.has(k)) return;
    let best = -1;
    let least = Infinity;
    members.forEach(([i, j], at) => {
      const [a, b] = [part[i]!, part[j]!];
      // Three who take turns are each other's partners: who only attacks has nobody to defend in the third's turn.
      if (pairs[at]!.c !== null || !free(p, a) || !free(p, b)) return;
      const cost = illFit(p, a, work, around) + illFit(p, b, work, around);
      if (cost < least) [best, least] = [at, cost];
    });
    if (best >= 0) {
      const [i, j] = members[best]!;
      pairs[best] = { ...pairs[best]!, c: p.id, rung: rungOf([part[i]!, part[j]!, p], work) };
      return;
    }
    const others = part.filter((q) => q !== p);
    const between = others.flatMap((q) => {
      const bar = barBetween(p, q, work, around);
      return bar === null ? [] : [{ id: q.id, bar }];
    });
    alone.push(
      between.length < others.length || others.length === 0
        ? { id: p.id, why: 'odd' }
        : { id: p.id, why: 'nobody fits', between },
    );
  });
  return { pairs, alone };
}

/** The best matching of those that take part; where they are odd in number, whose turn it is has nobody. `nudge` in points. */
export function matched(
  part: readonly PairingPerson[],
  possible: readonly Possible[],
  around: Pick<PairingAround, 'met' | 'odd'>,
  nudge: (p: Possible) => number = () => 0,
): number[] {
  const edges: Edge[] = possible.map((p) => [
    p.i,
    p.j,
    worth(Math.min(WORST, p.cost + nudge(p)), around.met.get(pairKey(part[p.i]!.id, part[p.j]!.id)) ?? 0, p.tied),
  ]);
  const n = part.length;
  const oddOne = n % 2 === 1 && n > 1;
  // The odd one's partner is nobody: a place at the end that everybody could take.
  if (oddOne) {
    const turns = part.map((p) => around.odd.get(p.id) ?? 0);
    const least = Math.min(...turns);
    turns.forEach((t, i) => edges.push([i, n, worth(TURN * Math.min(MOST_TURNS, t - least), 0, false)]));
  }
  return matchAll(n + (oddOne ? 1 : 0), edges)
    .slice(0, n)
    .map((j) => (j < n ? j : -1));
}

/**
 * Who works with whom: as many pairs as consent, rest, and what keeps people apart allow, and of all such ways the one that
 * fits best (Edmonds' blossom). The lower rung rules. Who has nobody is named with why, or is a third; nobody is dropped.
 */
export function pairUp(people: readonly PairingPerson[], work: PairWork, around: PairingAround): Pairing {
  const { part, out } = takingPart(people, work);
  const mates = matched(part, possiblePairs(part, work, around), around);
  const { pairs, alone } = withThirds(part, mates, work, around);
  return { pairs, alone: [...out, ...alone] };
}
