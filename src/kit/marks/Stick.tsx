import type { Side } from '../../core';

export type Notch = 'H' | 'S' | 'U';
const WORDS: Record<Notch, string> = { H: 'held', S: 'slipped', U: 'not seen' };
const r1 = (n: number) => Math.round(n * 10) / 10;

/** The wooden pieces and the scribed ticks of a stick: pure geometry, one slot a mark, newest right. */
export function stickPaths(
  marks: readonly Notch[],
  width: number,
  height: number,
): { pieces: string[]; ticks: string } {
  const x0 = 3;
  const u = (width - 2 * x0) / Math.max(1, marks.length);
  const a = Math.min(u * 0.3, height * 0.42);
  const gap = Math.min(u * 0.13, 3.2);
  const z = Math.min(u, 34) / 14;
  const pieces: string[] = [];
  let path = `M1 ${height - 1}L1 1`;
  let ticks = '';
  marks.forEach((m, i) => {
    const cx = x0 + i * u + u / 2;
    if (m === 'H') path += `L${r1(cx - a)} 1L${r1(cx)} ${r1(1 + height * 0.62)}L${r1(cx + a)} 1`;
    if (m === 'U') ticks += `M${r1(cx)} 2V${r1(height * 0.4)}`;
    if (m !== 'S') return;
    const crack: [number, number][] = [
      [1.6 * z, 1],
      [-2 * z, height * 0.4],
      [2 * z, height * 0.58],
      [-1.6 * z, height - 1],
    ];
    path += `L${r1(cx + crack[0]![0] - gap - a * 0.3)} 1`;
    path += `${crack
      .slice(1)
      .map(([x, y]) => `L${r1(cx + x - gap)} ${r1(y)}`)
      .join('')}Z`;
    pieces.push(path);
    path = `M${[...crack]
      .reverse()
      .map(([x, y], k) => `${r1(cx + x + gap + (k === 3 ? a * 0.3 : 0))} ${r1(y)}`)
      .join('L')}`;
  });
  pieces.push(`${path}L${width - 1} 1L${width - 1} ${height - 1}Z`);
  return { pieces, ticks };
}

/** A peg beneath the wood, after so many of the marks: solid where it was shown, open where it was lost. */
export const pegPath = (after: number, marks: number, width: number, height: number): string => {
  const x = 3 + (after * (width - 6)) / Math.max(1, marks);
  const a = Math.min(4, height * 0.3);
  const at = Math.min(width - a - 1, Math.max(a + 1, x));
  return `M${r1(at - a)} ${r1(height + a + 1)}L${r1(at)} ${r1(height + 1)}L${r1(at + a)} ${r1(height + a + 1)}Z`;
};

/**
 * A wooden edge that takes notches: held cut clean, slipped split, not seen uncut. Right solid, left outlined. A peg says
 * when what it tells of was shown, and when it was lost.
 */
export function Stick({
  marks,
  side,
  width,
  height = 13,
  label,
  shown = null,
  lost = null,
}: {
  marks: readonly Notch[];
  side: Side;
  width?: number;
  height?: number;
  label?: string;
  /** After how many marks it was shown, and lost; null: neither while these were made. */
  shown?: number | null;
  lost?: number | null;
}) {
  const w = width ?? marks.length * height + 8;
  const { pieces, ticks } = stickPaths(marks, w, height);
  const fill = side === 'left' ? 'var(--left-fill)' : side === 'none' ? 'var(--pale-wood)' : 'var(--wood)';
  const stroke = side === 'left' ? 'var(--left-line)' : 'var(--wood-line)';
  const pegs = shown !== null || lost !== null;
  const tall = pegs ? height + 6 : height;
  const said = marks
    .map((m, i) => `${shown === i ? 'shown, ' : ''}${lost === i ? 'lost, ' : ''}${WORDS[m]}`)
    .concat(shown === marks.length ? ['shown'] : [], lost === marks.length ? ['lost'] : [])
    .join(', ');
  return (
    <svg
      className="stick"
      width={w}
      height={tall}
      viewBox={`0 0 ${w} ${tall}`}
      role="img"
      aria-label={label ? `${label}: ${said}` : said}
    >
      <g fill={fill} stroke={stroke} strokeWidth={height >= 20 ? 1.6 : 1.1} strokeLinejoin="round">
        {pieces.map((d) => (
          <path key={d} d={d} />
        ))}
        {ticks !== '' && <path d={ticks} fill="none" />}
      </g>
      {shown !== null && <path d={pegPath(shown, marks.length, w, height)} fill="var(--ink)" />}
      {lost !== null && (
        <path
          d={pegPath(lost, marks.length, w, height)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.1}
          strokeLinejoin="round"
        />
      )}
    </svg>
  );
}
