import type { VerdictWord } from '../../core';

const [W, H, CX, CY, A, B] = [14, 18, 7, 9, 5.4, 7.6];
const EDGE = `M${CX} ${CY - B}L${CX + A} ${CY}L${CX} ${CY + B}L${CX - A} ${CY}Z`;

/** One side of the broken outline: a dash at each end, a gap between. */
function broken(x1: number, y1: number, x2: number, y2: number): string {
  const at = (t: number) => `${x1 + (x2 - x1) * t} ${y1 + (y2 - y1) * t}`;
  return `M${at(0)}L${at(0.3)}M${at(0.7)}L${at(1)}`;
}
const BROKEN =
  broken(CX, CY - B, CX + A, CY) +
  broken(CX + A, CY, CX, CY + B) +
  broken(CX, CY + B, CX - A, CY) +
  broken(CX - A, CY, CX, CY - B);

/** The verdict as a lozenge: filled, lower half filled, outline, broken outline, a dot. Alone only in dense grids. */
export function Lozenge({ word, quiet = false, size = 1 }: { word: VerdictWord; quiet?: boolean; size?: number }) {
  const ink = quiet && word === 'met' ? 'var(--ink2)' : 'var(--ink)';
  return (
    <svg width={W * size} height={H * size} viewBox={`0 0 ${W} ${H}`} role="img" aria-label={word}>
      {word === 'met' && <path d={EDGE} fill={ink} stroke={ink} strokeWidth="1.5" strokeLinejoin="round" />}
      {word === 'close' && <path d={`M${CX - A} ${CY}L${CX} ${CY + B}L${CX + A} ${CY}Z`} fill={ink} />}
      {(word === 'close' || word === 'short') && (
        <path d={EDGE} fill="none" stroke={ink} strokeWidth="1.5" strokeLinejoin="round" />
      )}
      {word === 'stale' && <path d={BROKEN} fill="none" stroke={ink} strokeWidth="1.6" strokeLinecap="round" />}
      {word === 'unseen' && <circle cx={CX} cy={CY} r="2.3" fill={ink} />}
    </svg>
  );
}

/** Lozenge and word, as a verdict is shown wherever there is room to read. */
export function VerdictMark({ word }: { word: VerdictWord }) {
  return (
    <span className="verdict">
      <span aria-hidden="true" className="mark">
        <Lozenge word={word} />
      </span>
      {word}
    </span>
  );
}
