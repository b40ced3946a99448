import type { ReasonContext, Requirement } from '../../core';
import type { Judging } from './judging';

/** What the reason of a requirement's verdict is said with. */
export const reasonContext = (j: Judging, r: Requirement): ReasonContext => ({
  standard: r.standard,
  asked: r,
  conditionName: (id) => j.versions.conditions.find((c) => c.id === id)?.name ?? 'otherwise',
  today: j.today,
});
