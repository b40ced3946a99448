import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { CalibrationView } from '../../../contracts/views';
import { reliabilityOf } from '../../../core';
import Calibration from './Calibration';

const viewOf = (more: Partial<CalibrationView> = {}): CalibrationView => ({
  gradings: null,
  gradingCount: 0,
  looks: null,
  lookCount: 0,
  forecasts: null,
  forecastCount: 0,
  teachers: [],
  recent: [],
  ...more,
});
const page = (more?: Partial<CalibrationView>) => {
  render(<Calibration view={viewOf(more)} />);
  return document.body.textContent;
};
/** Forty chances of eight in ten, of which thirty-two came true, and forty of two in ten, of which eight did. */
const good = reliabilityOf(
  [0.8, 0.2].flatMap((chance) => Array.from({ length: 40 }, (_, i) => ({ chance, came: i < chance * 40 }))),
);

describe('how good chances were', () => {
  it('says that there is nothing yet, for each kind of its own', () => {
    const text = page();
    expect(text).toMatch(/No decision is recorded yet\. From 30 on, shown chances are corrected by them\./);
    expect(text).toMatch(/Nobody is known well enough for eight weeks back\./);
    expect(text).toMatch(/No look of the last eight weeks follows another\./);
    expect(text).toMatch(/Too few marks of the same thing by two watchers within three weeks\./);
  });

  it('says how few there are where they are too few to judge by', () => {
    const text = page({ gradingCount: 1, forecastCount: 7, lookCount: 12 });
    expect(text).toMatch(/1 decision so far: too few to judge by\./);
    expect(text).toMatch(/Only 7 so far/);
    expect(text).toMatch(/Only 12 so far/);
  });

  // 0.16 for chances of 0.8 that came true in eight of ten; the base rate of a half scores 0.25 (Brier 1950).
  it('draws what was said against what came true, with the score and its parts', () => {
    const text = page({ gradings: good, gradingCount: 80 });
    expect(screen.getByRole('img', { name: 'Chances said against what came true, 80 decisions' })).toBeTruthy();
    expect(text).toMatch(/36 in 100 better than always saying the share that came true\./);
    expect(text).toMatch(
      /Brier score 0\.16, from 80 decisions: 0\.00 for chances that were off, 0\.09 gained by telling apart, 0\.25 for what is uncertain anyway/,
    );
  });

  it('does not praise chances that say no more than the share that came true', () => {
    const flat = reliabilityOf(Array.from({ length: 60 }, (_, i) => ({ chance: 0.5, came: i % 2 === 0 })));
    expect(page({ looks: flat, lookCount: 60 })).toMatch(/No better than always saying the share that came true\./);
  });

  it('says who marks more kindly only where it is sure', () => {
    const teacher = { by: 'a', compared: 44, more: 1.3, lo: 0.4, hi: 2.2, name: 'Idris Vane' };
    const text = page({
      teachers: [teacher, { ...teacher, by: 'b', name: 'Maren Holt', more: -0.2, lo: -1, hi: 0.6 }],
    });
    expect(text).toMatch(/Idris Vane\+1\.3 of ten/);
    expect(text).toMatch(/More kindly than the others, over 44 marks of the same thing\./);
    expect(text).toMatch(/Maren Holt−0\.2 of tenNo difference that is sure/);
  });
});
