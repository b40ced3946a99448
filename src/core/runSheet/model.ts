/** Minutes since midnight. */
export type Minute = number;

/** What stands on the sheet of the day besides the candidates: hall, times, panel, things. */
export interface DaySettings {
  begins: Minute;
  ends: Minute;
  /** Bow in and warm-up; the panel alone, talking; belts and bow. */
  opening: number;
  panel: number;
  closing: number;
  /** A break for everybody; 0: none. */
  pause: number;
  /** Floors on which groups work, and of them those with mats, which falls want. */
  floors: number;
  mats: number;
  /** So many stand in one line. */
  line: number;
  /** So many examiners look at a group at least. */
  eyes: number;
  /** Whoever is graded rests so long before and after standing in for a partner. */
  rest: number;
  /** Seconds a repetition takes, and a count of a form. */
  secondsRepetition: number;
  secondsCount: number;
  /** So many show a form at the same time. */
  formTogether: number;
  /** What the hall brings out, and how many of it. */
  things: readonly { name: string; count: number }[];
  /** From when an examiner is there, where it is not from the beginning. */
  comes: Readonly<Record<string, Minute>>;
}

/** Who goes up, as far as the day is concerned. */
export interface DayCandidate {
  id: string;
  name: string;
  age: number | null;
  /** The rank they wear and the one they go up for, by its place from 0. */
  rank: number;
  to: { id: string; name: string };
  /** How far contact goes, from 1; 0 none, null: nothing on record. */
  rung: number | null;
  /** In centimetres; null: nobody has said. */
  stature: number | null;
  /** Items that rest for them on that day. */
  rests: readonly string[];
}

/** An item that a belt asks, as far as the day is concerned. */
export interface DayItem {
  id: string;
  name: string;
  sided: boolean;
  /** Counts of a form; null: it is none. */
  counts: number | null;
  /** The same as the caller calls them, a slow count twice as long and a quick one half. */
  beats: number | null;
  /** Wants the mats. */
  falls: boolean;
  partner: boolean;
  /** What each needs of it. */
  gear: string | null;
}

/** One stretch of a group: what is shown, and what it takes. */
export interface Task {
  label: string;
  items: readonly string[];
  minutes: number;
  /** On the mats; else on the group's own floor. */
  mats: boolean;
  pairs: boolean;
  thing: string | null;
  /** How many of it are in hands at a time, and in how many turns everybody has it. */
  count: number;
  turns: number;
}

/** Candidates for one belt who go through its items together. */
export interface DayGroup {
  id: string;
  belt: string;
  /** The place of the rank they wear. */
  rank: number;
  people: readonly string[];
  tasks: readonly Task[];
  minutes: number;
}

/** When a group begins, on which floor, before whom. */
export interface Placed {
  group: string;
  at: Minute;
  floor: number;
  examiners: readonly string[];
}

export interface DayPlan {
  groups: readonly Placed[];
  /** When the break begins; null: there is none. */
  pauseAt: Minute | null;
  /** When the panel sits, and when belts are given. */
  panelAt: Minute;
  closingAt: Minute;
  endsAt: Minute;
}
