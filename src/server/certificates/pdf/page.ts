import {
  popGraphicsState,
  pushGraphicsState,
  rgb,
  setLineWidth,
  setTextRenderingMode,
  TextRenderingMode,
  type Color,
  type PDFPage,
} from 'pdf-lib';
import type { Run, Typeset } from './fonts';

export const BLACK = rgb(0, 0, 0);
export const GREY = rgb(0.35, 0.35, 0.35);

/** A page that is written from its top, in points, as one thinks of paper. */
export interface Sheet {
  page: PDFPage;
  set: Typeset;
  width: number;
  height: number;
}
type Align = 'left' | 'middle' | 'right';
interface Style {
  size: number;
  family?: 'serif' | 'sans';
  align?: Align;
  colour?: Color;
}

const widthOf = (runs: readonly Run[], size: number) =>
  runs.reduce((w, r) => w + r.font.widthOfTextAtSize(r.text, size), 0);

/** Writes one line; made smaller where it is wider than `most`. */
export async function line(
  s: Sheet,
  text: string,
  at: { x: number; y: number },
  { size, family = 'sans', align = 'left', colour = BLACK }: Style,
  most = Infinity,
): Promise<void> {
  const runs = await s.set(text, family);
  const natural = widthOf(runs, size);
  const fit = natural > most ? (size * most) / natural : size;
  const width = widthOf(runs, fit);
  let x = align === 'left' ? at.x : align === 'middle' ? at.x - width / 2 : at.x - width;
  for (const r of runs) {
    if (r.thin)
      s.page.pushOperators(
        pushGraphicsState(),
        setTextRenderingMode(TextRenderingMode.FillAndOutline),
        setLineWidth(fit * 0.032),
      );
    s.page.drawText(r.text, { x, y: s.height - at.y, size: fit, font: r.font, color: colour });
    if (r.thin) s.page.pushOperators(popGraphicsState());
    x += r.font.widthOfTextAtSize(r.text, fit);
  }
}

/** Writes a text over as many lines as it takes, middled; gives the height below the last line. */
export async function middled(
  s: Sheet,
  text: string,
  at: { x: number; y: number },
  style: Style & { leading: number },
  most: number,
): Promise<number> {
  const lines: string[] = [];
  let now = '';
  for (const word of text.split(' ')) {
    const longer = now === '' ? word : `${now} ${word}`;
    if (now !== '' && widthOf(await s.set(longer, style.family ?? 'sans'), style.size) > most) {
      lines.push(now);
      now = word;
    } else now = longer;
  }
  if (now !== '') lines.push(now);
  for (const [i, l] of lines.entries())
    await line(s, l, { x: at.x, y: at.y + i * style.leading }, { ...style, align: 'middle' }, most);
  return at.y + lines.length * style.leading;
}

export function rule(s: Sheet, from: { x: number; y: number }, to: { x: number; y: number }, thickness = 0.7) {
  s.page.drawLine({
    start: { x: from.x, y: s.height - from.y },
    end: { x: to.x, y: s.height - to.y },
    thickness,
    color: BLACK,
  });
}

/** A path in SVG's words, its own 0,0 at `at`. */
export function path(
  s: Sheet,
  d: string,
  at: { x: number; y: number },
  { fill, thickness = 0.8, colour = BLACK }: { fill?: Color; thickness?: number; colour?: Color } = {},
) {
  s.page.drawSvgPath(d, {
    x: at.x,
    y: s.height - at.y,
    ...(fill && { color: fill }),
    ...(thickness > 0 && { borderColor: colour, borderWidth: thickness }),
  });
}
