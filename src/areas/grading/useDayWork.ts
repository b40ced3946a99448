import { useEffect, useRef, useState } from 'react';
import type { Laid } from '../../core';
import type { DayAsked, DaySaid } from '../../workers/runSheet';

/** Lays a day out in a worker: what it has so far is shown, and it can be stopped, keeping that. */
export function useDayWork(onLaid: (laid: Laid) => void) {
  const worker = useRef<Worker | null>(null);
  const [working, setWorking] = useState(false);
  const [failed, setFailed] = useState('');
  useEffect(() => () => worker.current?.terminate(), []);
  const stop = () => {
    worker.current?.terminate();
    setWorking(false);
  };
  const begin = (asked: DayAsked) => {
    worker.current?.terminate();
    const made = new Worker(new URL('../../workers/runSheet.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    setFailed('');
    setWorking(true);
    made.onmessage = (e: MessageEvent<DaySaid>) => {
      if (e.data.laid === null) {
        setFailed('Nothing fits: what is pinned overlaps, or nobody who looks comes.');
        stop();
        return;
      }
      onLaid(e.data.laid);
      if (e.data.laid.stage === 'done') stop();
    };
    made.onerror = () => {
      setFailed('It broke off here. What stood so far stays.');
      stop();
    };
    made.postMessage(asked);
  };
  return { working, failed, begin, stop };
}
