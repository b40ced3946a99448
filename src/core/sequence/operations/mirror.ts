import * as v from 'valibot';
import { ok } from '../../units/result';
import { mapActions, mapSteps, type Action, type BodySide, type Sequence, type Step } from '../move';
import type { OperationKind } from './kind';
import { LANES, oneLane, type Lane } from './lane';
import { inLaneSaid } from './saidOf';

export const otherBodySide = (side: BodySide): BodySide => (side === 'left' ? 'right' : 'left');
const otherActionSide = (side: Action['side']): Action['side'] =>
  side === 'left' ? 'right' : side === 'right' ? 'left' : side;
/** The same angle on the other side; forward and back stay, and zero stays zero. */
const otherAngle = (toward: number): number => (toward === 0 || Math.abs(toward) === 180 ? Math.abs(toward) : -toward);

/** Left and right swapped inside words such as “upper left” or “its left arm”. */
export const mirrorWords = (text: string): string =>
  text.replace(/\b(left|right|L|R)\b/gi, (w) => {
    const other = { left: 'right', right: 'left', l: 'r', r: 'l' }[w.toLowerCase()]!;
    return w === w.toUpperCase()
      ? other.toUpperCase()
      : w[0] === w[0]!.toUpperCase()
        ? other[0]!.toUpperCase() + other.slice(1)
        : other;
  });

export const mirrorStep = (s: Step): Step => ({
  ...mapActions(s, (a) => ({ ...a, side: otherActionSide(a.side), target: a.target && mirrorWords(a.target) })),
  turn: s.turn && { ...s.turn, degrees: -s.turn.degrees },
  foot: s.foot && { ...s.foot, side: otherBodySide(s.foot.side), toward: otherAngle(s.foot.toward) },
  lead: s.lead && otherBodySide(s.lead),
  weight: s.weight && {
    start: s.weight.start === null ? null : 100 - s.weight.start,
    end: 100 - s.weight.end,
  },
  cue: s.cue && mirrorWords(s.cue),
});

/** The other side: every left is a right, every turn goes the other way. Mirroring twice gives the start. */
export const mirror = (seq: Sequence): Sequence => ({
  ...seq,
  moves: seq.moves.map((m) => mapSteps(m, mirrorStep)),
});

export interface MirrorOperation {
  op: 'mirror';
  lane?: Lane | undefined;
}
export const mirrorKind: OperationKind<MirrorOperation> = {
  op: 'mirror',
  shape: () => v.object({ op: v.literal('mirror'), lane: v.optional(v.picklist(LANES)) }),
  apply: (seq, o) => ok(o.lane ? oneLane(seq, o.lane, mirrorStep) : mirror(seq)),
  words: (o) => `the other side${inLaneSaid(o.lane)}`,
};
