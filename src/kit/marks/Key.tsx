import type { Notch } from './Stick';

/** The wood shown on a key: what the stick will look like after it is pressed. */
export function KeyWood({ notch, width = 74, height }: { notch: Notch; width?: number; height: number }) {
  const y = height / 2;
  const q = width / 74;
  const e = width - 12 * q;
  const p = 8;
  const cut = Math.min(24, height * 0.28);
  const edge =
    notch === 'H'
      ? `V${y - cut}L${14 * q} ${y}L${e} ${y + cut}V${height - p}`
      : notch === 'S'
        ? `V${y - cut}L${42 * q} ${y - 5}L${30 * q} ${y - 13}L${8 * q} ${y + 1}L${28 * q} ${y - 1}L${40 * q} ${y + 9}L${e} ${y + cut}V${height - p}`
        : `V${height - p}`;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
      <path d={`M0 ${p}H${e}${edge}H0Z`} fill="var(--wood)" />
      {notch === 'U' && (
        <path
          d={`M${e} ${y - cut * 0.75}L${e - 30 * q} ${y}L${e} ${y + cut * 0.75}`}
          fill="none"
          stroke="var(--wood-line)"
          strokeWidth="1.8"
          strokeDasharray="3.5 4"
        />
      )}
    </svg>
  );
}
