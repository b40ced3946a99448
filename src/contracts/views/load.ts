import type { Blow, LoadEntry, LoadLift, LoadRule, MayStrike, NextLoad, Reader } from '../../core';
import type { RankShown } from './rank';

/** What was done and said of work that hardens, as it is shown and counted. */
export interface LoadEntryShown extends LoadEntry {
  id: string;
  blow: Blow;
  surface: string;
  place: 'hall' | 'home';
  /** From the log of practice. */
  logged: boolean;
  by: string;
}

/** "How many strikes on Saturday?" */
export interface LoadView {
  today: string;
  student: { id: string; name: string; age: number | null };
  rule: LoadRule;
  may: MayStrike;
  /** The newest word of the guardian; null: nobody was asked, or nobody has to be. */
  agreed: { agreed: boolean; guardian: string; day: string } | null;
  minor: boolean;
  entries: LoadEntryShown[];
  lifts: (LoadLift & { reason: string; by: string })[];
  /** Where the head has allowed single heavy blows. */
  singles: { ladder: LoadLift['ladder']; side: LoadLift['side']; day: string; reason: string; by: string }[];
  reader: Reader;
  can: { lift: boolean; agree: boolean; strike: boolean };
}

/** "Who strikes tonight, and how many?" */
export interface StrikingView {
  today: string;
  rule: LoadRule;
  students: {
    id: string;
    name: string;
    age: number | null;
    rank: RankShown;
    may: MayStrike;
    next: NextLoad[];
    last: string | null;
  }[];
  head: boolean;
}
