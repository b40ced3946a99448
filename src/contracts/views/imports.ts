/** Lists of students that were taken in, the newest first. */
export interface ImportsView {
  lists: {
    id: string;
    day: string;
    by: string;
    taken: number;
    /** Still on the roll; none: the list was taken back. */
    stay: number;
    /** Of whom something more is on record since. */
    touched: string[];
    first: string[];
  }[];
}
