import { useEffect, useRef, useState } from 'react';
import type { ClassRunView, LookKitView } from '../../contracts/views';
import { clockInWords, timeOfDayIn } from '../../core';
import { followed } from '../../kit/mat/followed';
import {
  freshLine,
  keepLine,
  lineUp,
  readLine,
  standing,
  withTheOthers,
  type KitItem,
  type Line,
} from '../../kit/mat/line';
import { noteClass } from '../../kit/mat/noteClass';
import { dayNow } from '../../kit/mat/record';

/** Whoever was here within so many days is expected until the roll is called. */
const EXPECTED_DAYS = 14;

/**
 * Who is here tonight, as this device remembers it and the class has it. Once the class is noted every change goes to all
 * other devices at once.
 */
export function useLine(kit: LookKitView, items: readonly KitItem[]) {
  const [line, setLine] = useState<Line>(() => freshLine(kit.today));
  const [problem, setProblem] = useState('');
  const latest = useRef(line);
  /** Whom the class had when it was last asked; null: not asked yet. */
  const before = useRef<ReadonlySet<string> | null>(null);
  const show = (next: Line) => {
    latest.current = next;
    setLine(next);
  };
  useEffect(() => {
    const all = withTheOthers(kit, readLine(dayNow(kit.timeZone)));
    latest.current = all;
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what the device says, once it can be read
    setLine(all);
  }, [kit]);

  /** Done when it is on the device to be sent. */
  const change = async (part: Partial<Line>): Promise<void> => {
    show({ ...latest.current, ...part });
    keepLine(latest.current);
    if (latest.current.classId === null) return;
    await noteClass(kit, items, latest.current).then(
      () => setProblem(''),
      (e: unknown) => setProblem(e instanceof Error ? e.message : 'Who is here could not be kept.'),
    );
  };
  const timeNow = () => clockInWords(timeOfDayIn(kit.timeZone, Date.now()));
  const without = (map: Record<string, string>, id: string) =>
    Object.fromEntries(Object.entries(map).filter(([k]) => k !== id));

  const begun = line.classId !== null;
  const expected = kit.students.filter((s) => {
    if (s.lastHere === null) return false;
    return (Date.parse(kit.today) - Date.parse(s.lastHere)) / 86_400_000 <= EXPECTED_DAYS;
  });
  return {
    line,
    problem,
    change,
    /** Whether anybody said who is here. */
    called: line.present.length > 0,
    people: lineUp(kit, line),
    expected,
    stateOf(id: string): 'here' | 'late' | 'left' | 'away' {
      if (line.left[id] !== undefined) return 'left';
      if (!line.present.includes(id)) return 'away';
      return line.late[id] !== undefined ? 'late' : 'here';
    },
    /** Here, or away; after the class began whoever comes is late, with the time. */
    toggle(id: string) {
      const now = latest.current;
      if (now.present.includes(id))
        return void change({
          ...standing(
            now,
            now.present.filter((x) => x !== id),
          ),
          late: without(now.late, id),
          left: without(now.left, id),
        });
      void change({
        ...standing(now, [...now.present, id]),
        ...(begun ? { late: { ...now.late, [id]: timeNow() } } : {}),
      });
    },
    /** They go before the end, or stay after all. */
    leave(id: string) {
      const { left } = latest.current;
      void change({ left: left[id] === undefined ? { ...left, [id]: timeNow() } : without(left, id) });
    },
    /** What other devices noted of this class. */
    follow(classId: string, theirs: ClassRunView['here']) {
      const next = followed(latest.current, classId, before.current, theirs);
      if (theirs.length > 0) before.current = new Set(theirs.map((t) => t.id));
      if (next === latest.current) return;
      show(next);
      keepLine(next);
    },
    all(ids: readonly string[]) {
      void change(standing(latest.current, ids));
    },
  };
}
export type TheLine = ReturnType<typeof useLine>;
