import { useCallback, useMemo, useRef, useState } from 'react';
import type { SyllabusView } from '../../contracts/views';
import type { EditInput } from '../../contracts/syllabus';
import { applyEdits, itemKey, type Edit, type EditContext, type Syllabus } from '../../core';
import { ask, send } from '../../kit/send';

/** What a change is called when it can be undone. */
interface Step {
  before: Syllabus;
  says: string;
}

/** How the draft stands with the server. */
export type Saving = 'saved' | 'saving' | 'waiting';

/**
 * The draft on this screen. A change is done here at once by the same rules as on the server and then sent; what the
 * server refuses is taken back and said. Changes are sent one after the other, so none is written over.
 */
export function useDraft(first: SyllabusView, me: string) {
  const [view, setView] = useState(first);
  const [syllabus, setSyllabus] = useState(first.syllabus);
  const [steps, setSteps] = useState<Step[]>([]);
  const [wrong, setWrong] = useState('');
  const [saving, setSaving] = useState<Saving>('saved');
  const version = useRef(first.version);
  const now = useRef(first.syllabus);
  const queue = useRef(Promise.resolve());
  const waiting = useRef(0);

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

  const renew = useCallback(async () => {
    const fresh = await ask('syllabus', {});
    if (!fresh) return;
    version.current = fresh.version;
    now.current = fresh.syllabus;
    setView(fresh);
    setSyllabus(fresh.syllabus);
    // What was published or thrown away is no step to go back from.
    if (fresh.version === null) setSteps([]);
  }, []);

  const post = useCallback(
    (work: () => Promise<Awaited<ReturnType<typeof send>>>) => {
      waiting.current += 1;
      setSaving('saving');
      queue.current = queue.current.then(async () => {
        const answer = await work();
        waiting.current -= 1;
        if (answer.ok) {
          const made = answer.answer as { version?: number };
          if (made.version !== undefined) version.current = made.version;
        } else {
          setWrong(answer.title);
          setSteps([]);
          if (answer.status !== 0) await renew();
        }
        if (waiting.current === 0) setSaving(answer.ok ? 'saved' : 'waiting');
      });
      return queue.current;
    },
    [renew],
  );

  /** Does edits here and sends them; what is refused is said, and nothing is changed. */
  const edit = useCallback(
    (edits: EditInput[], says: string): string | null => {
      const day = first.today;
      const stamped = edits.map((e): Edit => (e.op === 'waive' ? { ...e, by: me, day } : e));
      const made = applyEdits(now.current, stamped, context);
      if (!made.ok) {
        setWrong(made.error);
        return made.error;
      }
      setWrong('');
      const before = now.current;
      now.current = made.value;
      setSyllabus(made.value);
      setSteps((s) => [...s.slice(-49), { before, says }]);
      void post(() => send('syllabus.change', { version: version.current, edits }));
      return null;
    },
    [context, first.today, me, post],
  );

  const undo = useCallback(() => {
    const step = steps.at(-1);
    if (!step) return;
    setSteps(steps.slice(0, -1));
    now.current = step.before;
    setSyllabus(step.before);
    void post(() => send('syllabus.put', { version: version.current, syllabus: step.before as never }));
  }, [post, steps]);

  return {
    view,
    syllabus,
    edit,
    undo,
    undoes: steps.at(-1)?.says ?? null,
    wrong,
    setWrong,
    saving,
    renew,
    /** When all that was done here has been answered. */
    settled: () => queue.current,
    versionNow: () => version.current,
  };
}
