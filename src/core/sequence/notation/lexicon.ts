import type { Zone } from '../../units/zone';
import { BREATHS, FOOT_WAYS, POWERS, type ActionKind, type ActionSide, type BodySide, type Step } from '../move';

// The words of the notation. Each list's first word is the one that is printed.
export const SIDE_WORDS: Readonly<Record<string, ActionSide>> = {
  l: 'left',
  left: 'left',
  r: 'right',
  right: 'right',
  both: 'both',
};
export const ZONE_MODIFIERS: Readonly<Record<string, Zone | 'anywhere'>> = {
  high: 'upper',
  upper: 'upper',
  mid: 'middle',
  middle: 'middle',
  low: 'lower',
  lower: 'lower',
  anywhere: 'anywhere',
};
export const PATH_WORDS: readonly string[] = ['inside', 'outside'];
export const KIND_NOTES: Readonly<Record<string, ActionKind>> = {
  strike: 'strike',
  block: 'block',
  kick: 'kick',
  cut: 'weapon cut',
  'weapon cut': 'weapon cut',
  grip: 'grip',
  hand: 'hand shape',
  'hand shape': 'hand shape',
  fall: 'fall',
  evasion: 'evasion',
};
export const DIRECTIONS: Readonly<Record<string, number>> = { forward: 0, right: 90, back: 180, left: -90 };
export const STANCE_SHORT: readonly string[] = [
  'front',
  'back',
  'cat',
  'straddle',
  'natural',
  'ready',
  'guard',
  'closed',
];
/** Words that begin a part of their own; a technique whose name begins with one is written in quotes. */
export const PART_WORDS: ReadonlySet<string> = new Set([
  ...FOOT_WAYS,
  ...POWERS.map((p) => `power ${p}`),
  ...BREATHS,
  ...Object.keys(SIDE_WORDS),
  'turn',
  'pivot',
  'shift',
  'stand',
  'weight',
  'rise',
  'sink',
  'power',
  'breathe',
  'breath',
  'shout',
  'slow',
  'quick',
  'fast',
  'switch',
  'free',
  'cue',
  'together',
  '-',
]);
export const sideLetter = (side: BodySide): string => (side === 'left' ? 'L' : 'R');

/** The direction of a step in words: forward is not said. */
export function directionWords(toward: number): string {
  const name = Object.entries(DIRECTIONS).find(([, d]) => d === toward)?.[0];
  if (name) return name === 'forward' ? '' : name;
  return `${toward < 0 ? 'left' : 'right'} ${Math.abs(toward)}`;
}

export type StepField = keyof Step;
