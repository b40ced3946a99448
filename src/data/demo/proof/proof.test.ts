import { describe, expect, it } from 'vitest';
import { addDays, addMonths, seeded, TEMPLATES } from '../../../core';
import { calibrationOf, chancesAgainstTruth } from './chances';
import { focusKept } from './focus';
import { rangesThatHold } from './forecasts';
import { looksToSettle } from './looks';
import { calledMet } from './curve';
import { beltsAgainstTruth, contradictions } from './verdicts';
import { panelsAgainstTruth } from './panels';
import { trueSchool } from './school';

// The small version of what the judge measures, with wide margins: it is to notice when judgement breaks.
const TODAY = '2026-03-05';
const school = trueSchool(TODAY, 3, 48, 12);

describe('judgement against a known truth', () => {
  it('verdicts seldom contradict it', () => {
    const { verdicts, wrong } = contradictions(school, [TODAY]);
    expect(verdicts).toBeGreaterThan(100);
    expect(wrong / verdicts).toBeLessThan(0.1);
  });

  it('chances on the day tell more than the base rate', () => {
    const { outcomes, brier, base } = chancesAgainstTruth(school, [addDays(TODAY, -30), TODAY], 5, 100);
    expect(outcomes.length).toBeGreaterThan(60);
    expect(brier).toBeLessThan(base * 0.6);
    // On the whole as often as was said, without any correction.
    const { said, came } = calibrationOf(outcomes);
    expect(Math.abs(said - came)).toBeLessThan(0.1);
  });

  it('the good are called met, the poor are not, one weak critical point is mostly seen', () => {
    const met = (shares: Parameters<typeof calledMet>[0]) => calledMet(shares, seeded(2), 400);
    expect(met({ others: 0.9, critical: 0.97 })).toBeGreaterThan(0.8);
    expect(met({ others: 0.7, critical: 0.8 })).toBeLessThan(0.05);
    expect(met({ others: 0.95, critical: 0.95, weakest: 0.75 })).toBeLessThan(0.2);
  });

  it('how each examiner sees is found within its interval; a panel decides no worse than a plain majority', () => {
    const { within, ours, majority } = panelsAgainstTruth(school, TODAY, 9, 25);
    expect(within).toBeGreaterThanOrEqual(0.85);
    expect(ours).toBeGreaterThan(0.75);
    expect(ours).toBeGreaterThan(majority - 0.02);
  });

  it('“nothing missing” is seldom said of a belt that is not there', () => {
    const { cases, falsely } = beltsAgainstTruth(school, [addDays(TODAY, -30), TODAY]);
    expect(cases).toBeGreaterThan(20);
    expect(falsely / cases).toBeLessThan(0.05);
  });

  it('“worth a look” settles a cohort sooner than walking the line', () => {
    const straw = school.students.filter((s) => s.held.at(-1)!.rankId === school.ranks[1]!.id);
    const from = addDays(TODAY, -90);
    const chosen = looksToSettle(school, straw, from, 'worth a look', 1, 0.95);
    const walked = looksToSettle(school, straw, from, 'walking the line', 1, 0.95);
    expect(walked).toBeGreaterThan(0);
    expect(chosen).toBeLessThanOrEqual(walked);
  });

  it('most forecast ranges hold the day', () => {
    const long = trueSchool(TODAY, 23, 48, 26, TEMPLATES[0]!.standard);
    const f = rangesThatHold(long, addMonths(TODAY, -15), TODAY, 80);
    expect(f.spoken).toBeGreaterThan(5);
    expect(f.inside / f.spoken).toBeGreaterThan(0.5);
  });

  it('the focus keeps its rule in every case', () => {
    const { chosen, kept } = focusKept(school, [addDays(TODAY, -40), TODAY]);
    expect(chosen).toBeGreaterThan(40);
    expect(kept).toBe(chosen);
  });
});
