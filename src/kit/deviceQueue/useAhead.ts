import { useEffect, useRef, useState } from 'react';
import { Ahead } from './ahead';

const RETRY_EVERY = 4000;

/** Runs ahead of the device for a screen: it is drawn anew whenever something has arrived there, or could not. */
export function useAhead<K, V>(
  write: (key: K, value: V, over: V | undefined) => Promise<V | undefined>,
  begun: () => Iterable<readonly [K, V]> = () => [],
): Ahead<K, V> {
  const [, draw] = useState(0);
  const writing = useRef(write);
  useEffect(() => {
    writing.current = write;
  });
  const [ahead] = useState(
    // eslint-disable-next-line react-hooks/refs -- read when something is written, never while drawing
    () =>
      new Ahead<K, V>(
        (key, value, over) => writing.current(key, value, over),
        () => draw((n) => n + 1),
        begun(),
      ),
  );
  // A device that had no room may have some now.
  const failed = ahead.problem !== '';
  useEffect(() => {
    if (!failed) return;
    const timer = setInterval(() => void ahead.retry(), RETRY_EVERY);
    return () => clearInterval(timer);
  }, [failed, ahead]);
  return ahead;
}
