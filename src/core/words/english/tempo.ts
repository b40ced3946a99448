import type { AgainstTheCaller, Tempo } from '../../measure/beats';
import { countOf, listInWords } from './speak';

const seconds = (ms: number) => `${(Math.round(Math.abs(ms) / 100) / 10).toFixed(1)} s`;
/** Nearer than a tenth of a second can show, in ms. */
const EVEN = 50;
const apart = (ms: number) =>
  Math.abs(ms) < EVEN ? 'with the call' : `${seconds(ms)} ${ms > 0 ? 'after' : 'before'} the call`;
/** So many milliseconds from the middle of all a count stands out; a thumb is off by less. */
const STANDS_OUT = 250;
const MOST_NAMED = 4;

/** How evenly taps or hits came, in words; nothing where too few came to tell. */
export function tempoInWords(t: Tempo | null): string {
  if (!t) return '';
  const drift = t.drift > 0.1 ? ', slower towards the end' : t.drift < -0.1 ? ', faster towards the end' : '';
  const how = t.spread < EVEN ? 'evenly' : `half of them within ${seconds(t.spread)}`;
  return `${seconds(t.between)} apart, ${how}${drift}.`;
}

/**
 * How the counts of a form came against their caller, in sentences: the middle, what stands out, what was not tapped.
 * `names` are those of the counts as they were called.
 */
export function againstTheCallerInWords(t: AgainstTheCaller, names: readonly string[]): string[] {
  const { lag } = t;
  if (lag === null) return ['No count was tapped.'];
  const tapped = t.after.filter((a) => a !== null).length;
  const off = t.after.flatMap((a, i) =>
    a !== null && Math.abs(a - lag) >= STANDS_OUT ? [{ name: names[i]!, by: a - lag }] : [],
  );
  const out = (sign: 1 | -1) =>
    off
      .filter((o) => o.by * sign > 0)
      .sort((a, b) => Math.abs(b.by) - Math.abs(a.by))
      .slice(0, MOST_NAMED)
      .map((o) => `${o.name} (${seconds(o.by)})`);
  const [late, early] = [out(1), out(-1)];
  const missing = t.after.flatMap((a, i) => (a === null ? [names[i]!] : []));
  return [
    `${tapped} of ${countOf(t.after.length, 'count')} tapped, on the middle ${apart(lag)}.`,
    ...(late.length > 0 ? [`Later than the rest: ${listInWords(late)}.`] : []),
    ...(early.length > 0 ? [`Sooner than the rest: ${listInWords(early)}.`] : []),
    ...(off.length === 0 && tapped > 3 ? ['Evenly: none stands out by more than a quarter of a second.'] : []),
    ...(missing.length > 0 ? [`Not tapped: ${listInWords(missing, 8)}.`] : []),
    ...(t.beside > 0 ? [`${countOf(t.beside, 'tap')} belonged to no count.`] : []),
  ];
}
