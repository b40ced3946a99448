import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { SyllabusView } from '../../contracts/views';
import type { EditInput } from '../../contracts/syllabus';
import { applyEdits, itemKey, type Edit, type EditContext, type Syllabus } from '../../core';
import {
  flush,
  keepSending,
  letGo,
  put,
  sendAgain,
  waitingIn,
  whenAnswered,
  type Waiting,
} from '../../kit/deviceQueue/deviceQueue';
import { knows, PAGE } from '../../kit/deviceQueue/page';
import { ask, newId } from '../../kit/send';

/** What a change is called when it can be undone. */
interface Step {
  before: Syllabus;
  says: string;
}

/** How the draft stands with the server; `aside`: it did not take a change, and somebody has to say what becomes of it. */
export type Saving = 'saved' | 'saving' | 'waiting' | 'aside';

/** Changes of the draft follow each other: each is made over the version that the one before has made. */
const CHAIN = 'draft';

/**
 * The draft on this screen. A change is done here at once by the same rules as on the server, kept on this device, and
 * sent when there is a network, one after the other. What the server does not take stands aside with those behind it,
 * until somebody lays it on what stands now, or lets it go; nothing is written over and nothing is lost.
 */
export function useDraft(first: SyllabusView, me: { id: string; name: string }) {
  const by = me.id;
  const [view, setView] = useState(first);
  const [syllabus, setSyllabus] = useState(first.syllabus);
  const [steps, setSteps] = useState<Step[]>([]);
  const [wrong, setWrong] = useState('');
  const [pending, setPending] = useState<Waiting[]>([]);
  const [trouble, setTrouble] = useState('none');
  /** Changes that are just being written down. */
  const [writing, setWriting] = useState(0);
  const version = useRef(first.version);
  const now = useRef(first.syllabus);
  const queue = useRef<Promise<unknown>>(Promise.resolve());

  const context: EditContext = useMemo(() => {
    const names = new Map(view.items.map((i) => [i.key, i.name]));
    return {
      ranks: view.ranks,
      conditions: view.conditions,
      nameOf: (id) => {
        const t = now.current.threads.find((x) => x.id === id);
        return (t && names.get(itemKey(t.item))) ?? 'something gone';
      },
    };
  }, [view]);
  const stamped = useCallback(
    (edits: readonly EditInput[]): Edit[] =>
      edits.map((e): Edit => (e.op === 'waive' ? { ...e, by: me.name, day: first.today } : e)),
    [first.today, me.name],
  );
  const show = useCallback((s: Syllabus) => {
    now.current = s;
    setSyllabus(s);
  }, []);
  /** What waits, laid on a syllabus; says which cannot be. */
  const laidOn = useCallback(
    (base: Syllabus, waiting: readonly Waiting[]): { syllabus: Syllabus; stuck: string | null } => {
      let at = base;
      for (const c of waiting) {
        if (c.name !== 'syllabus.change')
          return {
            syllabus: at,
            stuck: `“${c.label}” goes back to what stood before and cannot be laid on something else.`,
          };
        const made = applyEdits(at, stamped((c as Waiting<'syllabus.change'>).input.edits), context);
        if (!made.ok) return { syllabus: at, stuck: `“${c.label}” cannot be laid on what stands now: ${made.error}` };
        at = made.value;
      }
      return { syllabus: at, stuck: null };
    },
    [context, stamped],
  );

  const recount = useCallback(async (): Promise<Waiting[]> => {
    const waiting = await waitingIn(CHAIN, by).catch((): Waiting[] => []);
    setPending(waiting);
    return waiting;
  }, [by]);

  const renew = useCallback(async (): Promise<boolean> => {
    const fresh = await ask('syllabus', {});
    if (!fresh.ok) {
      setWrong(`What stands now could not be read again. ${fresh.title}`);
      return false;
    }
    const { view: now } = fresh;
    version.current = now.version;
    setView(now);
    // What was changed here since it was read, and is on its way, is not lost from sight.
    const waiting = await recount();
    const onTheWay = waiting.every((c) => c.aside === null) ? waiting : [];
    show(laidOn(now.syllabus, onTheWay).syllabus);
    // What was published or thrown away is no step to go back from.
    if (now.version === null) setSteps([]);
    return true;
  }, [laidOn, recount, show]);

  useEffect(
    () =>
      whenAnswered((c, answer) => {
        if (c.chain !== CHAIN || c.by !== by) return;
        // At once: a change that is made while others are still being written down goes over it.
        if (answer.ok && knows(PAGE, c)) {
          const made = (answer.answer ?? {}) as { version?: number };
          if (made.version !== undefined) version.current = made.version;
        }
        queue.current = queue.current.then(async () => {
          if (!answer.ok) {
            setWrong(answer.title);
            setSteps([]);
            await renew();
          }
          await recount();
        });
      }),
    [by, recount, renew],
  );
  // What an earlier visit could not send is shown as it was left, and sent.
  useEffect(() => {
    let current = true;
    queue.current = queue.current.then(async () => {
      const waiting = await recount();
      if (!current || waiting.length === 0) return;
      const stands = waiting.find((c) => c.aside !== null);
      if (stands) setWrong(stands.aside!.title);
      else show(laidOn(now.current, waiting).syllabus);
    });
    const stop = keepSending(by, (s) => setTrouble(s.trouble));
    return () => {
      current = false;
      stop();
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, with what the page came with
  }, [by]);

  const keep = useCallback(
    (
      command: (
        version: number | null,
      ) => Pick<Waiting<'syllabus.change'>, 'name' | 'input'> | Pick<Waiting<'syllabus.put'>, 'name' | 'input'>,
      label: string,
    ) => {
      const at = new Date().toISOString();
      setWriting((n) => n + 1);
      queue.current = queue.current
        // The version is named only when it is written down: others, that were before it, may be answered until then.
        .then(() => put({ id: newId(), at, ...command(version.current), label, by, open: false, chain: CHAIN }))
        .then(recount, (e: unknown) => setWrong(e instanceof Error ? e.message : 'This change is not kept yet.'))
        .then(() => setWriting((n) => n - 1));
    },
    [by, recount],
  );

  const standsAside = pending.some((c) => c.aside !== null);
  /** Does edits here and sends them; what is refused is said, and nothing is changed. */
  const edit = useCallback(
    (edits: EditInput[], says: string): string | null => {
      const made = standsAside
        ? ({ ok: false, error: 'First say what becomes of the changes that were not taken.' } as const)
        : applyEdits(now.current, stamped(edits), context);
      if (!made.ok) {
        setWrong(made.error);
        return made.error;
      }
      setWrong('');
      const before = now.current;
      show(made.value);
      setSteps((s) => [...s.slice(-49), { before, says }]);
      keep((version) => ({ name: 'syllabus.change', input: { version, edits } }), says);
      return null;
    },
    [context, keep, show, stamped, standsAside],
  );

  const undo = useCallback(() => {
    const step = steps.at(-1);
    if (!step) return;
    setSteps(steps.slice(0, -1));
    show(step.before);
    keep(
      (version) => ({ name: 'syllabus.put', input: { version, syllabus: step.before as never } }),
      `undone: ${step.says}`,
    );
  }, [keep, show, steps]);

  /** Lays the changes that were not taken on what stands now, and sends them. */
  const layOn = useCallback(async () => {
    const waiting = await recount();
    if (!(await renew())) return setWrong('The draft cannot be fetched just now. Your changes are kept; try again.');
    const made = laidOn(now.current, waiting);
    if (made.stuck !== null) return setWrong(made.stuck);
    show(made.syllabus);
    setWrong('');
    const head = waiting[0];
    if (head) await sendAgain(head.id, { say: '', set: { version: version.current } }, 'all behind it');
    await recount();
  }, [laidOn, recount, renew, show]);
  /** Lets the changes go that were not taken, with those behind them. */
  const letThemGo = useCallback(async () => {
    for (const c of await recount()) await letGo(c.id);
    setWrong('');
    await renew();
    await recount();
  }, [recount, renew]);

  const saving: Saving = standsAside
    ? 'aside'
    : pending.length + writing === 0
      ? 'saved'
      : trouble === 'none'
        ? 'saving'
        : 'waiting';
  return {
    view,
    syllabus,
    edit,
    undo,
    undoes: steps.at(-1)?.says ?? null,
    wrong,
    setWrong,
    saving,
    signedOut: trouble === 'signed out',
    /** What the server has not taken yet, oldest first. */
    pending,
    layOn,
    letThemGo,
    renew,
    /** When all that was done here has been tried: whether all of it was taken. */
    settled: async (): Promise<boolean> => {
      await queue.current;
      await flush(by);
      await queue.current;
      return (await recount()).length === 0;
    },
    versionNow: () => version.current,
  };
}
