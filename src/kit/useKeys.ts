import { useLayoutEffect, useRef } from 'react';

/**
 * Listens to the keys of a whole mat screen; `act` says whether it took the key. Keys with Ctrl, Alt or Meta and those
 * typed into a field are left alone, and Enter on a button presses the button.
 */
export function useKeys(act: (key: string, digit: number | null) => boolean): void {
  const latest = useRef(act);
  // In the layout phase: a key that comes right after a change must meet the new state.
  useLayoutEffect(() => {
    latest.current = act;
  });
  useLayoutEffect(() => {
    const go = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName);
      if (e.ctrlKey || e.metaKey || e.altKey || typing) return;
      if (e.key === 'Enter' && e.target instanceof HTMLButtonElement) return;
      const digit = /^\d$/.test(e.key) ? Number(e.key) : null;
      if (latest.current(e.key.toLowerCase(), digit)) e.preventDefault();
    };
    addEventListener('keydown', go);
    return () => removeEventListener('keydown', go);
  }, []);
}
