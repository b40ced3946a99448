import { useCallback, useEffect, useRef, useState } from 'react';
import type { ClassPlanShown, ClassRunView } from '../../contracts/views';
import { laterRun, type Run } from '../../core';
import { put } from '../../kit/deviceQueue/deviceQueue';
import { storedClassRun } from '../../contracts/stored/classRun';
import { keepOnDevice, readFromDevice } from '../../kit/onDevice';
import { ask, newId } from '../../kit/send';

/** Devices that follow ask so often, in ms. */
const EVERY = 2500;

interface Kept {
  run: Run | null;
  /** How far this device's clock is behind the server's, in ms. */
  off: number;
}
const keyOf = (id: string) => `stavewright-run-${id}`;
const CLOCK_KEY = 'stavewright-clock';

/** What this device knows of the clock of a class. */
export function readRun(id: string): Kept {
  let off = 0;
  try {
    off = Math.round(Number(localStorage.getItem(CLOCK_KEY) ?? '0')) || 0;
  } catch {
    // A closed store: the device's own clock is as good as any.
  }
  return { run: readFromDevice(keyOf(id), storedClassRun), off };
}

function keepRun(id: string, { run, off }: Kept): void {
  if (run) keepOnDevice(keyOf(id), storedClassRun, run);
  try {
    localStorage.setItem(CLOCK_KEY, String(off));
  } catch {
    // As above.
  }
}

/**
 * Where a class stands: the account that has seen more, of this device, of the kit, and of what others told the server.
 * Without a network it goes on by the clock alone. `now` moves every half second.
 */
export function useRun(shown: ClassPlanShown, by: string, onTold: (view: ClassRunView) => void) {
  const [kept, setKept] = useState<Kept>(() => {
    const own = readRun(shown.id);
    return { ...own, run: laterRun(own.run, shown.run) };
  });
  const [now, setNow] = useState(() => Date.now() + kept.off);
  const [closed, setClosed] = useState(shown.closed);
  const [version, setVersion] = useState(shown.version);
  const latest = useRef(kept);
  const told = useRef(onTold);
  useEffect(() => {
    told.current = onTold;
  });
  const keep = useCallback(
    (next: Kept) => {
      latest.current = next;
      setKept(next);
      setNow(Date.now() + next.off);
      keepRun(shown.id, next);
    },
    [shown.id],
  );
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now() + latest.current.off), 500);
    return () => clearInterval(timer);
  }, []);
  useEffect(() => {
    let current = true;
    // On a slow network a later question may be answered before an earlier one: what is older than what is known is nothing.
    let [questions, answered] = [0, 0];
    const follow = async () => {
      if (document.visibilityState !== 'visible') return;
      const asked = Date.now();
      const question = (questions += 1);
      const said = await ask('classRun', { id: shown.id });
      if (!current || !said.ok || question < answered) return;
      answered = question;
      // The server's clock stood there half of the way ago.
      const off = Math.round(said.view.now - (asked + Date.now()) / 2);
      const run = laterRun(latest.current.run, said.view.run);
      setClosed(said.view.closed);
      if (said.view.changedBy !== by) setVersion(said.view.version);
      told.current(said.view);
      if (run !== latest.current.run || Math.abs(off - latest.current.off) > 750) keep({ run, off });
    };
    void follow();
    const timer = setInterval(() => void follow(), EVERY);
    return () => {
      current = false;
      clearInterval(timer);
    };
  }, [shown.id, keep, by]);

  const [problem, setProblem] = useState('');
  const set = useCallback(
    (run: Run): Promise<void> => {
      // On this device before anything else: a reload in the next moment finds it.
      keep({ ...latest.current, run });
      return put({
        id: newId(),
        at: new Date().toISOString(),
        name: 'class.run',
        input: { id: shown.id, run: structuredClone(run) as never },
        label: 'The clock of the class',
        by,
        open: false,
      }).then(
        () => setProblem(''),
        (e: unknown) => setProblem(e instanceof Error ? e.message : 'The clock is not kept yet.'),
      );
    },
    [keep, shown.id, by],
  );
  /** Somebody changed the plan after this device had it. */
  const replanned = version > shown.version;
  return { run: kept.run, set, now, closed, replanned, problem, clock: () => Date.now() + latest.current.off };
}
