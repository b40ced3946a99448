import { useMemo } from 'react';
import type { Cycle } from '../../core';
import { useKept, type Keeping } from '../../kit/deviceQueue/useKept';

const keeping = (id: string, by: string): Keeping<'cycle.save', Cycle> => ({
  name: 'cycle.save',
  chain: `cycle ${id}`,
  label: 'The weeks to the day',
  by,
  write: (cycle, version) => ({ id, cycle: structuredClone(cycle) as never, version }),
  read: ({ cycle }) => cycle,
});

/** Weeks on this screen; see `useKept`. */
export const useCyclePlan = (first: { id: string; cycle: Cycle; version: number }, by: string) =>
  useKept<'cycle.save', Cycle>(
    first.cycle,
    first.version,
    useMemo(() => keeping(first.id, by), [first.id, by]),
  );
