import { useMemo, useState } from 'react';
import type { CalledPair, LookKitView } from '../../contracts/views';
import type { Block, Pair, Pairing } from '../../core';
import type { KitStudent } from '../../kit/mat/line';
import { newId } from '../../kit/send';
import { calledKey, roundsToCome, type Called } from './pairing';

/** A round as it stands on the screen: called, or as it is proposed. */
export interface ShownRound {
  round: number;
  called: readonly CalledPair[] | null;
  proposed: Pairing;
}

/** The rounds of a block: those that were called as they were, the rest as they come out best now. */
export function useRounds(kit: LookKitView, block: Block | null, present: readonly KitStudent[], called: Called) {
  const [pins, setPins] = useState<readonly (readonly [string, string])[]>([]);
  const key = present.map((p) => p.id).join(' ');
  const rounds = useMemo((): ShownRound[] => {
    if (!block?.pairs) return [];
    const to = roundsToCome(kit, block, present, called, pins);
    const none: Pairing = { pairs: [], alone: [] };
    const shown: ShownRound[] = [];
    for (let round = 1; round <= block.pairs.rounds; round += 1) {
      const was = called[calledKey(block.id, round)];
      if (was) shown.push({ round, called: was, proposed: none });
      else shown.push({ round, called: null, proposed: to.shift() ?? none });
    }
    return shown;
    // eslint-disable-next-line react-hooks/exhaustive-deps -- who is here is known by their ids
  }, [kit, block, key, called, pins]);
  return {
    rounds,
    pins,
    tie: (a: string, b: string) =>
      setPins([...pins.filter(([x, y]) => ![x, y].some((z) => z === a || z === b)), [a, b]]),
    untie: (a: string, b: string) => setPins(pins.filter(([x, y]) => !(x === a && y === b) && !(x === b && y === a))),
  };
}

/** A proposed pair as it is called: without contact until both said yes tonight. */
export const calling = (p: Pair): CalledPair => ({ id: newId(), a: p.a, b: p.b, c: p.c, rung: 0, first: p.first });
