import { startTransition, useCallback, useEffect, useState } from 'react';
import { storedSequenceDraft, type SequenceDraft } from '../../contracts/stored/sequenceDraft';
import type { SequenceView } from '../../contracts/views';
import { inWords, plural } from '../../core';
import { dropFromDevice, keepOnDevice, readFromDevice } from '../../kit/onDevice';
import { ask, newId, send } from '../../kit/send';
import { useSideBySide } from '../../kit/sideBySide/useSideBySide';
import { afterPaint } from './afterPaint';
import { linesOf, writtenFrom, type Lined, type Written } from './lines';
import { liveText } from './score';

/** Where the text of a sequence waits on the device. */
const draftKey = (id: string) => `stavewright.draft.${id}`;

/**
 * A sequence on the bench: its title and text as typed, what of it is saved, the draft that was left on this device, and
 * what saving, waiving and retiring came to.
 */
export function useWorkbench(first: SequenceView) {
  const [view, setView] = useState(first);
  const [id] = useState(() => first.sequence?.id ?? newId());
  const [title, setTitle] = useState(first.sequence?.title ?? '');
  const [start, setStart] = useState(first.sequence?.text ?? '');
  const [text, setText] = useState(start);
  const [saved, setSaved] = useState({ title, text });
  const [message, setMessage] = useState<{ good: boolean; text: string } | null>(null);
  const [draft, setDraft] = useState<SequenceDraft | null>(null);
  const [busy, setBusy] = useState(false);
  // The stave follows every key at once (LiveStave); what is read elsewhere may follow a moment later.
  const [live] = useState(() => liveText(start));
  const kept = draftKey(first.sequence ? id : 'new');
  const changed = text !== saved.text || title !== saved.title;
  const wrong = (said: string) => setMessage({ good: false, text: said });

  // A draft that was left on this device is offered, never put in unasked.
  useEffect(() => {
    const left = readFromDevice(kept, storedSequenceDraft);
    if (left && left.text !== (first.sequence?.text ?? '')) queueMicrotask(() => setDraft(left));
  }, [kept, first]);
  useEffect(() => {
    if (!changed) return;
    const timer = setTimeout(() => {
      keepOnDevice(kept, storedSequenceDraft, {
        title,
        text,
        version: view.sequence?.version ?? 0,
        at: new Date().toISOString(),
      });
    }, 400);
    const warn = (e: BeforeUnloadEvent) => {
      e.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('beforeunload', warn);
    };
  }, [changed, kept, title, text, view]);

  // Whatever else is read of a text comes after its picture; it is not begun while the key is drawn.
  const [later] = useState(() =>
    afterPaint(() => {
      startTransition(() => setText(live.get()));
    }),
  );
  useEffect(() => later.stop, [later]);
  const onText = useCallback(
    (next: string, lines: readonly string[]) => {
      live.set(next, lines);
      later.ask();
    },
    [live, later],
  );
  /** Puts another text into the editor. */
  const put = (next: string) => {
    setStart(next);
    live.set(next);
    setText(next);
  };
  const refresh = async () => {
    const next = await ask('sequence', { id });
    if (!next.ok) wrong(`It is saved, but could not be read again. ${next.title}`);
    if (!next.ok || !next.view.sequence) return null;
    setView(next.view);
    return next.view.sequence;
  };
  const waive = useCallback(
    async (key: string, reason: string | null) => {
      const answer = await send('sequence.waive', { sequenceId: id, key, reason });
      if (!answer.ok) return answer.title;
      const next = await ask('sequence', { id });
      if (next.ok && next.view.sequence) setView(next.view);
      return next.ok ? null : next.title;
    },
    [id],
  );
  const together = useSideBySide('sequence.save', {
    title: `Which ${title} shall stand?`,
    nameOf: (path) =>
      path[0] === 'title'
        ? { where: title, what: 'its title' }
        : { where: `Line ${path[1] ?? ''}`, what: 'what it says' },
    shape: {
      from: (sent, began, by) => linesOf(sent as Written, began as Written, by),
      to: (laid) => writtenFrom(laid as Lined),
    },
    done: async () => {
      dropFromDevice(kept);
      const now = await refresh();
      if (!now) return;
      put(now.text);
      setTitle(now.title);
      setSaved({ title: now.title, text: now.text });
      setMessage({ good: true, text: 'Saved, with what you chose.' });
    },
  });
  return {
    meeting: together.meeting,
    view,
    id,
    title,
    setTitle,
    start,
    text,
    live,
    onText,
    changed,
    busy,
    message,
    draft,
    refresh,
    waive,
    takeUpDraft: () => {
      if (!draft) return;
      put(draft.text);
      if (draft.title) setTitle(draft.title);
      setDraft(null);
    },
    dropDraft: () => {
      dropFromDevice(kept);
      setDraft(null);
    },
    /** Saves what is typed; `unread` lines of it cannot be read yet, which is said. */
    save: async (unread: number) => {
      const typed = live.get();
      setBusy(true);
      setMessage(null);
      const was = { id, title: view.sequence?.title ?? '', text: view.sequence?.text ?? '' };
      const answer = await together.save(was, { id, title, text: typed }, view.sequence?.version);
      setBusy(false);
      // Where somebody saved meanwhile, both stand side by side, and this text stays here until one is chosen.
      if (!answer.ok) return answer.meanwhile ? undefined : wrong(answer.title);
      dropFromDevice(kept);
      setSaved({ title, text: typed });
      if (!first.sequence) window.history.replaceState(null, '', `/sequences/${id}`);
      const followed = (answer.answer as { followed?: number }).followed ?? 0;
      const now = await refresh();
      if (!now) return;
      // What follows a recipe may have become another text by being saved.
      if (now.text !== typed && now.parentId !== null) {
        put(now.text);
        setSaved({ title: now.title, text: now.text });
      }
      setMessage({
        good: true,
        text:
          (unread > 0 ? `Saved; ${unread} ${plural(unread, 'line')} cannot be read yet.` : 'Saved.') +
          (followed > 0 ? ` ${inWords(followed)} derived ${plural(followed, 'sequence')} followed.` : ''),
      });
    },
    retire: async (retired: boolean) => {
      const answer = await send('sequence.retire', { id, retired });
      if (answer.ok) await refresh();
      else wrong(answer.title);
    },
  };
}
