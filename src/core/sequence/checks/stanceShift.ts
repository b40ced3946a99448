import { crossesMiddle, stanceGeometry } from '../../floor/trace';
import { fold } from '../../units/fold';
import { countByCount, countsSaid, type AtCount, type Check } from './finding';

const onLead = (at: AtCount['at']) =>
  at.lead === 'left' ? at.weightEnd : at.lead === 'right' ? 100 - at.weightEnd : 50;

/**
 * Between back and front stance the centre crosses the middle between the feet, or nothing was gained (F 14, common
 * practice, no source).
 */
export const stanceShift: Check = (looked) => {
  const { found, context } = looked;
  const crossed: number[] = [];
  for (const { n, step, before, at } of countByCount(looked)) {
    if (step.foot || step.turn) continue;
    const [was, is] = [before.stance, at.stance].map((s) => (s ? stanceGeometry(s, context.body) : null));
    if (!was || !is || was.length <= 0 || is.length <= 0) continue;
    if ((was.leadWeight - 50) * (is.leadWeight - 50) >= 0 || fold(before.stance!) === fold(at.stance!)) continue;
    if (crossesMiddle(at) && onLead(at) !== 50) crossed.push(n);
    else
      found(
        'stance shift',
        false,
        [n],
        `Count ${n}: the centre does not cross the middle from ${before.stance!} to ${at.stance!}.`,
      );
  }
  if (crossed.length > 0)
    found('stance shift', true, crossed, `${countsSaid(crossed)}: the centre crosses the middle between the feet.`);
};
