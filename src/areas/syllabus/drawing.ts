import type { Life } from '../../core';

/** Measures of the way, in pixels: rows are as high as a finger on a desk may need. */
export const ROW = 24;
export const GROUP_ROW = 30;
export const NAMES = 196;

const r1 = (n: number) => Math.round(n * 10) / 10;

/** What is drawn of one thread: stitched and laid lines, the eye, the wraps, and how it ends. Column i ends on its belt's line. */
export interface ThreadDrawing {
  stitched: string;
  laid: string;
  eye: number | null;
  wraps: readonly { x: number; d: string }[];
  fray: string;
  tail: string;
}

export function drawThread(life: Life, column: number): ThreadDrawing {
  const y = ROW / 2;
  let [stitched, laid] = ['', ''];
  let eye: number | null = null;
  for (const [i, at] of life.at.entries()) {
    if (at === 'none') continue;
    const to = (i + 1) * column;
    let from = i * column;
    if (i === life.introduced) {
      eye = r1(from + Math.min(column * 0.36, 30));
      from = eye + 7;
    }
    const line = `M${r1(from)} ${y}H${r1(to)}`;
    if (life.worked[i] || i === life.introduced) stitched += line;
    else laid += line;
  }
  const wraps = life.tests.map((i) => {
    const x = r1((i + 1) * column);
    const d = [-3.9, 0, 3.9].map((o) => `M${r1(x + o - 1.1)} ${y + 5.6}L${r1(x + o + 1.1)} ${y - 5.6}`).join('');
    return { x, d };
  });
  const end = (life.last + 1) * column;
  const f = r1(end + 14);
  return {
    stitched,
    laid: life.end === 'let go' ? `${laid}M${r1(end)} ${y}H${f}` : laid,
    eye,
    wraps,
    fray:
      life.end === 'let go'
        ? `M${f} ${y}C${f + 6} ${y} ${f + 9} ${y - 2} ${f + 14} ${y - 6}M${f} ${y}C${f + 8} ${y} ${f + 10} ${y + 1} ${f + 17} ${y + 0.5}M${f} ${y}C${f + 6} ${y + 0.5} ${f + 8} ${y + 4} ${f + 13} ${y + 6.5}`
        : '',
    tail: life.end === 'never tested' && life.last >= 0 ? `M${r1(end)} ${y}c5 0 7 2 6 5` : '',
  };
}

/** The life in words, for those who listen. */
export function lifeInWords(life: Life, ranks: readonly { name: string }[], informal: boolean): string {
  const name = (i: number) => ranks[i]?.name ?? '';
  const parts = [
    life.introduced === null ? 'introduced nowhere' : `introduced for ${name(life.introduced)}`,
    life.tests.length > 0 ? `tested for ${life.tests.map(name).join(', ')}` : 'never tested',
    life.end === 'let go' ? `let go after ${name(life.last)}` : life.end === 'kept' ? 'kept to the end' : '',
    informal ? 'informal' : '',
  ];
  return parts.filter(Boolean).join(', ');
}
