import { useEffect } from 'react';

const EASTERN = /[\p{Script=Han}\p{Script=Hangul}\p{Script=Hiragana}\p{Script=Katakana}]/u;

/** Brings the fonts for Han, Hangul and kana to a page that shows such signs; other pages do not carry them. */
export function useEastern(...texts: readonly (string | undefined)[]): void {
  const needed = texts.some((t) => t !== undefined && EASTERN.test(t));
  useEffect(() => {
    if (needed) void import('./eastern');
  }, [needed]);
}
