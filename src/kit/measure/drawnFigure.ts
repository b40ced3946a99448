import type { Figure, Place } from '../../core';

/** Somebody as they are drawn: everything in the picture's pixels. */
export interface Drawn {
  width: number;
  height: number;
  /** Where the floor begins. */
  floor: number;
  /** How tall they stand. */
  stature: number;
  limbs: readonly { from: Place; to: Place; width: number; colour: string }[];
  hands: readonly Place[];
  head: Place;
}

/** What of a picture somebody fills: the middle of the floor, and how tall they stand in it. */
export interface Stage {
  width: number;
  height: number;
  floor: number;
  middle: number;
  stature: number;
}

/** Where a place of the body, in statures from the middle of the floor, stands in the picture. */
export const onStage = (s: Stage, p: Place): Place => ({
  x: s.middle + p.x * s.stature,
  y: s.floor - p.y * s.stature,
});

/** A figure of the core dressed in limbs, the far arm and leg behind. Its right side is nearer, and it faces right. */
export function drawnOf(f: Figure, s: Stage): Drawn {
  const at = (p: Place) => onStage(s, p);
  const limb = (from: Place, to: Place, width: number, colour: string) => ({
    from: at(from),
    to: at(to),
    width: width * s.stature,
    colour,
  });
  const [sleeve, trousers, far, farLeg, coat, skin] = [
    '#a29e92',
    '#aaa69a',
    '#77756d',
    '#7d7a71',
    '#b3afa2',
    '#8a5a40',
  ];
  return {
    ...s,
    limbs: [
      limb(f.shoulder, f.leftArm.elbow, 0.066, far),
      limb(f.leftArm.elbow, f.leftArm.wrist, 0.045, '#6f4833'),
      limb(f.hip, f.left.knee, 0.103, farLeg),
      limb(f.left.knee, f.left.ankle, 0.072, farLeg),
      limb(f.left.ankle, f.left.toe, 0.0375, skin),
      limb(f.hip, f.right.knee, 0.103, trousers),
      limb(f.right.knee, f.right.ankle, 0.072, trousers),
      limb(f.right.ankle, f.right.toe, 0.0375, skin),
      limb(f.hip, f.shoulder, 0.15, coat),
      limb(f.shoulder, f.rightArm.elbow, 0.066, sleeve),
      limb(f.rightArm.elbow, f.rightArm.wrist, 0.045, skin),
    ],
    hands: [at(f.leftArm.wrist), at(f.rightArm.wrist)],
    head: at(f.head),
  };
}

/** Draws them as a camera might see them, before a wall and on a floor. It rests on nothing outside itself. */
export function paintFigure(c: CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D, d: Drawn): void {
  const wall = c.createLinearGradient(0, 0, d.width, 0);
  wall.addColorStop(0, '#6d6558');
  wall.addColorStop(1, '#3f3a33');
  c.fillStyle = wall;
  c.fillRect(0, 0, d.width, d.height);
  c.fillStyle = '#4a3a2b';
  c.fillRect(0, d.floor - d.stature / 16, d.width, d.height);
  c.lineCap = 'round';
  const line = (l: Drawn['limbs'][number], colour: string, width: number) => {
    c.strokeStyle = colour;
    c.lineWidth = width;
    c.beginPath();
    c.moveTo(l.from.x, l.from.y);
    c.lineTo(l.to.x, l.to.y);
    c.stroke();
  };
  // An arm throws a shadow on what is behind it.
  for (const l of d.limbs) {
    if (l.width < 0.07 * d.stature) line(l, 'rgb(30 26 20 / 0.35)', l.width + d.stature / 70);
    line(l, l.colour, l.width);
  }
  const k = d.stature / 640;
  const { x, y } = d.head;
  const disc = (cx: number, cy: number, rx: number, ry: number, from = 0, to = 7) => {
    c.beginPath();
    c.ellipse(cx, cy, rx * k, ry * k, 0, from, to);
    c.fill();
  };
  c.fillStyle = '#8a5a40';
  for (const h of d.hands) disc(h.x, h.y, 20, 20);
  disc(x + 8 * k, y, 34, 44);
  disc(x + 44 * k, y + 6 * k, 8, 8);
  c.fillStyle = '#231a15';
  disc(x - 6 * k, y - 12 * k, 36, 38, 1.6, 5.2);
}
