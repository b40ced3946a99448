import {
  COMMON_LEVELS,
  POWERS,
  ZONE_PRINTED,
  type CueBy,
  type Inversion,
  type Lane,
  type LevelPattern,
  type LevelRecipe,
  type Operation,
  type Power,
  type PowerByKind,
} from '../../../core';
import { newId } from '../../../kit/send';

export type What = 'name' | 'strike' | 'block' | 'kick' | 'hand' | 'any hand' | 'foot';

export interface Rule {
  what: What;
  name: string;
  side: '' | 'left' | 'right' | 'lead' | 'rear';
  zone: '' | 'upper' | 'middle' | 'lower';
  stance: string;
  moving: '' | 'advancing' | 'turning';
  do: 'before' | 'after' | 'instead' | 'become' | 'remove';
  step: string;
  /** The standing foot slides up with a leg that is put in. */
  slidesUp: boolean;
  /** The stance it becomes, where a recipe brought one; there is no field for it. */
  becomes?: string | undefined;
}

export const PLAIN: Rule = {
  what: 'hand',
  name: '',
  side: '',
  zone: '',
  stance: '',
  moving: 'advancing',
  do: 'before',
  step: 'front kick R mid',
  slidesUp: false,
};

/** One step of a recipe as it is being filled in; `made` is null while something is missing. */
export interface Draft {
  key: string;
  op: Operation['op'];
  rule: Rule;
  inversion: Inversion;
  /** Techniques that change over with each other, a pair a line; empty for common practice. */
  pairs: string;
  other: string;
  steps: string;
  from: string;
  to: string;
  times: string;
  section: string;
  ways: readonly string[];
  seed: number;
  rules: string;
  /** Whose work changes; empty: both, or the first. */
  lane: '' | Lane;
  by: CueBy;
  turns: 'swing' | 'cross';
  powers: Record<keyof PowerByKind, '' | Power>;
  levels: Levels;
}

/** The pattern of heights in its fields. */
export interface Levels {
  techniques: string;
  zones: string;
  first: 'left' | 'right';
  turn: string;
  foot: LevelPattern['foot'];
  bothHands: boolean;
}

export const levelsOf = (p: LevelRecipe): Levels => ({
  techniques: p.techniques?.join(', ') ?? '',
  zones: p.zones.map((z) => ZONE_PRINTED[z]).join(', '),
  first: p.first,
  turn: String(p.turn),
  foot: p.foot,
  bothHands: p.bothHands,
});
export const fresh = (): Draft => ({
  key: newId(),
  op: 'substitute',
  rule: PLAIN,
  inversion: 'high and low',
  pairs: '',
  other: '',
  steps: '',
  from: '1',
  to: '1',
  times: '2',
  section: '',
  ways: [...POWERS],
  rules: '',
  seed: Math.floor(Math.random() * 2 ** 31),
  lane: '',
  by: 'as written',
  turns: 'cross',
  powers: { turning: 'swing', advancing: 'slide', standing: 'vibration' },
  levels: levelsOf({ ...COMMON_LEVELS, techniques: undefined }),
});

export type Made = { ok: true; op: Operation } | { ok: false; why: string };
export const yes = (op: Operation): Made => ({ ok: true, op });
export const no = (why: string): Made => ({ ok: false, why });

/** A whole number as it is typed; NaN where it is none. */
export const whole = (typed: string): number => (/^\d+$/.test(typed.trim()) ? Number(typed) : NaN);
/** Whose work changes, where it was said. */
export const laneOf = (d: Draft): { lane?: Lane } => (d.lane ? { lane: d.lane } : {});
