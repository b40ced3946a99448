import { render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { MissedView } from '../../../contracts/views';
import { idFor } from '../../../kit/testing/ids';
import { pageOf } from '../testing/student';
import MissedList from './MissedList';

const rank = pageOf().ranks[0]!;
const items: MissedView['items'] = [
  {
    item: 'Front kick',
    itemKey: 't:kick',
    condition: 'in air',
    points: [
      { name: 'Heel down', cue: 'Push the floor away.' },
      { name: 'Hip square', cue: '' },
    ],
    version: 'Ten slow ones a side.',
    drill: '',
  },
  { item: 'Sluice', itemKey: 's:sluice', condition: 'in air', points: [], version: 'Counts 1 to 4.', drill: 'Pads' },
];
const student = (name: string, more: Partial<MissedView['students'][number]> = {}) => ({
  id: idFor(name),
  name,
  rank,
  missed: [{ day: '2026-03-03', item: 0 }],
  more: 0,
  ...more,
});

it('says of everybody who was away what to show them first, and how it is made up', () => {
  const both = [
    { day: '2026-03-03', item: 1 },
    { day: '2026-03-05', item: 0 },
  ];
  const view = { items, students: [student('Ilse Marrow'), student('Noor Saltby', { missed: both, more: 3 })] };
  render(<MissedList view={view} />);
  expect(screen.getByText(/^2 students missed what was shown/)).toBeTruthy();
  const [ilse, noor] = [...document.querySelectorAll('.missed > li')];
  expect(ilse!.textContent).toMatch(
    /Front kick in air, 3 March 2026 lookHeel down: “Push the floor away\.” Hip square Ten slow ones a side\.$/,
  );
  expect(ilse!.querySelector('a.no-print')!.getAttribute('href')).toBe(
    `/look?student=${idFor('Ilse Marrow')}&item=t%3Akick`,
  );
  // In the order in which it was missed, each named by its place in the list of all.
  expect([...noor!.querySelectorAll(':scope > ul b')].map((b) => b.textContent)).toEqual(['Sluice', 'Front kick']);
  expect(noor!.textContent).toContain('Counts 1 to 4. Or in a drill: Pads');
  expect(noor!.textContent).toMatch(/3 more$/);
});

it('where nobody has anything to make up, says so', () => {
  render(<MissedList view={{ items: [], students: [] }} />);
  expect(screen.getByText(/^Nobody: everything that was shown/)).toBeTruthy();
});
