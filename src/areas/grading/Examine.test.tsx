import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { ExamineItem, ExaminePoint, ExamineView } from '../../contracts/views';
import { idFor } from '../../kit/testing/ids';
import Examine from './Examine';
import { examinePoint } from './testing/sheet';

const item = (name: string, points: ExaminePoint[], more: Partial<ExamineItem> = {}): ExamineItem => ({
  requirementId: idFor(name),
  name,
  condition: 'in air',
  asks: '3 of 5',
  sided: false,
  critical: false,
  rests: null,
  form: false,
  repetitions: 3,
  points,
  line: null,
  ...more,
});
const to = { id: idFor('fern'), name: 'Fern', cloth: { colour: '#4E7A4F', second: null, stripe: null, bars: 0 } };
const open = async (items: ExamineItem[], more: Partial<ExamineView> = {}) => {
  const view: ExamineView = {
    grading: { id: idFor(`grading ${Math.random()}`), title: 'Winter grading', day: '2026-03-04', closed: false },
    scale: null,
    me: idFor('maren'),
    typedFor: null,
    handedInAt: null,
    candidates: [
      { id: idFor('kofi'), name: 'Kofi Adlam', to, items },
      { id: idFor('nell'), name: 'Nell Okafor', to, items },
    ],
    ...more,
  };
  const user = userEvent.setup({ delay: null });
  render(<Examine view={view} />);
  // Nothing is taken before it is known what an earlier visit left.
  await waitFor(() => expect(screen.getByRole('main').getAttribute('aria-busy')).toBe('false'));
  return user;
};
const key = (name: RegExp) => screen.getByRole('button', { name });
const row = (name: string) => screen.getByRole('button', { name: new RegExp(`^\\d+ ?${name}`) });

it('a measure decides by itself: only the key that fits takes it; without one the eye judges', async () => {
  const accepted = { lo: 90, hi: 180 };
  const base = examinePoint('base foot turned', {
    measured: { unit: '°', accepted, wanted: { lo: 120, hi: 150 }, measuredBy: null },
  });
  const user = await open([item('Front kick', [base, examinePoint('guard up')])]);
  expect(key(/^Held by eye/)).toHaveProperty('disabled', false);
  await user.click(key(/^More/));
  expect(screen.getByText('accepted')).toBeTruthy();
  expect(key(/^Slipped/)).toHaveProperty('disabled', true);
  await user.click(key(/^Held 135°/));
  // The next repetition is measured anew.
  await user.type(screen.getByRole('textbox', { name: 'Measured, in °' }), '60');
  expect(key(/^Held/)).toHaveProperty('disabled', true);
  await user.keyboard('{Tab}');
  await user.click(key(/^Slipped 60°/));
  await user.click(key(/^Slipped by eye/));
  expect(within(row('base foot turned')).getByText('1 of 3')).toBeTruthy();
  // Where it was measured the measure stands when one comes back.
  await user.click(key(/^Undo/));
  await user.click(key(/^Undo/));
  expect(within(row('base foot turned')).getByText('1 of 1')).toBeTruthy();
});

it('a measure that was begun for one side or repetition is not taken for another', async () => {
  const accepted = { lo: 90, hi: 180 };
  const base = examinePoint('base foot turned', { measured: { unit: '°', accepted, wanted: null, measuredBy: null } });
  const user = await open([item('Front kick', [base, examinePoint('guard up')], { sided: true })]);
  const field = () => screen.getByRole('textbox', { name: 'Measured, in °' });
  await user.type(field(), '120');
  await user.click(screen.getByRole('radio', { name: /right/ }));
  expect(field()).toHaveProperty('value', '');
  await user.type(field(), '120');
  await user.click(row('guard up'));
  await user.click(row('base foot turned'));
  expect(field()).toHaveProperty('value', '');
});

it('what rests on the day stands above the item, and at its points where it is a part of it', async () => {
  const heel = examinePoint('heel down');
  const part = { said: 'rests until 10 March: left ankle', points: [heel.id] };
  await open([item('Front kick', [heel, examinePoint('guard up')], { rests: part })]);
  expect(screen.getByText(/^Part of it rests until 10 March: left ankle/)).toBeTruthy();
  expect(row('heel down').textContent).toContain('rests.');
  expect(row('guard up').textContent).not.toContain('rests.');
});

it('a school that gives marks has them out of its number, with the word they stand for', async () => {
  const user = await open([item('Front kick', [examinePoint('guard up')])], {
    scale: { outOf: 10, stands: 7, nearly: 5 },
  });
  expect(screen.queryByRole('group', { name: 'Your word for it' })).toBeNull();
  await user.click(key(/^6$/));
  expect(key(/^6$/).getAttribute('aria-pressed')).toBe('true');
  expect(screen.getByText('nearly')).toBeTruthy();
  const typed = screen.getByLabelText('Or typed');
  await user.clear(typed);
  await user.type(typed, '7.5');
  expect(screen.getByText('stands')).toBeTruthy();
  // Beyond the scale nothing is taken: of eleven the first letter stands.
  await user.clear(typed);
  await user.type(typed, '11');
  expect(screen.getByText('not yet')).toBeTruthy();
  await user.click(key(/^Nell/));
  expect(screen.queryByText('not yet')).toBeNull();
  expect(within(key(/^Kofi/)).getByText('1')).toBeTruthy();
});

it('beside a count stand what others may do there, and that a form of a like name goes another way', async () => {
  await open([
    item(
      'First Causeway',
      [
        examinePoint('count 1, low block', { variants: [{ school: 'the ferry house', does: 'step R, low block R' }] }),
        examinePoint('count 2, punch', { unlike: [{ form: 'Second Causeway', does: 'step R, rising block R' }] }),
        examinePoint('count 3, punch', { unlike: [{ form: 'Third Causeway', does: null }] }),
      ],
      { form: true, repetitions: 1 },
    ),
  ]);
  expect(row('count 1').textContent).toContain('accepted as the ferry house does it: step R, low block R');
  expect(row('count 2').textContent).toContain('Second Causeway goes on here with step R, rising block R');
  expect(row('count 3').textContent).toContain('Third Causeway has ended here');
});

it('the sheet goes along the line, by keys too, and says what is open before it is handed in', async () => {
  const user = await open([item('Front kick', [examinePoint('heel down'), examinePoint('guard up')])]);
  await user.keyboard('hhs');
  expect(within(row('heel down')).getByText('2 of 3')).toBeTruthy();
  await user.keyboard('r');
  expect(within(row('guard up')).getByText('3 of 3')).toBeTruthy();
  await user.keyboard('8');
  expect(screen.getByRole('button', { name: 'nearly' }).getAttribute('aria-pressed')).toBe('true');
  await user.keyboard('u');
  expect(screen.getByRole('button', { name: 'nearly' }).getAttribute('aria-pressed')).toBe('false');
  await user.keyboard('{Enter}');
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Nell Okafor');
  await user.click(key(/^Hand in/));
  expect(screen.getByText(/Open: 6 marks not seen/)).toBeTruthy();
});

it('whoever is asked other things of the same belt stands in a line of their own, and whoever is asked nothing in none', async () => {
  const kick = item('Front kick', [examinePoint('heel down')]);
  const form = item('First Causeway', [examinePoint('count 1')], { form: true, repetitions: 1 });
  const user = await open([], {
    candidates: [
      { id: idFor('kofi'), name: 'Kofi Adlam', to, items: [kick, form] },
      { id: idFor('bram'), name: 'Bram Oakes', to, items: [] },
      { id: idFor('nell'), name: 'Nell Okafor', to, items: [kick] },
    ],
  });
  const heading = () => screen.getByRole('heading', { level: 1 }).textContent;
  expect(heading()).toBe('Kofi Adlam');
  await user.click(key(/^Next: Kofi, First Causeway/));
  await user.click(key(/^Next: Nell, Front kick/));
  expect(heading()).toBe('Nell Okafor');
  expect(screen.queryByRole('button', { name: /^Next/ })).toBeNull();
});

it('an examiner reads a measure off a picture too, and keeps none', async () => {
  const accepted = { lo: 90, hi: 180 };
  const base = examinePoint('base foot turned', { measured: { unit: '°', accepted, wanted: null, measuredBy: null } });
  const user = await open([item('Front kick', [base])]);
  await user.click(key(/^From a picture$/));
  expect(await screen.findByText(/Nothing leaves this device/)).toBeTruthy();
  expect(screen.queryByText(/has not agreed/)).toBeNull();
  await user.click(key(/^Leave it$/));
  await waitFor(() => expect(screen.queryByText(/Nothing leaves this device/)).toBeNull());
});
