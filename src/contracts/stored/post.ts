import type { PostPlan } from '../../core';
import { postShape } from '../post';
import { storedDocument } from './document';

/** A striking post as it is planned for somebody. */
export const storedPost = storedDocument<PostPlan>('plan of a post', postShape);
