import { useEffect, useMemo, useState } from 'react';
import { byMissing, READINESS, type Readiness, type VerdictWord } from '../../../core';

/**
 * The people of a list in their groups, by what is missing and then by chance. Chances come after the list stands: they
 * put it in order once they are there, unless somebody is moving through it by keys just then.
 */
export function useByMissing<R extends { id: string; group: Readiness; words: readonly (VerdictWord | null)[] }>(
  rows: readonly R[],
  chances: ReadonlyMap<string, { chance: number }> | null,
  within: string,
): R[] {
  const [by, setBy] = useState<typeof chances>(null);
  useEffect(() => {
    queueMicrotask(() => {
      if (chances && !document.activeElement?.closest(within)) setBy(chances);
    });
  }, [chances, within]);
  return useMemo(
    () =>
      READINESS.flatMap((group) =>
        byMissing(
          rows.filter((r) => r.group === group),
          (id) => by?.get(id)?.chance,
        ),
      ),
    [rows, by],
  );
}
