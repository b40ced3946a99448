import { figureOf, placeOf, poseOf, type BodyPart, type Figure, type Place, type TechniqueKind } from '../../core';

const r1 = (n: number) => Math.round(n * 10) / 10;

/** The hull of two circles: a tapered limb between two joints. */
export function limbPath(p: Place, q: Place, a: number, b: number): string {
  const d = Math.hypot(q.x - p.x, q.y - p.y) || 1;
  const t = Math.atan2(q.y - p.y, q.x - p.x);
  const k = Math.acos(Math.max(-1, Math.min(1, (a - b) / d)));
  const at = (c: Place, r: number, s: number) =>
    `${r1(c.x + r * Math.cos(t + s * k))} ${r1(c.y + r * Math.sin(t + s * k))}`;
  return `M${at(p, a, 1)}L${at(q, b, 1)}A${r1(b)} ${r1(b)} 0 ${a < b ? 1 : 0} 0 ${at(q, b, -1)}L${at(p, a, -1)}A${r1(a)} ${r1(a)} 0 ${a >= b ? 1 : 0} 0 ${at(p, a, 1)}Z`;
}

/** A figure as limbs of wood: right solid, left outlined. `on` puts a place of the figure on the drawing. */
export function FigureShape({
  figure: f,
  on,
  scale,
}: {
  figure: Figure;
  on: (p: Place) => Place;
  /** Of the drawing, a stature. */
  scale: number;
}) {
  const s = (share: number) => share * scale;
  const leg = (l: typeof f.left) =>
    limbPath(on(f.hip), on(l.knee), s(0.05), s(0.034)) +
    limbPath(on(l.knee), on(l.ankle), s(0.034), s(0.02)) +
    limbPath(on(l.ankle), on(l.toe), s(0.02), s(0.011));
  const arm = (a: typeof f.leftArm) =>
    limbPath(on(f.shoulder), on(a.elbow), s(0.034), s(0.023)) +
    limbPath(on(a.elbow), on(a.wrist), s(0.023), s(0.016)) +
    limbPath(on(a.wrist), on(a.tip), s(0.019), s(0.019));
  const outlined = (d: string) => (
    <>
      <path d={d} fill="none" stroke="var(--left-line)" strokeWidth="3" strokeLinejoin="round" />
      <path d={d} fill="var(--paper)" />
    </>
  );
  const solid = (d: string) => (
    <>
      <path d={d} fill="none" stroke="var(--wood-line)" strokeWidth="3" strokeLinejoin="round" />
      <path d={d} fill="var(--wood)" />
    </>
  );
  const trunk = limbPath(on(f.hip), on(f.shoulder), s(0.062), s(0.072));
  const head = on(f.head);
  return (
    <>
      {outlined(leg(f.left))}
      {outlined(arm(f.leftArm))}
      <path d={trunk} fill="var(--pale-wood)" stroke="var(--wood-line)" strokeWidth="1.5" />
      <ellipse
        cx={head.x}
        cy={head.y}
        rx={s(0.05)}
        ry={s(0.066)}
        fill="var(--pale-wood)"
        stroke="var(--wood-line)"
        strokeWidth="1.5"
      />
      {solid(leg(f.right))}
      {solid(arm(f.rightArm))}
    </>
  );
}

/** The nearest place for a number around its point that is inside the drawing and clear of the numbers already placed. */
function freePlace(at: Place, placed: readonly Place[], width: number, height: number): Place {
  const out = at.x < width / 2 ? 180 : 0;
  for (const r of [22, 34, 46, 60, 76])
    for (const turn of [0, -40, 40, -80, 80, -120, 120, 180]) {
      const a = ((out + turn) * Math.PI) / 180;
      const p = { x: at.x + r * Math.cos(a), y: at.y + r * Math.sin(a) };
      if (p.x < 11 || p.x > width - 11 || p.y < 11 || p.y > height - 24) continue;
      if (placed.every((q) => Math.hypot(q.x - p.x, q.y - p.y) > 21)) return p;
    }
  return at;
}

/** A figure from the side, joints from the body tables, with a number at each point. Left outlined, right solid. */
export function BodyFigure({
  kind,
  points,
  lit,
  width = 256,
  height = 330,
  ground = true,
}: {
  kind: TechniqueKind;
  points: readonly { id: string; name: string; bodyPart: BodyPart }[];
  lit?: string | undefined;
  width?: number;
  height?: number;
  ground?: boolean;
}) {
  const f = figureOf(poseOf(kind));
  const spread = [
    f.hip.x - 0.08,
    f.shoulder.x + 0.08,
    f.shoulder.x - 0.09,
    f.left.toe.x,
    f.right.toe.x,
    f.right.ankle.x,
    f.rightArm.tip.x,
    f.leftArm.elbow.x,
    f.left.ankle.x,
  ];
  const scale = Math.min((height - 24) / 1.04, (width - 30) / (Math.max(...spread) - Math.min(...spread)));
  const mid = (Math.min(...spread) + Math.max(...spread)) / 2;
  // Forward is to the left, as the line faces the instructor's list.
  const on = (p: Place): Place => ({ x: width / 2 - (p.x - mid) * scale, y: height - 12 - p.y * scale });
  const placed: Place[] = [];
  const labels = points.map((p, i) => {
    const at = on(placeOf(p, f, kind));
    const label = freePlace(at, placed, width, height);
    placed.push(label);
    return { id: p.id, n: i + 1, at, label };
  });
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
      {ground && (
        <>
          <path
            d={Array.from({ length: Math.floor(width / 9) }, (_, i) => `M${i * 9 + 6} ${height - 11}l-5 6`).join('')}
            stroke="var(--ink2)"
          />
          <path d={`M0 ${height - 12}H${width}`} stroke="var(--ink)" strokeWidth="1.6" />
        </>
      )}
      <FigureShape figure={f} on={on} scale={scale} />
      {labels.map(({ id, n, at, label }) => {
        const now = id === lit;
        return (
          <g key={id}>
            <path d={`M${r1(at.x)} ${r1(at.y)}L${r1(label.x)} ${r1(label.y)}`} stroke="var(--ink)" strokeWidth="1.1" />
            <circle
              cx={label.x}
              cy={label.y}
              r="9.5"
              fill={now ? 'var(--pine)' : 'var(--sheet)'}
              stroke={now ? 'var(--pine)' : 'var(--ink)'}
              strokeWidth="1.2"
            />
            <text
              x={label.x}
              y={label.y + 4.5}
              fontSize="13"
              fontWeight="650"
              textAnchor="middle"
              fill={now ? 'var(--on-pine)' : 'var(--ink)'}
            >
              {n}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
