import type { BeltResult } from '../../grading/rule';

const WITHOUT_BELT: Record<BeltResult, string> = {
  'the belt': 'passed',
  'the belt, with a note': 'passed, with a note',
  'part again': 'part again',
  'held over': 'not yet',
};

/** What a grading came to; at a midterm no belt is given, so none is named. */
export const resultInWords = (result: BeltResult, midterm: boolean): string =>
  midterm ? WITHOUT_BELT[result] : result;
