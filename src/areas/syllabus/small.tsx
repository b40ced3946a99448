import type { CoverageCell, RankLoad } from '../../core';
import './small.css';

/** A number in a ring: the place of a finding on the cloth, and its line in the list. */
export function Ring({ n }: { n: number }) {
  return (
    <svg
      className="finding-ring"
      width={n > 99 ? 28 : 22}
      height="19"
      viewBox={`0 0 ${n > 99 ? 28 : 22} 19`}
      aria-hidden="true"
    >
      <rect
        x="1.5"
        y="1"
        width={n > 99 ? 25 : 19}
        height="17"
        rx="8.5"
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="1.2"
      />
      <text x={n > 99 ? 14 : 11} y="14.2" fontSize="13" fontWeight="650" textAnchor="middle" fill="var(--ink)">
        {n}
      </text>
    </svg>
  );
}

/** The tab on what is not as it was published. */
export const Tab = () => (
  <svg className="changed" width="12" height="12" viewBox="0 0 12 12" aria-hidden="true">
    <path d="M.5 11V4q0 -3 3 -3h5q3 0 3 3v7Z" fill="var(--pine)" />
  </svg>
);

const LATH = 600;
/** Hours asked as laths of ten, between stakes as high as the hours given; laths beyond the stakes are brass and askew. */
export function Laths({ load, width }: { load: RankLoad; width: number }) {
  const [h, p, w] = [56, 3, Math.min(40, width - 14)];
  const laths = Math.min(17, Math.ceil(load.minutes / LATH));
  const m = width / 2;
  const stake = load.given === null ? 0 : Math.min(h - 2, (load.given / LATH) * p);
  return (
    <svg width={width} height={h} viewBox={`0 0 ${width} ${h}`} aria-hidden="true">
      {Array.from({ length: laths }, (_, k) => {
        const part = Math.min(1, load.minutes / LATH - k);
        const over = load.given !== null && k * LATH >= load.given - 1;
        const y = h - 2 - k * p;
        return (
          <path
            key={k}
            d={`M${m - w / 2} ${y}h${Math.max(2, w * part)}`}
            stroke={over ? 'var(--brass)' : 'var(--wood-line)'}
            strokeWidth="2"
            transform={over ? `rotate(${k % 2 ? -7 : 6} ${m} ${y})` : undefined}
          />
        );
      })}
      {stake > 0 && (
        <path
          d={`M${m - w / 2 - 3} ${h}v${-stake}M${m + w / 2 + 3} ${h}v${-stake}`}
          stroke="var(--ink)"
          strokeWidth="1.8"
          strokeLinecap="round"
        />
      )}
    </svg>
  );
}

/** The stave's mark of a family, left outlined and right solid. */
export function FamilyMark({ family, side }: Pick<CoverageCell, 'family' | 'side'>) {
  const style = {
    fill: side === 'right' ? 'var(--ink)' : 'none',
    stroke: 'var(--ink)',
    strokeWidth: 1.5,
    strokeLinejoin: 'round' as const,
  };
  return (
    <svg width="26" height="18" viewBox="-13 -9 26 18" aria-hidden="true">
      {family === 'strike' && <path d="M-8 -6L9 0L-8 6Z" {...style} />}
      {family === 'block' && <rect x="-3.2" y="-8" width="6.4" height="16" rx="1" {...style} />}
      {family === 'kick' && (
        <>
          <path d="M-5 0H-7Q-12 0 -12 6" fill="none" stroke="var(--ink)" strokeWidth="1.6" strokeLinecap="round" />
          <path d="M-5 -6L10 0L-5 6Z" {...style} />
        </>
      )}
      {family === 'cut' && (
        <>
          <path d="M-9 7L9 -7" stroke="var(--ink)" strokeWidth={side === 'right' ? 3.4 : 4.6} strokeLinecap="round" />
          {side === 'left' && <path d="M-9 7L9 -7" stroke="var(--paper)" strokeWidth="2" strokeLinecap="round" />}
        </>
      )}
    </svg>
  );
}
