import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { put as realPut } from '../../../kit/deviceQueue/deviceQueue';
import { FocusPanel } from './FocusPanel';
import { slippedTonight, type SlippedTonight } from './tonight';
import { BASE, focusOn, HEEL, kitOf, slipOf, student } from '../../../kit/mat/testing/kit';

vi.mock(import('../../../kit/deviceQueue/deviceQueue'), async (read) => ({ ...(await read()), put: vi.fn() }));
const put = vi.mocked(realPut);
beforeEach(() => void put.mockReset().mockResolvedValue(undefined));

const focus = focusOn(HEEL, { since: '2026-02-20', hurts: true });
const ilse = student(1, 'Ilse Marrow', { focus, slips: [focus, slipOf(BASE, { held: 2, of: 8 })] });
const open = (s = ilse, now = '', tonight: SlippedTonight[] = []) => {
  render(<FocusPanel kit={kitOf()} student={s} now={now} tonight={tonight} />);
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

  const cut = (notches: string) => ({ notches: [...notches] as ('H' | 'S' | 'U')[], values: [] });
  const KNEE = { ...HEEL, id: 'knee', name: 'Knee over toes', bodyPart: 'knees' as const };
  const LOCK = {
    ...KNEE,
    id: 'lock',
    name: 'Base knee soft',
    slips: [{ ...HEEL.slips[0]!, hurts: 'self' as const, cue: 'Soft, as on a boat' }],
  };

  it('never says that nothing slipped beside a slip just marked', () => {
    open(student(2, 'Bram Oakes'), '', slippedTonight([HEEL, KNEE], [['left', { [KNEE.id]: cut('SHUUU') }]]));
    const text = screen.getByRole('region', { name: 'One thing to work on' }).textContent;
    expect(text).toMatch(/Slipped tonightKnee over toes on the left“Push the floor”Held in 1 of 2 tonight\./);
    expect(text).not.toMatch(/Nothing of the next belt/);
  });

  it('what can hurt comes before a correction that cannot; else tonight is added to the one that was given', () => {
    const points = [HEEL, KNEE, LOCK];
    const calm = student(1, 'Ilse Marrow', { focus: focusOn(HEEL) });
    const marks = { [HEEL.id]: cut('HHSSU'), [LOCK.id]: cut('S') };
    const first = slippedTonight(points, [['left', marks]]);
    expect(first.map((t) => t.pointId)).toEqual([LOCK.id, HEEL.id]);
    open(calm, '', first);
    const text = () => screen.getByRole('region', { name: 'One thing to work on' }).textContent;
    expect(text()).toMatch(/First tonight, before heel downBase knee soft on the left“Soft, as on a boat”Can hurt\./);
    document.body.replaceChildren();
    open(calm, '', slippedTonight(points, [['left', { [HEEL.id]: cut('HHSSU') }]]));
    expect(text()).toMatch(/Held in 5 of the last 9, tonight 2 of 4; holds at 8 of 10\./);
  });
});
