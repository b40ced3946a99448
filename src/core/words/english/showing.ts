import { type Showing, OWN_POINTS } from '../../evidence/counts';
import { listInWords } from './speak';

/** "Clean", or which counts slipped: "counts 5 and 9 slipped". */
export function showingInWords(s: Pick<Showing, 'from' | 'counts' | 'own'>): string {
  const slipped = s.counts.flatMap((m, i) => (m === 'S' ? [s.from + i] : []));
  const own = OWN_POINTS.filter((o) => s.own[o] === 'S');
  const seen = s.counts.filter((m) => m !== 'U').length;
  if (seen === 0 && own.length === 0) return 'not seen';
  const names = [...slipped.map(String), ...own];
  if (names.length === 0)
    return seen === s.counts.length ? 'without a slip' : `${seen} of ${s.counts.length} counts seen, no slip`;
  return `${slipped.length === 1 && own.length === 0 ? 'count ' : slipped.length > 0 ? 'counts ' : ''}${listInWords(names)} slipped`;
}

/** What was named at one count: "held at count 5", "slipped at count 5". */
export const namedInWords = (x: { count: number; held: boolean }): string =>
  `${x.held ? 'held' : 'slipped'} at count ${x.count}`;
