import type { Zone } from '../units/zone';

export type BodySide = 'left' | 'right';
/** The limb that acts; `none` where nothing was said or the whole body acts. */
export const ACTION_SIDES = ['left', 'right', 'both', 'none'] as const;
export type ActionSide = (typeof ACTION_SIDES)[number];

export const ACTION_KINDS = ['strike', 'block', 'kick', 'weapon cut', 'grip', 'hand shape', 'fall', 'evasion'] as const;
export type ActionKind = (typeof ACTION_KINDS)[number];

export const SEQUENCE_KINDS = ['form', 'combination', 'equipment set', 'partner drill'] as const;
export type SequenceKind = (typeof SEQUENCE_KINDS)[number];

/** Ways of making power: swing of the turn, hip vibration, wind up and release, sliding the weight in, dropping it. */
export const POWERS = ['swing', 'vibration', 'wind', 'slide', 'drop'] as const;
export type Power = (typeof POWERS)[number];
export const BREATHS = ['in', 'out', 'hold'] as const;
export type Breath = (typeof BREATHS)[number];
export const TURN_WAYS = ['swing', 'cross', 'pivot'] as const;
export const FOOT_WAYS = ['step', 'slide', 'cross', 'draw', 'jump', 'hop'] as const;

/** One thing a limb does in a count. */
export interface Action {
  name: string;
  kind: ActionKind;
  side: ActionSide;
  /** Null: no height was said and the name says none. */
  zone: Zone | null;
  /** From outside in, or from inside out, where it was said. */
  path: 'inside' | 'outside' | null;
  /** What is touched: a quarter, an arm of the post, a pad. */
  target: string | null;
}

/** Degrees clockwise seen from above (to the right is positive). */
export interface Turn {
  degrees: number;
  by: (typeof TURN_WAYS)[number];
}

/** Which foot moves and where to: degrees clockwise from the (new) facing; 0 forward, 90 right, 180 back, −90 left. */
export interface Foot {
  side: BodySide;
  way: (typeof FOOT_WAYS)[number];
  toward: number;
}

/** Share of the weight on the left foot in hundredths, at the start and at the end of the count. */
export interface Weight {
  start: number | null;
  end: number;
}

/** What one performer does in one count. */
export interface Step {
  turn: Turn | null;
  foot: Foot | null;
  stance: string | null;
  /** The forward foot, where it was said; otherwise it follows from the feet. */
  lead: BodySide | null;
  weight: Weight | null;
  level: 'rise' | 'sink' | null;
  actions: readonly Action[];
  /** Ways in which this count makes power, in the order they were said; each once. */
  powers: readonly Power[];
  breath: Breath | null;
  shout: boolean;
  tempo: 'slow' | 'quick' | null;
  /** What the pad holder or partner shows or says as the start. */
  cue: string | null;
  /** In a drill: what is done here is left to whoever does it. */
  free: boolean;
}

/** An accepted other version of a count, and who keeps it. */
export interface Variant {
  school: string;
  /** Shown at gradings in place of the written one. */
  graded: boolean;
  /** Names of the conditions under which alone it is done; none: under all. */
  only: readonly string[];
  step: Step;
}

/** What follows when the partner does this or that. */
export interface Branch {
  when: string;
  steps: readonly Step[];
}

/** What is looked at in a count besides its techniques' points, or between it and the next. */
export interface PlacePoint {
  name: string;
  /** Only whoever does it, or whoever receives it, can tell. */
  felt: boolean;
  /** Between this count and the next: rhythm, where the eyes go. */
  between: boolean;
  /** Names of the conditions under which alone it is looked at; none: under all. */
  only: readonly string[];
}

/** One count. `partner` is lane B; null in a sequence of one performer. */
export interface Move {
  notes: readonly string[];
  /** Sections that begin here: number of the sectioning (1 is the main one) and the section's name. */
  begins: readonly { sectioning: number; name: string }[];
  step: Step;
  partner: Step | null;
  /** A switching move: from the next count on, both partners work on the other side. */
  swaps: boolean;
  remark: string;
  variants: readonly Variant[];
  branches: readonly Branch[];
  /** Points of the sequence's own at this place. */
  points: readonly PlacePoint[];
}

export interface About {
  title: string;
  kind: SequenceKind;
  rank: string | null;
  /** Names of the second and further sectionings, by their number. */
  sectionings: readonly { sectioning: number; name: string }[];
  /** The head stays level: rising and sinking are departures. */
  level: boolean;
  lineWork: boolean;
  /** Repeats until stopped. */
  loop: boolean;
  /** In what repeats, each lane begins again after its own last count; otherwise it rests until both begin again. */
  apart: boolean;
  condition: string | null;
  contact: string | null;
  /** How many take part; null: one, or two in a drill. */
  players: number | null;
  /** Length of a round in seconds, where it is played by the clock. */
  seconds: number | null;
  /** What others call it: a school and its name there. */
  names: readonly { school: string; name: string }[];
  /** Who passed it on, the latest first, in the hall's own words. */
  lineage: readonly string[];
}

export interface Sequence {
  about: About;
  moves: readonly Move[];
  /** Comments after the last count. */
  closing: readonly string[];
}

export const EMPTY_STEP: Step = {
  turn: null,
  foot: null,
  stance: null,
  lead: null,
  weight: null,
  level: null,
  actions: [],
  powers: [],
  breath: null,
  shout: false,
  tempo: null,
  cue: null,
  free: false,
};
export const EMPTY_ABOUT: About = {
  title: '',
  kind: 'form',
  rank: null,
  sectionings: [],
  level: false,
  lineWork: false,
  loop: false,
  apart: false,
  condition: null,
  contact: null,
  players: null,
  seconds: null,
  names: [],
  lineage: [],
};
export const EMPTY_SEQUENCE: Sequence = { about: EMPTY_ABOUT, moves: [], closing: [] };

export const moveOf = (step: Step, partner: Step | null = null): Move => ({
  notes: [],
  begins: [],
  step,
  partner,
  swaps: false,
  remark: '',
  variants: [],
  branches: [],
  points: [],
});

export const isEmptyStep = (s: Step): boolean =>
  s.turn === null &&
  s.foot === null &&
  s.stance === null &&
  s.lead === null &&
  s.weight === null &&
  s.level === null &&
  s.actions.length === 0 &&
  s.powers.length === 0 &&
  s.breath === null &&
  !s.shout &&
  s.tempo === null &&
  s.cue === null &&
  !s.free;

/** Changes every step of a move: both lanes, variants and branches. */
export const mapSteps = (move: Move, change: (s: Step) => Step): Move => ({
  ...move,
  step: change(move.step),
  partner: move.partner && change(move.partner),
  variants: move.variants.map((v) => ({ ...v, step: change(v.step) })),
  branches: move.branches.map((b) => ({ ...b, steps: b.steps.map(change) })),
});

export const mapActions = (step: Step, change: (a: Action) => Action): Step =>
  step.actions.length === 0 ? step : { ...step, actions: step.actions.map(change) };

/** Whether the step goes forward without a turn. */
export const isAdvancing = (s: Step): boolean =>
  s.turn === null && s.foot !== null && s.foot.way !== 'draw' && Math.abs(s.foot.toward) < 90;
