import { ACTION_KINDS, markOf, svgOf, ZONES, type ActionKind, type Tally } from '../../core';
import { onScreen } from './tones';

const ROW = 32;

interface Run {
  kind: ActionKind;
  n: number;
}

/** The tally drawn: heights down, left techniques left of the line, right ones right of it. Where they would not fit, each kind carries its number. */
export function TallyMark({ tally }: { tally: Tally }) {
  const rows = ZONES.map((zone) => {
    const side = (s: 'left' | 'right'): Run[] =>
      ACTION_KINDS.flatMap((kind) => {
        const n = tally.cells
          .filter((c) => c.kind === kind && (c.zone ?? 'middle') === zone)
          .reduce((t, c) => t + c[s] + c.both, 0);
        return n === 0 ? [] : [{ kind, n }];
      });
    return { zone, left: side('left'), right: side('right') };
  });
  const [W, H] = [430, ROW * 3 - 4];
  const middle = W / 2 + 26;
  const draw = (runs: Run[], side: 'left' | 'right', y: number) => {
    const dir = side === 'right' ? 1 : -1;
    const total = runs.reduce((t, r) => t + r.n, 0);
    const single = total <= Math.floor((side === 'left' ? middle - 100 : W - middle - 24) / 34);
    const wide = Math.min(54, (middle - 100) / Math.max(1, runs.length));
    let x = middle + dir * 22;
    return runs.map((r) => {
      if (single) {
        const marks = Array.from({ length: r.n }, (_, i) => {
          const at = x + dir * i * 34;
          return <g key={i} dangerouslySetInnerHTML={{ __html: svgOf(markOf(r.kind, side, at, y, 0.85), onScreen) }} />;
        });
        x += dir * r.n * 34;
        return <g key={r.kind}>{marks}</g>;
      }
      const at = x;
      x += dir * wide;
      return (
        <g key={r.kind}>
          <g dangerouslySetInnerHTML={{ __html: svgOf(markOf(r.kind, side, at, y, 0.85), onScreen) }} />
          <text x={at + dir * 24} y={y + 5} fontSize="14" fontWeight="600" textAnchor="middle" fill="var(--ink)">
            {r.n}
          </text>
        </g>
      );
    });
  };
  return (
    <svg className="tally" viewBox={`0 -2 ${W} ${H}`} role="img" aria-label="Tally by height and side">
      {rows.map((r, i) => {
        const y = 14 + i * ROW;
        return (
          <g key={r.zone}>
            <text x="62" y={y + 5} fontSize="13.5" textAnchor="end" fill="var(--ink2)">
              {r.zone}
            </text>
            <path d={`M74 ${y}H${W - 8}`} stroke="var(--zone)" strokeWidth="1.2" />
            {draw(r.left, 'left', y)}
            {draw(r.right, 'right', y)}
          </g>
        );
      })}
      <path d={`M${middle} -1V${H - 4}`} stroke="var(--ink)" strokeWidth="1.4" />
    </svg>
  );
}
