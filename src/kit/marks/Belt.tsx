import { useId } from 'react';
import type { Cloth } from '../../contracts/rank';

const r1 = (n: number) => Math.round(n * 10) / 10;
const brightness = (hex: string) =>
  (parseInt(hex.slice(1, 3), 16) * 299 + parseInt(hex.slice(3, 5), 16) * 587 + parseInt(hex.slice(5, 7), 16) * 114) /
  1000;

/** A strip of cloth with a woven edge, a knot and two spread tips, in the rank's own colours. */
export function Belt({
  name,
  cloth,
  width = 44,
  height = 12,
}: {
  name: string;
  cloth: Cloth;
  width?: number;
  height?: number;
}) {
  const id = useId();
  const [w, h] = [width, height];
  const dark = brightness(cloth.colour) < 150;
  const thread = dark ? '#fff' : '#000';
  const f = h / 12;
  const inset = r1(h * 0.2);
  const m = h / 2;
  const kx = w - h * 1.35;
  const kw = h * 0.46;
  const strip = `M.5 ${inset}H${r1(kx)}V${r1(h - inset)}H.5Z`;
  const half = `M.5 ${m}H${r1(kx)}V${r1(h - inset)}H.5Z`;
  const upperTip = `M${r1(kx + kw)} ${r1(m - 1.6 * f)}L${w - 1} .6L${r1(w - 0.5)} ${r1(m - 1.4 * f)}L${r1(kx + kw)} ${r1(m + 1.2 * f)}Z`;
  const lowerTip = `M${r1(kx + kw)} ${r1(m - 0.4 * f)}L${r1(w - 2.4 * f)} ${r1(m + 1.2 * f)}L${r1(w - 3.2 * f)} ${h - 0.5}L${r1(kx + kw)} ${r1(m + 2.2 * f)}Z`;
  const knot = `M${r1(kx - 0.5)} ${r1(inset - 1)}L${r1(kx + kw)} ${r1(inset + 0.2)}L${r1(kx + kw + 0.6)} ${r1(h - inset)}L${r1(kx)} ${r1(h - inset + 1)}Z`;
  const big = h >= 15;
  const u = big ? 5 : 3.4;
  const edge = { stroke: 'var(--belt-line)', strokeWidth: 1, strokeLinejoin: 'round' as const };
  const bars = Array.from({ length: cloth.bars }, (_, i) => kx - h * 0.5 - i * h * 0.42);
  return (
    <svg className="belt" width={w} height={h} viewBox={`0 0 ${w} ${h}`} role="img" aria-label={`${name} belt`}>
      <defs>
        <pattern id={id} width={u} height={u} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path
            d={`M0 ${u / 2}H${u}`}
            stroke={thread}
            strokeOpacity={dark ? 0.24 : 0.17}
            strokeWidth={big ? 1.2 : 0.9}
          />
        </pattern>
      </defs>
      <path d={strip} fill={cloth.colour} {...edge} />
      {cloth.second && <path d={half} fill={cloth.second} />}
      {cloth.stripe && <path d={`M.5 ${m}H${r1(kx)}`} stroke={cloth.stripe} strokeWidth={h * 0.16} />}
      {[lowerTip, upperTip, knot].map((d) => (
        <path key={d} d={d} fill={cloth.colour} {...edge} />
      ))}
      <path d={strip} fill={`url(#${id})`} stroke="var(--belt-line)" />
      <path
        d={`M1.6 ${r1(inset + 1.6 * f)}H${r1(kx - 1)}M1.6 ${r1(h - inset - 1.6 * f)}H${r1(kx - 1)}`}
        stroke={thread}
        strokeOpacity=".55"
        strokeWidth={big ? 1.1 : 0.8}
        strokeDasharray={big ? '2.4 1.8' : '1.6 1.3'}
        fill="none"
      />
      {bars.map((x) => (
        <path
          key={x}
          d={`M${r1(x)} ${inset}V${r1(h - inset)}`}
          stroke={dark ? '#F7F3E8' : '#2A2725'}
          strokeWidth={h * 0.18}
        />
      ))}
    </svg>
  );
}
