import { fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Call } from '../../core';
import { Tapped } from './Tapped';

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['performance'] });
});
afterEach(() => vi.useRealTimers());
const at = (ms: number) => vi.advanceTimersByTime(ms - performance.now());
const said = [1, 2, 3, 4].map((n) => ({ at: 1000 * n, call: { written: `${n}`, round: 1 } as Call }));

it('each count is tapped, by thumb or key, and told against its call when the caller is done', () => {
  const { rerender } = render(<Tapped over={false} saidSoFar={() => said} />);
  at(1200);
  fireEvent.click(screen.getByRole('button', { name: 'Tap as they land' }));
  at(2200);
  fireEvent.keyDown(window, { key: 't' });
  // A key that is held down is one tap.
  fireEvent.keyDown(window, { key: 't', repeat: true });
  at(4200);
  fireEvent.keyDown(window, { key: 'T' });
  expect(screen.getByRole('button', { name: '3 tapped' })).toBeTruthy();
  rerender(<Tapped over saidSoFar={() => said} />);
  expect(screen.getByRole('status').textContent).toBe(
    '3 of 4 counts tapped, on the middle 0.2 s after the call. Not tapped: 3.',
  );
  fireEvent.keyDown(window, { key: 't' });
  expect(screen.getByRole('status').textContent).toMatch(/^3 of 4/);
});

it('says nothing where nobody tapped', () => {
  render(<Tapped over saidSoFar={() => said} />);
  expect(screen.queryByRole('status')).toBeNull();
});
