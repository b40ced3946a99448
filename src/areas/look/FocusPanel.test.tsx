import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { put as realPut } from '../../kit/deviceQueue/deviceQueue';
import { FocusPanel } from './FocusPanel';
import { BASE, focusOn, HEEL, kitOf, slipOf, student } from './testing/kit';

vi.mock(import('../../kit/deviceQueue/deviceQueue'), async (read) => ({ ...(await read()), put: vi.fn() }));
const put = vi.mocked(realPut);
beforeEach(() => void put.mockReset().mockResolvedValue(undefined));

const focus = focusOn(HEEL, { since: '2026-02-20', hurts: true });
const ilse = student(1, 'Ilse Marrow', { focus, slips: [focus, slipOf(BASE, { held: 2, of: 8 })] });
const open = (s = ilse, now = '') => {
  render(<FocusPanel kit={kitOf()} student={s} now={now} />);
  return userEvent.setup({ delay: null });
};

describe('the one correction over a card', () => {
  it('says since when, the cue, what can hurt, and what holding means in numbers', () => {
    open();
    const text = screen.getByRole('region', { name: 'One thing to work on' }).textContent;
    expect(text).toMatch(/First, since 20 February/);
    expect(text).toMatch(/Heel down on the left“Push the floor”Can hurt\. Held in 5 of the last 9; holds at 8 of 10\./);
    expect(text).toMatch(/True now: Came to all classes\./);
  });

  it('what just held on this card is praised before what was known', () => {
    open(ilse, 'heel down held all 5 times on the left.');
    expect(screen.getByText(/heel down held all 5 times/)).toBeTruthy();
    expect(screen.queryByText(/Came to all classes/)).toBeNull();
  });

  it('another is chosen with a reason, which is kept; without one nothing is sent', async () => {
    const user = open();
    await user.click(screen.getByRole('button', { name: 'Another, or all slips' }));
    await user.click(screen.getByRole('button', { name: /^Base foot turned/ }));
    await user.click(screen.getByRole('button', { name: 'Let it be the one' }));
    expect(screen.getByText('Say why: it is kept with the choice.')).toBeTruthy();
    expect(put).not.toHaveBeenCalled();
    await user.type(screen.getByLabelText('Why this one?'), 'The knee comes first.');
    await user.click(screen.getByRole('button', { name: 'Let it be the one' }));
    await waitFor(() => expect(screen.getByText('First, chosen now')).toBeTruthy());
    expect(put.mock.calls[0]![0]).toMatchObject({
      name: 'focus.give',
      input: { studentId: ilse.id, pointId: BASE.id, side: 'left', chosen: true, reason: 'The knee comes first.' },
    });
  });

  it('a full device says so, and the reason stays', async () => {
    put.mockRejectedValue(new Error('This device has no room left.'));
    const user = open();
    await user.click(screen.getByRole('button', { name: 'Another, or all slips' }));
    await user.click(screen.getByRole('button', { name: /^Base foot turned/ }));
    await user.type(screen.getByLabelText('Why this one?'), 'Knee');
    await user.click(screen.getByRole('button', { name: 'Let it be the one' }));
    expect(await screen.findByText('This device has no room left.')).toBeTruthy();
    expect(screen.getByLabelText('Why this one?')).toHaveProperty('value', 'Knee');
  });

  it('where nothing slipped it says so and offers nothing else', () => {
    open(student(2, 'Bram Oakes'));
    expect(screen.getByText('Nothing of the next belt was seen to slip.')).toBeTruthy();
    expect(screen.queryByRole('button')).toBeNull();
  });
});
