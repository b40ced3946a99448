import type { PracticeSum } from '../../roll/practice';

/** What joints ask for; empty where there is nothing to say. What stops the hands is said with the strikes. */
export const cautionInWords = (p: Pick<PracticeSum, 'painInJoint'>): string =>
  p.painInJoint ? 'Pain in a joint: stop that work and ask a doctor or physiotherapist.' : '';
