import { seeded } from '../../units/random';
import { NOTHING_AROUND, pairKey, type PairingAround, type PairingPerson, type PairWork } from '../model';

/** Somebody of middling size and age who agrees to everything. */
export const person = (id: string, more: Partial<PairingPerson> = {}): PairingPerson => ({
  id,
  rank: 2,
  age: 30,
  stature: 172,
  mass: 70,
  rung: 4,
  minor: (more.age ?? 30) < 18,
  rests: false,
  answers: true,
  household: null,
  ...more,
});

export const work = (more: Partial<PairWork> = {}): PairWork => ({ kind: 'contact', rung: 2, answers: false, ...more });

export const around = (more: Partial<PairingAround> = {}): PairingAround => ({
  today: '2026-03-12',
  ...NOTHING_AROUND,
  ...more,
});

/** A hall of people as they come: all ages, some who refuse, rest, have said nothing, or are kept apart. */
export function hallOf(seed: number, size: number): { people: PairingPerson[]; with: PairingAround; work: PairWork } {
  const chance = seeded(seed);
  const one = (n: number) => Math.floor(chance() * n);
  const people = Array.from({ length: size }, (_, i) => {
    const age = chance() < 0.05 ? null : 7 + one(60);
    return person(`p${String(i).padStart(2, '0')}`, {
      rank: one(7),
      age,
      minor: age === null || age < 18,
      stature: chance() < 0.2 ? null : 120 + one(75),
      mass: chance() < 0.3 ? null : 25 + one(80),
      rung: ([null, 0, 1, 2, 3, 4] as const)[one(6)]!,
      rests: chance() < 0.05,
      answers: chance() < 0.6,
      household: chance() < 0.2 ? `h${one(4)}` : null,
    });
  });
  const some = (n: number) =>
    Array.from({ length: n }, () => [people[one(size)]!.id, people[one(size)]!.id] as const).filter(
      ([a, b]) => a !== b,
    );
  const keys = (n: number) => new Set(some(n).map(([a, b]) => pairKey(a, b)));
  return {
    people,
    work: {
      kind: (['drill', 'contact', 'holding'] as const)[one(3)]!,
      rung: one(5),
      answers: chance() < 0.3,
    },
    with: around({
      pins: some(2),
      apart: keys(3),
      wishes: keys(3),
      recent: new Map(some(8).map(([a, b]) => [pairKey(a, b), { times: 1 + one(4), last: '2026-03-05' }])),
      odd: new Map(people.slice(0, 5).map((p) => [p.id, one(3)])),
    }),
  };
}
