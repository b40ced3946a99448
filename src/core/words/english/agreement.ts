import type { Agreement } from '../../agreement/panel';
import type { SheetWord } from '../../grading/rule';

/** Words for how far a panel saw the same, by Krippendorff's alpha; the bounds are ours. */
const BANDS: readonly [number, string][] = [
  [0.1, 'chance'],
  [0.4, 'little'],
  [0.67, 'partly'],
  [0.9, 'mostly'],
  [Infinity, 'as one'],
];
const band = (alpha: number): string => BANDS.find(([below]) => alpha < below)![1];

/** "partly to as one", from both ends of where it may lie; or why nothing is said. */
export function agreementInWords(a: Agreement): string {
  if (a.enough === 'too few pairs') return 'too few to say';
  if (a.enough === 'nobody slipped') return 'nobody slipped: nothing to compare';
  if (a.enough === 'too few slips' || a.between === null) return 'too few slips';
  const [lo, hi] = [band(a.between.lo), band(a.between.hi)];
  return lo === hi ? lo : `${lo} to ${hi}`;
}

/** "Idris sees three held more in a hundred", of a shift; within one in a hundred nothing is said. */
export function shiftInWords(name: string, shift: number): string {
  const n = Math.round(Math.abs(shift) * 100);
  return n < 1 ? `${name} sees as the middle` : `${name} sees ${n} in a hundred ${shift > 0 ? 'more' : 'fewer'} held`;
}

/** An examiner's word as it is read: what nobody saw is called so. */
export const sheetWordSaid = (word: SheetWord | null): string => word ?? 'not seen';
