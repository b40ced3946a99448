import type { PlainDate } from '../core';

/** A plain date as the reader's locale writes it; no zone is involved. */
const written = new Map<string, Intl.DateTimeFormat>();
export function dateInWords(date: PlainDate, locale = 'en-GB'): string {
  const at = new Date(Date.UTC(+date.slice(0, 4), +date.slice(5, 7) - 1, +date.slice(8, 10)));
  let format = written.get(locale);
  if (!format) {
    format = new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' });
    written.set(locale, format);
  }
  return format.format(at);
}

const SMALL = ['none', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
export const inWords = (n: number): string => SMALL[n] ?? String(n);
export const plural = (n: number, one: string, many = `${one}s`): string => (n === 1 ? one : many);
export const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
export const firstName = (name: string): string => name.split(' ')[0] ?? name;
