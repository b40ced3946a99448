import { addDays, addMonths, ageOn, dayInWords, monthsBetween, type PlainDate } from '../units/plainDate';
import { RUNGS } from './standard';

export const GATE_KINDS = [
  'time in rank',
  'classes',
  'hours',
  'age',
  'consent',
  'no open injury',
  'earlier ranks fresh',
] as const;
export type GateKind = (typeof GATE_KINDS)[number];

/** Kinds that ask for a number; the others are open or shut. */
export const COUNTED_GATES: readonly GateKind[] = ['time in rank', 'classes', 'hours', 'age', 'consent'];

/**
 * What a rank asks besides technique: months in the rank below, classes or hours since then, years of age, consent to
 * a rung of contact (1 the lowest), no open injury, or that nothing of earlier ranks has gone stale.
 */
export interface Gate {
  id: string;
  kind: GateKind;
  amount: number;
}

/** What is known of the person. `classes` and `hours` count from `rankSince`. Unknown dates are null. */
export interface GateFacts {
  born: PlainDate | null;
  rankSince: PlainDate | null;
  classes: number;
  hours: number;
  /** The highest rung consented to, 1 the lowest; null: no consent is on record, or a guardian's is missing. */
  consent?: number | null;
  /** The last day of the longest open injury; null: none is open. */
  injuredUntil?: PlainDate | null;
  /** Names of earlier ranks' items that have gone stale. */
  stale?: readonly string[];
}

export interface GateVerdict {
  gate: Gate;
  word: 'met' | 'short';
  /** What the person has, in the gate's unit; null where a date is missing. */
  has: number | null;
  missing: number | null;
  /** When time alone would open it; null where more than time is needed. */
  opens: PlainDate | null;
  /** What has gone stale, where that is what is missing. */
  names?: readonly string[];
}

/** Whether a gate is open today, what is missing, and when time alone opens it. */
export function judgeGate(gate: Gate, facts: GateFacts, today: PlainDate): GateVerdict {
  const timed = (from: PlainDate | null, has: (since: PlainDate) => number, months: number): GateVerdict => {
    if (from === null) return { gate, word: 'short', has: null, missing: null, opens: null };
    const opens = addMonths(from, months);
    const amount = has(from);
    return opens <= today
      ? { gate, word: 'met', has: amount, missing: 0, opens: null }
      : { gate, word: 'short', has: amount, missing: gate.amount - amount, opens };
  };
  switch (gate.kind) {
    case 'time in rank':
      return timed(facts.rankSince, (since) => Math.max(0, monthsBetween(since, today)), gate.amount);
    case 'age':
      return timed(facts.born, (born) => Math.max(0, ageOn(born, today)), gate.amount * 12);
    case 'classes':
    case 'hours': {
      const has = facts[gate.kind];
      const missing = Math.max(0, gate.amount - has);
      return { gate, word: missing > 0 ? 'short' : 'met', has, missing, opens: null };
    }
    case 'consent': {
      const has = facts.consent ?? null;
      const missing = Math.max(0, gate.amount - (has ?? 0));
      return { gate, word: missing > 0 ? 'short' : 'met', has, missing, opens: null };
    }
    case 'no open injury': {
      const until = facts.injuredUntil ?? null;
      if (until === null || until < today) return { gate, word: 'met', has: 0, missing: 0, opens: null };
      return { gate, word: 'short', has: 1, missing: 1, opens: addDays(until, 1) };
    }
    case 'earlier ranks fresh': {
      const stale = facts.stale ?? [];
      return {
        gate,
        word: stale.length > 0 ? 'short' : 'met',
        has: stale.length,
        missing: stale.length,
        opens: null,
        names: stale,
      };
    }
  }
}

const count = (n: number, one: string, many = `${one}s`) => `${Math.round(n * 10) / 10} ${n === 1 ? one : many}`;

/** Its reason in one line, split so that the second half can stand in lighter ink. */
export function gateInWords(v: GateVerdict, rankName: string, today: PlainDate): { has: string; asks: string } {
  const { kind, amount } = v.gate;
  const until = v.opens ? `, open on ${dayInWords(v.opens, today)}` : '';
  if (kind === 'time in rank') {
    const has = v.has === null ? 'No date for the belt worn' : `${count(v.has, 'month')} as ${rankName}`;
    return { has, asks: `asks ${amount}${until}` };
  }
  if (kind === 'age') {
    const has = v.has === null ? 'No date of birth' : `${v.has} years old`;
    return { has, asks: `asks ${amount}${until}` };
  }
  if (kind === 'consent')
    return v.has === null
      ? { has: 'No consent on record', asks: `asks for ${rungName(amount)}` }
      : { has: `Consent to ${rungName(v.has)}`, asks: `asks for ${rungName(amount)}` };
  if (kind === 'no open injury')
    return v.word === 'met'
      ? { has: 'No open injury', asks: '' }
      : { has: 'An injury is open', asks: v.opens ? `until ${dayInWords(addDays(v.opens, -1), today)}` : '' };
  if (kind === 'earlier ranks fresh') {
    const names = v.names ?? [];
    return names.length === 0
      ? { has: 'Earlier belts are fresh', asks: '' }
      : {
          has: `${count(names.length, 'earlier thing')} to be seen again`,
          asks: names.slice(0, 3).join(', ') + (names.length > 3 ? `, ${names.length - 3} more` : ''),
        };
  }
  const unit = kind === 'hours' ? 'hours of class' : 'classes';
  const more = v.missing ? `, ${Math.round(v.missing * 10) / 10} more` : '';
  return { has: `${Math.round((v.has ?? 0) * 10) / 10} of ${amount} ${unit}`, asks: `since ${rankName}${more}` };
}

const rungName = (n: number): string => RUNGS[Math.round(n) - 1] ?? 'no contact';

/** What a gate asks, whoever comes: "6 months in the belt below". */
export function gateAsks(g: Pick<Gate, 'kind' | 'amount'>): string {
  switch (g.kind) {
    case 'time in rank':
      return `${count(g.amount, 'month')} in the belt below`;
    case 'classes':
      return `${count(g.amount, 'class', 'classes')} since the belt below`;
    case 'hours':
      return `${count(g.amount, 'hour')} of class since the belt below`;
    case 'age':
      return `${count(g.amount, 'year')} of age`;
    case 'consent':
      return `consent to contact: ${rungName(g.amount)}`;
    case 'no open injury':
      return 'no open injury';
    case 'earlier ranks fresh':
      return 'earlier belts still fresh';
  }
}
