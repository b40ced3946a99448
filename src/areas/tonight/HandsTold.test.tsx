import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, expect, it, vi } from 'vitest';
import { ALL_FINE } from '../../core';
import { put } from '../../kit/deviceQueue/deviceQueue';
import { student } from '../../kit/mat/testing/kit';
import { HandsTold } from './HandsTold';

vi.mock('../../kit/deviceQueue/deviceQueue', () => ({ put: vi.fn(() => Promise.resolve()) }));
const user = userEvent.setup();
const hand = (side: 'right' | 'left', number: number) => ({ side, number, surface: 'pad on a post' });
const aiko = student(1, 'Aiko Dunmore', { hands: [hand('right', 50), hand('left', 45)] });
const farid = student(2, 'Farid Weir', { hands: [hand('right', 20), hand('left', 20)] });
beforeEach(() => vi.mocked(put).mockClear());
const show = () => render(<HandsTold people={[aiko, farid]} day="2026-05-05" by="me" />);
const sent = () =>
  vi
    .mocked(put)
    .mock.calls.map(([c]) => c.input as { studentId: string; done: { side: string; count: number; said: unknown }[] });

it('two taps where all is fine: the number of tonight with each hand, kept on the device', async () => {
  show();
  await user.click(screen.getByRole('button', { name: 'Struck Aiko Dunmore' }));
  await user.click(screen.getByRole('button', { name: 'All fine: write it down' }));
  expect(sent()).toHaveLength(1);
  expect(sent()[0]).toMatchObject({ studentId: aiko.id, day: '2026-05-05', place: 'hall' });
  expect(sent()[0]!.done.map((d) => [d.side, d.count, d.said])).toEqual([
    ['right', 50, ALL_FINE],
    ['left', 45, ALL_FINE],
  ]);
  expect(await screen.findByText('written down')).toBeTruthy();
  // Nobody is told of twice by two taps.
  expect(screen.queryByRole('button', { name: 'Struck Aiko Dunmore' })).toBeNull();
});

it('what one hand says is not said of the other; more than allowed and what stops a hand are said at once', async () => {
  show();
  await user.click(screen.getByRole('button', { name: 'Struck Farid Weir' }));
  const right = within(screen.getByRole('group', { name: 'Right hand' }));
  await user.click(right.getByRole('radio', { name: 'open' }));
  expect(right.getByText(/^It stops this limb, about two weeks/)).toBeTruthy();
  await user.clear(right.getByLabelText(/^How many/));
  await user.type(right.getByLabelText(/^How many/), '30');
  expect(right.getByText(/^20 are allowed/)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Write it down' }));
  expect(sent()[0]!.done.map((d) => [d.side, d.count, d.said])).toEqual([
    ['right', 30, { ...ALL_FINE, skin: 'open' }],
    ['left', 20, null],
  ]);
});

it('what is no number is refused and stays as it was typed; a device without room says so', async () => {
  show();
  await user.click(screen.getByRole('button', { name: 'Struck Farid Weir' }));
  const field = screen.getByLabelText<HTMLInputElement>('How many, left hand');
  await user.clear(field);
  await user.type(field, 'many');
  await user.click(screen.getByRole('button', { name: /write it down/ }));
  expect(screen.getByText('How many? A whole number, 0 if none.')).toBeTruthy();
  expect(field.value).toBe('many');
  expect(put).not.toHaveBeenCalled();
  await user.clear(field);
  await user.type(field, '20');
  vi.mocked(put).mockRejectedValueOnce(new Error('There is no room on this device.'));
  await user.click(screen.getByRole('button', { name: /write it down/ }));
  expect(await screen.findByText('There is no room on this device.')).toBeTruthy();
  expect(screen.getByRole('button', { name: /write it down/ })).toBeTruthy();
});

it('nobody who may strike was here: nothing is asked', () => {
  const { container } = render(<HandsTold people={[]} day="2026-05-05" by="me" />);
  expect(container.textContent).toBe('');
});
