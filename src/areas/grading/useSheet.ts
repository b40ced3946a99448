import { useCallback, useEffect, useRef, useState } from 'react';
import type { ExamineView } from '../../contracts/views';
import { openNow, put, readOpen, waitingIn, type Waiting } from '../../kit/deviceQueue/deviceQueue';
import { newId } from '../../kit/send';
import { BLANK, type Written } from './sheetState';

const keyOf = (studentId: string, requirementId: string) => `${studentId} ${requirementId}`;
const isLine = (c: Waiting): c is Waiting<'sheet.write'> => c.name === 'sheet.write';

/**
 * An examiner's own sheet on this device: what is written is kept before it is shown, stays open while its item is before
 * the eyes, and is sent when one goes on. What an earlier visit left is taken up where it was.
 */
export function useSheet(view: ExamineView) {
  const gradingId = view.grading.id;
  /** Typed in from paper it is another's sheet, in a queue of its own. */
  const of = view.typedFor?.id ?? null;
  const chain = `sheet ${gradingId}${of === null ? '' : ` of ${of}`}`;
  const [lines, setLines] = useState<ReadonlyMap<string, Written>>(
    () =>
      new Map(
        view.candidates.flatMap((c) =>
          c.items.flatMap((i): [string, Written][] => (i.line ? [[keyOf(c.id, i.requirementId), i.line]] : [])),
        ),
      ),
  );
  const [handedIn, setHandedIn] = useState(view.handedInAt !== null);
  /** Why something is put right after handing in; null: nothing is. */
  const why = useRef<string | null>(null);
  const [correcting, setCorrecting] = useState(false);
  const [problem, setProblem] = useState('');
  const [ready, setReady] = useState(false);
  /** The command that is being written for a line; it is changed until one goes on. */
  const open = useRef(new Map<string, string>());
  const now = useRef(lines);
  useEffect(() => {
    let current = true;
    void (async () => {
      await readOpen();
      const mine = [...(await waitingIn(chain, view.me)), ...openNow()].filter(
        (c): c is Waiting<'sheet.write'> =>
          isLine(c) && c.by === view.me && c.input.gradingId === gradingId && (c.input.examinerId ?? null) === of,
      );
      if (!current) return;
      const left = new Map(now.current);
      for (const c of mine) {
        const key = keyOf(c.input.studentId, c.input.requirementId);
        left.set(key, { marks: c.input.marks, word: c.input.word, mark: c.input.mark ?? null, note: c.input.note });
        if (!c.open) continue;
        open.current.set(key, c.id);
        // What was being put right goes on being put right.
        if (c.input.reason) {
          why.current = c.input.reason;
          setCorrecting(true);
        }
      }
      now.current = left;
      setLines(left);
      setReady(true);
    })().catch((e: unknown) => {
      setProblem(e instanceof Error ? e.message : 'This device cannot keep the sheet.');
      setReady(true);
    });
    return () => {
      current = false;
    };
  }, [chain, gradingId, of, view.me]);

  const keep = useCallback(
    async (studentId: string, requirementId: string, w: Written, going: boolean) => {
      const key = keyOf(studentId, requirementId);
      const id = open.current.get(key) ?? newId();
      open.current.set(key, id);
      const label = view.candidates.find((c) => c.id === studentId)?.name ?? '';
      try {
        await put({
          id,
          at: new Date().toISOString(),
          name: 'sheet.write',
          input: { id, gradingId, studentId, requirementId, ...w, reason: why.current, examinerId: of },
          label,
          by: view.me,
          open: !going,
          chain,
        });
        if (going) open.current.delete(key);
        setProblem('');
      } catch (e) {
        setProblem(e instanceof Error ? e.message : 'This mark could not be kept.');
      }
    },
    [chain, gradingId, of, view],
  );
  /** One goes on: what was written so far is closed and sent. */
  const goOn = async () => {
    for (const key of [...open.current.keys()]) {
      const [studentId, requirementId] = key.split(' ') as [string, string];
      await keep(studentId, requirementId, now.current.get(key) ?? BLANK, true);
    }
  };
  return {
    ready,
    problem,
    handedIn: handedIn && !correcting,
    /** Whether a mark is taken: not before it is known what an earlier visit left, nor after handing in. */
    takes: ready && (!handedIn || correcting),
    correcting,
    /** Opens the sheet again for what is put right, with why. */
    correct: (reason: string) => {
      why.current = reason;
      setCorrecting(true);
    },
    /** Sends what was put right, and closes the sheet again. */
    corrected: async () => {
      await goOn();
      why.current = null;
      setCorrecting(false);
    },
    lineOf: (studentId: string, requirementId: string): Written => lines.get(keyOf(studentId, requirementId)) ?? BLANK,
    /** Writes what stands now; the latest is read, also where two keys come before the screen is drawn. */
    write: (studentId: string, requirementId: string, change: (w: Written) => Written) => {
      const key = keyOf(studentId, requirementId);
      const next = change(now.current.get(key) ?? BLANK);
      now.current = new Map(now.current).set(key, next);
      setLines(now.current);
      void keep(studentId, requirementId, next, false);
    },
    goOn,
    handIn: async () => {
      await goOn();
      const id = newId();
      const at = new Date().toISOString();
      await put({
        id,
        at,
        name: 'sheet.handIn',
        input: { gradingId, examinerId: of },
        label: 'handing in',
        by: view.me,
        open: false,
        chain,
      });
      setHandedIn(true);
    },
  };
}
