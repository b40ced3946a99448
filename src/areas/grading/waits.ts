import type { CandidateShown } from '../../contracts/views';

/** For whom a candidate waits: nobody any more, the student, the head, or they are out. */
export type Waits = 'settled' | 'them' | 'you' | 'out';

export const waitsFor = (c: CandidateShown): Waits => {
  if (c.out !== null) return 'out';
  if (c.yes !== true) return 'them';
  return (c.word !== 'met' || c.shut.length > 0 || c.rests !== null) && c.exception === null ? 'you' : 'settled';
};
