import { ZONES } from '../../units/zone';
import { familyOf } from '../notation/vocabulary';
import type { Check } from './finding';

const ENOUGH = 8;

/** A form of eight techniques or more trains all three heights. */
export const heights: Check = ({ seq, found }) => {
  const actions = seq.moves.flatMap((m) => m.step.actions);
  if (seq.about.kind !== 'form' || actions.length < ENOUGH) return;
  const missing = ZONES.filter((z) => !actions.some((a) => (a.zone ?? 'middle') === z));
  if (missing.length > 0) found('heights', false, [], `Nothing is done at the ${missing.join(' and the ')} height.`);
  else found('heights', true, [], 'All three heights are trained.');
};

/** A form without a weapon trains the legs, too. */
export const families: Check = ({ seq, found }) => {
  const actions = seq.moves.flatMap((m) => m.step.actions);
  if (seq.about.kind !== 'form' || actions.length < ENOUGH) return;
  const all = new Set(actions.map(familyOf));
  if (!all.has('weapon') && !all.has('foot'))
    found('families', false, [], 'No leg technique: only the hands are trained.');
};
