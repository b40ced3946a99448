import type { RankShown } from './rank';

/** A certificate as it is given into the hand of a student. */
export interface CertificateView {
  id: string;
  number: string;
  code: string;
  name: string;
  to: RankShown;
  day: string;
  /** What stands at the head, and below the name. */
  head: string;
  wording: string;
  /** Where it was shown; null: not at a grading, or it is not known. */
  hall: string | null;
  panel: { name: string; role: string }[];
  items: { name: string; condition: string }[];
  /** Every belt of the school from the first, with the day on which it was given. */
  belts: { name: string; since: string | null }[];
  /** The signed credential, as compact JWS. */
  signed: string;
  back: boolean;
}
