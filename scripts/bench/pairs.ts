// P11: pairs for sixty people on a tablet's processor, which is taken as four times as slow as this one.
import { pairUp } from '../../src/core';
import { hallOf, person, around, work } from '../../src/core/pairing/testing/builders';
import { median, quantile } from './timing';

const SIZE = 60;
const SLOWER = 4;
const GOAL_MS = 50;

export function benchPairs() {
  const took: number[] = [];
  for (let seed = 0; seed < 60; seed += 1) {
    // Half of the halls are as people come; in the other half everybody may work with everybody, which is the hardest.
    const hall =
      seed % 2 === 0
        ? hallOf(seed, SIZE)
        : {
            people: Array.from({ length: SIZE }, (_, i) =>
              person(`p${i}`, {
                rank: i % 7,
                age: 18 + ((i * 13) % 40),
                mass: 50 + ((i * 7) % 20),
                stature: 155 + ((i * 11) % 35),
              }),
            ),
            work: work(),
            with: around(),
          };
    const t = performance.now();
    pairUp(hall.people, hall.work, hall.with);
    took.push(performance.now() - t);
  }
  // The first ones warm the machine up.
  const ms = took.slice(10);
  const ratio = (SLOWER * quantile(ms, 0.95)) / GOAL_MS;
  return {
    id: 'P11',
    what: `pairs for ${SIZE}: median ${(SLOWER * median(ms)).toFixed(0)} ms, 19 of 20 within ${(SLOWER * quantile(ms, 0.95)).toFixed(0)} ms, slowed four times`,
    ratio,
    goal: '<= 1',
    ok: ratio <= 1,
  };
}
