import { useEffect, useRef } from 'react';
import { isTyping } from './typing';

/** Hears every key of the page but those of a field; what is done with it is always the newest. */
export function usePageKeys(heard: (e: KeyboardEvent) => void): void {
  const latest = useRef(heard);
  useEffect(() => {
    latest.current = heard;
  });
  useEffect(() => {
    const go = (e: KeyboardEvent) => {
      if (!isTyping(e)) latest.current(e);
    };
    addEventListener('keydown', go);
    return () => removeEventListener('keydown', go);
  }, []);
}
