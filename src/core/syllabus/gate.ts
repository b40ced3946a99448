import { addMonths, ageOn, dayInWords, monthsBetween, type PlainDate } from '../units/plainDate';

export const GATE_KINDS = ['time in rank', 'classes', 'hours', 'age'] as const;
export type GateKind = (typeof GATE_KINDS)[number];

/** What a rank asks besides technique: months in the rank below, classes or hours since then, or years of age. */
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
}

export interface GateVerdict {
  gate: Gate;
  word: 'met' | 'short';
  /** What the person has, in the gate's unit; null where a date is missing. */
  has: number | null;
  missing: number | null;
  /** When time alone would open it; null where more than time is needed. */
  opens: PlainDate | null;
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
  const unit = kind === 'hours' ? 'hours' : 'classes';
  const more = v.missing ? `, ${Math.round(v.missing * 10) / 10} more` : '';
  return { has: `${Math.round((v.has ?? 0) * 10) / 10} of ${amount} ${unit}`, asks: `since ${rankName}${more}` };
}
