import type { Page } from '@playwright/test';
import { figureOf, inFrontStance, poseOf, weightSplit, type Place } from '../src/core';

export const DRAWN = { width: 900, height: 900, stature: 640, floor: 780, middle: 450 };
/** Where a place of the body, in statures from the middle of the floor, stands in the picture. */
export const inPicture = (p: Place): Place => ({
  x: DRAWN.middle + p.x * DRAWN.stature,
  y: DRAWN.floor - p.y * DRAWN.stature,
});
/** The body that is drawn: a stepping punch seen from its right, facing right, posed by the core. */
export const body = () => figureOf(poseOf('strike'));

/** The weight on its front foot, in percent, by the principle of moments. */
export const weightInFront = (): number => weightSplit(inFrontStance())! * 100;

/** Draws the body as a camera might see it, dressed, before a wall and on a floor; its joints are known. PNG. */
export async function drawBody(page: Page): Promise<Buffer> {
  const f = body();
  const at = (p: Place) => inPicture(p);
  const limbs: { from: Place; to: Place; width: number; colour: string }[] = [
    { from: f.shoulder, to: f.leftArm.elbow, width: 42, colour: '#77756d' },
    { from: f.leftArm.elbow, to: f.leftArm.wrist, width: 34, colour: '#77756d' },
    { from: f.hip, to: f.left.knee, width: 66, colour: '#7d7a71' },
    { from: f.left.knee, to: f.left.ankle, width: 46, colour: '#7d7a71' },
    { from: f.left.ankle, to: f.left.toe, width: 24, colour: '#8a5a40' },
    { from: f.hip, to: f.right.knee, width: 66, colour: '#aaa69a' },
    { from: f.right.knee, to: f.right.ankle, width: 46, colour: '#aaa69a' },
    { from: f.right.ankle, to: f.right.toe, width: 24, colour: '#8a5a40' },
    { from: f.hip, to: f.shoulder, width: 96, colour: '#b3afa2' },
    { from: f.shoulder, to: f.rightArm.elbow, width: 42, colour: '#a29e92' },
    { from: f.rightArm.elbow, to: f.rightArm.wrist, width: 34, colour: '#a29e92' },
  ].map((l) => ({ ...l, from: at(l.from), to: at(l.to) }));
  const url = await page.evaluate(
    ({ limbs, head, hands, size }) => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [size.width, size.height];
      const c = canvas.getContext('2d')!;
      const wall = c.createLinearGradient(0, 0, size.width, 0);
      wall.addColorStop(0, '#6d6558');
      wall.addColorStop(1, '#3f3a33');
      c.fillStyle = wall;
      c.fillRect(0, 0, size.width, size.height);
      c.fillStyle = '#4a3a2b';
      c.fillRect(0, size.floor - 40, size.width, size.height);
      c.lineCap = 'round';
      for (const l of limbs) {
        c.strokeStyle = l.colour;
        c.lineWidth = l.width;
        c.beginPath();
        c.moveTo(l.from.x, l.from.y);
        c.lineTo(l.to.x, l.to.y);
        c.stroke();
      }
      c.fillStyle = '#8a5a40';
      for (const h of hands) {
        c.beginPath();
        c.arc(h.x, h.y, 20, 0, 7);
        c.fill();
      }
      c.beginPath();
      c.ellipse(head.x + 8, head.y, 34, 44, 0, 0, 7);
      c.fill();
      c.beginPath();
      c.arc(head.x + 44, head.y + 6, 8, 0, 7);
      c.fill();
      c.fillStyle = '#231a15';
      c.beginPath();
      c.ellipse(head.x - 6, head.y - 12, 36, 38, 0, 1.6, 5.2);
      c.fill();
      return canvas.toDataURL('image/png');
    },
    { limbs, head: at(f.head), hands: [at(f.leftArm.wrist), at(f.rightArm.wrist)], size: DRAWN },
  );
  return Buffer.from(url.split(',')[1]!, 'base64');
}
