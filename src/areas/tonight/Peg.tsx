/** Somebody on the line: upright here, half late, cut off below who left, a dash away. */
export function Peg({ state, size = 16 }: { state: 'here' | 'late' | 'left' | 'away'; size?: number }) {
  const h = size;
  const d = {
    here: `M5 1.5V${h - 1.5}`,
    late: `M5 ${h / 2}V${h - 1.5}`,
    left: `M5 1.5V${h / 2}`,
    away: `M1.5 ${h - 3}H8.5`,
  }[state];
  return (
    <svg width="10" height={h} viewBox={`0 0 10 ${h}`} aria-hidden="true">
      <path
        d={d}
        stroke={state === 'away' ? 'var(--ink2)' : 'var(--ink)'}
        strokeWidth={state === 'away' ? 2 : 3.6}
        strokeLinecap="round"
      />
    </svg>
  );
}
