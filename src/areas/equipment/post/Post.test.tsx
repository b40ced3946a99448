import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { PostsView } from '../../../contracts/views';
import { LOAD_AS_DELIVERED } from '../../../core';
import { doneAs } from '../../../kit/testing/server';
import PostPage from './PostPage';

afterEach(() => vi.unstubAllGlobals());

const id = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const view: PostsView = {
  today: '2026-03-12',
  rule: LOAD_AS_DELIVERED,
  posts: [],
  head: true,
  students: [
    { id: id(1), name: 'Kofi Adlam', age: 17, stature: 176, may: { may: true } },
    { id: id(2), name: 'Nell Okafor', age: 12, stature: 150, may: { may: false, why: 'age', from: '2030-05-18' } },
    { id: id(3), name: 'Greta Holm', age: 16, stature: 168, may: { may: false, why: 'guardian' } },
  ],
};
const user = userEvent.setup();
function taking() {
  const sent: { version?: number; post: { pulls: unknown[]; title: string } }[] = [];
  vi.stubGlobal(
    'fetch',
    vi.fn((_path: string, { body }: { body: string }) => {
      const said = JSON.parse(body) as { id: string; input: (typeof sent)[number] };
      sent.push(said.input);
      return Promise.resolve(doneAs(said.id, { version: sent.length }));
    }),
  );
  return sent;
}

// Check values of the plan: 1.76 m, ash, 90 × 32 planed to 16, two thirds, 300 N.
it('is reckoned for somebody, is changed at once, and a pull narrows it; kept twice it goes on from its version', async () => {
  const sent = taking();
  render(<PostPage view={view} student={id(1)} />);
  const lead = () => screen.getByText(/^The pad ends at/).textContent;
  expect(lead()).toContain('1.23 m, and a push of 300 N, some 31 kg, moves it 5.3 cm: springy enough to begin on.');
  await user.click(screen.getByRole('radio', { name: /^glued/ }));
  expect(lead()).toContain('moves it 1.6 cm: too hard for a hand.');
  await user.click(screen.getByRole('radio', { name: /^joined/ }));
  expect(screen.getByText('20 kg should move it 35 mm, 23 to 55')).toBeTruthy();
  await user.type(screen.getByLabelText('It moved, mm'), '2');
  await user.click(screen.getByRole('button', { name: 'Take it' }));
  expect(screen.getByText('It moved no more than one reads wrongly: pull harder.')).toBeTruthy();
  await user.clear(screen.getByLabelText('It moved, mm'));
  await user.type(screen.getByLabelText('It moved, mm'), '70');
  await user.click(screen.getByRole('button', { name: 'Take it' }));
  expect(lead()).toContain('10.7 cm: too soft to come back.');
  await user.click(screen.getByRole('button', { name: 'Keep it' }));
  expect(await screen.findByText('Kept.')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Keep it' }));
  expect(await screen.findByText('Kept.')).toBeTruthy();
  expect(sent.map((s) => [s.post.title, s.post.pulls.length, s.version])).toEqual([
    ['A post for Kofi', 1, undefined],
    ['A post for Kofi', 1, 1],
  ]);
});

it('boards that are too thin are named, with what holds, which one press takes', async () => {
  render(<PostPage view={view} student={null} />);
  const thick = screen.getByLabelText('Thick');
  await user.clear(thick);
  await user.type(thick, '12');
  await user.click(screen.getByRole('radio', { name: '450 N' }));
  const mend = await screen.findByRole('button', { name: /^Take \d+ mm$/ });
  await user.click(mend);
  expect(screen.queryByText(/more than a third of what breaks it/)).toBeNull();
  await user.clear(screen.getByLabelText('Thick'));
  await user.type(screen.getByLabelText('Thick'), '500');
  expect(screen.getByText('From 8 to 120.')).toBeTruthy();
});

it('under sixteen no post is drawn; without the guardian’s yes it is asked first, and not printed', () => {
  const { unmount } = render(<PostPage view={view} student={id(2)} />);
  expect(screen.getByText(/Nell Okafor: Soft targets only/)).toBeTruthy();
  expect(screen.queryByRole('img')).toBeNull();
  expect(screen.queryByRole('button', { name: 'Print what to cut' })).toBeNull();
  unmount();
  render(<PostPage view={view} student={id(3)} />);
  expect(screen.getByRole('link', { name: 'Ask first' }).getAttribute('href')).toBe(`/students/${id(3)}/strikes`);
  expect(screen.queryByRole('button', { name: 'Print what to cut' })).toBeNull();
});
