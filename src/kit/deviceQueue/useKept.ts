import { useCallback, useEffect, useRef, useState } from 'react';
import type { CommandDraft } from '../../contracts/commands';
import { newId } from '../send';
import { knows, PAGE } from './page';
import { letGo, put, sendAgain, waitingIn, whenAnswered, type Waiting } from './deviceQueue';

/** A change is sent when nobody touched the document for so long, in ms. */
const SETTLED = 700;
const STEPS = 50;

/** What is saved whole, with the version it began from. */
export type KeptName = 'classPlan.save' | 'cycle.save';

/** How a document of a screen is written as a command, and read back from one that waits. */
export interface Keeping<N extends KeptName, T> {
  name: N;
  /** Commands of one chain go one after the other. */
  chain: string;
  /** What the change is called where it waits. */
  label: string;
  by: string;
  write: (value: T, version: number) => CommandDraft<N>;
  read: (input: CommandDraft<N>) => T;
  /** Told of everything that stands on the screen, and what the server has of it. */
  beside?: (value: T, version: number) => void;
}

/** Of what waits on the device in a chain the newest is the document as it was left; null: nothing waits. */
export async function leftOnDevice<N extends KeptName, T>(k: Keeping<N, T>): Promise<T | null> {
  const waiting = await waitingIn(k.chain, k.by).catch((): Waiting[] => []);
  const last = waiting.filter((c): c is Waiting<N> => c.name === k.name).at(-1);
  return last ? k.read(last.input) : null;
}

/**
 * A document on this screen that is saved whole: each change stands at once, is on the device a moment later, and is sent
 * when the hand rests. Changes can be undone. What somebody else saved meanwhile stands aside with both ways out.
 */
export function useKept<N extends KeptName, T>(first: T, firstVersion: number, keeping: Keeping<N, T>) {
  const [value, setValue] = useState<T>(first);
  const [steps, setSteps] = useState<{ before: T; says: string }[]>([]);
  const [problem, setProblem] = useState('');
  const [aside, setAside] = useState<{ id: string; title: string; quicker: boolean } | null>(null);
  const latest = useRef<T>(first);
  const version = useRef(firstVersion);
  const open = useRef<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const k = useRef(keeping);
  useEffect(() => {
    k.current = keeping;
  });

  const write = useCallback(async (finished: boolean) => {
    const { name, chain, label, by } = k.current;
    const command = (open.current ??= newId());
    if (finished) open.current = null;
    try {
      await put({
        id: command,
        at: new Date().toISOString(),
        name,
        input: k.current.write(latest.current, version.current),
        label,
        by,
        open: !finished,
        chain,
      });
      setProblem('');
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'It is not kept yet.');
    }
  }, []);
  const show = useCallback((next: T) => {
    latest.current = next;
    setValue(next);
  }, []);
  const keep = useCallback(
    (next: T) => {
      show(next);
      k.current.beside?.(next, version.current);
      void write(false);
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void write(true), SETTLED);
    },
    [show, write],
  );
  const change = useCallback(
    (next: T, says: string) => {
      const before = latest.current;
      setSteps((s) => [...s.slice(1 - STEPS), { before, says }]);
      keep(next);
    },
    [keep],
  );
  const undo = useCallback(() => {
    const last = steps.at(-1);
    if (!last) return;
    setSteps((s) => s.slice(0, -1));
    keep(last.before);
  }, [steps, keep]);

  const { chain } = keeping;
  useEffect(() => {
    let current = true;
    void leftOnDevice(k.current).then((left) => {
      if (current && left) show(left);
    });
    const stop = whenAnswered((c, answer) => {
      // What another tab saved is not on this screen: saving over it is refused, and asked about.
      if (c.chain !== chain || !knows(PAGE, c)) return;
      if (answer.ok) {
        version.current = (answer.answer as { version: number }).version;
        k.current.beside?.(latest.current, version.current);
      } else setAside({ id: c.id, title: answer.title, quicker: answer.meanwhile !== undefined });
    });
    return () => {
      current = false;
      stop();
      // Who leaves the page has finished.
      clearTimeout(timer.current);
      if (open.current !== null) void write(true);
    };
  }, [chain, show, write]);

  return {
    value,
    /** What stands now, also between two drawings. */
    latest,
    change,
    undo,
    undoes: steps.at(-1)?.says ?? null,
    problem,
    /** Somebody saved another one meanwhile, or it was refused. */
    aside,
    /** One's own over theirs. */
    keepMine: async () => {
      if (!aside) return;
      const waiting = (await waitingIn(chain, keeping.by)).find((c) => c.id === aside.id);
      const theirs = waiting?.aside?.meanwhile?.version;
      setAside(null);
      await sendAgain(aside.id, theirs === undefined ? null : { say: '', set: { version: theirs } });
    },
    /** Theirs: one's own is let go, and nothing that waits from another tab. */
    takeTheirs: async () => {
      for (const c of await waitingIn(chain, keeping.by)) if (knows(PAGE, c)) await letGo(c.id);
      location.reload();
    },
  };
}
