const known = new Map<string, string>();
/** Names come again and again; what has been folded is remembered, up to a bound. */
const MOST_KNOWN = 20_000;

const folded = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{Mn}/gu, '')
    .replace(/ł/gi, 'l')
    .replace(/ø/gi, 'o')
    .replace(/đ/gi, 'd')
    .replace(/ß/g, 'ss')
    .normalize('NFC')
    .toLowerCase()
    .replace(/[\s\-_·'’]+/g, ' ')
    .trim();

/**
 * Text as it is searched: no accents, no case, no width, hyphens and runs of space as one space. Scripts without
 * accents stay as they are.
 */
export function fold(text: string): string {
  let found = known.get(text);
  if (found === undefined) {
    found = folded(text);
    if (known.size >= MOST_KNOWN) known.clear();
    known.set(text, found);
  }
  return found;
}
