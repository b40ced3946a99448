import type { PracticeSum } from '../../roll/practice';

/** What hands and joints ask for; empty where there is nothing to say. */
export const cautionInWords = (p: Pick<PracticeSum, 'restsUntil' | 'painInJoint'>): string =>
  [
    p.restsUntil === null ? '' : 'The skin was open: no striking until it has healed, about two weeks.',
    p.painInJoint ? 'Pain in a joint: stop that work and ask a doctor or physiotherapist.' : '',
  ]
    .filter(Boolean)
    .join(' ');
