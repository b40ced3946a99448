// Hits heard in the level of a microphone, and how evenly they come. No sound is kept: a number every few milliseconds.

/** What is kept between two levels: how loud it is when nothing is hit, and when the last hit was. */
export interface Hearing {
  /** The level of the hall, in decibels; null before the first. */
  floor: number | null;
  /** When the last hit was heard, in milliseconds; null: none yet. */
  last: number | null;
  /** The least since: what rings fades, a new hit rises. */
  least: number;
}

export interface HearingRule {
  /** So far above the hall a hit stands out, in decibels. */
  rise: number;
  /** Nobody hits faster than this, in milliseconds. */
  apart: number;
}

/** Ours, without a source: a pad struck within a few metres of the tablet stands 12 dB out of a hall. */
export const HEARING: HearingRule = { rise: 12, apart: 160 };
export const SILENCE: Hearing = { floor: null, last: null, least: -Infinity };

/** No hall is as quiet as this, in decibels: the sound was cut for a moment, and its coming back is no hit. */
const CUT = -90;

/** Shares of the way that the floor goes to a level: quickly down, slowly up, so that hits do not lift it. */
const [DOWN, UP] = [0.2, 0.004];

/** The level in decibels of the root mean square of samples between −1 and 1; −100 is the least. */
export const decibels = (rms: number): number => Math.max(-100, 20 * Math.log10(Math.max(rms, 1e-5)));

/** One more level at `at` milliseconds: what is known then, and whether a hit was heard. */
export function hear(
  before: Hearing,
  level: number,
  at: number,
  rule: HearingRule = HEARING,
): { state: Hearing; hit: boolean } {
  if (level < CUT) return { state: before, hit: false };
  if (before.floor === null) return { state: { ...before, floor: level }, hit: false };
  const above = level - before.floor;
  const due = before.last === null || at - before.last >= rule.apart;
  const hit = above >= rule.rise && level - before.least >= rule.rise / 2 && due;
  const floor = before.floor + above * (above < 0 ? DOWN : UP);
  if (hit) return { state: { floor, last: at, least: level }, hit };
  return { state: { ...before, floor, least: Math.min(before.least, level) }, hit };
}

/** How evenly taps or hits come; times in milliseconds, rising. */
export interface Tempo {
  /** Between two, on the middle. */
  between: number;
  /** Half of them lie within so much of that. */
  spread: number;
  /** Between two at the end against the beginning, as a share: above nought it slows down; nought with fewer than seven, where it would hang on a single gap. */
  drift: number;
}

const middle = (all: readonly number[]): number => {
  const s = [...all].sort((a, b) => a - b);
  const h = Math.floor(s.length / 2);
  return s.length % 2 === 1 ? s[h]! : (s[h - 1]! + s[h]!) / 2;
};

/** Null with fewer than four: three gaps are the least from which anything can be told. */
export function tempoOf(times: readonly number[]): Tempo | null {
  if (times.length < 4) return null;
  const gaps = times.slice(1).map((t, i) => t - times[i]!);
  const between = middle(gaps);
  const third = Math.floor(gaps.length / 3);
  return {
    between,
    spread: middle(gaps.map((g) => Math.abs(g - between))),
    drift: third < 2 ? 0 : middle(gaps.slice(-third)) / middle(gaps.slice(0, third)) - 1,
  };
}

/** Counts of a form against when its caller said them. */
export interface AgainstTheCaller {
  /** Of each count, milliseconds after the call; null: nothing was heard of it. */
  after: readonly (number | null)[];
  /** On the middle of those heard; null: none was. */
  lag: number | null;
  /** Heard, but belonging to no count. */
  beside: number;
}

/**
 * Each count with what was heard nearest to it: no further than half of the way to the next and the one before, each heard
 * once. Times in milliseconds, both rising.
 */
export function againstTheCaller(called: readonly number[], heard: readonly number[]): AgainstTheCaller {
  const after = called.map((c, i): { at: number; by: number } | null => {
    const lo = i === 0 ? -Infinity : (called[i - 1]! + c) / 2;
    const hi = i === called.length - 1 ? Infinity : (c + called[i + 1]!) / 2;
    const mine = heard.filter((h) => h >= lo && h < hi);
    if (mine.length === 0) return null;
    const at = mine.reduce((a, b) => (Math.abs(b - c) < Math.abs(a - c) ? b : a));
    return { at, by: at - c };
  });
  const known = after.flatMap((a) => (a ? [a.by] : []));
  return {
    after: after.map((a) => a?.by ?? null),
    lag: known.length > 0 ? middle(known) : null,
    beside: heard.length - known.length,
  };
}
