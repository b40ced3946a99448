// What is shown of one student.
// What is shown of everybody: the roll, who is ready, what was missed, how good chances were, who was hurt.

export interface ChancesView {
  rows: ({ studentId: string } & ChanceShown)[];
}

/** A chance as it is shown: in tenths, with its range and the looks behind it. */
export interface ChanceShown {
  words: string;
  chance: number;
  lo: number;
  hi: number;
  looks: number;
  /** Past gradings it was corrected by; 0: too few yet. */
  correctedBy: number;
}
