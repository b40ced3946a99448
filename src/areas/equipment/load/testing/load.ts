import type { LoadView } from '../../../../contracts/views';
import { addDays, ALL_FINE, LOAD_AS_DELIVERED, type LimbSaid } from '../../../../core';

/** A Thursday. */
export const TODAY = '2026-03-12';

/** So many strikes of a hand so many days ago, and what it said. */
export const entry = (ago: number, side: 'left' | 'right', count: number, said: Partial<LimbSaid> | null = null) => ({
  id: `${side} ${ago}`,
  day: addDays(TODAY, -ago),
  at: `${addDays(TODAY, -ago)}T19:00:00Z`,
  ladder: 'hand' as const,
  side,
  count,
  said: said && { ...ALL_FINE, ...said },
  blow: 'straight' as const,
  surface: 'post',
  place: 'hall' as const,
  logged: false,
  by: 'Aiko Dunmore',
});

/** Strikes of a grown student, as a teacher reads them. */
export const loadView = (more: Partial<LoadView> = {}): LoadView => ({
  today: TODAY,
  student: { id: 'a', name: 'Aiko Dunmore', age: 36 },
  rule: LOAD_AS_DELIVERED,
  may: { may: true },
  agreed: null,
  minor: false,
  entries: [],
  lifts: [],
  singles: [],
  reader: 'teacher',
  can: { lift: true, agree: false, strike: true },
  ...more,
});
