import * as v from 'valibot';
import { MOST_MOVES, type Departure } from '../../core';
import { whole } from '../fields';
import { storedDocument } from './document';
import { moveShape } from './sequence';
import { secondSequence } from './secondSequence';
import { fourthSequence } from './fourthSequence';
import { thirdSequence } from './thirdSequence';

export const departureShape = v.object({
  at: whole(0, MOST_MOVES, 'A count'),
  was: v.nullable(moveShape),
  becomes: v.nullable(moveShape),
  after: v.nullable(moveShape),
});

export const storedDepartures = storedDocument<Departure[]>('list of hand edits', v.array(departureShape), [
  secondSequence,
  thirdSequence,
  fourthSequence,
]);
