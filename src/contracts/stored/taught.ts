import * as v from 'valibot';
import type { Item } from '../../core';
import { itemShape } from '../item';
import { storedDocument } from './document';

/** What was taught in a class, as it is kept with it. */
export const storedTaught = storedDocument<Item[]>('list of what was taught', v.array(itemShape));
