// What is shown of one student.
import type { Sequence, SchoolStance } from '../../core';
import type { FocusShown } from './focus';
import type { RankShown } from './rank';

/** What to practise this week, for a student's own floor. */
export interface HomeView {
  school: string;
  student: { name: string; age: number | null; rank: RankShown };
  next: RankShown | null;
  today: string;
  room: { width: number | null; depth: number | null; stature: number };
  focus: FocusShown | null;
  praise: string;
  cautions: string[];
  items: {
    key: string;
    name: string;
    condition: string;
    why: string;
    times: string;
    cues: string[];
    /** How it fits: all of it, turned, or the counts that do; null: nothing to say. */
    fit: string;
    body: Sequence | null;
    /** The school's own stances in it. */
    stances: SchoolStance[];
  }[];
  /** What may be struck next, a sentence a ladder; empty: nobody is on one, or they may not. */
  strikes: string[];
  left: { name: string; why: string }[];
}
