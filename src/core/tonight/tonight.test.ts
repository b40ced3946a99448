import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  backwards,
  beginRun,
  blockTimes,
  EMPTY_BLOCK,
  fittedTo,
  inserted,
  laterRun,
  lengthened,
  mayGive,
  moved,
  onwards,
  overBy,
  PATTERNS,
  plannedMinutes,
  removed,
  resized,
  standsAt,
  stopOrGo,
  whoGives,
  type Block,
  type ClassPlan,
  type Run,
} from '.';

const block = (id: string, minutes: number, more: Partial<Block> = {}): Block => ({
  ...EMPTY_BLOCK,
  id,
  name: id,
  minutes,
  ...more,
});

/** 18:30 to 20:00: 5 + 10 + 20 + 20 + 15 + 15 + 5. */
const plan: ClassPlan = {
  starts: 18 * 60 + 30,
  minutes: 90,
  blocks: [
    block('bow', 5, { pinned: true }),
    block('warm', 10),
    block('basics', 20),
    block('forms', 20),
    block('partner', 15),
    block('staff', 15),
    block('close', 5, { pinned: true }),
  ],
};
const T0 = Date.UTC(2026, 2, 12, 18, 30);
const MINUTE = 60_000;
const begun = beginRun(plan, T0, T0 + 90 * MINUTE);
const at = (minutes: number) => T0 + minutes * MINUTE;

describe('a plan', () => {
  it('adds up, and says when each block begins', () => {
    expect(overBy(plan)).toBe(0);
    expect(blockTimes(plan).map((t) => t.from)).toEqual([1110, 1115, 1125, 1145, 1165, 1180, 1195]);
    expect(overBy(resized(plan, 'forms', 10))).toBe(10);
    expect(overBy(removed(plan, 'staff'))).toBe(-15);
  });

  it('is moved, cut and put together without losing a block', () => {
    expect(moved(plan, 'staff', 1).blocks.map((b) => b.id)).toEqual([
      'bow',
      'staff',
      'warm',
      'basics',
      'forms',
      'partner',
      'close',
    ]);
    expect(inserted(plan, block('new', 5), 0).blocks[0]!.id).toBe('new');
    expect(resized(plan, 'bow', -20).blocks[0]!.minutes).toBe(1);
  });

  it('gives from what is longest, never from what is pinned, and never so that nothing is left worth beginning', () => {
    expect(mayGive(plan.blocks, 4).map((b) => b.id)).toEqual(['basics', 'forms', 'partner', 'staff', 'warm']);
    expect(mayGive(plan.blocks, 13).map((b) => b.id)).toEqual(['basics', 'forms']);
  });

  it('is fitted to any length in whole minutes that add up, pinned ones as they are', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ minutes: fc.integer({ min: 1, max: 60 }), pinned: fc.boolean() }), { minLength: 1 }),
        fc.integer({ min: 5, max: 240 }),
        (list, minutes) => {
          const blocks = list.map((b, i) => block(`b${i}`, b.minutes, { pinned: b.pinned }));
          const fit = fittedTo(blocks, minutes);
          const pinned = plannedMinutes(blocks.filter((b) => b.pinned));
          const free = blocks.filter((b) => !b.pinned).length;
          expect(fit.filter((b) => b.pinned)).toEqual(blocks.filter((b) => b.pinned));
          if (free > 0 && minutes - pinned >= free) expect(plannedMinutes(fit)).toBe(minutes);
          expect(Math.min(...fit.map((b) => b.minutes))).toBeGreaterThanOrEqual(1);
        },
      ),
    );
  });

  it('begins with any of the kept patterns, in the evening’s length', () => {
    for (const p of PATTERNS) {
      const blocks = p.blocks.map((b, i) => ({ ...b, id: `${i}` }));
      expect([p.id, plannedMinutes(blocks)]).toEqual([p.id, 90]);
      expect([p.id, plannedMinutes(fittedTo(blocks, 60))]).toEqual([p.id, 60]);
      // Where it lands there is a caution.
      for (const b of blocks) if (b.pairs?.kind === 'contact') expect(b.caution).not.toBe('');
    }
  });
});

describe('an evening by the clock', () => {
  it('says what is left of the block and when all is over', () => {
    const s = standsAt(plan, begun, at(2));
    expect([s.block?.id, s.next?.id, s.left, s.of, s.late]).toEqual(['bow', 'warm', 180, 300, 0]);
    expect(s.eveningEnds).toBe(at(90));
  });

  it('counts minutes over, says who could give them, and ends in time when they are given', () => {
    let run = onwards(plan, onwards(plan, begun, at(5)), at(15));
    // Basics were to be over at 35; at 39 the forms begin.
    run = onwards(plan, run, at(39));
    const late = standsAt(plan, run, at(41));
    expect([late.block?.id, late.late, late.left]).toEqual(['forms', 4, 18 * 60]);
    expect(whoGives(plan, run, 4).map((b) => b.id)).toEqual(['partner', 'staff']);
    run = lengthened(plan, run, 'staff', -4, at(41));
    expect(standsAt(plan, run, at(41)).late).toBe(0);
    expect(standsAt(plan, run, at(41)).times.find((t) => t.block.id === 'staff')).toMatchObject({
      from: at(74),
      to: at(85),
    });
  });

  it('stands while it is stopped, and goes on with the same second', () => {
    const stopped = stopOrGo(begun, at(2));
    expect(standsAt(plan, stopped, at(4)).left).toBe(180);
    expect(standsAt(plan, stopped, at(4)).late).toBe(2);
    const goes = stopOrGo(stopped, at(4));
    expect(standsAt(plan, goes, at(5)).left).toBe(120);
  });

  it('skips, goes back, and is over after the last', () => {
    const skipped = onwards(plan, onwards(plan, begun, at(5)), at(5), true);
    expect(skipped.spent.at(-1)).toMatchObject({ block: 'warm', skipped: true, from: at(5), to: at(5) });
    expect(backwards(skipped)).toMatchObject({ block: 'warm', since: at(5) });
    let run: Run = begun;
    for (let i = 0; i < 7; i += 1) run = onwards(plan, run, at(10 * i));
    expect(standsAt(plan, run, at(70))).toMatchObject({ block: null, left: 0, eveningEnds: at(60) });
    expect(onwards(plan, run, at(80))).toBe(run);
  });

  it('follows blocks that come and go while it runs', () => {
    const more = inserted(plan, block('guest', 10), 2);
    const run = onwards(plan, begun, at(5));
    expect(standsAt(more, run, at(6))).toMatchObject({ next: { id: 'guest' }, late: 10 });
    expect(standsAt(removed(plan, 'basics'), run, at(6)).next?.id).toBe('forms');
  });

  type Step = { does: 'on' | 'skip' | 'back' | 'stop' | 'longer' | 'shorter'; after: number };
  const steps = fc.array(
    fc.record({
      does: fc.constantFrom<Step['does'][]>('on', 'skip', 'back', 'stop', 'longer', 'shorter'),
      after: fc.integer({ min: 0, max: 20 * MINUTE }),
    }),
    { maxLength: 25 },
  );
  const go = (list: readonly Step[]) => {
    let [run, now]: [Run, number] = [begun, T0];
    for (const s of list) {
      now += s.after;
      run = {
        on: () => onwards(plan, run, now),
        skip: () => onwards(plan, run, now, true),
        back: () => backwards(run),
        stop: () => stopOrGo(run, now),
        longer: () => lengthened(plan, run, run.block ?? 'forms', 2, now),
        shorter: () => lengthened(plan, run, run.block ?? 'forms', -2, now),
      }[s.does]();
    }
    return { run, now };
  };

  it('is the same second of the same block after it was written down and read again', () => {
    fc.assert(
      fc.property(steps, fc.integer({ min: 0, max: MINUTE }), (list, later) => {
        const { run, now } = go(list);
        const again = JSON.parse(JSON.stringify(run)) as Run;
        expect(standsAt(plan, again, now + later)).toEqual(standsAt(plan, run, now + later));
      }),
    );
  });

  it('never loses a block or runs one twice, and its times never run backwards', () => {
    fc.assert(
      fc.property(steps, (list) => {
        const { run, now } = go(list);
        const s = standsAt(plan, run, now);
        const been = run.spent.map((x) => x.block);
        expect(new Set(been).size).toBe(been.length);
        if (run.block !== null) expect(been).not.toContain(run.block);
        if (s.block) expect(s.times.map((t) => t.block.id).sort()).toEqual(plan.blocks.map((b) => b.id).sort());
        for (const t of s.times) expect(t.to).toBeGreaterThanOrEqual(t.from);
        expect(s.left).toBeLessThanOrEqual(s.of);
      }),
    );
  });

  it('is as the device says that has seen more', () => {
    const on = onwards(plan, begun, at(5));
    expect(laterRun(begun, on)).toBe(on);
    expect(laterRun(on, begun)).toBe(on);
    expect(laterRun(null, begun)).toBe(begun);
    expect(laterRun(null, null)).toBeNull();
  });
});
