import type { PointerEvent, Ref } from 'react';
import { LANDMARKS, type Landmark, type Pins, type View } from '../../../core';
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

/** The picture with its landmarks, the lines between them, and a glass over the one that is moved, away from the thumb. */
export function PhotoStage({
  ref,
  picture,
  view,
  pins,
  at,
  onDown,
  onMove,
  onUp,
}: {
  ref: Ref<SVGSVGElement>;
  picture: Picture;
  view: View;
  pins: Pins;
  at: Landmark;
  onDown: (e: PointerEvent) => void;
  onMove: (e: PointerEvent) => void;
  onUp: () => void;
}) {
  const pin = pins[at];
  const corner = pin ? { right: pin.x < picture.width / 2, bottom: pin.y < picture.height / 2 } : null;
  const glass = picture.height * 0.14;
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
      {BONES[view].map(([a, b]) =>
        pins[a] && pins[b] ? (
          <path
            key={`${a} ${b}`}
            d={`M${r1(pins[a].x)} ${r1(pins[a].y)}L${r1(pins[b].x)} ${r1(pins[b].y)}`}
            stroke="#fff"
            strokeWidth={picture.height / 260}
            strokeDasharray={pins[a].set && pins[b].set ? undefined : `${picture.height / 120}`}
            opacity={pins[a].set || pins[b].set ? 0.9 : 0.35}
          />
        ) : null,
      )}
      {LANDMARKS[view].map((n) => {
        const p = pins[n];
        if (!p) return null;
        const r = picture.height / 90;
        return (
          <circle
            key={n}
            cx={r1(p.x)}
            cy={r1(p.y)}
            r={p.set ? r : r * 1.6}
            fill={n === at ? 'var(--pine)' : p.set ? '#fff' : 'none'}
            stroke={n === at ? '#fff' : p.set ? '#14181B' : '#fff'}
            strokeWidth={picture.height / 320}
            strokeDasharray={p.set ? undefined : `${picture.height / 160}`}
          />
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
