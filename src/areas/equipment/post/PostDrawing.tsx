import { useId } from 'react';
import { BODY, depthOf, figureOf, poseOf, type Place, type Post, type Pushed } from '../../../core';
import { FigureShape } from '../../../kit/marks/BodyFigure';

const K = 252;
const W = 556;
const GROUND = 470;
const X = 404;
const FACE = 0.045;
const r1 = (n: number) => Math.round(n * 10) / 10;
const m = (n: number) => `${n.toFixed(2)} m`;

/** The deflection at a height above the floor: along the bent line up to the blow, straight from there on. */
const lineOf = (bend: Pushed['best'], held: number, blow: number) => (z: number) => {
  const u = z + held;
  if (u <= 0) return 0;
  if (u >= blow + held) return bend.deflection + bend.slope * (z - blow);
  const i = bend.curve.findIndex((p) => p.z >= u);
  const [a, b] = [bend.curve[i - 1]!, bend.curve[i]!];
  return a.y + ((b.y - a.y) * (u - a.z)) / (b.z - a.z);
};

/** Whoever uses it in front of the post, to scale; how far it gives under the push, and between what that may lie. */
export function PostDrawing({
  post,
  pushed,
  stature,
  force,
}: {
  post: Post;
  pushed: Pushed;
  stature: number;
  force: number;
}) {
  const id = useId();
  const y = (z: number) => GROUND - z * K;
  const x = (d: number) => X + d * K;
  const { top, blow, second } = post;
  const strike = poseOf('strike');
  const plain = figureOf(strike);
  const arm = BODY.upperArm + BODY.forearm + BODY.hand * 0.6;
  // The arm points at the pad at the height of the blow.
  const drop = Math.min(1, Math.max(-1, (plain.shoulder.y - blow / stature) / arm));
  const figure = figureOf({ ...strike, rightArm: { upper: (Math.acos(drop) * 180) / Math.PI, bend: 0 } });
  const shift = X - FACE * K - figure.rightArm.tip.x * stature * K;
  const on = (p: Place): Place => ({ x: shift + p.x * stature * K, y: GROUND - p.y * stature * K });
  const tall = Math.min(26, y(Math.max(stature, top) + 0.08));
  const depth = post.foot.kind === 'ground' ? depthOf(post) : 0;
  const H = GROUND + (depth > 0 ? depth * K : 40) + 36;
  const thick = (z: number, of: number) =>
    post.thickness + (post.thin - post.thickness) * Math.min(1, Math.max(0, z / of));
  const samples = (from: number, to: number) => Array.from({ length: 25 }, (_, i) => from + ((to - from) * i) / 24);
  const side = (zs: readonly number[], at: (z: number) => number) =>
    zs.map((z) => `${r1(x(at(z)))} ${r1(y(z))}`).join('L');
  const frontBoard = () => {
    const zs = samples(-depth, top);
    return `M${side(zs, () => 0)}L${side([...zs].reverse(), (z) => thick(z, top))}Z`;
  };
  const secondBoard = () => {
    const zs = samples(-depth, second);
    return `M${side(zs, (z) => thick(z, top))}L${side([...zs].reverse(), (z) => thick(z, top) + thick(z, second))}Z`;
  };
  const best = lineOf(pushed.best, pushed.held, blow);
  const stiff = lineOf(pushed.stiffest, pushed.heldStiffest, blow);
  const soft = lineOf(pushed.softest, pushed.heldSoftest, blow);
  const band = samples(-Math.max(0, pushed.heldSoftest), top);
  const rear = figure.right.ankle.x * stature * K + shift - BODY.foot * 0.25 * stature * K;
  const mm = (d: number) => Math.round(d * 1000);
  return (
    <svg
      viewBox={`0 ${r1(tall)} ${W} ${r1(H - tall)}`}
      width="100%"
      role="img"
      aria-label={`A post of ${m(top)}, struck at ${m(blow)}, its second board to ${m(second)}; a push of ${force} newton moves it ${mm(pushed.best.deflection)} millimetres, ${mm(pushed.stiffest.deflection)} to ${mm(pushed.softest.deflection)}.`}
    >
      <defs>
        <pattern id={id} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 2.5H5" stroke="var(--pine)" strokeWidth="1.3" />
        </pattern>
      </defs>
      <path d={`M8 ${GROUND}V${r1(y(stature))}H42`} fill="none" stroke="var(--ink2)" />
      <text x="14" y={r1(y(stature) + 18)} fontSize="13" fill="var(--ink2)">
        {m(stature)}
      </text>
      <FigureShape figure={figure} on={on} scale={stature * K} />
      <path d={`M0 ${GROUND}H${W}`} stroke="var(--ink)" strokeWidth="1.6" />
      <path
        d={Array.from({ length: Math.floor(W / 9) }, (_, i) => `M${i * 9 + 6} ${GROUND + 1}l-5 6`).join('')}
        stroke="var(--ink2)"
      />
      {post.foot.kind === 'base' && (
        <>
          <rect x={X - 90} y={GROUND - 6} width="200" height="6" fill="var(--wood)" stroke="var(--wood-line)" />
          <rect
            x={r1(X - 7)}
            y={r1(y(post.foot.front))}
            width="7"
            height={r1(post.foot.front * K)}
            fill="var(--ink2)"
          />
          <rect
            x={r1(x(thick(0, top) + thick(0, second)))}
            y={r1(y(post.foot.rear))}
            width="7"
            height={r1(post.foot.rear * K)}
            fill="var(--ink2)"
          />
        </>
      )}
      {depth > 0 && (
        <path
          d={`M${X - 46} ${GROUND + 8}L${X - 28} ${r1(y(-depth) + 10)}H${X + 40}L${X + 58} ${GROUND + 8}`}
          fill="none"
          stroke="var(--ink2)"
          strokeDasharray="3 4"
        />
      )}
      <path d={secondBoard()} fill="var(--wood)" stroke="var(--wood-line)" strokeWidth="1.2" />
      <path d={frontBoard()} fill="var(--wood)" stroke="var(--wood-line)" strokeWidth="1.2" />
      <path d={`M${side(band, stiff)}L${side([...band].reverse(), soft)}Z`} fill={`url(#${id})`} />
      <path d={`M${side(band, best)}`} fill="none" stroke="var(--pine)" strokeWidth="3" strokeLinecap="round" />
      <rect
        x={r1(x(-FACE))}
        y={r1(y(top))}
        width={r1(FACE * K)}
        height={r1(0.28 * K)}
        rx="4"
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth="1.3"
      />
      {post.fixing === 'joined' &&
        [0.27, 0.57, 0.88].map((share) => (
          <path
            key={share}
            d={[-5, -1, 3, 7]
              .map(
                (d) =>
                  `M${r1(x(-0.012))} ${r1(y(second * share) + d + 1.4)}L${r1(x(thick(0, top) * 2 + 0.012))} ${r1(y(second * share) + d - 1.4)}`,
              )
              .join('')}
            stroke="var(--ink)"
            strokeWidth="1.8"
            strokeLinecap="round"
          />
        ))}
      <text x={X - 18} y={r1(y(top) - 36)} fontSize="15" fontWeight="650" textAnchor="middle" fill="var(--pine)">
        gives {mm(pushed.best.deflection)} mm
      </text>
      <text x={X - 18} y={r1(y(top) - 18)} fontSize="13" textAnchor="middle" fill="var(--ink2)">
        {mm(pushed.stiffest.deflection)} to {mm(pushed.softest.deflection)}
      </text>
      {[
        { z: top, at: W - 10, says: m(top), sub: 'plexus, standing', end: true, up: -24 },
        { z: blow, at: X + 78, says: m(blow), sub: 'in stance', end: false, up: 18 },
      ].map((l) => (
        <g key={l.sub}>
          <path d={`M${X + 36} ${r1(y(l.z))}H${l.end ? W - 10 : X + 70}`} stroke="var(--ink2)" strokeDasharray="2 4" />
          <text
            x={l.at}
            y={r1(y(l.z) + l.up)}
            fontSize="15"
            fontWeight="650"
            textAnchor={l.end ? 'end' : 'start'}
            fill="var(--ink)"
          >
            {l.says}
          </text>
          <text
            x={l.at}
            y={r1(y(l.z) + l.up + 16)}
            fontSize="13"
            textAnchor={l.end ? 'end' : 'start'}
            fill="var(--ink2)"
          >
            {l.sub}
          </text>
        </g>
      ))}
      <path
        d={`M${X + 58} ${r1(y(second))}h10M${X + 58} ${GROUND}h10M${X + 63} ${r1(y(second))}V${GROUND}`}
        stroke="var(--ink)"
      />
      <text x={X + 74} y={r1(y(second / 2))} fontSize="15" fontWeight="650" fill="var(--ink)">
        {m(second)}
      </text>
      <text x={X + 74} y={r1(y(second / 2) + 17)} fontSize="13" fill="var(--ink2)">
        second board
      </text>
      {depth > 0 && (
        <>
          <path
            d={`M${X + 76} ${GROUND}h10M${X + 76} ${r1(y(-depth))}h10M${X + 81} ${GROUND}V${r1(y(-depth))}`}
            stroke="var(--ink)"
          />
          <text x={X + 90} y={r1(y(-depth / 2))} fontSize="15" fontWeight="650" fill="var(--ink)">
            {m(depth)}
          </text>
          <text x={X + 90} y={r1(y(-depth / 2) + 17)} fontSize="13" fill="var(--ink2)">
            deep
          </text>
        </>
      )}
      <path
        d={`M${r1(rear)} ${GROUND + 20}v10M${X - 11} ${GROUND + 20}v10M${r1(rear)} ${GROUND + 25}H${X - 11}`}
        stroke="var(--ink)"
      />
      <text x={r1(rear)} y={GROUND + 48} fontSize="15" fontWeight="650" fill="var(--ink)">
        {m((X - 11 - rear) / K)}
      </text>
      <text x={r1(rear) + 62} y={GROUND + 48} fontSize="13" fill="var(--ink2)">
        and 0.5 m behind for the elbow
      </text>
    </svg>
  );
}
