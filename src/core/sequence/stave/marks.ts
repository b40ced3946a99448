import { type Zone } from '../../units/zone';
import { n1, shape, type Primitive, type Tone } from '../drawing';
import { type Action, type ActionKind, type Step } from '../move';

export const LETTERS = { label: 13, count: 15, name: 13, section: 14 };

/** One mark on a zone line. Right solid, left outlined; what both hands do is drawn twice, side by side. */
export function markOf(kind: ActionKind, side: Action['side'], x: number, y: number, k: number): Primitive[] {
  if (side === 'both')
    return [...markOf(kind, 'left', x - 7 * k, y, k * 0.8), ...markOf(kind, 'right', x + 7 * k, y, k * 0.8)];
  const fill: Tone = side === 'right' ? 'ink' : 'ground';
  const at = { x, y, sx: k, sy: k };
  const body = (d: string): Primitive =>
    shape(d, { fill, stroke: 'ink', width: 1.8, at, ...(side === 'none' ? { dash: '3 2.4' } : {}) });
  switch (kind) {
    case 'strike':
      return [body('M-12 -9L13 0L-12 9Z')];
    case 'block':
      return [body('M-4.5 -12Q-4.5 -13 -3 -13H3Q4.5 -13 4.5 -12V12Q4.5 13 3 13H-3Q-4.5 13 -4.5 12Z')];
    case 'kick':
      return [
        shape('M-4 -.2H-13Q-19 0 -19 8', { stroke: 'ink', width: 2, round: true, at }),
        body('M-6 -9L17 0L-6 9Z'),
      ];
    case 'weapon cut':
      return [
        side === 'right'
          ? shape('M-15 12L15 -12', { stroke: 'ink', width: 5, round: true, at })
          : shape(
              'M-16.2 9.8L12.8 -14M-13.8 14L15.2 -9.8M-16.2 9.8A2.6 2.6 0 0 0 -13.8 14M12.8 -14A2.6 2.6 0 0 1 15.2 -9.8',
              {
                stroke: 'ink',
                width: 1.7,
                round: true,
                at,
              },
            ),
      ];
    case 'grip':
    case 'hand shape':
      return [body('M-8 0A8 8 0 1 1 8 0A8 8 0 1 1 -8 0Z')];
    case 'fall':
      return [shape('M-11 -8V2Q-11 9 -4 9H11', { stroke: 'ink', width: side === 'right' ? 4.4 : 2, round: true, at })];
    case 'evasion':
      return [
        shape('M-11 6Q-4 -11 2 0Q7 9 12 -6', { stroke: 'ink', width: side === 'right' ? 4.4 : 2, round: true, at }),
      ];
  }
}

export const needle = (x: number, y: number, heading: number, k: number): Primitive[] => [
  shape('M0 9V-7', { stroke: 'ink', width: 1.9, round: true, at: { x, y, turn: heading, sx: k, sy: k } }),
  shape('M0 -12L4.5 -4H-4.5Z', { fill: 'ink', at: { x, y, turn: heading, sx: k, sy: k } }),
];

/** The turn from the facing before: an arc round the needle with a point where it ends. */
export function turnArc(x: number, y: number, from: number, degrees: number, k: number): Primitive[] {
  const R = 17 * k;
  const rad = (d: number) => (d * Math.PI) / 180;
  const far = Math.max(-330, Math.min(330, degrees * 0.86));
  const [a0, a1] = [rad(from), rad(from + far)];
  const pt = (a: number) => [n1(x + R * Math.sin(a)), n1(y - R * Math.cos(a))] as const;
  const [p0, p1] = [pt(a0), pt(a1)];
  const d = degrees > 0 ? 1 : -1;
  const [tx, ty] = [Math.cos(a1) * d, Math.sin(a1) * d];
  return [
    shape(
      `M${p0[0]} ${p0[1]}A${n1(R)} ${n1(R)} 0 ${Math.abs(far) > 180 ? 1 : 0} ${degrees > 0 ? 1 : 0} ${p1[0]} ${p1[1]}`,
      {
        stroke: 'slate',
        width: n1(1.7 * Math.max(1, k * 0.85)),
      },
    ),
    shape(
      `M${n1(p1[0] + 6 * k * tx)} ${n1(p1[1] + 6 * k * ty)}L${n1(p1[0] - 4 * k * ty)} ${n1(p1[1] + 4 * k * tx)}L${n1(p1[0] + 4 * k * ty)} ${n1(p1[1] - 4 * k * tx)}Z`,
      { fill: 'slate' },
    ),
  ];
}

/** Where two marks stand on one line they are moved apart. */
export function marks(step: Step, zone: Record<Zone, number>, x: number, k: number): Primitive[] {
  const at = new Map<Zone, number>();
  const ys = step.actions.map((a) => zone[a.zone ?? 'middle']);
  const stem =
    ys.length > 1 && Math.max(...ys) > Math.min(...ys)
      ? [shape(`M${n1(x)} ${n1(Math.min(...ys))}V${n1(Math.max(...ys))}`, { stroke: 'ink', width: 1.4 })]
      : [];
  const same = (z: Zone) => step.actions.filter((a) => (a.zone ?? 'middle') === z).length;
  return [
    ...stem,
    ...step.actions.flatMap((a) => {
      const z = a.zone ?? 'middle';
      const i = at.get(z) ?? 0;
      at.set(z, i + 1);
      const n = same(z);
      const off = n > 1 ? (i - (n - 1) / 2) * 22 * k : 0;
      return markOf(a.kind, a.side, n1(x + off), zone[z], n > 1 ? k * 0.8 : k);
    }),
  ];
}
