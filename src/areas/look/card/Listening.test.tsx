import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { Listening } from './Listening';

vi.mock('../../../workers/level?worker&url', () => ({ default: '/level.js' }));
const user = userEvent.setup();
const stopped = vi.fn();
const microphone = vi.fn<() => Promise<MediaStream>>();
let hear: (at: number) => void = () => undefined;

class Sound {
  audioWorklet = { addModule: () => Promise.resolve() };
  createMediaStreamSource = () => ({ connect: () => undefined });
  resume = () => Promise.resolve();
  close = () => Promise.resolve();
}
class Node {
  port = {
    set onmessage(heard: (e: { data: number }) => void) {
      hear = (at) => heard({ data: at });
    },
  };
}
beforeEach(() => {
  vi.stubGlobal('AudioContext', Sound);
  vi.stubGlobal('AudioWorkletNode', Node);
  Object.defineProperty(navigator, 'mediaDevices', { configurable: true, value: { getUserMedia: microphone } });
  microphone.mockResolvedValue({ getTracks: () => [{ stop: stopped }] } as unknown as MediaStream);
});
afterEach(() => {
  vi.clearAllMocks();
  vi.unstubAllGlobals();
});

it('listens only when asked; each hit is counted once and how evenly they came is said; it stops', async () => {
  const hit = vi.fn();
  render(<Listening onHit={hit} />);
  expect(microphone).not.toHaveBeenCalled();
  await user.click(screen.getByRole('button', { name: 'Count by ear' }));
  act(() => {
    for (const at of [0, 900, 1800, 2750, 3600]) hear(at);
  });
  expect(hit).toHaveBeenCalledTimes(5);
  expect(screen.getByText(/^5 hits heard; tap what missed\. 0\.9 s apart, evenly\.$/)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Stop listening' }));
  expect(stopped).toHaveBeenCalledTimes(1);
  expect(screen.getByText(/^5 hits heard\./)).toBeTruthy();
});

it('closes the microphone when the card goes, also while it was still being asked for', async () => {
  let give: (s: MediaStream) => void = () => undefined;
  microphone.mockReturnValue(new Promise((done) => (give = done)));
  const { unmount } = render(<Listening onHit={vi.fn()} />);
  await user.click(screen.getByRole('button', { name: 'Count by ear' }));
  unmount();
  give({ getTracks: () => [{ stop: stopped }] } as unknown as MediaStream);
  await vi.waitFor(() => expect(stopped).toHaveBeenCalledTimes(1));
});

it('says so where there is no microphone; tries can be tapped', async () => {
  microphone.mockRejectedValue(new Error('refused'));
  render(<Listening onHit={vi.fn()} />);
  await user.click(screen.getByRole('button', { name: 'Count by ear' }));
  expect(await screen.findByText(/There is no microphone, or it may not be used/)).toBeTruthy();
});
