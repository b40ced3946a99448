import { memo, type PointerEvent, type Ref } from 'react';
import { LANDMARKS, LENGTH_ENDS, type Landmark, type Pins, type View } from '../../core';
import type { Pinned } from './pinning';
import type { Picture } from './picture';

/** Lines between landmarks, so that one sees which is which. */
const BONES: Record<View, readonly (readonly [Landmark, Landmark])[]> = {
  side: [
    ['heel front', 'toe front'],
    ['heel rear', 'toe rear'],
    ['ankle front', 'knee front'],
    ['ankle rear', 'knee rear'],
    ['knee front', 'hip'],
    ['knee rear', 'hip'],
    ['hip', 'shoulder'],
    ['shoulder', 'elbow left'],
    ['elbow left', 'wrist left'],
    ['shoulder', 'elbow right'],
    ['elbow right', 'wrist right'],
    ['shoulder', 'ear'],
  ],
  front: [
    ['ankle left', 'hip left'],
    ['ankle right', 'hip right'],
    ['hip left', 'hip right'],
    ['hip left', 'shoulder left'],
    ['hip right', 'shoulder right'],
    ['shoulder left', 'elbow left'],
    ['shoulder right', 'elbow right'],
  ],
  above: [
    ['heel left', 'toe left'],
    ['heel right', 'toe right'],
  ],
};
const r1 = (n: number) => Math.round(n * 10) / 10;

/** A line between two landmarks: whole where both are set. Drawn anew only when one of them moves. */
const Bone = memo(function Bone({
  x,
  y,
  toX,
  toY,
  set,
  tall,
}: {
  x: number;
  y: number;
  toX: number;
  toY: number;
  /** How many of its ends are set. */
  set: number;
  tall: number;
}) {
  return (
    <path
      d={`M${r1(x)} ${r1(y)}L${r1(toX)} ${r1(toY)}`}
      stroke="#fff"
      strokeWidth={tall / 260}
      strokeDasharray={set === 2 ? undefined : `${tall / 120}`}
      opacity={set > 0 ? 0.9 : 0.35}
    />
  );
});

/** A landmark: a dot where it is set, a broken ring where it is a guess. */
const Dot = memo(function Dot({
  x,
  y,
  lit,
  set,
  covered,
  tall,
}: {
  x: number;
  y: number;
  lit: boolean;
  set: boolean;
  covered: boolean;
  tall: number;
}) {
  const r = tall / 90;
  return (
    <circle
      cx={r1(x)}
      cy={r1(y)}
      r={set ? r : r * 1.6}
      fill={lit ? 'var(--pine)' : set ? '#fff' : 'none'}
      stroke={lit || !set ? '#fff' : '#14181B'}
      strokeWidth={tall / 320}
      strokeDasharray={set ? undefined : `${tall / 160}`}
      opacity={covered ? 0.4 : 1}
    />
  );
});

/** The picture with its landmarks, the lines between them, and a glass over the one that is moved, away from the thumb. */
export function PhotoStage({
  ref,
  picture,
  view,
  pins,
  at,
  byLength,
  onDown,
  onMove,
  onUp,
}: {
  ref: Ref<SVGSVGElement>;
  picture: Picture;
  view: View;
  pins: Pins;
  at: Pinned;
  byLength: boolean;
  onDown: (e: PointerEvent) => void;
  onMove: (e: PointerEvent) => void;
  onUp: () => void;
}) {
  const pin = pins[at];
  const corner = pin ? { right: pin.x < picture.width / 2, bottom: pin.y < picture.height / 2 } : null;
  const glass = picture.height * 0.14;
  const bones: readonly (readonly [Pinned, Pinned])[] = byLength ? [...BONES[view], LENGTH_ENDS] : BONES[view];
  const shown: readonly Pinned[] = byLength ? [...LANDMARKS[view], ...LENGTH_ENDS] : LANDMARKS[view];
  return (
    <svg
      ref={ref}
      className="photo-stage"
      viewBox={`0 0 ${picture.width} ${picture.height}`}
      tabIndex={0}
      role="application"
      aria-label={`The picture. ${at}: arrows move it, Enter goes on, Backspace undoes.`}
      onPointerDown={onDown}
      onPointerMove={onMove}
      onPointerUp={onUp}
      onPointerCancel={onUp}
    >
      <image href={picture.url} width={picture.width} height={picture.height} />
      {bones.map(([a, b]) => {
        const [p, q] = [pins[a], pins[b]];
        if (!p || !q) return null;
        const set = Number(p.set) + Number(q.set);
        return <Bone key={`${a} ${b}`} x={p.x} y={p.y} toX={q.x} toY={q.y} set={set} tall={picture.height} />;
      })}
      {shown.map((n) => {
        const p = pins[n];
        return (
          p && (
            <Dot
              key={n}
              x={p.x}
              y={p.y}
              lit={n === at}
              set={p.set}
              covered={p.covered === true}
              tall={picture.height}
            />
          )
        );
      })}
      {pin && corner && (
        <g
          transform={`translate(${corner.right ? picture.width - glass - 8 : glass + 8} ${corner.bottom ? picture.height - glass - 8 : glass + 8})`}
        >
          <clipPath id="photo-glass">
            <circle r={glass} />
          </clipPath>
          <circle r={glass} fill="#14181B" />
          <g clipPath="url(#photo-glass)">
            <image
              href={picture.url}
              width={picture.width}
              height={picture.height}
              transform={`scale(3) translate(${-pin.x} ${-pin.y})`}
            />
          </g>
          <path
            d={`M${-glass} 0H${-glass / 8}M${glass / 8} 0H${glass}M0 ${-glass}V${-glass / 8}M0 ${glass / 8}V${glass}`}
            stroke="#fff"
            strokeWidth={picture.height / 400}
          />
          <circle r={glass} fill="none" stroke="var(--wood)" strokeWidth={picture.height / 100} />
        </g>
      )}
    </svg>
  );
}
