import { useId } from 'react';
import { stepsOf, type Ladder, type LimbState, type LoadRule } from '../../../core';

const W = 372;
const H = 124;
const X0 = 34;
const BASE = H - 22;

/** How the number grows, a tread as wide as the days it asks; where each limb stands on it. */
export function Stair({ rule, ladder, limbs }: { rule: LoadRule; ladder: Ladder; limbs: readonly LimbState[] }) {
  const id = useId();
  const steps = stepsOf(rule, ladder);
  const days = steps.reduce((n, s) => n + (s.fineDays ?? 2), 0);
  const most = Math.max(...steps.map((s) => s.number));
  const k = (BASE - 24) / most;
  const w = (W - X0 - 4) / days;
  const at: number[] = [];
  let x = X0;
  let d = `M${X0} ${BASE}`;
  for (const s of steps) {
    at.push(x);
    d += `V${Math.round(BASE - s.number * k)}`;
    x += (s.fineDays ?? 2) * w;
    d += `H${Math.round(x)}`;
  }
  const surfaces = rule.ladders[ladder];
  const begins = surfaces.map((s) => steps.findIndex((x) => x.surface === s.name));
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={`The number grows from ${steps[0]!.number} to ${most}`}
    >
      <defs>
        <pattern id={id} width="4.5" height="4.5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 2.2H4.5" stroke="var(--ink)" strokeWidth="1" />
        </pattern>
      </defs>
      <path d={`${d}V${BASE}Z`} fill={`url(#${id})`} stroke="var(--ink)" strokeWidth="1.2" />
      {[...new Set([steps[0]!.number, ...(most > rule.snapFrom ? [rule.snapFrom] : []), most])].map((v) => (
        <text key={v} x={X0 - 6} y={Math.round(BASE - v * k) + 4} fontSize="13" textAnchor="end" fill="var(--ink2)">
          {v}
        </text>
      ))}
      {surfaces.map((s, i) => (
        <text key={s.name} x={at[begins[i]!]! + 2} y={H - 6} fontSize="13" fill="var(--ink2)">
          {s.name}
        </text>
      ))}
      {limbs.map((l) => {
        const i = steps.findIndex((s) => s.surface === surfaces[l.surface]!.name && s.number >= l.number);
        const px = Math.round(at[Math.max(0, i)]! + (l.fine + 0.5) * w);
        const py = Math.round(BASE - l.number * k) - 2;
        return (
          <g key={l.side}>
            <path d={`M${px} ${py}l-5 -8h10Z`} fill="var(--pine)" />
            <text
              x={Math.max(X0 + 30, px)}
              y={py - 12}
              fontSize="13"
              fontWeight="660"
              textAnchor="middle"
              fill="var(--pine)"
            >
              {l.side === 'none' ? '' : `${l.side} `}
              {l.number}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
