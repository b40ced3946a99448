import { asGraded } from './graded';
import type { Sequence, Step } from './move';
import { printStep } from './notation/print';

/** Where a form first goes another way than a second one: the count, and what the second does there; null: it has ended. */
export interface TellTale {
  count: number;
  other: Step | null;
}

const said = (s: Step | null): string => (s === null ? '' : printStep(s));

/**
 * The first count, from 1, at which two forms differ as they are shown at gradings; null: they are the same, or the first
 * is the beginning of the second. Breath, shout and power count as different, comments do not.
 */
export function tellTale(seq: Sequence, other: Sequence): TellTale | null {
  const [a, b] = [asGraded(seq).moves, asGraded(other).moves];
  const at = a.findIndex((m, i) => {
    const o = b[i];
    return !o || said(m.step) !== said(o.step) || said(m.partner) !== said(o.partner);
  });
  return at < 0 ? null : { count: at + 1, other: b[at]?.step ?? null };
}

/** Whether two forms could be taken for each other by their names: the same last word, as First and Second of a name. */
export function namedAlike(a: string, b: string): boolean {
  const last = (t: string) =>
    t
      .normalize('NFKC')
      .toLowerCase()
      .replace(/\([^()]*\)/g, ' ')
      .split(/\s+/)
      .filter((w) => w !== '')
      .at(-1) ?? '';
  return last(a) !== '' && last(a) === last(b);
}
