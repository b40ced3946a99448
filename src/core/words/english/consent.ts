import { RUNGS } from '../../syllabus/standard';

/** In words: "at most: slow, with checks", or that there is to be no contact. */
export const rungInWords = (rung: number): string =>
  rung <= 0 ? 'no contact' : `at most: ${RUNGS[rung - 1] ?? RUNGS.at(-1)!}`;
