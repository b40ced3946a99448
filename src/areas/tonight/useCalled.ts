import { useCallback, useEffect, useRef, useState } from 'react';
import type { CalledPair, ClassRunView } from '../../contracts/views';
import { keepTrying, whenAnswered } from '../../kit/deviceQueue/deviceQueue';
import { keptOfClass } from '../../kit/offline';
import { newId } from '../../kit/send';
import { calledKey, type Called } from './pairing';

const keyOf = (classId: string) => keptOfClass.called + classId;

/** Whether nothing of a round changed: who, at which rung, who first. */
const same = (a: readonly CalledPair[], b: readonly CalledPair[]): boolean =>
  a.length === b.length &&
  a.every((p, i) => {
    const q = b[i]!;
    return p.id === q.id && p.rung === q.rung && p.first === q.first && p.a === q.a && p.b === q.b && p.c === q.c;
  });

function read(classId: string): Called {
  try {
    return JSON.parse(localStorage.getItem(keyOf(classId)) ?? '{}') as Called;
  } catch {
    return {};
  }
}

/** The rounds that were called in a class: here first, then for every other device. */
export function useCalled(classId: string, day: string, by: string) {
  const [called, setCalled] = useState<Called>(() => read(classId));
  const keep = useCallback(
    (next: Called) => {
      setCalled(next);
      try {
        localStorage.setItem(keyOf(classId), JSON.stringify(next));
      } catch {
        // It stands on the page and goes to the server.
      }
    },
    [classId],
  );
  /** Rounds that were called here and not answered yet, by their commands: until then they go before what is told. */
  const own = useRef(new Map<string, string>());
  useEffect(
    () =>
      whenAnswered((command) => {
        for (const [key, id] of own.current) if (id === command.id) own.current.delete(key);
      }),
    [],
  );
  /** What others called, and how far they said yes since. */
  const merge = useCallback(
    (theirs: ClassRunView['called']) =>
      setCalled((mine) => {
        const fresh = theirs.filter((r) => {
          const key = calledKey(r.blockId, r.round);
          const known = mine[key];
          if (known === undefined) return true;
          return !own.current.has(key) && !same(known, r.pairs);
        });
        return fresh.length === 0
          ? mine
          : { ...mine, ...Object.fromEntries(fresh.map((r) => [calledKey(r.blockId, r.round), r.pairs])) };
      }),
    [],
  );
  const call = useCallback(
    (blockId: string, round: number, pairs: readonly CalledPair[]) => {
      const id = newId();
      own.current.set(calledKey(blockId, round), id);
      keep({ ...called, [calledKey(blockId, round)]: pairs });
      keepTrying({
        id,
        at: new Date().toISOString(),
        name: 'pairs.record',
        input: { classId, blockId, day, round, pairs: [...pairs] },
        label: `${pairs.length} pairs of round ${round}`,
        by,
        open: false,
      });
    },
    [called, keep, classId, day, by],
  );
  return { called, call, merge };
}
