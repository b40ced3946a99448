import { useCallback, useEffect, useRef, useState } from 'react';
import type { ClassPlanShown } from '../../contracts/views';
import { letGo, put, sendAgain, waitingIn, whenAnswered, type Waiting } from '../../kit/deviceQueue/deviceQueue';
import { newId } from '../../kit/send';
import { keepToday } from './today';

/** A change is sent when nobody touched the plan for so long, in ms. */
const SETTLED = 700;

/** What is planned, without what has become of it. */
export type Planned = Pick<ClassPlanShown, 'id' | 'day' | 'hallId' | 'plan'>;

const chainOf = (id: string) => `class ${id}`;

/** Of what waits on the device in a chain the newest is the plan as it was left. */
export async function leftOnDevice(id: string, by: string): Promise<Planned | null> {
  const waiting = await waitingIn(chainOf(id), by).catch((): Waiting[] => []);
  const last = waiting.filter((c): c is Waiting<'classPlan.save'> => c.name === 'classPlan.save').at(-1);
  if (!last) return null;
  const { id: planId, day, hallId, plan } = last.input;
  return { id: planId, day, hallId, plan: plan };
}

/**
 * The plan of a class on this screen: each change stands at once, is on the device a moment later, and is sent when the
 * hand rests. Changes can be undone. What somebody else saved meanwhile stands aside with both ways out.
 */
export function useClassPlan(first: ClassPlanShown, by: string) {
  const [planned, setPlanned] = useState<Planned>(first);
  const [steps, setSteps] = useState<{ before: Planned; says: string }[]>([]);
  const [problem, setProblem] = useState('');
  const [aside, setAside] = useState<Waiting | null>(null);
  const latest = useRef<Planned>(first);
  const version = useRef(first.version);
  const open = useRef<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);

  const write = useCallback(
    async (finished: boolean) => {
      const { id, day, hallId, plan } = latest.current;
      const command = (open.current ??= newId());
      if (finished) open.current = null;
      try {
        await put({
          id: command,
          at: new Date().toISOString(),
          name: 'classPlan.save',
          input: { id, day, hallId, plan: structuredClone(plan) as never, version: version.current },
          label: 'The plan of the evening',
          by,
          open: !finished,
          chain: chainOf(id),
        });
        setProblem('');
      } catch (e) {
        setProblem(e instanceof Error ? e.message : 'The plan is not kept yet.');
      }
    },
    [by],
  );
  const show = useCallback((next: Planned) => {
    latest.current = next;
    setPlanned(next);
  }, []);
  const keep = useCallback(
    (next: Planned) => {
      show(next);
      keepToday({ ...next, version: version.current });
      void write(false);
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void write(true), SETTLED);
    },
    [show, write],
  );
  const change = useCallback(
    (next: Partial<Planned>, says: string) => {
      setSteps((s) => [...s.slice(-49), { before: latest.current, says }]);
      keep({ ...latest.current, ...next });
    },
    [keep],
  );
  const undo = useCallback(() => {
    const last = steps.at(-1);
    if (!last) return;
    setSteps((s) => s.slice(0, -1));
    keep(last.before);
  }, [steps, keep]);

  useEffect(() => {
    let current = true;
    void leftOnDevice(first.id, by).then((left) => {
      if (current && left) show(left);
    });
    const stop = whenAnswered((c, answer) => {
      if (c.chain !== chainOf(first.id)) return;
      if (answer.ok) {
        version.current = (answer.answer as { version: number }).version;
        keepToday({ ...latest.current, version: version.current });
      } else setAside(c);
    });
    return () => {
      current = false;
      stop();
      // Who leaves the page has finished.
      clearTimeout(timer.current);
      if (open.current !== null) void write(true);
    };
  }, [first.id, by, show, write]);

  return {
    planned,
    change,
    undo,
    undoes: steps.at(-1)?.says ?? null,
    problem,
    /** Somebody saved another plan meanwhile. */
    aside,
    /** One's own plan over theirs. */
    keepMine: async () => {
      if (!aside) return;
      const waiting = (await waitingIn(chainOf(first.id), by)).find((c) => c.id === aside.id);
      const theirs = waiting?.aside?.meanwhile?.version;
      setAside(null);
      await sendAgain(aside.id, theirs === undefined ? null : { say: '', set: { version: theirs } });
    },
    /** Theirs: one's own is let go. */
    takeTheirs: async () => {
      for (const c of await waitingIn(chainOf(first.id), by)) await letGo(c.id);
      location.reload();
    },
  };
}
