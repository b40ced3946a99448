import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, expect, it, vi } from 'vitest';
import type { SchoolView } from '../../contracts/views';
import { idFor } from '../../kit/testing/ids';
import { doneAs, idIn, shown } from '../../kit/testing/server';
import School from './School';

let sent: { name: string; input: Record<string, unknown> }[] = [];
const view: SchoolView = {
  name: 'Causeway Hall',
  timeZone: 'Europe/London',
  usualMinutes: 90,
  classDays: 14,
  ofAge: 18,
  languages: ['ko'],
  certificateHead: '',
  certificateWording: '',
  signs: { since: '2026-01-04', before: 0 },
  halls: [{ id: idFor('marsh'), name: 'Marsh room', width: 8, depth: 12, version: 1 }],
};
beforeEach(() => {
  sent = [];
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    if (path.startsWith('/api/views/')) return Promise.resolve(shown(view));
    sent.push(JSON.parse(init?.body as string) as (typeof sent)[number]);
    return Promise.resolve(doneAs(idIn(init), {}));
  });
});

it('is set once for everybody; what is wrong is said at its field and nothing is sent', async () => {
  const user = userEvent.setup({ delay: null });
  render(<School view={view} zones={['Europe/London', 'UTC']} />);
  const save = screen.getByRole('button', { name: 'Save' });
  const field = (name: string) => screen.getByLabelText(name);
  await user.clear(field('Put right for, in days'));
  await user.type(field('Put right for, in days'), '2.5');
  await user.clear(field('Of age from'));
  await user.type(field('Of age from'), '9');
  await user.click(save);
  expect(await screen.findByText('The number of days is a whole number.')).toBeTruthy();
  expect(screen.getByText('The age is at least 14.')).toBeTruthy();
  expect(sent).toEqual([]);
  await user.clear(field('Put right for, in days'));
  await user.type(field('Put right for, in days'), '30');
  await user.clear(field('Of age from'));
  await user.type(field('Of age from'), '16');
  await user.click(field('The hall counts in'));
  await user.click(screen.getByRole('option', { name: 'English' }));
  await user.click(save);
  expect(await screen.findByText('Saved. It counts from now on.')).toBeTruthy();
  expect(sent).toMatchObject([
    { name: 'school.set', input: { name: 'Causeway Hall', classDays: 30, ofAge: 16, languages: ['ko', 'en'] } },
  ]);
});

it('a wording names only what there is; a new key is asked for once more', async () => {
  const user = userEvent.setup({ delay: null });
  render(<School view={view} zones={['UTC']} />);
  await user.type(screen.getByLabelText('Below the name'), 'holds {{belt} since {{date}');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  expect(await screen.findByText('In braces only {name}, {belt}, {day} and {school} can stand.')).toBeTruthy();
  expect(sent).toEqual([]);
  expect(screen.getByText(/By the key of 4 January 2026/)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Make a new key' }));
  await user.click(screen.getByRole('button', { name: 'Make a new key' }));
  await waitFor(() => expect(sent).toMatchObject([{ name: 'signingKey.renew', input: {} }]));
});

it('keeps its halls beside it', async () => {
  const user = userEvent.setup({ delay: null });
  render(<School view={view} zones={['UTC']} />);
  expect(screen.getByText('Marsh room, 8 by 12 m')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Remove' }));
  await waitFor(() => expect(sent).toMatchObject([{ name: 'hall.remove', input: { id: idFor('marsh') } }]));
});
