import type { Power, Step } from '../move';
import { printStep } from '../notation/print';
import type { Lane } from './lane';

/** Whose work it is, where it is one lane's. */
export const inLaneSaid = (lane: Lane | undefined): string => (lane ? ` in lane ${lane}` : '');

export const POWER_SAID: Record<Power, string> = {
  swing: 'swing of the turn',
  vibration: 'hip vibration',
  wind: 'wind up and release',
  slide: 'sliding the weight in',
  drop: 'dropping the weight',
};

const article = (name: string) => `${/^[aeiou]/i.test(name) ? 'an' : 'a'} ${name}`;
/** What is put in, shortly: the techniques by name, or the whole count where it has none. */
export const stepWords = (s: Step): string =>
  s.actions.length > 0 ? s.actions.map((a) => article(a.name)).join(' and ') : printStep(s);
