import { dictionary } from '@zxcvbn-ts/language-common';

const COMMON: ReadonlySet<string> = new Set(dictionary['passwords-common'] as readonly string[]);
/** So short a word says nothing about a password that holds it. */
const SHORTEST_NAME = 4;

/**
 * Whether a password is one that is tried first: it stands in the list of common ones, also with a number or signs
 * behind it, is the same over and over, or is the name or address it belongs to.
 */
export function isCommonPassword(password: string, around: readonly string[] = []): boolean {
  const plain = password.toLowerCase();
  const signs = [...plain];
  const word = signs.slice(0, signs.findLastIndex((c) => /\p{L}/u.test(c)) + 1).join('');
  if (COMMON.has(plain) || (word.length >= 4 && COMMON.has(word)) || new Set(plain).size <= 2) return true;
  // "reedreedreed"
  if (/^(.{1,6}?)\1+$/s.test(plain)) return true;
  const own = letters(plain);
  return around
    .flatMap((name) => [name, name.split('@')[0]!, ...name.split(/[@\s]+/)])
    .some((name) => letters(name).length >= SHORTEST_NAME && letters(name) === own);
}

const letters = (text: string) => text.toLowerCase().replace(/[^\p{L}]/gu, '');

export const COMMON_PASSWORD =
  'This password is one of those that are tried first. Take a short sentence of your own, such as four words that do not belong together.';
