import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ComponentProps } from 'react';
import { expect, it, vi } from 'vitest';
import type { DayGroup } from '../../core';
import { DayChart } from './DayChart';

const group = (id: string, belt: string, minutes: number): DayGroup => ({
  id,
  belt,
  rank: 1,
  people: [`${id} a`, `${id} b`],
  tasks: [],
  minutes,
});
const settings = {
  begins: 600,
  ends: 700,
  opening: 10,
  panel: 20,
  closing: 10,
  pause: 5,
  floors: 2,
  mats: 1,
  line: 8,
  eyes: 1,
  rest: 0,
  secondsRepetition: 6,
  secondsCount: 1,
  formTogether: 2,
  things: [],
  comes: {},
};
const day: ComponentProps<typeof DayChart> = {
  groups: [group('straw', 'to Straw', 20), group('fern', 'to Fern', 30)],
  plan: {
    groups: [
      { group: 'straw', at: 610, floor: 0, examiners: ['maren'] },
      { group: 'fern', at: 610, floor: 1, examiners: ['odile'] },
    ],
    pauseAt: 640,
    panelAt: 645,
    closingAt: 665,
    endsAt: 675,
  },
  settings,
  panel: [
    { id: 'maren', name: 'Maren Holt' },
    { id: 'odile', name: 'Odile Farrow' },
  ],
  chosen: null,
  onChoose: () => undefined,
  numbers: new Map([['fern', [1, 3]]]),
  slack: { pause: 5, panel: 0 },
  now: null,
  nameOf: (id) => `somebody ${id}`,
};
const blocks = () => screen.getAllByRole('button');
const at = (label: RegExp) => screen.getByRole('button', { name: label }).closest('li')!.style;

it('is read in the order of the clock, each with when it begins and how long it lasts', () => {
  render(<DayChart {...day} />);
  expect(blocks().map((b) => b.getAttribute('aria-label'))).toEqual([
    '10:00, Bow in, the rule read out, warm-up, 10 minutes',
    '10:10, to Straw, 20 minutes',
    '10:10, to Fern, 30 minutes',
    '10:40, Break, 5 minutes',
    '10:45, The panel sits, 20 minutes',
    '11:05, Belts, bow out, 10 minutes',
  ]);
});

it('is to scale: twice the minutes are twice as long, and floors stand side by side', () => {
  render(<DayChart {...day} />);
  const [opening, straw, fern] = [at(/Bow in/), at(/to Straw/), at(/to Fern/)];
  const minute = (Number.parseFloat(straw.top) - Number.parseFloat(opening.top)) / 10;
  expect(Number.parseFloat(straw.height) + 2).toBeCloseTo(20 * minute);
  expect(Number.parseFloat(fern.height) + 2).toBeCloseTo(30 * minute);
  expect([straw.left, fern.left, opening.width]).toEqual(['0%', '50%', '100%']);
  // What can be given up of the break is drawn in it; the panel gives nothing.
  const given = [...document.querySelectorAll<HTMLElement>('.slack')];
  expect(given.map((x) => Number.parseFloat(x.style.height))).toEqual([5 * minute]);
});

it('a thread shows when an examiner looks, a number which checks stand at a group, and a line what time it is', () => {
  render(<DayChart {...day} now={630} />);
  const threads = [...document.querySelectorAll('.thread')];
  expect(threads.map((x) => [x.textContent, x.querySelectorAll('i').length])).toEqual([
    ['Maren', 1],
    ['Odile', 1],
  ]);
  expect(screen.getByRole('button', { name: /to Fern/ }).textContent).toMatch(/^13to Fern/);
  expect(screen.getByRole('listitem', { name: 'Now, 10:30' })).toBeTruthy();
});

it.each([null, 599, 701])('at %s it is no time of the day, and no line is drawn', (now) => {
  render(<DayChart {...day} now={now} />);
  expect(screen.queryByRole('listitem', { name: /^Now/ })).toBeNull();
});

it('a block is chosen by a press, and says so', async () => {
  const onChoose = vi.fn();
  render(<DayChart {...day} chosen="straw" onChoose={onChoose} />);
  expect(screen.getByRole('button', { name: /to Straw/ }).getAttribute('aria-pressed')).toBe('true');
  await userEvent.setup({ delay: null }).click(screen.getByRole('button', { name: /to Fern/ }));
  expect(onChoose).toHaveBeenCalledExactlyOnceWith('fern');
});
