import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import PhotoMeasure from './PhotoMeasure';
import { FOUND_POINTS, type Found } from '../../../core';
import { closePicture, openPicture } from './picture';
import { useBody } from './useBody';

vi.mock('./picture', () => ({ openPicture: vi.fn(), closePicture: vi.fn() }));
vi.mock('./useBody', () => ({ useBody: vi.fn(() => ({ at: 'idle' })) }));
const user = userEvent.setup();
const file = new File(['x'], 'picture.png', { type: 'image/png' });
const point = { id: 'p', name: 'front knee', unit: '°' };
const took = vi.fn();
const left = vi.fn();
beforeEach(() => {
  localStorage.clear();
  vi.mocked(openPicture).mockResolvedValue({ url: 'blob:here', blob: file, width: 1200, height: 1600 });
});
afterEach(() => vi.clearAllMocks());

const open = (range = { lo: 100, hi: 160 }, unit = '°', stature: number | null = 170) =>
  render(
    <PhotoMeasure
      name="Ilse Marrow"
      point={{ ...point, unit }}
      range={range}
      stature={stature}
      onTake={took}
      onClose={left}
    />,
  );
const choose = async () => {
  await user.upload(screen.getByLabelText('Take a picture', { selector: 'input' }), file);
  return screen.findByRole('application');
};

it('nothing can be taken from guesses; each is confirmed or moved by keys and undone; then it is taken once', async () => {
  const beneath = vi.fn();
  addEventListener('keydown', beneath);
  const { unmount } = open();
  const stage = await choose();
  expect(document.activeElement).toBe(stage);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Cannot tell yet' }).disabled).toBe(true);
  // The hip is asked for first; confirmed as it is, and the next that is needed comes.
  await user.click(screen.getByRole('button', { name: 'Hip is right' }));
  await user.click(screen.getByRole('button', { name: /is right$/ }));
  await user.click(screen.getByRole('button', { name: /is right$/ }));
  const take = await screen.findByRole('button', { name: /^Take \d+° into the look$/ });
  const before = take.textContent;
  stage.focus();
  for (let i = 0; i < 6; i += 1) fireEvent.keyDown(stage, { key: 'ArrowRight', shiftKey: true });
  await waitFor(() => expect(screen.getByRole('button', { name: /^(Take|Cannot)/ }).textContent).not.toBe(before));
  for (let i = 0; i < 6; i += 1) fireEvent.keyDown(stage, { key: 'Backspace' });
  await waitFor(() => expect(screen.getByRole('button', { name: /^Take/ }).textContent).toBe(before));
  // No key reaches the card beneath, wherever the focus stands.
  fireEvent.keyDown(screen.getByRole('dialog').parentElement!, { key: 'Enter' });
  expect(beneath).not.toHaveBeenCalled();
  removeEventListener('keydown', beneath);
  await user.click(screen.getByRole('button', { name: /^Take/ }));
  expect(took).toHaveBeenCalledWith(Number(/\d+/.exec(before)![0]));
  expect(left).toHaveBeenCalledOnce();
  unmount();
  expect(closePicture).toHaveBeenCalledOnce();
});

it('a width across the edge of what is accepted is not taken as a mark', async () => {
  const { unmount } = open({ lo: 0, hi: 1 });
  await choose();
  for (let i = 0; i < 3; i += 1) await user.click(screen.getByRole('button', { name: /is right$/ }));
  // Wholly outside is a measure as well: it can be taken, as a slip.
  const out = /Take (\d+)°/.exec((await screen.findByRole('button', { name: /^Take/ })).textContent ?? '')!;
  const value = Number(out[1]);
  unmount();
  open({ lo: value - 1, hi: value + 40 });
  await choose();
  for (let i = 0; i < 3; i += 1) await user.click(screen.getByRole('button', { name: /is right$/ }));
  expect(screen.getByText(/The width lies across an edge/)).toBeTruthy();
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Cannot tell yet' }).disabled).toBe(true);
});

it('a file that is no picture, a stature that nobody knows and a unit that no picture has are said', async () => {
  vi.mocked(openPicture).mockResolvedValueOnce(null);
  const { unmount } = open({ lo: 70, hi: 100 }, 'cm', null);
  await user.upload(screen.getByLabelText('Take a picture', { selector: 'input' }), file);
  expect(await screen.findByText(/This file is no picture/)).toBeTruthy();
  await choose();
  expect(screen.getByText('No stature is known: say it, or read an angle.')).toBeTruthy();
  await user.type(screen.getByLabelText('Stature in cm'), '170');
  expect(screen.getByText('Set front ankle, knee, hip and shoulder: they give the scale.')).toBeTruthy();
  unmount();
  open({ lo: 0, hi: 40 }, 'ms');
  expect(screen.getByText(/No number in ms can be read off a picture yet/)).toBeTruthy();
});

it('what is found in the picture becomes guesses, and moves nothing that a thumb has set', async () => {
  let tell: (found: readonly Found[]) => void = () => undefined;
  vi.mocked(useBody).mockImplementation((_picture, onFound) => {
    tell = onFound;
    return { at: 'looking' };
  });
  open();
  const stage = await choose();
  expect(screen.getByText(/^Looking for the body/)).toBeTruthy();
  const places = () =>
    [...stage.querySelectorAll('circle[r]')].map((c) => `${c.getAttribute('cx')} ${c.getAttribute('cy')}`);
  const before = places();
  const body = FOUND_POINTS.map((_, i): Found => ({ x: 500 + 10 * i, y: 200 + 60 * i, sure: 0.9 }));
  act(() => tell(body));
  const guessed = places();
  expect(guessed).not.toEqual(before);
  act(() => (stage as unknown as SVGElement).focus());
  await user.keyboard('{ArrowLeft}');
  const set = places();
  act(() => tell(body.map((p) => ({ ...p, x: p.x + 100 }))));
  expect(places()).toEqual(set);
});
