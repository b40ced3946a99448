/**
 * Text as it is searched: no accents, no case, no width, hyphens and runs of space as one space. Scripts without
 * accents stay as they are.
 */
export const fold = (text: string): string =>
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
