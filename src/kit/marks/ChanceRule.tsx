/** A rule of ten: the range hatched, the best guess a needle. The words beside it say the same. */
export function ChanceRule({
  chance,
  lo,
  hi,
  width = 54,
  height = 14,
  scale = false,
}: {
  chance: number;
  lo: number;
  hi: number;
  width?: number;
  height?: number;
  /** With the numbers under it. */
  scale?: boolean;
}) {
  const inset = scale ? 10 : 1;
  const x = (p: number) => inset + p * (width - 2 * inset);
  const base = height - 2;
  const ticks = scale ? Array.from({ length: 11 }, (_, i) => i / 10) : [0, 0.5, 1];
  const hatch = Array.from({ length: Math.max(0, Math.floor((x(hi) - x(lo)) / 5)) }, (_, i) => x(lo) + i * 5 + 1);
  return (
    <svg
      className="chance-rule"
      width={width}
      height={height + (scale ? 16 : 0)}
      viewBox={`0 0 ${width} ${height + (scale ? 16 : 0)}`}
      aria-hidden="true"
      style={scale ? { maxWidth: '100%' } : undefined}
    >
      <path d={`M${x(0)} ${base}H${x(1)}`} stroke="var(--ink2)" />
      {ticks.map((t) => (
        <path key={t} d={`M${x(t)} ${base}v${t === 0 || t === 1 ? -5 : -3}`} stroke="var(--ink2)" />
      ))}
      {hi > lo && (
        <g>
          <rect x={x(lo)} y={2} width={x(hi) - x(lo)} height={base - 4} fill="none" stroke="var(--ink2)" />
          {hatch.map((h) => (
            <path
              key={h}
              d={`M${h} ${base - 2}L${Math.min(x(hi), h + (base - 4))} 2`}
              stroke="var(--ink2)"
              strokeWidth=".9"
            />
          ))}
        </g>
      )}
      <path d={`M${x(chance)} 0V${base}`} stroke="var(--ink)" strokeWidth="2.6" />
      {scale &&
        [0, 5, 10].map((n) => (
          <text key={n} x={x(n / 10)} y={height + 13} fontSize="13" textAnchor="middle" fill="var(--ink2)">
            {n}
          </text>
        ))}
    </svg>
  );
}
