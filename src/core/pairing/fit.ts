import { pairKey, type PairBar, type PairFact, type PairingAround, type PairingPerson, type PairWork } from './model';

/**
 * What a difference weighs, by kind of work: a step of belt, a year, a centimetre, a kilogram. Two who hold for each other
 * are to weigh about the same; where it lands years and size count most (F 59; the numbers are ours, no source).
 */
const WEIGHTS = {
  drill: { step: 60, year: 12, cm: 4, kg: 1 },
  contact: { step: 60, year: 30, cm: 8, kg: 14 },
  holding: { step: 10, year: 6, cm: 2, kg: 22 },
} as const;

/** Where nobody can tell, a difference counts as a middling one. */
const UNSAID = { years: 8, cm: 8, kg: 8 };

/** Beyond these nobody is paired unless a teacher ties them: ours, no source. */
export const LIMITS = {
  /** Two minors, or a minor and an adult, where it lands: years between them. */
  years: 4,
  /** The heavier may weigh so many times the lighter, where it lands and where one holds. */
  mass: 1.5,
  /** Where it lands, by this rung and above. */
  fromRung: 2,
} as const;

/** A pair as good as another but for having worked together lately, each time. */
const RECENT = 120;
const WISH = 400;
const ONE_HOUSE = 500;
/** No two fit worse than so. */
export const WORST = 40_000;

/** Why somebody takes no part in work of this kind at all; null: they do. */
export function standsOut(p: PairingPerson, work: PairWork): 'rests' | 'refused' | 'no consent' | null {
  if (p.rests) return 'rests';
  if (work.rung === 0) return null;
  return p.rung === null ? 'no consent' : p.rung === 0 ? 'refused' : null;
}

/** The rung of some people: the lowest of theirs, never above what is asked tonight. */
export const rungOf = (people: readonly PairingPerson[], work: PairWork): number =>
  Math.min(work.rung, ...people.map((p) => p.rung ?? 0));

const yearsBetween = (a: PairingPerson, b: PairingPerson) =>
  a.age === null || b.age === null ? null : Math.abs(a.age - b.age);

const ratio = (a: number, b: number) => Math.max(a, b) / Math.min(a, b);

/** What stands between two; the first that does. Whose age is not known counts as a minor of another age. */
export function barBetween(a: PairingPerson, b: PairingPerson, work: PairWork, around: PairingAround): PairBar | null {
  if (around.apart.has(pairKey(a.id, b.id))) return 'kept apart';
  if (work.answers && !a.answers && !b.answers) return 'answers';
  const lands = work.kind === 'contact' && rungOf([a, b], work) >= LIMITS.fromRung;
  const years = yearsBetween(a, b);
  if (lands && (a.minor || b.minor) && (years === null || years > LIMITS.years)) return 'years';
  if ((lands || work.kind === 'holding') && a.mass !== null && b.mass !== null && ratio(a.mass, b.mass) > LIMITS.mass)
    return 'mass';
  return null;
}

/** Whether a teacher may set it aside by tying two together. */
export const mayBeTied = (bar: PairBar | null): boolean => bar === null || bar === 'years' || bar === 'mass';

/** How ill two fit, in whole points; lower is better. */
export function illFit(a: PairingPerson, b: PairingPerson, work: PairWork, around: PairingAround): number {
  const w = WEIGHTS[work.kind];
  const key = pairKey(a.id, b.id);
  const cm = a.stature === null || b.stature === null ? UNSAID.cm : Math.abs(a.stature - b.stature);
  const kg = a.mass === null || b.mass === null ? UNSAID.kg : Math.abs(a.mass - b.mass);
  const recent = around.recent.get(key)?.times ?? 0;
  const rungsLost = work.rung === 0 ? 0 : Math.abs((a.rung ?? 0) - (b.rung ?? 0));
  const cost =
    Math.abs(a.rank - b.rank) * w.step +
    (yearsBetween(a, b) ?? UNSAID.years) * w.year +
    cm * w.cm +
    kg * w.kg +
    rungsLost * 80 +
    // Each time a little more, so that three times with one is worse than once with three.
    RECENT * recent * recent +
    (around.wishes.has(key) ? 0 : WISH) +
    (a.household !== null && a.household === b.household ? ONE_HOUSE : 0);
  return Math.min(WORST, Math.round(cost));
}

/** What is worth knowing of two who work together: what speaks for it first. */
export function factsOf(a: PairingPerson, b: PairingPerson, work: PairWork, around: PairingAround): PairFact[] {
  const key = pairKey(a.id, b.id);
  const facts: PairFact[] = [];
  const pinned = around.pins.some(([x, y]) => pairKey(x, y) === key);
  if (pinned) facts.push({ is: 'pinned' });
  const bar = barBetween(a, b, work, around);
  if (bar !== null) facts.push({ is: 'over a limit', bar });
  if (around.wishes.has(key)) facts.push({ is: 'wish' });
  if (work.kind !== 'drill') {
    if (a.mass === null || b.mass === null) facts.push({ is: 'mass not said' });
    else facts.push({ is: 'mass', kg: Math.abs(a.mass - b.mass) });
  }
  facts.push({ is: 'rank', steps: Math.abs(a.rank - b.rank) });
  const years = yearsBetween(a, b);
  if (years !== null && (a.minor || b.minor)) facts.push({ is: 'years', apart: years });
  if (work.kind === 'contact' && a.stature !== null && b.stature !== null)
    facts.push({ is: 'stature', cm: Math.abs(a.stature - b.stature) });
  if (around.met.get(key)) facts.push({ is: 'met tonight' });
  const recent = around.recent.get(key);
  facts.push(recent ? { is: 'met', times: recent.times, last: recent.last } : { is: 'new' });
  if (a.household !== null && a.household === b.household) facts.push({ is: 'one house' });
  return facts;
}
