import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { around, hallOf, person, work } from './testing/builders';
import { matchAll, matchBest, type Edge } from './matching';
import { barBetween, pairKey, pairRounds, pairUp, type Pairing, type PairingPerson } from '.';

const names = (p: Pairing) => p.pairs.map((x) => [x.a, x.b, ...(x.c ? [x.c] : [])].sort().join(' ')).sort();
const whyOf = (p: Pairing, id: string) => p.alone.find((x) => x.id === id);

/** The best matching by trying every way: as many pairs as can be, then worth most. */
function byHand(edges: readonly Edge[]): { pairs: number; worth: number } {
  let best = { pairs: 0, worth: 0 };
  const go = (at: number, used: Set<number>, pairs: number, worth: number) => {
    if (pairs > best.pairs || (pairs === best.pairs && worth > best.worth)) best = { pairs, worth };
    for (let k = at; k < edges.length; k += 1) {
      const [i, j, w] = edges[k]!;
      if (!used.has(i) && !used.has(j)) go(k + 1, new Set([...used, i, j]), pairs + 1, worth + w);
    }
  };
  go(0, new Set(), 0, 0);
  return best;
}

/** The most that pairs can be worth together, by trying every way. */
function mostWorth(edges: readonly Edge[], at = 0, used: ReadonlySet<number> = new Set()): number {
  let best = 0;
  for (let k = at; k < edges.length; k += 1) {
    const [i, j, w] = edges[k]!;
    if (!used.has(i) && !used.has(j)) best = Math.max(best, w + mostWorth(edges, k + 1, new Set([...used, i, j])));
  }
  return best;
}

describe('the matching', () => {
  it('is as good as the best of all ways, on graphs of up to eight', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 8 }).chain((n) =>
          fc.record({
            n: fc.constant(n),
            worths: fc.array(fc.option(fc.integer({ min: 1, max: 60 })), {
              minLength: (n * (n - 1)) / 2,
              maxLength: (n * (n - 1)) / 2,
            }),
          }),
        ),
        ({ n, worths }) => {
          const edges: Edge[] = [];
          let k = 0;
          for (let i = 0; i < n; i += 1)
            for (let j = i + 1; j < n; j += 1) {
              const w = worths[k++];
              if (w !== null && w !== undefined) edges.push([i, j, w]);
            }
          const mates = matchAll(n, edges);
          mates.forEach((j, i) => j >= 0 && expect(mates[j]).toBe(i));
          const chosen = edges.filter(([i, j]) => mates[i] === j);
          const best = byHand(edges);
          // Where fewer may be better, it is worth at least as much, and never makes a pair that is worth nothing.
          const worths2 = edges.map(([i, j, w]): Edge => [i, j, w - 30]);
          const some = matchBest(n, worths2);
          const of = worths2.filter(([i, j]) => some[i] === j);
          expect(of.every((e) => e[2] > 0)).toBe(true);
          expect(of.reduce((sum, e) => sum + e[2], 0)).toBe(mostWorth(worths2));
          expect([chosen.length, chosen.reduce((sum, e) => sum + e[2], 0)]).toEqual([best.pairs, best.worth]);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('pairs', () => {
  it('go to the lower of the two rungs, never above what is asked', () => {
    const { pairs } = pairUp([person('Ilse', { rung: 2 }), person('Kofi', { rung: 3 })], work({ rung: 4 }), around());
    expect(pairs).toMatchObject([{ rung: 2 }]);
    expect(pairUp([person('a'), person('b')], work({ rung: 1 }), around()).pairs[0]!.rung).toBe(1);
  });

  it('leave out who refused, who said nothing and who rests, and say which', () => {
    const hall = [
      person('Saoirse', { rung: null }),
      person('Hana', { rung: 0 }),
      person('Anselm', { rests: true }),
      person('a'),
      person('b'),
    ];
    const found = pairUp(hall, work(), around());
    expect(names(found)).toEqual(['a b']);
    expect(found.alone).toEqual([
      { id: 'Saoirse', why: 'no consent' },
      { id: 'Hana', why: 'refused' },
      { id: 'Anselm', why: 'rests' },
    ]);
    // Where nothing lands nobody's yes is needed.
    expect(names(pairUp(hall, work({ kind: 'drill', rung: 0 }), around())).join(' ')).toContain('Saoirse');
  });

  it('keep apart who was said to be, also where a teacher tied them', () => {
    const apart = new Set([pairKey('a', 'b')]);
    const found = pairUp([person('a'), person('b')], work(), around({ apart, pins: [['a', 'b']] }));
    expect(found.pairs).toEqual([]);
    expect(whyOf(found, 'a')).toEqual({ id: 'a', why: 'nobody fits', between: [{ id: 'b', bar: 'kept apart' }] });
  });

  it('do not lay a child and an adult together where it lands, unless a teacher ties them, which is said', () => {
    const hall = [person('Tuva', { age: 11 }), person('Maren', { age: 40 })];
    expect(pairUp(hall, work({ rung: 2 }), around()).pairs).toEqual([]);
    expect(pairUp(hall, work({ rung: 1 }), around()).pairs).toHaveLength(1);
    const tied = pairUp(hall, work({ rung: 2 }), around({ pins: [['Tuva', 'Maren']] }));
    expect(tied.pairs[0]!.why).toContainEqual({ is: 'over a limit', bar: 'years' });
  });

  it('give a holder who weighs about as much as the kicker (common practice, no source)', () => {
    const hall = [
      person('light', { mass: 52 }),
      person('lighter', { mass: 48 }),
      person('heavy', { mass: 94 }),
      person('heavier', { mass: 101 }),
    ];
    expect(names(pairUp(hall, work({ kind: 'holding', rung: 0 }), around()))).toEqual([
      'heavier heavy',
      'light lighter',
    ]);
    expect(barBetween(hall[1]!, hall[3]!, work({ kind: 'holding', rung: 0 }), around())).toBe('mass');
  });

  it('let only who has the answers defend', () => {
    const free = work({ answers: true });
    const one = pairUp([person('new', { answers: false }), person('old')], free, around()).pairs[0]!;
    expect(one).toMatchObject({ onlyDefends: 'old', first: 'new' });
    const none = pairUp([person('a', { answers: false }), person('b', { answers: false })], free, around());
    expect(whyOf(none, 'a')).toMatchObject({ between: [{ id: 'b', bar: 'answers' }] });
  });

  it('follow a wish, keep one house apart, and do not lay the same two together week after week', () => {
    const four = ['a', 'b', 'c', 'd'].map((id) => person(id));
    expect(names(pairUp(four, work(), around({ wishes: new Set([pairKey('a', 'c')]) })))).toEqual(['a c', 'b d']);
    const house = four.map((p) => ({ ...p, household: 'ab'.includes(p.id) ? 'h' : null }));
    expect(names(pairUp(house, work(), around()))).not.toContain('a b');
    const recent = new Map([[pairKey('a', 'b'), { times: 3, last: '2026-03-05' }]]);
    expect(names(pairUp(four, work(), around({ recent })))).not.toContain('a b');
  });

  it('make a three of the odd one, in turn, and never where one of the three is kept apart', () => {
    const three = [person('a'), person('b'), person('c')];
    const odd = new Map([
      ['a', 1],
      ['b', 1],
    ]);
    expect(pairUp(three, work(), around({ odd })).pairs).toMatchObject([{ a: 'a', b: 'b', c: 'c' }]);
    const apart = new Set([pairKey('a', 'c')]);
    const found = pairUp(three, work(), around({ apart, odd: new Map([['b', 5]]) }));
    expect(found.pairs[0]!.c).toBeNull();
    expect(found.alone).toMatchObject([{ why: 'odd' }]);
  });

  it('of one, of nobody: nothing is made up', () => {
    expect(pairUp([], work(), around())).toEqual({ pairs: [], alone: [] });
    expect(pairUp([person('a')], work(), around())).toEqual({ pairs: [], alone: [{ id: 'a', why: 'odd' }] });
  });

  it('on every hall there is: nobody lost or doubled, never above a rung, never past a bar', () => {
    fc.assert(
      fc.property(fc.nat(1_000_000), fc.integer({ min: 1, max: 31 }), (seed, size) => {
        const { people, work: w, with: a } = hallOf(seed, size);
        const { pairs, alone } = pairUp(people, w, a);
        const all = [...pairs.flatMap((p) => [p.a, p.b, ...(p.c ? [p.c] : [])]), ...alone.map((x) => x.id)];
        expect([...all].sort()).toEqual(people.map((p) => p.id).sort());
        const of = (id: string) => people.find((p) => p.id === id)!;
        const tied = new Set(a.pins.map(([x, y]) => pairKey(x, y)));
        for (const p of pairs) {
          const three = [p.a, p.b, ...(p.c ? [p.c] : [])].map(of);
          expect(p.rung).toBe(Math.min(w.rung, ...three.map((x) => x.rung ?? 0)));
          for (const x of three) {
            expect(x.rests).toBe(false);
            if (w.rung > 0) expect(x.rung).toBeGreaterThan(0);
          }
          if (w.rung > 0) expect(p.rung).toBeGreaterThan(0);
          for (const [i, x] of three.entries())
            for (const y of three.slice(i + 1)) {
              const bar = barBetween(x, y, w, a);
              if (bar !== null)
                expect([tied.has(pairKey(x.id, y.id)), ['years', 'mass'].includes(bar)]).toEqual([true, true]);
            }
        }
      }),
      { numRuns: 150 },
    );
  });

  it('are not worse for who stands first in the list', () => {
    fc.assert(
      fc.property(fc.nat(1_000_000), fc.integer({ min: 2, max: 14 }), (seed, size) => {
        const { people, work: w, with: a } = hallOf(seed, size);
        const turned = pairUp([...people].reverse(), w, a);
        expect(turned.pairs).toHaveLength(pairUp(people, w, a).pairs.length);
      }),
      { numRuns: 60 },
    );
  });
});

/** The fewest repeats that any plan of rounds can have, by trying every one. */
function fewest(people: readonly PairingPerson[], rounds: number, apart: ReadonlySet<string>): number {
  const odd = people.length % 2 === 1;
  const ways: string[][] = [];
  const go = (left: number[], made: string[]) => {
    if (left.length < 2) return void ways.push(made);
    const [a, ...rest] = left;
    for (const b of rest) {
      const key = pairKey(people[a!]!.id, people[b]!.id);
      if (!apart.has(key))
        go(
          rest.filter((x) => x !== b),
          [...made, key],
        );
    }
    if (odd && left.length % 2 === 1) go(rest, made);
  };
  go([...people.keys()], []);
  const most = Math.max(...ways.map((w) => w.length));
  const full = ways.filter((w) => w.length === most);
  let best = Infinity;
  const plan = (round: number, met: ReadonlySet<string>, again: number) => {
    if (again >= best) return;
    if (round === rounds) return void (best = again);
    for (const w of full) plan(round + 1, new Set([...met, ...w]), again + w.filter((k) => met.has(k)).length);
  };
  plan(0, new Set(), 0);
  return best;
}

const repeatsOf = (rounds: readonly Pairing[]) => {
  const met = new Set<string>();
  let again = 0;
  for (const r of rounds)
    for (const p of r.pairs) {
      const key = pairKey(p.a, p.b);
      if (met.has(key)) again += 1;
      met.add(key);
    }
  return again;
};

describe('rounds', () => {
  const hall = (n: number) => Array.from({ length: n }, (_, i) => person(`p${String(i).padStart(2, '0')}`));

  it.each([
    [4, 3],
    [4, 4],
    [6, 5],
    [5, 5],
    [6, 3],
  ])('of %i people over %i rounds let as few meet again as any plan does', (n, rounds) => {
    const found = pairRounds(hall(n), work(), around(), rounds);
    expect(repeatsOf(found)).toBe(fewest(hall(n), rounds, new Set()));
  });

  it('do so with two who are kept apart', () => {
    const apart = new Set([pairKey('p00', 'p01'), pairKey('p02', 'p03')]);
    expect(repeatsOf(pairRounds(hall(6), work(), around({ apart }), 4))).toBe(fewest(hall(6), 4, apart));
  });

  it('of eight over seven rounds: everybody meets everybody once', () => {
    expect(repeatsOf(pairRounds(hall(8), work(), around(), 7))).toBe(0);
  });

  it('of up to sixty: nobody meets twice in eight rounds while each has more than so many others', () => {
    for (const n of [12, 20, 33, 60]) {
      const found = pairRounds(
        hall(n).map((p, i) => ({ ...p, rank: i % 7, age: 20 + (i % 30) })),
        work(),
        around(),
        8,
      );
      expect([n, repeatsOf(found)]).toEqual([n, 0]);
      for (const r of found) expect(r.pairs).toHaveLength(Math.floor(n / 2));
    }
  });

  it('change the odd one and who is first', () => {
    const found = pairRounds(hall(5), work(), around(), 5);
    expect(new Set(found.map((r) => r.pairs.find((p) => p.c)?.c)).size).toBe(5);
    const firsts = new Map<string, number>();
    for (const r of pairRounds(hall(6), work(), around(), 5))
      for (const p of r.pairs) firsts.set(p.first, (firsts.get(p.first) ?? 0) + 1);
    expect(Math.max(...firsts.values())).toBeLessThanOrEqual(3);
  });
});
