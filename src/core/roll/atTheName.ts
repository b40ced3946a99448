import type { PlainDate } from '../units/plainDate';

/** What whoever teaches has to know of somebody before anything is asked of them; it stands at the name. */
export type AtTheName =
  | { kind: 'injury' | 'pause'; what: string; until: PlainDate | null }
  /** Nothing on record that counts, or refused. */
  | { kind: 'no consent' | 'no contact' }
  /** Under age, or nobody knows. */
  | { kind: 'minor'; age: number | null };

/**
 * What stands at the name of a student, the gravest first: open injuries, pauses, consent that is missing or was refused,
 * and that they are not of age. `rung` as `consentOf` says it.
 */
export function atTheName(s: {
  resting: readonly { what: string; until: PlainDate | null; pause: boolean }[];
  rung: number | null;
  age: number | null;
  /** Not of age, or nobody knows. */
  minor: boolean;
}): AtTheName[] {
  const rests = [...s.resting]
    .sort((a, b) => Number(a.pause) - Number(b.pause))
    .map(({ what, until, pause }): AtTheName => ({ kind: pause ? 'pause' : 'injury', what, until }));
  const consent: AtTheName[] =
    s.rung === null ? [{ kind: 'no consent' }] : s.rung === 0 ? [{ kind: 'no contact' }] : [];
  const minor: AtTheName[] = s.minor ? [{ kind: 'minor', age: s.age }] : [];
  return [...rests, ...consent, ...minor];
}
