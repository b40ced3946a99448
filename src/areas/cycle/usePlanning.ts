import { useEffect, useRef, useState } from 'react';
import type { PlannedCycle } from '../../core';
import type { CycleAsked, CycleSaid } from '../../workers/cycle';

/** What came of one thing that might help; minutes. */
export interface Tried {
  short: number;
  atLeast: number | null;
}

/** Plans weeks in a worker: what it has so far is told, and it can be stopped, keeping that. */
export function usePlanning(told: (planned: PlannedCycle, over: boolean) => void) {
  const worker = useRef<Worker | null>(null);
  const last = useRef<PlannedCycle | null>(null);
  const tell = useRef(told);
  useEffect(() => {
    tell.current = told;
  });
  const [planned, setPlanned] = useState<PlannedCycle | null>(null);
  const [working, setWorking] = useState<'planning' | 'trying' | null>(null);
  const [tried, setTried] = useState<ReadonlyMap<number, Tried>>(new Map());
  const [failed, setFailed] = useState('');
  useEffect(() => () => worker.current?.terminate(), []);
  const end = () => {
    worker.current?.terminate();
    worker.current = null;
    setWorking(null);
  };
  return {
    working,
    planned,
    tried,
    failed,
    /** What was planned so far, and what was tried out, is let go: it is of weeks that are others by now. */
    forget: () => {
      end();
      setTried(new Map());
    },
    stop: () => {
      const was = working;
      end();
      if (was === 'planning' && last.current) tell.current(last.current, true);
    },
    begin: (asked: CycleAsked) => {
      worker.current?.terminate();
      last.current = null;
      setFailed('');
      setTried(new Map());
      setWorking('planning');
      const made = new Worker(new URL('../../workers/cycle.ts', import.meta.url), { type: 'module' });
      worker.current = made;
      made.onmessage = (e: MessageEvent<CycleSaid>) => {
        const said = e.data;
        if ('over' in said) return end();
        if ('help' in said) {
          setTried((t) => new Map(t).set(said.help, said));
          return;
        }
        last.current = said.planned;
        setPlanned(said.planned);
        if (said.planned.stage === 'done') {
          setWorking('trying');
          tell.current(said.planned, false);
        }
      };
      made.onerror = () => {
        setFailed('It broke off here. What stood so far stays.');
        end();
        if (last.current) tell.current(last.current, true);
      };
      made.postMessage(asked);
    },
  };
}
