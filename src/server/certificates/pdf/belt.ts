import { rgb } from 'pdf-lib';
import type { Cloth } from '../../../contracts/rank';
import { path, rule, type Sheet } from './page';

const brightness = (hex: string) =>
  (parseInt(hex.slice(1, 3), 16) * 299 + parseInt(hex.slice(3, 5), 16) * 587 + parseInt(hex.slice(5, 7), 16) * 114) /
  255_000;
const WHITE = rgb(1, 1, 1);

/** Lines at 45 degrees inside a box, both ways where it is dark: how dark the cloth is, in black ink alone. */
function weave(s: Sheet, box: { x: number; y: number; w: number; h: number }, cloth: string) {
  const dark = 1 - brightness(cloth);
  if (dark < 0.12) return;
  const gap = 3 + 9 * (1 - dark);
  for (const way of dark > 0.35 ? [1, -1] : [1])
    for (let c = -box.h; c < box.w; c += gap) {
      const [from, to] = [Math.max(0, c), Math.min(box.w, c + box.h)];
      if (to <= from) continue;
      const [y0, y1] = way === 1 ? [from - c, to - c] : [box.h - (from - c), box.h - (to - c)];
      rule(s, { x: box.x + from, y: box.y + y0 }, { x: box.x + to, y: box.y + y1 }, 0.4);
    }
}

/** A belt with its weave, stitched edges, knot and two tips, from its upper left corner. */
export function belt(s: Sheet, cloth: Cloth, at: { x: number; y: number }, w: number, h: number) {
  const strip = w - h * 2.4;
  path(s, `M0 0H${strip}V${h}H0Z`, at, { fill: WHITE });
  weave(s, { ...at, w: strip, h: cloth.second ? h / 2 : h }, cloth.colour);
  if (cloth.second) weave(s, { x: at.x, y: at.y + h / 2, w: strip, h: h / 2 }, cloth.second);
  if (cloth.stripe) rule(s, { x: at.x, y: at.y + h / 2 }, { x: at.x + strip, y: at.y + h / 2 }, h * 0.14);
  for (const y of [h * 0.14, h * 0.86])
    for (let x = 3; x < strip - 4; x += 5) rule(s, { x: at.x + x, y: at.y + y }, { x: at.x + x + 3, y: at.y + y }, 0.5);
  for (let b = 0; b < cloth.bars; b += 1) {
    const x = at.x + strip - h * 0.5 - b * h * 0.42;
    rule(s, { x, y: at.y }, { x, y: at.y + h }, h * 0.16);
  }
  const knot = { x: at.x + strip, y: at.y };
  path(s, `M${h * 0.7} ${h * 0.2}L${h * 2.3} ${-h * 0.35}V${h * 0.25}L${h * 0.7} ${h * 0.65}Z`, knot, { fill: WHITE });
  path(s, `M${h * 0.7} ${h * 0.5}L${h * 2} ${h * 0.85}L${h * 1.8} ${h * 1.4}L${h * 0.7} ${h * 0.8}Z`, knot, {
    fill: WHITE,
  });
  path(s, `M0 0L${h * 0.8} ${h * 0.04}L${h * 0.84} ${h}L${h * 0.04} ${h * 1.06}Z`, knot, { fill: WHITE });
  weave(s, { x: knot.x, y: knot.y + h * 0.08, w: h * 0.76, h: h * 0.86 }, cloth.colour);
}
