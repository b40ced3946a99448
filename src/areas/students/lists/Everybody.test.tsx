import { act, cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { EverybodyView } from '../../../contracts/views';
import { refusedAs, shown } from '../../../kit/testing/server';
import Everybody from './Everybody';

const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };
const [white, straw] = ['White', 'Straw'].map((name) => ({ id: name, name, cloth }));
const row = (name: string, more: Partial<EverybodyView['rows'][number]> = {}): EverybodyView['rows'][number] => ({
  id: name,
  name,
  rank: white!,
  next: straw!,
  words: ['met', 'short'],
  shut: 0,
  group: 'one thing slips',
  looks: 12,
  missing: 'one of two met',
  first: 'Rear heel held in 5 of the last 9.',
  ...more,
});
let status = 200;
beforeEach(() => {
  status = 200;
  const rows = [
    { studentId: 'Ilse', words: 'about 7 in 10', chance: 0.7, lo: 0.6, hi: 0.8, looks: 12, correctedBy: 0 },
  ];
  vi.stubGlobal('fetch', () => Promise.resolve(status === 200 ? shown({ rows }) : refusedAs(status, 'no')));
});
const open = (rows: EverybodyView['rows']) => {
  render(<Everybody view={{ rows, ranks: [white!, straw!], gradingDay: '2026-04-01' }} />);
  return userEvent.setup({ delay: null });
};

describe('who is ready, of all belts', () => {
  it('stands in groups by what is missing, each with the first thing in the way', () => {
    open([row('Ilse', { group: 'nothing missing', first: 'Nothing is missing.' }), row('Bram')]);
    const groups = screen.getAllByRole('rowheader').map((h) => h.textContent);
    expect(groups).toEqual(['Nothing missing one', 'One thing slips one']);
    expect(screen.getByText('Rear heel held in 5 of the last 9.')).toBeTruthy();
    expect(document.body.textContent).toMatch(/2 students against the next belt of each\. Grading on 1 April 2026/);
  });

  it('chances come after the page; whoever has too few looks has none', async () => {
    open([row('Ilse'), row('Bram')]);
    expect(screen.getAllByText('…')).toHaveLength(2);
    const of = (name: string) => within(screen.getByRole('link', { name }).closest('tr')!);
    expect(await of('Ilse').findByText('7 in 10')).toBeTruthy();
    expect(of('Bram').getByText('too few looks')).toBeTruthy();
  });

  it('within a group the likelier stand first once chances are there, but not under somebody’s keys', async () => {
    const rows = [row('Bram'), row('Ilse'), row('Noor', { words: ['short', 'short'] })];
    open(rows);
    const names = () => [...document.querySelectorAll('a.who')].map((a) => a.textContent);
    expect(names()).toEqual(['Bram', 'Ilse', 'Noor']);
    await screen.findByText('7 in 10');
    await waitFor(() => expect(names()).toEqual(['Ilse', 'Bram', 'Noor']));
    cleanup();
    open(rows);
    const bram = screen.getByRole('link', { name: 'Bram' });
    act(() => bram.focus());
    await screen.findByText('7 in 10');
    expect(names()).toEqual(['Bram', 'Ilse', 'Noor']);
    expect(document.activeElement).toBe(bram);
  });

  it('is gone through by keys, and stops at both ends', async () => {
    const user = open([row('Ilse'), row('Bram'), row('Noor')]);
    screen.getByRole('link', { name: 'Ilse' }).focus();
    await user.keyboard('{ArrowUp}');
    expect(document.activeElement!.textContent).toBe('Ilse');
    await user.keyboard('{ArrowDown}{ArrowDown}{ArrowDown}');
    expect(document.activeElement!.textContent).toBe('Noor');
  });

  it('says so where nobody has a next belt', () => {
    open([]);
    expect(screen.getByText('Nobody is on the roll who has a next belt.')).toBeTruthy();
    expect(screen.queryByRole('table')).toBeNull();
  });
});
