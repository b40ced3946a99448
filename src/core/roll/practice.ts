import { addDays, type PlainDate } from '../units/plainDate';

/** What the hands say after practice, and the joints. */
export const HANDS = ['fine', 'sore', 'skin open'] as const;
export type Hands = (typeof HANDS)[number];
export const JOINTS = ['fine', 'sore', 'pain'] as const;
export type Joints = (typeof JOINTS)[number];

/** A student's own entry. */
export interface Practice {
  day: PlainDate;
  minutes: number;
  repetitions: number;
  strikes: number;
  hands: Hands;
  joints: Joints;
}

export interface PracticeSum {
  minutes: number;
  repetitions: number;
  strikes: number;
  entries: number;
  /** Pain in a joint was told of last. */
  painInJoint: boolean;
}

/** The last four weeks at home, and what hands and joints ask for. Home hours are never counted as class hours. */
export function sumPractice(entries: readonly Practice[], today: PlainDate): PracticeSum {
  const since = addDays(today, -28);
  const lately = entries.filter((e) => e.day > since && e.day <= today);
  const add = (of: (e: Practice) => number) => lately.reduce((s, e) => s + of(e), 0);
  const newest = [...lately].sort((a, b) => (a.day < b.day ? 1 : -1))[0];
  return {
    minutes: add((e) => e.minutes),
    repetitions: add((e) => e.repetitions),
    strikes: add((e) => e.strikes),
    entries: lately.length,
    painInJoint: newest?.joints === 'pain',
  };
}
