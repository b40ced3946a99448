import { useEffect, useState } from 'react';
import type { ViewInput, ViewName, ViewResults } from '../contracts/views';
import { ask } from './send';

/** A view that a screen asks for by itself, again whenever its input changes; null input: nothing is asked. */
export function useAsked<N extends ViewName>(
  name: N,
  input: ViewInput<N> | null,
): { view: ViewResults[N] | null; wrong: string } {
  const key = input === null ? null : JSON.stringify(input);
  const [found, setFound] = useState<{ key: string; view: ViewResults[N] | null; wrong: string } | null>(null);
  useEffect(() => {
    if (key === null) return;
    let current = true;
    void ask(name, JSON.parse(key) as ViewInput<N>).then((a) => {
      if (!current) return;
      // What stood there stays until something newer comes; what went wrong is said beside it.
      setFound((old) =>
        a.ok ? { key, view: a.view, wrong: '' } : { key, view: old?.key === key ? old.view : null, wrong: a.title },
      );
    });
    return () => {
      current = false;
    };
  }, [name, key]);
  return { view: found?.view ?? null, wrong: found?.wrong ?? '' };
}
