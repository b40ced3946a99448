import type { Thing } from '../../core';
import { thingShape } from '../thing';
import { storedDocument } from './document';

/** A kind of equipment of the hall, with all there are of it. */
export const storedThing = storedDocument<Thing>('thing of the store', thingShape);
