import type { PlainDate } from '../../units/plainDate';

/** The language of this folder, as English is written where the school is. */
export const LOCALE = 'en-GB';

const lists = new Intl.ListFormat(LOCALE, { type: 'conjunction' });
/** "a, b and c"; of more than `most` the rest is counted: "a, b and 3 more". */
export function listInWords(words: readonly string[], most = Infinity): string {
  const rest = words.length - most;
  return lists.format(rest > 0 ? [...words.slice(0, most), `${rest} more`] : words);
}

const choices = new Intl.ListFormat(LOCALE, { type: 'disjunction' });
/** "a, b or c". */
export const oneOfInWords = (words: readonly string[]): string => choices.format(words);

const rules = new Intl.PluralRules(LOCALE);
/** The word that goes with a number. */
export const plural = (n: number, one: string, many = `${one}s`): string => (rules.select(n) === 'one' ? one : many);
/** A number with its word, in tenths where it is no whole one: "1 hour", "2.5 hours". */
export const countOf = (n: number, one: string, many = `${one}s`): string =>
  `${Math.round(n * 10) / 10} ${plural(n, one, many)}`;

const first = (s: string): string => String.fromCodePoint(s.codePointAt(0) ?? 32);
export const capital = (s: string): string =>
  s === '' ? s : first(s).toLocaleUpperCase(LOCALE) + s.slice(first(s).length);
/** As it stands within a sentence. */
export const low = (s: string): string =>
  s === '' ? s : first(s).toLocaleLowerCase(LOCALE) + s.slice(first(s).length);

/** A name as it stands within a sentence: titles and names of several capitals ("Marsh Wind") stay as they are written. */
export const inSentence = (name: string, title = false): string =>
  title || /\p{Lu}/u.test(name.slice(first(name).length)) ? name : low(name);

const SMALL =
  'none one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty'.split(
    ' ',
  );
/** A small number in letters, up to ten as people write, or up to `most`. */
export const inWords = (n: number, most = 10): string => (n <= most ? (SMALL[n] ?? String(n)) : String(n));

export const onSide = (side: 'left' | 'right' | 'none'): string => (side === 'none' ? '' : ` on the ${side}`);

const written = new Map<string, Intl.DateTimeFormat>();
/** A plain date as the reader's locale writes it; no zone is involved. */
export function dateInWords(date: PlainDate, locale = LOCALE): string {
  const at = new Date(Date.UTC(+date.slice(0, 4), +date.slice(5, 7) - 1, +date.slice(8, 10)));
  let format = written.get(locale);
  if (!format) {
    format = new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' });
    written.set(locale, format);
  }
  return format.format(at);
}
