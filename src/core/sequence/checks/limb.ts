import { listInWords } from '../../words/speak';
import type { BodySide, Step } from '../move';
import { familyOf } from '../notation/vocabulary';
import { laneByLane, type Check } from './finding';

const LIMBS = { hand: 'hand', foot: 'leg' } as const;

/** Limbs that are given more than one thing to do in one count, each with what it should do. */
function overburdened(step: Step): string[] {
  return (['hand', 'foot'] as const).flatMap((family) =>
    (['left', 'right'] as const satisfies BodySide[]).flatMap((side) => {
      const own = step.actions.filter((a) => familyOf(a) === family && (a.side === side || a.side === 'both'));
      return own.length < 2 ? [] : [`the ${side} ${LIMBS[family]} does ${listInWords(own.map((a) => a.name))} at once`];
    }),
  );
}

/** One arm or leg does one thing in a count, in either lane. */
export const limb: Check = ({ seq, found }) => {
  for (const { n, step, whose } of laneByLane(seq))
    for (const said of overburdened(step)) found('limb twice', false, [n], `Count ${n}: ${whose}${said}.`);
};
