import { RUNGS, type Rung } from '../syllabus/standard';
import { ageOn, type PlainDate } from '../units/plainDate';

/** Below this age a guardian agrees as well, where the school says nothing else: local law comes first. */
export const OF_AGE = 18;

/** Whether a guardian has to agree as well. Whose age is not known is treated as a minor. */
export const isMinor = (born: PlainDate | null, today: PlainDate, ofAge: number): boolean =>
  born === null || ageOn(born, today) < ofAge;

/**
 * The rung a person has agreed to, 1 the lowest; 0 where they refused, for which no reason is asked; null where nothing
 * is on record, or a minor's guardian has not agreed. Whose age is not known is treated as a minor.
 */
export function consentOf(
  said: { rung: Rung | null; guardian: string } | undefined,
  born: PlainDate | null,
  today: PlainDate,
  ofAge: number,
): number | null {
  if (!said) return null;
  if (said.rung === null) return 0;
  if (isMinor(born, today, ofAge) && said.guardian.trim() === '') return null;
  return RUNGS.indexOf(said.rung) + 1;
}

/**
 * The rung two partners may go to together: never above the lower of the two, 0 where either refused or has nothing on
 * record that counts.
 */
export const rungTogether = (a: number | null, b: number | null): number => Math.min(a ?? 0, b ?? 0);
