import { compass, metres, type Check } from './finding';

/** A form ends where it began, facing as it began, within what the school allows. */
export const closing: Check = ({ seq, trace, context, found }) => {
  if (seq.about.kind !== 'form' || seq.about.lineWork || seq.about.loop) return;
  const { distance, east, north, degrees } = trace.closing;
  const far = distance > context.closingAllowed + 1e-9;
  if (far)
    found(
      'closing',
      false,
      [],
      `It ends ${metres(distance)} m ${compass(east, north)} of the mark; ${metres(context.closingAllowed)} is allowed.`,
    );
  if (degrees !== 0)
    found('closing', false, [], `It ends facing ${Math.abs(degrees)}° ${degrees < 0 ? 'left' : 'right'} of the start.`);
  if (!far && degrees === 0)
    found('closing', true, [], `It closes: ${metres(distance)} m from the mark, facing as at the start.`);
};
