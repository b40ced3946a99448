import { addDays, addMonths, ageOn, monthsBetween, type PlainDate } from '../units/plainDate';

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

/** What can hang on one item, or on a part of it: until then it is not asked of that person. */
export const OPENED_BY = ['time in rank', 'hours', 'age'] as const satisfies readonly GateKind[];
export interface Opening {
  kind: (typeof OPENED_BY)[number];
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
