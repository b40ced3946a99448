import type { PieceState, ThingShape } from '../../core';

interface Drawn {
  w: number;
  h: number;
  d: string;
  /** Lines within. */
  lines?: string;
}

const round = (w: number, h: number, r: number) =>
  `M${r} 1H${w - r}Q${w - 1} 1 ${w - 1} ${r}V${h - r}Q${w - 1} ${h - 1} ${w - r} ${h - 1}H${r}Q1 ${h - 1} 1 ${h - r}V${r}Q1 1 ${r} 1Z`;

/** One outline a kind; all stand on the same ground line. */
const SHAPES: Record<ThingShape, Drawn> = {
  staff: { w: 7, h: 44, d: 'M1 1H6V43H1Z' },
  'short staff': { w: 7, h: 30, d: 'M1 1H6V29H1Z' },
  'hand pad': { w: 15, h: 28, d: round(15, 28, 6), lines: 'M3 8H12' },
  'kick shield': { w: 19, h: 38, d: 'M1 3Q9.5 0 18 3V35Q9.5 38 1 35Z', lines: 'M6 3V35M13 3V35' },
  glove: { w: 21, h: 32, d: 'M1 8Q1 1 8 1Q15 1 15 8V13Q20 10 20 16Q20 20 15 21V31H3V21Q1 18 1 8Z' },
  'foot pad': { w: 13, h: 32, d: 'M2 7Q2 1 6.5 1Q11 1 11.5 8V20Q12.5 31 6.5 31Q1 31 1.5 21Z' },
  bag: { w: 15, h: 44, d: 'M7 1V6H8V1ZM2 8Q7.5 4 13 8V42Q7.5 45 2 42Z' },
  mat: { w: 13, h: 13, d: 'M1 1H12V12H1Z' },
  box: { w: 31, h: 26, d: 'M10 6V1H21V6H30V25H1V6Z', lines: 'M1 12H30' },
  post: { w: 25, h: 44, d: 'M9 1H14V42H9ZM14 15H18V42H14Z', lines: 'M1 43H24' },
  'armed post': { w: 39, h: 44, d: 'M16 1H24V42H16ZM24 10H37V15H24ZM24 27H37V32H24ZM3 19H16V24H3Z', lines: 'M8 43H32' },
  wall: { w: 31, h: 40, d: 'M1 1H30V39H1Z', lines: 'M1 14H30M1 26H30M11 1V14M20 14V26M11 26V39' },
  other: { w: 17, h: 17, d: round(17, 17, 4) },
};

/** Solid: sound. Pale with a scribe: to be looked over, not counted. Split: to mend. Dotted: lent. */
export function PieceMark({ shape, state }: { shape: ThingShape; state: PieceState }) {
  const { w, h, d, lines } = SHAPES[shape];
  const lent = state === 'lent';
  const m = w / 2;
  const y = h * 0.45;
  return (
    <svg className="piece" width={w} height={h} viewBox={`0 0 ${w} ${h}`} aria-hidden="true">
      <path
        d={d}
        fill={lent ? 'none' : state === 'due' ? 'var(--pale-wood)' : 'var(--wood)'}
        stroke="var(--wood-line)"
        strokeWidth="1.2"
        strokeDasharray={lent ? '2 2.4' : undefined}
      />
      {lines && !lent && <path d={lines} fill="none" stroke="var(--wood-line)" strokeWidth="1" />}
      {state === 'due' && <path d={`M${m} ${Math.min(4, h * 0.2)}V${h * 0.34}`} stroke="var(--ink)" strokeWidth="2" />}
      {state === 'to mend' && (
        <path
          d={`M-1 ${y}L${w * 0.35} ${y + 4}L${w * 0.6} ${y - 3}L${w + 1} ${y + 2}`}
          fill="none"
          stroke="var(--paper)"
          strokeWidth="3"
        />
      )}
    </svg>
  );
}
