import { isEmptyStep, type BodySide, type Sequence, type Step } from '../move';
import { mirrorStep } from './mirror';

/** A partner's own order inside a loop. */
export interface LoopOrder {
  lane: 'A' | 'B';
  steps: Step[];
  sides: BodySide[];
}
export interface LoopReport {
  orders: LoopOrder[];
  /** Whether a count switches sides. */
  switches: boolean;
  /** Sides that never act however long the loop runs, by lane. */
  untrained: { lane: 'A' | 'B'; side: BodySide }[];
  /** After how many counts both orders begin together again. */
  period: number;
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/**
 * What an endless drill trains. Each lane repeats its own counts (empty ones at its end do not belong to the order); a
 * drill without a switching count stays on its sides for ever, and says so.
 */
export function loopReport(seq: Sequence): LoopReport {
  const order = (lane: 'A' | 'B', all: readonly Step[]): LoopOrder => {
    let end = all.length;
    while (end > 0 && isEmptyStep(all[end - 1]!)) end--;
    const steps = all.slice(0, end);
    const sides = new Set<BodySide>();
    for (const s of steps)
      for (const a of s.actions) {
        if (a.side === 'left' || a.side === 'both') sides.add('left');
        if (a.side === 'right' || a.side === 'both') sides.add('right');
      }
    return { lane, steps: [...steps], sides: [...sides] };
  };
  const two = seq.moves.some((m) => m.partner !== null);
  const orders = [
    order(
      'A',
      seq.moves.map((m) => m.step),
    ),
    ...(two
      ? [
          order(
            'B',
            seq.moves.flatMap((m) => (m.partner ? [m.partner] : [])),
          ),
        ]
      : []),
  ].filter((o) => o.steps.length > 0);
  const switches = seq.moves.some((m) => m.swaps);
  const untrained = orders.flatMap((o) =>
    switches || o.sides.length === 0
      ? []
      : (['left', 'right'] as const).filter((s) => !o.sides.includes(s)).map((side) => ({ lane: o.lane, side })),
  );
  const period = orders.reduce((p, o) => (p * o.steps.length) / gcd(p, o.steps.length), 1);
  return { orders, switches, untrained, period };
}

/** What both do in count n (0-based) of an endless loop; after an odd number of switches everything is mirrored. */
export function loopCount(seq: Sequence, n: number): { a: Step | null; b: Step | null; switched: boolean } {
  const { orders } = loopReport(seq);
  const perRound = seq.moves.length;
  const inRound = seq.moves.filter((m) => m.swaps).length;
  const before =
    perRound === 0
      ? 0
      : Math.floor(n / perRound) * inRound + seq.moves.slice(0, n % perRound).filter((m) => m.swaps).length;
  const switched = before % 2 === 1;
  const at = (lane: 'A' | 'B') => {
    const o = orders.find((x) => x.lane === lane);
    if (!o) return null;
    const s = o.steps[n % o.steps.length]!;
    return switched ? mirrorStep(s) : s;
  };
  return { a: at('A'), b: at('B'), switched };
}
