import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { FrameCanvas } from './FrameCanvas';
import type { FrameReader } from './openClip';

/** A place on a frame, as shares of its width and height. */
export interface Spot {
  x: number;
  y: number;
}
const within = (n: number) => Math.min(1, Math.max(0, n));

/** A frame on which one place is tapped, or moved by arrows. */
export function FrameTap({
  read,
  frame,
  label,
  shape,
  spot,
  onSpot,
}: {
  read: FrameReader;
  frame: number;
  label: string;
  /** Width and height of the film. */
  shape: { width: number; height: number };
  spot: Spot | null;
  onSpot: (spot: Spot) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const put = (e: PointerEvent) => {
    const r = box.current?.getBoundingClientRect();
    if (r && r.width > 0)
      onSpot({ x: within((e.clientX - r.left) / r.width), y: within((e.clientY - r.top) / r.height) });
  };
  const keys = (e: KeyboardEvent) => {
    const step = e.shiftKey ? 10 : 1;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[e.key];
    if (!by) return;
    e.preventDefault();
    e.stopPropagation();
    const from = spot ?? { x: 0.5, y: 0.5 };
    onSpot({ x: within(from.x + by[0]! / shape.width), y: within(from.y + by[1]! / shape.height) });
  };
  return (
    <div
      ref={box}
      className="frame-tap"
      style={{ aspectRatio: `${shape.width} / ${shape.height}` }}
      role="application"
      tabIndex={0}
      aria-label={`${label}. ${spot ? `The hand stands at ${Math.round(spot.x * 100)}, ${Math.round(spot.y * 100)} in a hundred; arrows move it.` : 'Tap the hand; arrows move it.'}`}
      onPointerDown={put}
      onKeyDown={keys}
    >
      <FrameCanvas read={read} frame={frame} label="" />
      {spot && <i style={{ left: `${spot.x * 100}%`, top: `${spot.y * 100}%` }} />}
    </div>
  );
}
