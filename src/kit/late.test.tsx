import { act, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { AGAIN, late, Late } from './late';

const part = { default: () => <p>Here it is.</p> };
const lost = () => Promise.reject(new TypeError('Failed to fetch dynamically imported module'));
const said = () => screen.queryByText(/could not be fetched/);
/** Does it, and waits for what follows. */
const settled = (what: () => void) => act(() => Promise.resolve().then(what));
const show = (fetch: () => Promise<typeof part>) => {
  const Part = late(fetch);
  render(
    <>
      <p>What was there before.</p>
      <Late meanwhile={<p>Fetching.</p>}>
        <Part />
      </Late>
    </>,
  );
};
beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

it('is shown when it is there, and something else until then', async () => {
  let give: (p: typeof part) => void = () => undefined;
  show(() => new Promise((done) => (give = done)));
  expect(screen.getByText('Fetching.')).toBeTruthy();
  await settled(() => give(part));
  expect(screen.getByText('Here it is.')).toBeTruthy();
  expect(screen.queryByText('Fetching.')).toBeNull();
});

it('where it cannot be had, the page stays, says so, and asks again until it can', async () => {
  const fetch = vi.fn<() => Promise<typeof part>>().mockImplementationOnce(lost).mockImplementationOnce(lost);
  fetch.mockResolvedValue(part);
  await settled(() => show(fetch));
  expect(screen.getByText('What was there before.')).toBeTruthy();
  expect(said()).not.toBeNull();
  expect(screen.getByRole('button', { name: 'Open the page again' })).toBeTruthy();
  await act(() => vi.advanceTimersByTimeAsync(AGAIN - 1));
  expect(fetch).toHaveBeenCalledTimes(1);
  await act(() => vi.advanceTimersByTimeAsync(1));
  expect(fetch).toHaveBeenCalledTimes(2);
  expect(said()).not.toBeNull();
  await act(() => vi.advanceTimersByTimeAsync(AGAIN));
  expect(screen.getByText('Here it is.')).toBeTruthy();
  expect(said()).toBeNull();
});

it('is asked for as soon as the network is back, and once only', async () => {
  const fetch = vi.fn<() => Promise<typeof part>>().mockImplementationOnce(lost).mockResolvedValue(part);
  await settled(() => show(fetch));
  await settled(() => dispatchEvent(new Event('online')));
  expect(screen.getByText('Here it is.')).toBeTruthy();
  await act(() => vi.advanceTimersByTimeAsync(3 * AGAIN));
  expect(fetch).toHaveBeenCalledTimes(2);
});

it('one that is there waits for no other: only what is missing says so', async () => {
  const fetch = vi.fn<() => Promise<typeof part>>().mockImplementationOnce(lost).mockResolvedValue(part);
  const Missing = late(fetch);
  const There = late(() => Promise.resolve(part));
  await settled(() => {
    render(
      <>
        <Late meanwhile={<p>Fetching.</p>}>
          <There />
        </Late>
        <Late>
          <Missing />
        </Late>
      </>,
    );
  });
  expect(screen.getByText('Here it is.')).toBeTruthy();
  expect(screen.getAllByRole('status')).toHaveLength(1);
  await act(() => vi.advanceTimersByTimeAsync(AGAIN));
  expect(screen.getAllByText('Here it is.')).toHaveLength(2);
});
