import { useCallback, useRef, useState } from 'react';
import type { CalledPair, ClassRunView } from '../../contracts/views';
import { put } from '../../kit/deviceQueue/deviceQueue';
import { keptOfClass } from '../../kit/offline';
import { newId } from '../../kit/send';
import { calledKey, type Called } from './pairing';

const keyOf = (classId: string) => keptOfClass.called + classId;
/** So long a round that was called here goes before what the server tells of it, in ms. */
const JUST_NOW = 15_000;

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
  /** When this device called a round itself. */
  const own = useRef(new Map<string, number>());
  /** What others called, and how far they said yes since; a round called here just now stays, since it may not have been sent. */
  const merge = useCallback(
    (theirs: ClassRunView['called']) =>
      setCalled((mine) => {
        const fresh = theirs.filter((r) => {
          const key = calledKey(r.blockId, r.round);
          const known = mine[key];
          if (known === undefined) return true;
          if (Date.now() - (own.current.get(key) ?? 0) < JUST_NOW) return false;
          return JSON.stringify(known) !== JSON.stringify(r.pairs);
        });
        return fresh.length === 0
          ? mine
          : { ...mine, ...Object.fromEntries(fresh.map((r) => [calledKey(r.blockId, r.round), r.pairs])) };
      }),
    [],
  );
  const call = useCallback(
    async (blockId: string, round: number, pairs: readonly CalledPair[]) => {
      own.current.set(calledKey(blockId, round), Date.now());
      keep({ ...called, [calledKey(blockId, round)]: pairs });
      await put({
        id: newId(),
        at: new Date().toISOString(),
        name: 'pairs.record',
        input: { classId, blockId, day, round, pairs: [...pairs] },
        label: `${pairs.length} pairs of round ${round}`,
        by,
        open: false,
      }).catch(() => undefined);
    },
    [called, keep, classId, day, by],
  );
  return { called, call, merge };
}
