const W = 744;
const r1 = (n: number) => Math.round(n * 10) / 10;
const H = 54;

/** The minutes of the block that are left, as wood with a notch a minute; what is gone is a broken outline. */
export function TimeLeft({ left, of, ends }: { left: number; of: number; ends: string }) {
  const share = of === 0 ? 0 : Math.max(0, Math.min(1, left / of));
  const from = W * (1 - share);
  const minutes = Math.ceil(of / 60);
  const marks = Array.from({ length: Math.max(0, minutes - 1) }, (_, i) => i + 1)
    .map((m) => ({ m, x: W - (m * 60 * W) / of }))
    .filter(({ x }) => x > from + 4);
  const edge = [
    `M${r1(from)} ${H}V0`,
    ...[...marks].reverse().map(({ m, x }) => {
      const deep = m % 5 === 0 ? 24 : 13;
      const wide = m % 5 === 0 ? 8 : 6;
      return `H${r1(x - wide)}L${r1(x)} ${deep}L${r1(x + wide)} 0`;
    }),
    `H${W}V${H}Z`,
  ].join('');
  return (
    <svg className="time-left" viewBox={`0 0 ${W} ${H + 22}`} width="100%" aria-hidden="true">
      <rect x="1" y="1" width={W - 2} height={H - 2} rx="3" fill="none" stroke="var(--wood)" strokeDasharray="5 4" />
      {share > 0 && <path d={edge} fill="var(--wood)" stroke="var(--wood-line)" />}
      {marks
        .filter(({ m, x }) => m % 5 === 0 && W - x > 60)
        .map(({ m, x }) => (
          <text key={m} x={x} y={H + 18} textAnchor="middle" fontSize="16" fill="var(--ink2)">
            {m}
          </text>
        ))}
      <text x={W} y={H + 18} textAnchor="end" fontSize="16" fill="var(--ink2)">
        {ends}
      </text>
    </svg>
  );
}
