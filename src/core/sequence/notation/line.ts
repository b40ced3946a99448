/** A word of a line and where it stands (0-based column). A quoted word may hold anything but a quote. */
export interface Token {
  text: string;
  column: number;
  quoted: boolean;
}
/** What stands between two commas. */
export interface Part {
  tokens: Token[];
  column: number;
  end: number;
}
export interface Line {
  lanes: Part[][];
  remark: string;
  /** Column of a quote that is never closed, or null. */
  openQuote: number | null;
}

const isSpace = (c: string | undefined) => c === undefined || /\s/.test(c);

/** Cuts a line at its bars, commas and spaces. What follows a # at a word's start is a remark. */
export function cutLine(text: string, from = 0): Line {
  const lanes: Part[][] = [[]];
  let part: Part = { tokens: [], column: from, end: from };
  let remark = '';
  let openQuote: number | null = null;
  const endPart = (at: number) => {
    part.end = at;
    if (part.tokens.length > 0) lanes.at(-1)!.push(part);
    part = { tokens: [], column: at + 1, end: at + 1 };
  };
  let i = from;
  while (i < text.length) {
    const c = text[i]!;
    if (isSpace(c)) i++;
    else if (c === ',' || c === ';' || c === '，' || c === '、') {
      endPart(i);
      i++;
    } else if (c === '|' || c === '｜') {
      endPart(i);
      lanes.push([]);
      i++;
    } else if (c === '#') {
      remark = text.slice(i + 1).trim();
      break;
    } else {
      if (part.tokens.length === 0) part.column = i;
      const start = i;
      if (c === '"') {
        const close = text.indexOf('"', i + 1);
        if (close < 0) openQuote = i;
        const end = close < 0 ? text.length : close;
        part.tokens.push({ text: text.slice(i + 1, end), column: start, quoted: true });
        i = end + 1;
      } else if (c === '(') {
        const close = text.indexOf(')', i);
        const end = close < 0 ? text.length : close + 1;
        part.tokens.push({ text: text.slice(i, end), column: start, quoted: false });
        i = end;
      } else if (c === '+') {
        part.tokens.push({ text: '+', column: start, quoted: false });
        i++;
      } else {
        while (i < text.length && !isSpace(text[i]) && !',;|+("，、｜'.includes(text[i]!)) i++;
        part.tokens.push({ text: text.slice(start, i), column: start, quoted: false });
      }
    }
  }
  endPart(Math.min(i, text.length));
  return { lanes, remark, openQuote };
}
