import { useEffect, useMemo, useState } from 'react';
import type { EarlierMarksView } from '../../../contracts/views';
import { withNewer } from '../../../contracts/views/earlierMarks';
import type { Side } from '../../../core';
import type { Notch } from '../../../kit/marks/Stick';
import { ask } from '../../../kit/send';
import { nameParts } from '../../../kit/mat/line';
import { wordFor } from './pass';

/** How often what other watchers marked is asked for. */
const OTHERS_EVERY = 12_000;
/** So many earlier marks stand beside a name. */
const NOTCHES = 2;

/** What was marked of a point before, and what others mark of it today: both count beside one's own. */
export function useEarlier({
  techniqueId,
  pointId,
  side,
  today,
}: {
  techniqueId: string;
  pointId: string;
  side: Side;
  today: string;
}) {
  const [marks, setMarks] = useState<EarlierMarksView['marks']>([]);
  const [missing, setMissing] = useState('');
  useEffect(() => {
    let since: string | undefined;
    const look = () =>
      void ask('earlierMarks', { techniqueId, ...(since ? { since } : {}) }).then((a) => {
        if (a.ok) {
          since = a.view.at;
          setMarks((known) => withNewer(known, a.view));
        }
        setMissing(a.ok ? '' : a.title);
      });
    look();
    const timer = setInterval(look, OTHERS_EVERY);
    return () => clearInterval(timer);
  }, [techniqueId]);

  const here = useMemo(() => marks.filter((m) => m.pointId === pointId && m.side === side), [marks, pointId, side]);
  /** What another watcher marked of the same point today, by student. */
  const others = useMemo(() => {
    const byStudent = new Map<string, string>();
    for (const m of here)
      if (m.by !== null && m.day === today && !byStudent.has(m.studentId))
        byStudent.set(m.studentId, `${nameParts(m.by)[0]}: ${wordFor(m.held, m.of)}`);
    return byStudent;
  }, [here, today]);

  return {
    /** Why nothing earlier is at hand; empty where it is. */
    missing,
    others,
    /** The last marks of each, oldest first, without the looks of this pass. */
    sticks(own: ReadonlySet<string>): ReadonlyMap<string, Notch[]> {
      const sticks = new Map<string, Notch[]>();
      for (const m of here) {
        if (own.has(m.lookId)) continue;
        const list = sticks.get(m.studentId) ?? [];
        if (list.length >= NOTCHES) continue;
        list.unshift(m.held >= m.of ? 'H' : 'S');
        sticks.set(m.studentId, list);
      }
      for (const list of sticks.values()) while (list.length < NOTCHES) list.unshift('U');
      return sticks;
    },
    none: Array.from({ length: NOTCHES }, (): Notch => 'U'),
  };
}
