import type { ClassPlan } from '../../core';
import { classPlanShape } from '../classPlan';
import { storedDocument } from './document';

/** How a class is meant to go, as it is kept with it. */
export const storedClassPlan = storedDocument<ClassPlan>('plan of a class', classPlanShape);
