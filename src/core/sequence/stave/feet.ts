import { type At } from '../../floor/trace';
import { footShape, n1, shape, type Primitive, type Tone } from '../drawing';
import { type Step } from '../move';

/** Drawing units a metre in the foot row. */
const FEET_SCALE = 58;

export const FEET_HALF = 36;

/** Both feet of a count, the facing up, to scale; the moved one dark. A foot in the air hangs over a small bow. */
export function feetOf(at: At, step: Step, x: number, y: number, k: number, footLength: number): Primitive[] {
  const a = (at.heading * Math.PI) / 180;
  const [cos, sin] = [Math.cos(a), Math.sin(a)];
  const tone = (side: 'left' | 'right'): Tone => (at.moved.includes(side) ? 'ink' : 'still');
  const mid = { x: (at.left.x + at.right.x) / 2, y: (at.left.y + at.right.y) / 2 };
  const kicks = at.lifted;
  if (kicks) {
    const stands = kicks === 'left' ? 'right' : 'left';
    const s = kicks === 'right' ? 1 : -1;
    const m = FEET_SCALE * k;
    const w = 7 * k;
    return [
      footShape(stands, x - s * 0.08 * m, y + 0.2 * m, -s * 8, footLength * m, 'still'),
      footShape(kicks, x + s * 0.08 * m, y - 0.4 * m, 0, footLength * m, 'ink'),
      shape(`M${n1(x + s * 0.08 * m - w)} ${n1(y - 0.1 * m)}q${n1(w)} ${n1(5 * k)} ${n1(2 * w)} 0`, {
        stroke: 'ink',
        width: 1.4,
        round: true,
      }),
    ];
  }
  /** A foot seen along the facing: across, ahead, and where its toes point. */
  const seen = (side: 'left' | 'right') => {
    const [dx, dy] = [at[side].x - mid.x, at[side].y - mid.y];
    return { side, x: dx * cos - dy * sin, y: dx * sin + dy * cos, turn: at[side].angle - at.heading };
  };
  const [left, right] = [seen('left'), seen('right')];
  // Wide stances are drawn smaller so that they stay in their row.
  const extent = Math.max(Math.abs(left.y), Math.abs(right.y)) + footLength * 0.6;
  const across = Math.max(Math.abs(left.x), Math.abs(right.x)) + footLength * 0.5;
  const m = k * Math.min(FEET_SCALE, FEET_HALF / extent, 31 / across);
  const drawn = (f: typeof left) =>
    footShape(f.side, n1(x + f.x * m), n1(y - f.y * m), f.turn, footLength * m * 1.08, tone(f.side));
  // The one that moved lies above.
  const out: Primitive[] =
    tone('left') === 'ink' && tone('right') !== 'ink' ? [drawn(right), drawn(left)] : [drawn(left), drawn(right)];
  if (step.foot?.way === 'jump')
    out.push(
      shape(`M${n1(x - 9 * k)} ${n1(y + 33 * k)}q${n1(9 * k)} ${n1(-7 * k)} ${n1(18 * k)} 0`, {
        stroke: 'ink',
        width: 1.4,
      }),
    );
  return out;
}
