import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { callTimeline, readSequence, type Call, type Pace, type Sequence } from '../../core';
import { NO_WORDS } from '../../core';
import { useCalling } from './useCalling';

const said: string[] = [];
vi.mock('./sound', () => ({
  say: (text: string) => said.push(text),
  hush: () => said.push('(hush)'),
  Tone: class {
    open() {}
    sound() {}
    silence() {}
  },
}));

const seq: Sequence = readSequence(
  'step L, front stance, low block L\nstepping punch R\nlow block R\npunch L',
  NO_WORDS,
).sequence;
const pace: Partial<Pace> = { secondsPerCount: 2, rounds: 1 };
const timeline = (() => {
  const made = callTimeline(seq, pace);
  if (!made.ok) throw new Error(made.error);
  return made.value;
})();

beforeEach(() => {
  said.length = 0;
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] });
});
afterEach(() => vi.useRealTimers());

const open = (voice = true) =>
  renderHook(() =>
    useCalling(seq, { voice, tone: false, wordsFor: (c: Call) => ({ say: `${c.kind} ${c.at}`, lang: 'en' }) }),
  );
const after = (seconds: number) =>
  act(() => {
    vi.advanceTimersByTime(seconds * 1000);
  });
const upTo = (seconds: number) => timeline.filter((c) => c.at <= seconds + 0.004).length - 1;

describe('calling by a clock', () => {
  it('says each call when it is due, and is over with the last', () => {
    const { result } = open();
    act(() => result.current.start(pace));
    expect(result.current.calling).toMatchObject({ state: 'running', at: upTo(0) });
    for (const c of timeline.slice(1)) {
      after(c.at - performance.now() / 1000 - 0.02);
      const before = result.current.calling.at;
      after(0.04);
      expect(result.current.calling.at).toBeGreaterThan(before);
    }
    expect(result.current.calling.state).toBe('over');
    expect(said).toEqual(timeline.map((c) => `${c.kind} ${c.at}`));
  });

  it('does not drift when a timer comes late: what was missed is passed over', () => {
    const { result } = open();
    act(() => result.current.start(pace));
    const late = timeline.at(-2)!.at;
    // A page that slept: the clock went on, the timers did not.
    act(() => {
      vi.setSystemTime(Date.now() + late * 1000);
      vi.advanceTimersByTime(late * 1000);
    });
    expect(result.current.calling.at).toBe(upTo(late));
  });

  it('is held and goes on where it was', () => {
    const { result } = open();
    act(() => result.current.start(pace));
    after(timeline[1]!.at + 0.5);
    const at = result.current.calling.at;
    act(() => result.current.hold());
    expect(result.current.calling.state).toBe('held');
    after(60);
    expect(result.current.calling.at).toBe(at);
    act(() => result.current.hold());
    expect(result.current.calling).toMatchObject({ state: 'running', at });
    after(timeline[at + 1]!.at - timeline[at]!.at);
    expect(result.current.calling.at).toBe(at + 1);
  });

  it('a slower pace keeps the place and moves what follows', () => {
    const { result } = open();
    act(() => result.current.start(pace));
    after(timeline[1]!.at + 0.1);
    const at = result.current.calling.at;
    act(() => result.current.repace({ ...pace, secondsPerCount: 6 }));
    expect(result.current.calling.at).toBe(at);
    after(2.5);
    expect(result.current.calling.at).toBe(at);
    after(4);
    expect(result.current.calling.at).toBe(at + 1);
  });

  it('stopped, it is silent and begins from the start', () => {
    const { result } = open();
    act(() => result.current.start(pace));
    after(3);
    act(() => result.current.stop());
    const heard = said.length;
    after(60);
    expect(said.slice(heard)).toEqual([]);
    expect(result.current.calling).toMatchObject({ state: 'ready', at: -1, calls: [] });
  });

  it('a pace that cannot be is refused in words, and nothing is said', () => {
    const { result } = open();
    act(() => result.current.start({ ...pace, from: 99 }));
    expect(result.current.calling.wrong).not.toBe('');
    after(10);
    expect(said).toEqual([]);
  });

  it('without a voice nothing is spoken, and the count still goes on', () => {
    const { result } = open(false);
    act(() => result.current.start(pace));
    after(timeline[1]!.at + 0.1);
    expect(said).toEqual([]);
    expect(result.current.calling.at).toBe(upTo(timeline[1]!.at + 0.1));
  });
});
