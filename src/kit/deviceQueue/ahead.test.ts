import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Ahead } from './ahead';

describe('running ahead of a device', () => {
  it('a failed write loses nothing: later taps stand, and go over what the device really has', async () => {
    const wrote: [string, string | undefined][] = [];
    let full = false;
    const ahead = new Ahead<string, string>((_, value, over) => {
      if (full) return Promise.reject(new Error('no room'));
      wrote.push([value, over]);
      return Promise.resolve(value);
    });
    ahead.set('ilse', 'held');
    expect(await ahead.settled()).toBe(true);
    full = true;
    ahead.set('ilse', 'slipped');
    expect(await ahead.settled()).toBe(false);
    ahead.set('bram', 'held');
    expect(await ahead.settled()).toBe(false);
    expect([ahead.has('ilse'), ahead.latest('ilse'), ahead.latest('bram'), ahead.problem]).toEqual([
      'held',
      'slipped',
      'held',
      'no room',
    ]);
    full = false;
    expect(await ahead.settled()).toBe(true);
    expect(ahead.problem).toBe('');
    expect(wrote).toEqual([
      ['held', undefined],
      ['slipped', 'held'],
      ['held', undefined],
    ]);
  });

  it('is what a device without haste would have, whatever fails in between', async () => {
    const tap = fc.record({
      who: fc.constantFrom('a', 'b', 'c'),
      value: fc.nat(9),
      fails: fc.boolean(),
      waits: fc.boolean(),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(tap, { maxLength: 30 }), async (taps) => {
        const disk = new Map<string, number>();
        const naive = new Map<string, number>();
        let fails = false;
        const ahead = new Ahead<string, number>(async (key, value, over) => {
          await Promise.resolve();
          if (fails) throw new Error('no room');
          // Whatever is written knows what stands there.
          expect(over).toBe(disk.get(key));
          disk.set(key, value);
          return value;
        });
        for (const t of taps) {
          fails = t.fails;
          naive.set(t.who, t.value);
          ahead.set(t.who, t.value);
          expect(ahead.latest(t.who)).toBe(t.value);
          if (t.waits) await ahead.settled();
          for (const [key, value] of disk) expect(ahead.has(key)).toBe(value);
        }
        fails = false;
        expect(await ahead.settled()).toBe(true);
        expect(new Map(ahead.entries())).toEqual(naive);
        expect(disk).toEqual(naive);
      }),
    );
  });
});
