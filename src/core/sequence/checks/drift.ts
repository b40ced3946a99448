import { traceFloor, type Trace } from '../../floor/trace';
import { capital } from '../../words/speak';
import { partnerSteps } from '../operations/lane';
import { compass, metres, type Check } from './finding';

/** How far a round carries whoever works, and how far it turns them, in words; empty: it ends where it began. */
function wandering({ closing }: Trace, allowed: number): string {
  const { distance, east, north, degrees } = closing;
  const turned = degrees === 0 ? '' : `${Math.abs(degrees)}° to the ${degrees < 0 ? 'left' : 'right'}`;
  const gone = distance > allowed + 1e-9 ? `${metres(distance)} m ${compass(east, north)} of the mark` : '';
  return [gone, turned].filter(Boolean).join(', ');
}

/** What repeats in place comes back to its place, in either lane. */
export const drift: Check = ({ seq, trace, context, found }) => {
  if (!seq.about.loop || trace.at.length === 0) return;
  const partner = seq.moves.some((m) => m.partner) ? traceFloor(partnerSteps(seq.moves), context.body) : null;
  const lanes = [
    { whose: partner ? 'lane A: ' : '', says: wandering(trace, context.closingAllowed) },
    ...(partner ? [{ whose: 'lane B: ', says: wandering(partner, context.closingAllowed) }] : []),
  ].filter((l) => l.says !== '');
  for (const { whose, says } of lanes)
    found('drift', false, [], capital(`${whose}each round ends ${says}: said again and again it wanders.`));
  if (lanes.length === 0) found('drift', true, [], 'Each round ends where it began.');
};
