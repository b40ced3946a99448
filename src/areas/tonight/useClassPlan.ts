import { useMemo } from 'react';
import type { ClassPlanShown } from '../../contracts/views';
import type { PlainDate } from '../../core';
import { useKept, type Keeping } from '../../kit/deviceQueue/useKept';
import { keepPlan } from './planOf';

/** What is planned, without what has become of it. */
export type Planned = Pick<ClassPlanShown, 'id' | 'day' | 'hallId' | 'plan'>;

const keeping = (id: string, by: string, today: PlainDate): Keeping<'classPlan.save', Planned> => ({
  name: 'classPlan.save',
  chain: `class ${id}`,
  label: 'The plan of the evening',
  by,
  write: (p, version) => ({ id: p.id, day: p.day, hallId: p.hallId, plan: structuredClone(p.plan) as never, version }),
  read: ({ id: planId, day, hallId, plan }) => ({ id: planId, day, hallId, plan }),
  beside: (p, version) => keepPlan({ ...p, version }, today),
});

/** The plan of a class on this screen; see `useKept`. */
export function useClassPlan(first: ClassPlanShown, by: string, today: PlainDate) {
  const kept = useKept<'classPlan.save', Planned>(
    first,
    first.version,
    useMemo(() => keeping(first.id, by, today), [first.id, by, today]),
  );
  const { value: planned, latest, change: set, ...rest } = kept;
  return {
    planned,
    change: (next: Partial<Planned>, says: string) => set({ ...latest.current, ...next }, says),
    ...rest,
  };
}
