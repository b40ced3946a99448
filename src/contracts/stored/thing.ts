import type { Thing } from '../../core';
import { thingShape } from '../thing';
import { storedDocument } from './document';

/** Where things stand was not kept at first. */
const firstToSecond = (first: Omit<Thing, 'stands'>): Thing => ({ ...first, stands: [] });

/** A kind of equipment of the hall, with all there are of it. */
export const storedThing = storedDocument<Thing>('thing of the store', thingShape, [firstToSecond]);
