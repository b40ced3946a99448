import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { afterPaint } from './afterPaint';

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['requestAnimationFrame', 'cancelAnimationFrame', 'setTimeout', 'clearTimeout'] });
});
afterEach(() => {
  vi.useRealTimers();
});

it('calls once, behind the next picture, however often it is asked before, and again when it is asked again', () => {
  const call = vi.fn();
  const later = afterPaint(call);
  later.ask();
  later.ask();
  expect(call).not.toHaveBeenCalled();
  vi.advanceTimersByTime(40);
  expect(call).toHaveBeenCalledTimes(1);
  later.ask();
  vi.advanceTimersByTime(40);
  expect(call).toHaveBeenCalledTimes(2);
});

it('calls no more once it is stopped, before the picture or behind it', () => {
  const call = vi.fn();
  const later = afterPaint(call);
  later.ask();
  later.stop();
  vi.advanceTimersByTime(40);
  later.ask();
  vi.advanceTimersToNextFrame();
  later.stop();
  vi.advanceTimersByTime(40);
  expect(call).not.toHaveBeenCalled();
});
