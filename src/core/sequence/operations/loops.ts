import {
  ACTION_KINDS,
  isEmptyStep,
  type ActionKind,
  type BodySide,
  type Move,
  type Sequence,
  type Step,
} from '../move';
import { LANES, stepsOfLane, type Lane } from './lane';
import { mirrorStep } from './mirror';

/** A partner's own order inside a loop. */
export interface LoopOrder {
  lane: Lane;
  steps: Step[];
}
/** What a lane does with one side only, however long the loop runs. */
export interface OneSided {
  lane: Lane;
  kind: ActionKind;
  /** The side that never does it. */
  side: BodySide;
}
export interface LoopReport {
  orders: LoopOrder[];
  /** Whether a count switches sides. */
  switches: boolean;
  /** By lane, then by kind. */
  untrained: OneSided[];
  /** After how many counts both orders begin together again, on whichever sides. */
  period: number;
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
const together = (a: number, b: number): number => (a * b) / gcd(a, b);
/** A loop is looked through for so many counts at most: longer than any hour. */
const LONGEST = 20_000;

function withoutEnd(steps: readonly Step[]): Step[] {
  let end = steps.length;
  while (end > 0 && isEmptyStep(steps[end - 1]!)) end--;
  return steps.slice(0, end);
}

/** Whether lanes that begin again after their own last counts come apart. */
export const ordersStandApart = (moves: readonly Move[]): boolean => {
  const lengths = LANES.map((lane) => withoutEnd(stepsOfLane(moves, lane)).length).filter((n) => n > 0);
  return lengths.some((n) => n !== moves.length);
};

/** Each lane's order: all its counts, or its own up to its last where the orders are declared apart. */
function ordersOf({ about, moves }: Sequence): LoopOrder[] {
  return LANES.flatMap((lane) => {
    const own = withoutEnd(stepsOfLane(moves, lane));
    return own.length === 0 ? [] : [{ lane, steps: about.apart ? own : stepsOfLane(moves, lane) }];
  });
}

/**
 * What an endless drill trains, lane by lane and kind by kind: it is run until everything comes again, with its switches.
 * What is done without a side, or with both at once, leans to none.
 */
export function loopReport(seq: Sequence): LoopReport {
  const orders = ordersOf(seq);
  const perRound = seq.moves.length;
  const period = orders.reduce((p, o) => together(p, o.steps.length), 1);
  const switches = seq.moves.some((m) => m.swaps);
  // After two rounds the sides are where they were, whatever switches.
  const all = perRound === 0 ? 0 : Math.min(LONGEST, together(period, switches ? 2 * perRound : 1));
  const seen = new Set<string>();
  let switched = false;
  for (let n = 0; n < all; n++) {
    for (const o of orders)
      for (const a of o.steps[n % o.steps.length]!.actions) {
        if (a.side === 'none') continue;
        const sides: BodySide[] =
          a.side === 'both' ? ['left', 'right'] : [(a.side === 'left') === switched ? 'right' : 'left'];
        for (const side of sides) seen.add(`${o.lane} ${a.kind} ${side}`);
      }
    if (seq.moves[n % perRound]!.swaps) switched = !switched;
  }
  const untrained = orders.flatMap(({ lane }) =>
    ACTION_KINDS.flatMap((kind): OneSided[] => {
      const [left, right] = (['left', 'right'] as const).map((side) => seen.has(`${lane} ${kind} ${side}`));
      return left === right ? [] : [{ lane, kind, side: left ? 'right' : 'left' }];
    }),
  );
  return { orders, switches, untrained, period };
}

/** What both do in count n (0-based) of an endless loop; after an odd number of switches everything is mirrored. */
export function loopCount(seq: Sequence, n: number): { a: Step | null; b: Step | null; switched: boolean } {
  const orders = ordersOf(seq);
  const perRound = seq.moves.length;
  const inRound = seq.moves.filter((m) => m.swaps).length;
  const before =
    perRound === 0
      ? 0
      : Math.floor(n / perRound) * inRound + seq.moves.slice(0, n % perRound).filter((m) => m.swaps).length;
  const switched = before % 2 === 1;
  const at = (lane: Lane) => {
    const o = orders.find((x) => x.lane === lane);
    if (!o) return null;
    const s = o.steps[n % o.steps.length]!;
    return switched ? mirrorStep(s) : s;
  };
  return { a: at('A'), b: at('B'), switched };
}
