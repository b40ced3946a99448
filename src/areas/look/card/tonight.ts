import { BODY_PARTS, canHurt, low, type Side } from '../../../core';
import { held, slipped, type CardMarks } from './cardMarks';
import type { KitPoint } from '../../../kit/mat/line';

/** A point that slipped on a card that is still being marked. */
export interface SlippedTonight {
  pointId: string;
  point: string;
  side: Side;
  held: number;
  of: number;
  hurts: boolean;
  cue: string;
}

/** What slipped on the cards of both sides, what can hurt first, then from the ground up, then what slipped most. */
export function slippedTonight(
  points: readonly KitPoint[],
  cards: readonly (readonly [Side, CardMarks])[],
): SlippedTonight[] {
  const place = new Map(BODY_PARTS.map((b, i) => [b, i]));
  const found = cards.flatMap(([side, card]) =>
    points.flatMap((p) => {
      const m = card[p.id];
      const slips = m ? slipped(m) : 0;
      return slips === 0 ? [] : [{ p, side, slips, held: held(m!) }];
    }),
  );
  found.sort(
    (a, b) =>
      Number(canHurt(b.p)) - Number(canHurt(a.p)) ||
      place.get(a.p.bodyPart)! - place.get(b.p.bodyPart)! ||
      b.slips - a.slips ||
      (a.p.name < b.p.name ? -1 : 1),
  );
  return found.map(({ p, side, slips, held: kept }) => ({
    pointId: p.id,
    point: p.name,
    side,
    held: kept,
    of: kept + slips,
    hurts: canHurt(p),
    cue: p.slips.find((s) => s.cue !== '')?.cue ?? '',
  }));
}

/** What held every time on this card, from the ground up: a true thing to say now. */
export function allHeld(points: readonly KitPoint[], card: CardMarks, side: Side): string {
  const p = points.find((x) => {
    const m = card[x.id];
    return m !== undefined && m.notches.length > 1 && m.notches.every((n) => n === 'H');
  });
  if (!p) return '';
  const on = side === 'none' ? '' : ` on the ${side}`;
  return `${low(p.name)} held all ${card[p.id]!.notches.length} times${on}.`;
}
