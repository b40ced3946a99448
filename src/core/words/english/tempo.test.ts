import { describe, expect, it } from 'vitest';
import { againstTheCaller, tempoOf } from '../../measure/beats';
import { againstTheCallerInWords, tempoInWords } from './tempo';

const called = [1000, 2000, 3000, 4000, 5000];
const names = ['1', '2', '3', '4', '5'];
const said = (heard: readonly number[]) => againstTheCallerInWords(againstTheCaller(called, heard), names);

describe('a form against its caller', () => {
  it('says the middle, and that it came evenly', () => {
    expect(said([1300, 2320, 3290, 4310, 5300])).toEqual([
      '5 of 5 counts tapped, on the middle 0.3 s after the call.',
      'Evenly: none stands out by more than a quarter of a second.',
    ]);
    expect(said([1010, 1990, 3005, 4000, 5010])[0]).toMatch(/with the call/);
    expect(said([800, 1800, 2800, 3800, 4800])[0]).toMatch(/0\.2 s before the call/);
  });

  it('names what is late, what is early, and what was not tapped', () => {
    expect(said([1100, 2100, 3480, 4800])).toEqual([
      '4 of 5 counts tapped, on the middle 0.1 s after the call.',
      'Later than the rest: 3 (0.4 s).',
      'Sooner than the rest: 5 (0.3 s).',
      'Not tapped: 4.',
    ]);
    expect(said([])).toEqual(['No count was tapped.']);
    expect(said([1100, 1200, 2100, 3100, 4100, 5100]).at(-1)).toBe('1 tap belonged to no count.');
  });
});

it('tempo in words: nothing of three, slower or faster ends are told', () => {
  expect(tempoInWords(tempoOf([0, 500, 1000]))).toBe('');
  expect(tempoInWords(tempoOf([0, 700, 1700, 2550, 3550, 4250]))).toBe('0.9 s apart, half of them within 0.2 s.');
  expect(tempoInWords(tempoOf([0, 500, 1000, 1500, 2300, 3100, 3900]))).toMatch(/slower towards the end\.$/);
  expect(tempoInWords(tempoOf([0, 800, 1600, 2400, 2900, 3400, 3900]))).toMatch(/faster towards the end\.$/);
});
