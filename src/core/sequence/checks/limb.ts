import { listInWords } from '../../words';
import type { BodySide, Step } from '../move';
import { familyOf } from '../notation/vocabulary';
import type { Check } from './finding';

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
  for (const [i, m] of seq.moves.entries())
    for (const [step, whose] of [
      [m.step, ''],
      [m.partner, 'the partner: '],
    ] as const)
      for (const said of step ? overburdened(step) : [])
        found('limb twice', false, [i + 1], `Count ${i + 1}: ${whose}${said}.`);
};
