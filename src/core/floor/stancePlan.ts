import { footShape, label, n1, shape, type Primitive } from '../sequence/drawing';
import type { StanceGeometry } from './stance';
import { SHARE } from './share';

export interface StancePlan {
  width: number;
  height: number;
  primitives: Primitive[];
}

/**
 * A stance from above to scale, left foot forward: both tracks, the share of weight on each foot, the centre where that
 * share puts it, length and width in shoulder breadths and in centimetres for the stature.
 */
export function layoutStance(g: StanceGeometry, stature: number, size = 220): StancePlan {
  const sb = SHARE.shoulderBreadth * stature;
  const foot = SHARE.footLength * stature;
  const [length, width] = [g.length * sb, g.width * sb];
  const k = Math.min(150, (size - 70) / (Math.abs(length) + foot), (size - 96) / (Math.abs(width) + foot * 0.9));
  const [cx, cy] = [size / 2 - 8, size / 2 - 4];
  const lead = { x: cx - (width / 2) * k, y: cy - (length / 2) * k };
  const rear = { x: cx + (width / 2) * k, y: cy + (length / 2) * k };
  const share = g.leadWeight / 100;
  const centre = { x: rear.x + (lead.x - rear.x) * share, y: rear.y + (lead.y - rear.y) * share };
  const p: Primitive[] = [];
  for (const x of [lead.x, rear.x]) p.push(shape(`M${n1(x)} 8V${size - 24}`, { stroke: 'rule', dash: '2 5' }));
  p.push(
    shape(`M${n1(lead.x)} ${n1(lead.y)}L${n1(rear.x)} ${n1(rear.y)}`, { stroke: 'zone', width: 1.2 }),
    footShape('left', n1(lead.x), n1(lead.y), -g.leadTurn, foot * k, 'ink', { width: 1.8 }),
    footShape('right', n1(rear.x), n1(rear.y), g.rearTurn, foot * k, 'still', { width: 1.8 }),
    shape('M-5 0H5M0 -5V5', { stroke: 'pine', width: 2.4, round: true, at: { x: n1(centre.x), y: n1(centre.y) } }),
    label(lead.x - (foot * k) / 2 - 8, lead.y + 5, `${Math.round(g.leadWeight)}`, 15, { anchor: 'end', weight: 650 }),
    label(rear.x + (foot * k) / 2 + 8, rear.y + 5, `${Math.round(100 - g.leadWeight)}`, 15, {
      anchor: 'start',
      weight: 650,
    }),
  );
  const metre = 0.5 * k;
  p.push(
    shape(`M10 ${size - 8}H${n1(10 + metre)}M10 ${size - 12}V${size - 4}M${n1(10 + metre)} ${size - 12}V${size - 4}`, {
      stroke: 'ink2',
      width: 1.2,
    }),
    label(16 + metre, size - 3, '0.5 m', 13, { anchor: 'start', tone: 'ink2' }),
  );
  return { width: size, height: size, primitives: p };
}

/** The stance in words and numbers. */
export function stanceInWords(g: StanceGeometry, stature: number): string {
  const cm = (units: number) => Math.round(Math.abs(units) * SHARE.shoulderBreadth * stature * 100);
  const parts = [
    g.length === 0 ? 'feet side by side' : `${Math.abs(g.length)} shoulder breadths long (${cm(g.length)} cm)`,
    g.width === 0
      ? 'both on one line'
      : `tracks ${Math.abs(g.width)} shoulder breadths apart (${cm(g.width)} cm)${g.width < 0 ? ', crossed' : ''}`,
    g.rearTurn === g.leadTurn ? `toes ${g.leadTurn}° out` : `front toes ${g.leadTurn}°, rear toes ${g.rearTurn}° out`,
    `${g.leadWeight} in a hundred on the front foot`,
  ];
  return parts.join(', ');
}
