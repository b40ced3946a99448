import { useId } from 'react';
import { FOOT, type Range, type Unit } from '../../core';

const r1 = (n: number) => Math.round(n * 10) / 10;

/** What can hurt: a sliver standing out of the wood. Never without a word beside it. */
export function Splinter() {
  return (
    <svg className="splinter" width="18" height="14" viewBox="0 0 18 14" aria-hidden="true">
      <path d="M17.5 7.5L.5 2L8.5 6.3L2.5 10.7L17.5 12Z" fill="var(--lacquer)" />
    </svg>
  );
}

/** The pine cord that lashes what is chosen. */
export function Lashing({ width, height = 12 }: { width: number; height?: number }) {
  const n = Math.floor((width - 1) / 5.5);
  const d = Array.from({ length: n }, (_, i) => `M${r1(4.4 + i * 5.5)} .8L${r1(2.2 + i * 5.5)} ${height - 0.8}`).join(
    '',
  );
  return (
    <svg className="lashing" width={width} height={height} viewBox={`-1 0 ${width + 2} ${height}`} aria-hidden="true">
      <path d={d} stroke="var(--pine)" strokeWidth="3.2" strokeLinecap="round" />
    </svg>
  );
}

/** A foot from above, toes up. Right solid, left outlined. */
export function FootMark({
  side,
  height = 28,
  quiet = false,
}: {
  side: 'left' | 'right';
  height?: number;
  quiet?: boolean;
}) {
  const ink = quiet ? 'var(--ink2)' : 'var(--ink)';
  return (
    <svg width={height * 0.5} height={height} viewBox="-7 -14 14 28" aria-hidden="true">
      <path
        d={FOOT}
        transform={side === 'left' ? 'scale(-1 1)' : undefined}
        fill={side === 'right' ? ink : 'none'}
        stroke={ink}
        strokeWidth="1.6"
        strokeLinejoin="round"
      />
    </svg>
  );
}

/** A hatched pattern for what is accepted. */
function Hatch({ id, colour = 'var(--on-wood)' }: { id: string; colour?: string }) {
  return (
    <pattern id={id} width="3.6" height="3.6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <path d="M0 1.8H3.6" stroke={colour} strokeWidth="1.1" />
    </pattern>
  );
}

/** A measured point as a wooden rule to scale: accepted hatched, wanted solid, past values as ticks above. */
export function RuleMark({
  accepted,
  wanted,
  unit,
  values = [],
  read = null,
  width = 120,
}: {
  accepted: Range;
  wanted: Range | null;
  unit: Unit | 'N/mm';
  values?: readonly number[];
  /** A number that was read off something, as wide as it may be off. */
  read?: { value: number; half: number } | null;
  width?: number;
}) {
  const id = useId();
  const span = Math.max(accepted.hi - accepted.lo, 1);
  const lo = accepted.lo - span * 0.35;
  const hi = accepted.hi + span * 0.35;
  const x = (v: number) => r1(4 + ((Math.min(hi, Math.max(lo, v)) - lo) / (hi - lo)) * (width - 8));
  const u = unit === '°' || unit === '%' ? unit : ` ${unit}`;
  return (
    <svg
      className="rule-mark"
      width={width}
      height="34"
      viewBox={`0 0 ${width} 34`}
      role="img"
      aria-label={`accepted ${accepted.lo} to ${accepted.hi}${u}${wanted ? `, wanted ${wanted.lo} to ${wanted.hi}${u}` : ''}`}
    >
      <defs>
        <Hatch id={id} />
      </defs>
      <rect x=".5" y="6" width={width - 1} height="10" rx="1.5" fill="var(--pale-wood)" stroke="var(--wood-line)" />
      <rect
        x={x(accepted.lo)}
        y="6"
        width={r1(x(accepted.hi) - x(accepted.lo))}
        height="10"
        fill={`url(#${id})`}
        stroke="var(--on-wood)"
      />
      {wanted && (
        <rect
          x={x(wanted.lo)}
          y="8"
          width={Math.max(3, r1(x(wanted.hi) - x(wanted.lo)))}
          height="6"
          fill="var(--on-wood)"
        />
      )}
      {values.map((v, i) => (
        <path key={i} d={`M${x(v)} 1V5`} stroke="var(--ink2)" strokeWidth="1" />
      ))}
      {read && (
        <g stroke="var(--pine)" strokeWidth="2">
          <path d={`M${x(read.value - read.half)} 3H${x(read.value + read.half)}`} />
          <path d={`M${x(read.value - read.half)} 0V6M${x(read.value + read.half)} 0V6`} />
          <path d={`M${x(read.value) - 4} 0h8l-4 7Z`} fill="var(--pine)" stroke="none" />
        </g>
      )}
      <text x={x(accepted.lo)} y="30" fontSize="13" textAnchor="middle" fill="var(--ink)">
        {accepted.lo}
        {unit === '°' ? '°' : ''}
      </text>
      <text x={x(accepted.hi)} y="30" fontSize="13" textAnchor="middle" fill="var(--ink)">
        {accepted.hi}
        {u}
      </text>
    </svg>
  );
}

/** A shares bar drawn as wood: hatched is what holds. */
export function ShareMark({ held, of, width = 56 }: { held: number; of: number; width?: number }) {
  const id = useId();
  const share = of > 0 ? held / of : 0;
  return (
    <svg width={width} height="14" viewBox={`0 0 ${width} 14`} role="img" aria-label={`${held} of ${of} held`}>
      <defs>
        <Hatch id={id} />
      </defs>
      <rect x=".5" y="2" width={width - 1} height="10" rx="1.5" fill="var(--pale-wood)" stroke="var(--wood-line)" />
      <rect
        x=".5"
        y="2"
        width={r1((width - 1) * share)}
        height="10"
        rx="1.5"
        fill={`url(#${id})`}
        stroke="var(--on-wood)"
      />
    </svg>
  );
}

/** The edge of a board with a clean notch, a split one, or none: stands before a line of a list. */
export function LineNotch({ state }: { state: 'good' | 'bad' | 'open' }) {
  const d =
    state === 'good'
      ? 'M1 1H8L13 13L18 1H25V17H1Z'
      : state === 'bad'
        ? 'M1 1H10L7 7L11 10L8 17H1ZM15 1H25V17H12L15 11L11 8Z'
        : 'M1 1H25V17H1Z';
  return (
    <svg width="26" height="18" viewBox="0 0 26 18" aria-hidden="true">
      <path d={d} fill="var(--pale-wood)" stroke="var(--wood-line)" strokeWidth="1.4" strokeLinejoin="round" />
    </svg>
  );
}
