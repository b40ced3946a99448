import { render, screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { ExamineView } from '../../contracts/views';
import { idFor } from '../../kit/testing/ids';
import PaperSheet from './PaperSheet';
import { examinePoint } from './testing/sheet';

const view: ExamineView = {
  grading: { id: idFor('grading'), title: 'Winter grading', day: '2026-03-04', closed: false },
  scale: null,
  me: idFor('maren'),
  typedFor: null,
  handedInAt: null,
  candidates: [
    {
      id: idFor('kofi'),
      name: 'Kofi Adlam',
      to: { id: idFor('fern'), name: 'Fern', cloth: { colour: '#4E7A4F', second: null, stripe: null, bars: 0 } },
      items: [
        {
          requirementId: idFor('kick'),
          name: 'Front kick',
          condition: 'still target',
          asks: '',
          sided: true,
          critical: true,
          rests: { said: 'rests until 10 March: right knee', points: null },
          form: false,
          repetitions: 5,
          points: [
            examinePoint('heel down', { critical: true }),
            examinePoint('knee high', { canHurt: true, adapted: 'not above the hip' }),
          ],
          line: null,
        },
        {
          requirementId: idFor('form'),
          name: 'First Causeway',
          condition: 'in air',
          asks: '',
          sided: false,
          critical: false,
          rests: null,
          form: true,
          repetitions: 1,
          points: [examinePoint('count 1, low block')],
          line: null,
        },
      ],
    },
  ],
};

it('has a box for every repetition and side, a word for each item, and says what is critical and can hurt', () => {
  render(<PaperSheet view={view} />);
  const kofi = within(screen.getByRole('region', { name: 'Kofi Adlam' }));
  const row = kofi.getByText(/^knee high/).closest('tr')!;
  expect([...row.querySelectorAll('.boxes')].map((b) => b.textContent)).toEqual(['□□□□□', '□□□□□']);
  expect(row.textContent).toContain('(can hurt) (adapted: not above the hip)');
  expect(kofi.getByText('heel down (critical)')).toBeTruthy();
  expect(kofi.getByText(/rests until 10 March: right knee/)).toBeTruthy();
  // A form is shown once, count by count.
  const count = kofi.getByText('count 1, low block').closest('tr')!;
  expect([...count.querySelectorAll('.boxes')].map((b) => b.textContent)).toEqual(['□']);
  expect(kofi.getAllByText(/□ not yet/)).toHaveLength(2);
  expect(document.body.textContent).not.toMatch(/chance|focus/i);
});

it('with nobody put forward it says so', () => {
  render(<PaperSheet view={{ ...view, candidates: [] }} />);
  expect(screen.getByText('Nobody goes up yet.')).toBeTruthy();
});

it('has a line for what is measured, and for a mark where the school gives marks', () => {
  const base = examinePoint('base foot', {
    measured: { unit: '°', accepted: { lo: 90, hi: 180 }, wanted: null, measuredBy: null },
  });
  const [kofi] = view.candidates;
  const one = { ...kofi!, items: [{ ...kofi!.items[0]!, repetitions: 2, points: [base] }] };
  render(<PaperSheet view={{ ...view, scale: { outOf: 10, stands: 7, nearly: 5 }, candidates: [one] }} />);
  const row = screen.getByText(/^base foot/).closest('tr')!;
  expect(row.textContent).toContain('(accepted 90 to 180°)');
  expect([...row.querySelectorAll('.boxes')].map((b) => b.textContent)).toEqual(['____ ____ ', '____ ____ ']);
  expect(screen.getByText(/Mark, out of 10/)).toBeTruthy();
  expect(screen.queryByText(/□ stands/)).toBeNull();
});
