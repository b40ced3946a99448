import { EventEmitter } from 'node:events';
import { describe, expect, it } from 'vitest';
import { keepUp, pauseAfter, STOOD_AFTER, TRIES } from './supervise.mjs';

/** A clock that only moves when told, and children that fall when told. */
function stage() {
  let time = 0;
  const children: EventEmitter[] = [];
  const said: string[] = [];
  const pauses: number[] = [];
  let resume: (() => void) | null = null;
  const kept = keepUp({
    begin: () => {
      const child = new EventEmitter();
      children.push(child);
      return child;
    },
    ready: () => said.push('ready'),
    fell: ({ pause }: { pause: number }) => pauses.push(pause),
    gaveUp: (code: number) => said.push(`gave up ${code}`),
    wait: () => new Promise<void>((resolve) => (resume = resolve)),
    now: () => time,
  });
  return {
    said,
    pauses,
    children,
    kept,
    stand: (ms: number) => {
      children.at(-1)!.emit('message', 'listening');
      time += ms;
    },
    async fall(code: number) {
      children.at(-1)!.emit('exit', code, null);
      resume?.();
      await Promise.resolve();
      await Promise.resolve();
    },
  };
}

describe('keeping a server up', () => {
  it('waits longer each time it falls quickly, and begins small again when it has stood', async () => {
    const s = stage();
    for (let i = 0; i < 3; i += 1) {
      s.stand(10);
      await s.fall(1);
    }
    s.stand(STOOD_AFTER);
    await s.fall(1);
    expect(s.pauses).toEqual([500, 1000, 2000, 500]);
    expect(s.children).toHaveLength(5);
    expect(pauseAfter(50)).toBe(30_000);
  });

  it('gives up what never got ready', async () => {
    const s = stage();
    for (let i = 0; i < TRIES; i += 1) await s.fall(0);
    expect(s.children).toHaveLength(TRIES);
    expect(s.said).toEqual(['gave up 0']);
  });

  it('never gives up one that gets ready again, and starts nothing once it is told to stop', async () => {
    const s = stage();
    for (let i = 0; i < 3 * TRIES; i += 1) {
      s.stand(10);
      await s.fall(1);
    }
    expect(s.children).toHaveLength(3 * TRIES + 1);
    s.kept.stop();
    await s.fall(1);
    expect(s.children).toHaveLength(3 * TRIES + 1);
  });
});
