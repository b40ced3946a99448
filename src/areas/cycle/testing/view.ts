import type { CycleView } from '../../../contracts/views';

/** A Monday. */
export const MONDAY = '2026-03-02';

/** Weeks as the server hands them out, in a school that has nothing else. */
export const cycleView = (more: Partial<CycleView> = {}): CycleView => ({
  today: MONDAY,
  timeZone: 'UTC',
  school: 'Causeway Hall',
  shown: null,
  all: [],
  records: [],
  ranks: [],
  conditions: [],
  halls: [],
  gradings: [],
  weekly: [],
  usually: [],
  usualMinutes: 90,
  sided: [],
  addresses: null,
  ...more,
});
