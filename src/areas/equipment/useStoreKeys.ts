import { useEffect, useRef } from 'react';

interface StoreKeys {
  check: () => void;
  mend: () => void;
  lend: () => void;
}

/** C looks over, M is to mend, L lends: of the thing that is open, where nobody types. */
export function useStoreKeys(keys: StoreKeys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const go = (e: KeyboardEvent) => {
      const at = e.target instanceof HTMLElement ? e.target : null;
      if (at?.closest('input, textarea, select, [role="listbox"], [role="combobox"], [role="dialog"]')) return;
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      const does = { c: latest.current.check, m: latest.current.mend, l: latest.current.lend }[e.key.toLowerCase()];
      if (!does) return;
      e.preventDefault();
      does();
    };
    window.addEventListener('keydown', go);
    return () => window.removeEventListener('keydown', go);
  }, []);
}
