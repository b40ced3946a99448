import { useCallback, useState } from 'react';

interface Kept<T> {
  here: T[];
  /** Taken out again: others may still tell of them. */
  gone: string[];
}

/** Those of others beside one’s own, but what was taken out here. */
function merged<T extends { id: string }>({ here, gone }: Kept<T>, theirs: readonly T[]): Kept<T> {
  const known = new Set([...here.map((x) => x.id), ...gone]);
  const fresh = theirs.filter((x) => !known.has(x.id));
  return fresh.length === 0 ? { here, gone } : { here: [...here, ...fresh], gone };
}

function read<T extends { id: string }>(key: string, known: readonly T[]): Kept<T> {
  let kept: Kept<T> = { here: [], gone: [] };
  try {
    kept = (JSON.parse(localStorage.getItem(key) ?? 'null') as Kept<T> | null) ?? kept;
  } catch {
    // What cannot be read was never written.
  }
  return merged(kept, known);
}

/** What several devices add to one class: here first, also without a network, and beside it what others told. */
export function useOfClass<T extends { id: string }>(key: string, known: readonly T[]) {
  const [kept, setKept] = useState<Kept<T>>(() => read(key, known));
  const keep = (next: Kept<T>) => {
    setKept(next);
    try {
      localStorage.setItem(key, JSON.stringify(next));
    } catch {
      // It stands on the page and goes to the server.
    }
  };
  return {
    here: kept.here,
    merge: useCallback((theirs: readonly T[]) => setKept((now) => merged(now, theirs)), []),
    put: (x: T) => keep({ ...kept, here: [...kept.here, x] }),
    out: (id: string) => keep({ here: kept.here.filter((x) => x.id !== id), gone: [...kept.gone, id] }),
  };
}
