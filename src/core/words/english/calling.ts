import { hasTimes, type BlockCall } from '../../caller/blockCall';
import type { CallMode, Pace } from '../../caller/timeline';
import { countOf } from './speak';

export const CALL_MODE_WORDS: Record<CallMode, string> = {
  through: 'straight through',
  tens: 'by tens a side',
  sets: 'all on one count, by tens',
  pyramid: 'as a pyramid',
  quarters: 'quarters at random',
  clock: 'by the clock',
};

export const CALL_SIDES_WORDS: Record<Pace['sides'], string> = {
  written: 'as written',
  mirrored: 'the other side',
  both: 'both in turn',
};

/** “By tens a side, 12 times, both in turn, 1.5 s a count, 2 rounds”, without what goes without saying. */
export function callInWords(c: BlockCall): string {
  return [
    CALL_MODE_WORDS[c.mode],
    hasTimes(c.mode) ? countOf(c.times, 'time') : '',
    c.sides === 'written' ? '' : CALL_SIDES_WORDS[c.sides],
    `${c.secondsPerCount} s a count`,
    c.rounds === 1 ? '' : countOf(c.rounds, 'round'),
  ]
    .filter((x) => x !== '')
    .join(', ');
}
