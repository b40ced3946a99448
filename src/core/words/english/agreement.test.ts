import { describe, expect, it } from 'vitest';
import type { Agreement } from '../../agreement';
import { agreementInWords, sheetWordSaid, shiftInWords } from './agreement';
import { feedbackInWords } from './feedback';

const of = (lo: number, hi: number, more: Partial<Agreement> = {}): Agreement => ({
  same: 17,
  pairs: 20,
  chance: 15,
  slips: 4,
  alpha: (lo + hi) / 2,
  between: { lo, hi },
  enough: 'yes',
  ...more,
});

describe('how far a panel saw the same', () => {
  it('is said from both ends of where it may lie', () => {
    expect(agreementInWords(of(0.5, 0.95))).toBe('partly to as one');
    expect(agreementInWords(of(-0.1, 0.5))).toBe('chance to partly');
    expect(agreementInWords(of(0.7, 0.8))).toBe('mostly');
  });

  it('is not said of too little', () => {
    expect(agreementInWords(of(0, 1, { enough: 'too few pairs' }))).toBe('too few to say');
    expect(agreementInWords(of(0, 1, { enough: 'too few slips' }))).toBe('too few slips');
    expect(agreementInWords(of(0, 1, { enough: 'nobody slipped' }))).toBe('nobody slipped: nothing to compare');
  });

  it('names who sees more, and of whom there is nothing to say', () => {
    expect(shiftInWords('Idris', 0.034)).toBe('Idris sees 3 in a hundred more held');
    expect(shiftInWords('Odile', -0.02)).toBe('Odile sees 2 in a hundred fewer held');
    expect(shiftInWords('Maren', 0.004)).toBe('Maren sees as the middle');
    expect(sheetWordSaid(null)).toBe('not seen');
  });
});

describe('what the student reads', () => {
  const item = (name: string, word: 'stands' | 'nearly' | 'not yet' | null, split = false) => ({ name, word, split });
  it('is true of the sheets: what stood for all, what nearly did, and what slipped most', () => {
    const says = feedbackInWords(
      [
        item('Forward roll', 'stands'),
        item('Inner block', 'stands', true),
        item('Front kick', 'nearly'),
        item('Cover', 'not yet'),
      ],
      'Window to see through',
    );
    expect(says).toBe(
      'Forward roll stood for all of us. Front kick nearly stood. Cover did not stand yet. To work on: window to see through.',
    );
  });
  it('is nothing where nothing was seen', () => {
    expect(feedbackInWords([item('Cover', null)], null)).toBe('');
  });
});
