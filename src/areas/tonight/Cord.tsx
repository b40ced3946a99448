import { Fragment } from 'react';

const W = 110;
const Y = 12;

/** Turns of a lashing round a peg. */
const turns = (x: number) => [0, 1, 2].map((i) => `M${x - 6} ${Y + 4 - i * 4}L${x + 6} ${Y + 1.5 - i * 4}`).join('');

/**
 * What joins two: a cord between pegs, a knot a rung. Lashed at both ends: both said yes tonight; loose: nobody was asked
 * yet; dotted: nothing lands.
 */
export function Cord({ rung, agreed }: { rung: number; agreed: boolean }) {
  const mid = W / 2;
  const knots = Array.from({ length: rung }, (_, i) => mid + (i - (rung - 1) / 2) * 20);
  const tied = agreed || rung === 0;
  return (
    <svg className="cord" width={W} height={24} viewBox={`0 0 ${W} 24`} aria-hidden="true">
      <path
        d={
          tied
            ? `M8 ${Y}H${W - 8}`
            : `M8 ${Y}C20 ${Y + 9} 30 ${Y + 7} 38 ${Y}H${W - 38}C${W - 30} ${Y + 7} ${W - 20} ${Y + 9} ${W - 8} ${Y}`
        }
        stroke="var(--ink2)"
        strokeWidth="2"
        fill="none"
        strokeDasharray={rung === 0 ? '2 5' : undefined}
        strokeLinecap="round"
      />
      {[8, W - 8].map((x) => (
        <Fragment key={x}>
          <path d={`M${x} ${Y - 9}V${Y + 9}`} stroke="var(--ink)" strokeWidth="4.5" strokeLinecap="round" />
          {agreed && rung > 0 && <path d={turns(x)} stroke="var(--ink2)" strokeWidth="2.4" strokeLinecap="round" />}
        </Fragment>
      ))}
      {knots.map((x) => (
        <g key={x} transform={`translate(${x} ${Y}) rotate(-18)`}>
          <ellipse rx="6.2" ry="5" fill="var(--ink)" />
          <path d="M-3 2.4L3 -2.4" stroke="var(--paper)" strokeWidth="1.5" strokeLinecap="round" />
        </g>
      ))}
    </svg>
  );
}
