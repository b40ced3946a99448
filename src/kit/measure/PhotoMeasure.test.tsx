import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import PhotoMeasure from './PhotoMeasure';
import { FOUND_POINTS, type Found } from '../../core';
import { picturesOf } from '../pictures/keptPictures';
import type { MeasuredPerson, MeasuredPoint } from './reads';
import { closePicture, openPicture } from './picture';
import { useBody } from './useBody';

vi.mock('./picture', () => ({ openPicture: vi.fn(), closePicture: vi.fn() }));
vi.mock('./useBody', () => ({ useBody: vi.fn(() => ({ at: 'idle' })) }));
const user = userEvent.setup();
const file = new File(['x'], 'picture.png', { type: 'image/png' });
const point: MeasuredPoint = {
  id: 'p',
  name: 'Front knee over the toes',
  unit: '°',
  wanted: null,
  range: { lo: 100, hi: 160 },
  measuredBy: null,
};
const took = vi.fn();
const left = vi.fn();
beforeEach(() => {
  localStorage.clear();
  vi.mocked(openPicture).mockResolvedValue({ url: 'blob:here', blob: file, width: 1200, height: 1600 });
});
afterEach(() => vi.clearAllMocks());

const open = (
  more: Partial<MeasuredPoint> = {},
  stature: number | null = 170,
  others: MeasuredPoint[] = [],
  pictures: MeasuredPerson['pictures'] = false,
) =>
  render(
    <PhotoMeasure
      who={{ id: 'ilse', name: 'Ilse Marrow', stature, pictures }}
      item="Front stance"
      side="left"
      point={{ ...point, ...more }}
      others={others}
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
  // What widens the number most is asked for first; confirmed as it is, and the next that is needed comes.
  await user.click(screen.getByRole('button', { name: 'Knee front is right' }));
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
  expect(took).toHaveBeenCalledWith([
    { pointId: 'p', value: Number(/\d+/.exec(before)![0]), half: expect.any(Number) as number },
  ]);
  expect(left).toHaveBeenCalledOnce();
  unmount();
  expect(closePicture).toHaveBeenCalledOnce();
});

it('a width across the edge of what is accepted is not taken as a mark', async () => {
  const { unmount } = open({ range: { lo: 0, hi: 1 } });
  await choose();
  for (let i = 0; i < 3; i += 1) await user.click(screen.getByRole('button', { name: /is right$/ }));
  // Wholly outside is a measure as well: it can be taken, as a slip.
  const out = /Take (\d+)°/.exec((await screen.findByRole('button', { name: /^Take/ })).textContent ?? '')!;
  const value = Number(out[1]);
  unmount();
  open({ range: { lo: value - 1, hi: value + 40 } });
  await choose();
  for (let i = 0; i < 3; i += 1) await user.click(screen.getByRole('button', { name: /is right$/ }));
  expect(screen.getByText(/the width lies across an edge/)).toBeTruthy();
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Cannot tell yet' }).disabled).toBe(true);
});

it('a file that is no picture, a stature that nobody knows and a unit that no picture has are said', async () => {
  vi.mocked(openPicture).mockResolvedValueOnce(null);
  const { unmount } = open({ range: { lo: 70, hi: 100 }, unit: 'cm' }, null);
  await user.upload(screen.getByLabelText('Take a picture', { selector: 'input' }), file);
  expect(await screen.findByText(/This file is no picture/)).toBeTruthy();
  await choose();
  expect(screen.getByText(/^No length is known/)).toBeTruthy();
  await user.type(screen.getByLabelText('Stature in cm'), '5 ft 7');
  // From guesses it stands at once, as wide as they are.
  expect(screen.queryByText(/^No length is known/)).toBeNull();
  expect(screen.getByText(/± \d+/)).toBeTruthy();
  // By a length beside the feet its two ends are landmarks as well.
  await user.click(screen.getByRole('radio', { name: 'by a length' }));
  expect(screen.getByText(/^No length is known/)).toBeTruthy();
  await user.type(screen.getByLabelText(/^Length in cm/), '180');
  expect(screen.getByRole('button', { name: /^Length from/ })).toBeTruthy();
  unmount();
  open({ unit: 'ms' });
  expect(screen.getByText(/No number in ms can be read off a picture yet/)).toBeTruthy();
});

it('what is found in the picture becomes guesses, and moves nothing that a thumb has set', async () => {
  let tell: (found: readonly Found[]) => void = () => undefined;
  vi.mocked(useBody).mockImplementation((_picture, onFound) => {
    tell = onFound;
    return { at: 'looking' };
  });
  open();
  await choose();
  const stage = () => screen.getByRole('application');
  expect(screen.getByText(/^Looking for the body/)).toBeTruthy();
  const places = () =>
    [...stage().querySelectorAll('circle[r]')].map((c) => `${c.getAttribute('cx')} ${c.getAttribute('cy')}`);
  const before = places();
  const body = FOUND_POINTS.map((_, i): Found => ({ x: 500 + 10 * i, y: 200 + 60 * i, sure: 0.9 }));
  act(() => tell(body));
  const guessed = places();
  expect(guessed).not.toEqual(before);
  act(() => stage().focus());
  await user.keyboard('{ArrowLeft}');
  const set = places();
  act(() => tell(body.map((p) => ({ ...p, x: p.x + 100 }))));
  expect(places()).toEqual(set);
});

it('every number of the same picture comes along; what is covered is passed over; the sure ones go into the look at once', async () => {
  const other = (id: string, name: string, measuredBy: string, more: Partial<MeasuredPoint> = {}): MeasuredPoint => ({
    ...point,
    id,
    name,
    measuredBy,
    range: { lo: 0, hi: 180 },
    ...more,
  });
  open({ measuredBy: 'front knee', range: { lo: 0, hi: 180 } }, 170, [
    { ...point, measuredBy: 'front knee' },
    other('e', 'Working elbow bent', 'working elbow'),
    other('t', 'Tracks', 'tracks', { unit: 'cm' }),
    other('h', 'By hand', '', { measuredBy: null }),
    other('l', 'Lean', 'trunk lean', { range: { lo: 500, hi: 600 } }),
  ]);
  await choose();
  // The school says what this one is read off: nobody is asked. What is seen from the front is not in a picture from the side.
  expect(screen.queryByLabelText('What is read')).toBeNull();
  const rows = screen.getAllByRole('listitem').filter((li) => li.closest('.read-rows'));
  expect(rows.map((r) => r.querySelector('b')!.textContent)).toEqual([
    'Lean',
    'Working elbow bent',
    'Front knee over the toes',
  ]);
  // The elbow of the side that works.
  expect(rows[1]!.textContent).toContain('left elbow');
  await user.click(screen.getByRole('button', { name: /^Elbow left (a guess|covered)/ }));
  await user.click(screen.getByRole('button', { name: 'Elbow left is covered' }));
  expect(screen.getByRole('button', { name: /^Elbow left (a guess|covered)/ }).textContent).toContain('covered');
  for (const name of ['Hip', 'Knee front', 'Ankle front', 'Shoulder']) {
    await user.click(screen.getByRole('button', { name: new RegExp(`^${name} (a guess|\\d)`) }));
    const right = screen.queryByRole('button', { name: `${name} is right` });
    if (right) await user.click(right);
  }
  await user.click(await screen.findByRole('button', { name: /^Take \d into the look$/ }));
  const taken = took.mock.calls[0]![0] as { pointId: string; value: number; half: number }[];
  expect(taken.map((t) => t.pointId)).toEqual(expect.arrayContaining(['p', 'l']));
  expect(taken.map((t) => t.pointId)).not.toContain('t');
  for (const t of taken) expect(t.half).toBeGreaterThan(0);
});

it('a picture is kept where whoever is seen agreed and it is asked for, and only then; a drawing or a full device keeps none', async () => {
  const kept = () => picturesOf('ilse');
  const read = async (pictures: MeasuredPerson['pictures'], keep: boolean) => {
    const { unmount } = open({}, 170, [], pictures);
    const said = screen.queryByText(/Ilse has not agreed to keep any/) !== null;
    await choose();
    const box = screen.queryByRole('checkbox', { name: 'Keep the picture on this device' });
    if (keep) await user.click(box!);
    for (let i = 0; i < 3; i += 1) await user.click(screen.getByRole('button', { name: /is right$/ }));
    expect(screen.getByText(keep ? /The photo stays on it/ : /The photo goes when this closes/)).toBeTruthy();
    // Pressed twice it is taken once.
    await user.dblClick(await screen.findByRole('button', { name: /^Take/ }));
    return { offered: box !== null, said, unmount };
  };
  for (const pictures of [false, null] as const) {
    const { offered, said, unmount } = await read(pictures, false);
    expect([offered, said]).toEqual([false, pictures === false]);
    unmount();
  }
  const agreed = await read(true, false);
  expect(agreed).toMatchObject({ offered: true, said: false });
  expect(await kept()).toEqual([]);
  agreed.unmount();
  (await read(true, true)).unmount();
  await waitFor(async () =>
    expect(await kept()).toMatchObject([
      {
        studentId: 'ilse',
        of: 'Front stance, Front knee over the toes',
        says: expect.stringMatching(/^\d+ ± \d+°$/) as string,
      },
    ]),
  );
  expect(took).toHaveBeenCalledTimes(4);
  // Without room nothing is lost: the numbers can still be taken.
  const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('no room', 'QuotaExceededError');
  });
  await read(true, true);
  expect(await screen.findByText(/no room for the picture/)).toBeTruthy();
  expect(took).toHaveBeenCalledTimes(4);
  full.mockRestore();
});
