import { PLAIN_PACE, type Pace } from './timeline';

/** How a form is called in a class, as far as it is said beforehand; the rest is as the caller has it. */
export type BlockCall = Pick<Pace, 'mode' | 'sides' | 'secondsPerCount' | 'rounds' | 'times'>;

/** A form called straight through, as it is written. */
export const PLAIN_CALL: BlockCall = {
  mode: PLAIN_PACE.mode,
  sides: PLAIN_PACE.sides,
  secondsPerCount: PLAIN_PACE.secondsPerCount,
  rounds: PLAIN_PACE.rounds,
  times: PLAIN_PACE.times,
};

/** Whether counts are repeated so many times in this way of calling. */
export const hasTimes = (mode: BlockCall['mode']): boolean => mode === 'tens' || mode === 'sets' || mode === 'quarters';
