import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import type { FirstStepsView } from '../../contracts/views';
import FirstSteps from './FirstSteps';

const view = (done: FirstStepsView['done'] = {}, more: Partial<FirstStepsView> = {}): FirstStepsView => ({
  done,
  points: [],
  belts: [],
  student: null,
  timeZone: 'UTC',
  today: '2026-03-05',
  ...more,
});
const STANCE = { stance: { what: 'Front stance', at: '2026-03-05T10:41:00Z' } };
const now = () => screen.getAllByRole('listitem').find((li) => li.getAttribute('aria-current') === 'step')!;

beforeEach(() => localStorage.clear());

describe('the steps to the first verdict', () => {
  it('open the first that is not done, with its words and where to go', () => {
    render(<FirstSteps view={view(STANCE)} />);
    expect(within(now()).getByRole('button').textContent).toBe('Technique');
    expect(screen.getByText('Front stance, 10:41')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Write a technique' }).getAttribute('href')).toBe('/techniques/new');
    expect(screen.getByText(/never a slip/)).toBeTruthy();
  });

  it('what was done on another day says which; people are counted', () => {
    const roll = { what: '1', at: '2026-03-01T10:00:00Z' };
    render(<FirstSteps view={view({ ...STANCE, roll })} />);
    expect(screen.getByText('1 student, 1 March 2026')).toBeTruthy();
  });

  it('let one go on to the next, and come back to any', async () => {
    const user = userEvent.setup({ delay: null });
    render(<FirstSteps view={view({ technique: { what: 'Front kick', at: null } })} />);
    expect(now().textContent).toMatch(/^Stance/);
    await user.click(screen.getByRole('button', { name: 'Not now, the next one' }));
    // What is done is passed over.
    expect(now().textContent).toMatch(/^On the way/);
    await user.click(screen.getByRole('button', { name: 'Technique' }));
    expect(now().textContent).toMatch(/^Technique.*Front kick/);
  });

  it('draw what comes out from what was written', async () => {
    const user = userEvent.setup({ delay: null });
    render(<FirstSteps view={view({}, { points: ['Toes up', 'Hip square'] })} />);
    await user.click(screen.getByRole('button', { name: 'Technique' }));
    const drawn = within(screen.getByRole('figure', { name: 'What comes out' }));
    expect(drawn.getAllByRole('listitem').map((li) => li.textContent)).toEqual(['2Toes up', '1Hip square']);
  });

  it('are put away to one line on this device, and come back', async () => {
    const user = userEvent.setup({ delay: null });
    const { unmount } = render(<FirstSteps view={view(STANCE)} />);
    await user.click(screen.getByRole('button', { name: 'Put away' }));
    expect(screen.getByText(/1 of 8 done\. Next: Technique\./)).toBeTruthy();
    unmount();
    render(<FirstSteps view={view(STANCE)} />);
    await user.click(await screen.findByRole('button', { name: 'Show the steps' }));
    expect(screen.getByRole('heading', { name: 'To the first verdict' })).toBeTruthy();
    expect(localStorage.length).toBe(0);
  });
});
