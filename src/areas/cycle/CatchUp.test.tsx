import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { CatchUpView } from '../../contracts/views';
import CatchUp from './CatchUp';

const kick: CatchUpView['items'][number] = {
  name: 'Front kick',
  itemKey: 't:kick',
  days: ['2026-03-03', '2026-03-05'],
  conditions: ['in air', 'with a partner'],
  belts: ['Straw', 'Amber'],
  points: [
    { name: 'Standing knee over the toes', cue: 'Show your knee the wall.', hurts: true },
    { name: 'Heel down', cue: '', hurts: false },
  ],
  contrast: { with: 'Roundhouse kick', here: ['Straight line'], there: [] },
  alone: 'Alone: ten slow ones a side at the wall.',
};
const view = (more: Partial<CatchUpView> = {}): CatchUpView => ({
  today: '2026-03-06',
  school: 'Causeway Hall',
  from: '2026-03-02',
  to: '2026-03-08',
  classes: [
    { day: '2026-03-03', minutes: 90, people: 18 },
    { day: '2026-03-05', minutes: 90, people: 21 },
  ],
  items: [kick],
  notFit: [],
  test: { name: 'Straw', day: '2026-03-21' },
  belts: [],
  ...more,
});

describe('what a week taught', () => {
  it('is said item by item, with its days, its points from the ground up and what tells it from another', () => {
    render(<CatchUp view={view()} />);
    expect(screen.getByText(/^Causeway Hall, /).textContent).toMatch(
      /2 classes: Tuesday and Thursday\. Straw is on Saturday 21 March, in 15 days\.$/,
    );
    const item = screen.getByRole('heading', { name: 'Front kick' }).closest('li')!;
    expect(item.textContent).toContain('in air, with a partner; Tuesday and Thursday; asked for Straw and Amber.');
    expect(
      within(item)
        .getAllByRole('listitem')
        .map((li) => li.textContent),
    ).toEqual(['Standing knee over the toes “Show your knee the wall.”', 'Heel down']);
    expect(item.textContent).toContain('Not Roundhouse kick: here straight line.');
    expect(item.textContent).toContain('Alone: ten slow ones a side at the wall.');
    expect(within(item).getByRole('link').getAttribute('href')).toBe('/look?item=t%3Akick');
  });

  it('what no belt asks is passed on without a test', () => {
    render(<CatchUp view={view({ items: [{ ...kick, belts: [], conditions: [], contrast: null }] })} />);
    expect(screen.getByText(/Tuesday and Thursday; passed on without a test\./)).toBeTruthy();
    expect(screen.queryByText(/^Not /)).toBeNull();
  });

  it('says what did not fit and why, and what each belt has had of what it is asked', () => {
    const lost = { day: '2026-03-05', name: 'Sluice', how: 'It comes again on Tuesday.', why: 'lost' as const };
    render(
      <CatchUp
        view={view({
          notFit: [lost, { ...lost, name: 'Ferry Pole', why: 'skipped' }],
          belts: [
            { name: 'Straw', rows: [{ name: 'Front kick', had: 45, of: 60 }] },
            { name: 'Black', rows: [] },
          ],
        })}
      />,
    );
    expect(screen.getByText('Sluice').closest('p')!.textContent).toMatch(/^Sluice, Thursday .*\(no class\)\. It comes/);
    expect(screen.getByText('Ferry Pole').closest('p')!.textContent).toMatch(/\(left out\)\./);
    expect(screen.getByText('45 of 60 min')).toBeTruthy();
    expect(screen.getByText('None of these rows is asked for it.')).toBeTruthy();
  });

  it('of a week without a class says so; a day that has passed is not counted down to', () => {
    render(<CatchUp view={view({ classes: [], items: [], test: { name: 'Straw', day: '2026-03-01' } })} />);
    expect(screen.getByText(/No class was noted\.$/)).toBeTruthy();
    expect(screen.getByText(/^Nothing was noted as taught\./)).toBeTruthy();
  });

  it('goes a week back and, where there is one, forward, and to the printer', async () => {
    const print = vi.fn();
    vi.stubGlobal('print', print);
    const { unmount } = render(<CatchUp view={view()} />);
    expect(screen.getByRole('link', { name: 'The week before' }).getAttribute('href')).toMatch(/day=2026-02-23$/);
    expect(screen.queryByRole('link', { name: 'The week after' })).toBeNull();
    await userEvent.setup({ delay: null }).click(screen.getByRole('button', { name: 'Print' }));
    expect(print).toHaveBeenCalledOnce();
    unmount();
    render(<CatchUp view={view({ today: '2026-03-20' })} />);
    expect(screen.getByRole('link', { name: 'The week after' }).getAttribute('href')).toMatch(/day=2026-03-09$/);
  });
});
