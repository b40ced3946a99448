import jstat from 'jstat';
import { describe, expect, it } from 'vitest';
import { seeded, type Random } from '../units/random';
import { againstTheCaller, decibels, hear, SILENCE, tempoOf } from './beats';

const mean = (all: readonly number[]) => jstat.mean(all);
const median = (all: readonly number[]) => jstat.median(all);
const EVERY = 5;
const normal = (random: Random) => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** A hall of so many decibels with hits at known times, each fading by 60 dB in `ring` seconds, with an echo after it. */
function aHall(
  hits: readonly number[],
  { hall, loud, ring, until, random }: { hall: number; loud: number; ring: number; until: number; random: Random },
) {
  const levels: { at: number; level: number }[] = [];
  for (let at = 0; at < until; at += EVERY) {
    let power = 10 ** ((hall + 2 * normal(random)) / 10);
    for (const h of hits)
      for (const [late, less] of [
        [0, 0],
        [70, 9],
      ] as const)
        if (at >= h + late) power += 10 ** ((loud - less - ((at - h - late) / 1000 / ring) * 60) / 10);
    levels.push({ at, level: 10 * Math.log10(power) });
  }
  return levels;
}
function heardIn(levels: readonly { at: number; level: number }[]): number[] {
  let state = SILENCE;
  const out: number[] = [];
  for (const { at, level } of levels) {
    const next = hear(state, level, at);
    state = next.state;
    if (next.hit) out.push(at);
  }
  return out;
}

describe('hits heard', () => {
  it('finds every hit once, to within one level, in quiet and loud halls', () => {
    const random = seeded(5);
    for (const hall of [-70, -55, -40])
      for (const above of [20, 30, 40])
        for (const ring of [0.15, 0.4]) {
          let at = 600;
          const hits = Array.from({ length: 24 }, () => (at += 420 + 700 * random()));
          const found = heardIn(aHall(hits, { hall, loud: hall + above, ring, until: at + 1500, random }));
          expect(found.length, `${hall} ${above} ${ring}`).toBe(hits.length);
          found.forEach((f, i) => expect(Math.abs(f - hits[i]!)).toBeLessThanOrEqual(EVERY));
        }
  });

  it('hears nothing where nothing is hit, and what does not stand out is not counted', () => {
    const random = seeded(6);
    expect(heardIn(aHall([], { hall: -50, loud: 0, ring: 0.2, until: 60_000, random }))).toEqual([]);
    expect(heardIn(aHall([2000, 4000], { hall: -40, loud: -36, ring: 0.2, until: 6000, random }))).toEqual([]);
  });

  it('a hall that grows loud by itself is not a row of hits', () => {
    const levels = Array.from({ length: 4000 }, (_, i) => ({ at: i * EVERY, level: -60 + (20 * i) / 4000 }));
    expect(heardIn(levels).length).toBeLessThanOrEqual(1);
  });

  it('sound that is cut for a moment is no hit when it comes back', () => {
    const random = seeded(7);
    const hits = [2000, 3000];
    const levels = aHall(hits, { hall: -50, loud: -20, ring: 0.2, until: 6000, random });
    const cut = levels.map((l) => (l.at >= 4000 && l.at < 4600 ? { ...l, level: -100 } : l));
    expect(heardIn(cut)).toHaveLength(hits.length);
  });

  it('decibels: a full wave’s root is nought, a tenth is twenty less', () => {
    expect(decibels(1)).toBeCloseTo(0, 9);
    expect(decibels(0.1)).toBeCloseTo(-20, 9);
    expect(decibels(0)).toBe(-100);
  });
});

describe('how evenly they come', () => {
  it('the middle is that of jstat; a slower end is a drift', () => {
    const random = seeded(9);
    let at = 0;
    const times = Array.from({ length: 31 }, () => (at += 400 + 200 * random()));
    const gaps = times.slice(1).map((t, i) => t - times[i]!);
    expect(tempoOf(times)!.between).toBeCloseTo(median(gaps), 9);
    expect(tempoOf(times)!.spread).toBeCloseTo(median(gaps.map((g) => Math.abs(g - median(gaps)))), 9);
    const slowing = Array.from({ length: 10 }, (_, i) => 500 * i + 20 * i * i);
    expect(tempoOf(slowing)!.drift).toBeGreaterThan(0.3);
    expect(tempoOf([0, 500, 1000, 1500])!.drift).toBeCloseTo(0, 9);
    expect(tempoOf([0, 500, 1000])).toBeNull();
  });

  it('against the caller: each count once, what belongs to none is said, what was missed too', () => {
    const called = [1000, 2000, 3000, 4000];
    expect(againstTheCaller(called, [1080, 2060, 2200, 4100])).toEqual({
      after: [80, 60, null, 100],
      lag: 80,
      beside: 1,
    });
    expect(againstTheCaller(called, [])).toEqual({ after: [null, null, null, null], lag: null, beside: 0 });
    expect(againstTheCaller([], [5])).toEqual({ after: [], lag: null, beside: 1 });
  });

  it('of generated forms the lag is that with which they were made', () => {
    const random = seeded(12);
    const called = Array.from({ length: 40 }, (_, i) => 1000 * i);
    const lags = called.map(() => 120 + 30 * normal(random));
    const found = againstTheCaller(
      called,
      called.map((c, i) => c + lags[i]!),
    );
    expect(found.after.every((a) => a !== null)).toBe(true);
    expect(found.lag!).toBeCloseTo(median(lags), 9);
    expect(Math.abs(found.lag! - mean(lags))).toBeLessThan(20);
  });
});
