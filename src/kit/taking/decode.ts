/** The ways in which lists of names are written to a file, in plain words. */
export const LETTERS = {
  'utf-8': 'Unicode',
  'utf-16le': 'Unicode, two bytes a letter',
  'utf-16be': 'Unicode, two bytes a letter, turned round',
  'windows-1252': 'Western European (Windows)',
  'windows-1250': 'Central European (Windows)',
} as const;
export type Letters = keyof typeof LETTERS;

/** A file as text: how it was read, and in which other ways it could be meant. No letter is ever lost: null is no text. */
export interface Decoded {
  text: string;
  letters: Letters;
  /** More than one where the bytes do not say it themselves; a person has to look. */
  could: Letters[];
}

const starts = (bytes: Uint8Array, ...mark: number[]) => mark.every((b, i) => bytes[i] === b);
export const decodeAs = (bytes: Uint8Array, letters: Letters): string => new TextDecoder(letters).decode(bytes);

/**
 * Reads a file that people made with a spreadsheet. Older programs write one byte a letter and do not say which letters
 * they mean: Western and Central European ones share the same bytes, so the likelier is taken and both are offered.
 */
export function decode(bytes: Uint8Array): Decoded | null {
  if (starts(bytes, 0x50, 0x4b)) return null;
  for (const [letters, ...mark] of [
    ['utf-8', 0xef, 0xbb, 0xbf],
    ['utf-16le', 0xff, 0xfe],
    ['utf-16be', 0xfe, 0xff],
  ] as const)
    if (starts(bytes, ...mark)) return { text: decodeAs(bytes, letters), letters, could: [letters] };
  if (bytes.includes(0)) return null;
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), letters: 'utf-8', could: ['utf-8'] };
  } catch {
    const letters: Letters = isCentral(bytes) ? 'windows-1250' : 'windows-1252';
    return { text: decodeAs(bytes, letters), letters, could: ['windows-1252', 'windows-1250'] };
  }
}

const codes = (...list: number[]) => new RegExp(`[${list.map((c) => `\\x${c.toString(16)}`).join('')}]`);
// š ž Š Ž stand at the same place in both; so do œ and Ÿ where Central European has ś and ź.
const HOOKED = codes(0x9a, 0x9e, 0x8a, 0x8e);
const ACUTE = codes(0x9c, 0x9f, 0x8c, 0x8f);

/** Whether the bytes are more likely Central European than Western. */
function isCentral(bytes: Uint8Array): boolean {
  // Byte for letter; what differs between the two is told apart by its neighbours.
  let west = '';
  for (const b of bytes) west += String.fromCharCode(b);
  // Signs inside of words: ł ą ż ľ ť read as Western.
  if (/\p{L}[³¹¿¼¾¯£¥»]|[³¹¿¼¾£¥]\p{L}/u.test(west)) return true;
  // č ř ě ů ć beside š and ž, rather than è ø ì ù æ; ę ć ń beside ś and ź.
  if (HOOKED.test(west) && /[èøìùæÈØÌÙÆïòÏÒ]/.test(west)) return true;
  if (ACUTE.test(west) && /[êæñÊÆ]/.test(west)) return true;
  // ő and ű, where nothing speaks for Portuguese or French.
  return /[õûÕÛ]/.test(west) && !/[ãçêèàâôÃÇÊÈÀ]/.test(west);
}
