import { pairFootprint, tracePair } from '../../floor/pair';
import { footprint, hallCapacity } from '../../floor/room';
import { capital, inWords } from '../../words/speak';
import type { Check } from './finding';

/** Whether all who come fit the hall together. */
export const hall: Check = ({ seq, trace, context, found }) => {
  if (!context.hall) return;
  const { room, people, name } = context.hall;
  const pairs = seq.moves.some((m) => m.partner !== null);
  const takes = pairs ? pairFootprint(tracePair(seq, context.body)) : footprint(trace);
  const capacity = hallCapacity(room, takes, 'together').people * (pairs ? 2 : 1);
  const fits = capacity >= people;
  found(
    'hall',
    fits,
    [],
    fits
      ? `All ${people} fit ${name} together.`
      : `${capital(inWords(capacity, 20))} ${capacity === 1 ? 'fits' : 'fit'} ${name} together; ${inWords(people, 20)} come.`,
  );
};
