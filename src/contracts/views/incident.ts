// What is shown of everybody: the roll, who is ready, what was missed, how good chances were, who was hurt.

export interface IncidentsView {
  incidents: {
    id: string;
    day: string;
    hurt: string;
    cause: string | null;
    charge: string;
    doing: string;
    what: string;
    done: string;
    head: boolean;
  }[];
  /** Summed per drill. */
  sums: { doing: string; n: number; heads: number; last: string }[];
  people: { id: string; name: string; staff: boolean }[];
  items: { key: string; name: string }[];
  me: string;
  today: string;
}
