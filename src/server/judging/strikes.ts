import {
  addDays,
  LADDER_SIDES,
  mayStrike,
  mayStrikeInWords,
  nextLoad,
  nextLoadInWords,
  walkLoad,
  type NextLoad,
  type Side,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { nextLoads, readAgreed, readLoadRule, readOnLadders } from '../../data/queries/loads';

/** Who did nothing for so many days is not on a ladder any more. */
const ON_THE_LADDER = 120;

/** What somebody may strike today. */
export interface StrikesToday {
  /** “Right 50; left none: …”; null: on no ladder yet. */
  strikes: { says: string; any: boolean } | null;
  /** Soft targets only, and why; empty: they may strike what is hard. */
  soft: string;
  /** Who may: the next number of each hand, and on what. */
  hands: { side: Side; number: number; surface: string }[];
}

/** Who may strike what is hard today, and how many, for each of some people. */
export async function readStrikes(
  tx: Transaction,
  people: readonly { id: string; born: string | null }[],
  today: string,
): Promise<Map<string, StrikesToday>> {
  const { rule, ofAge } = await readLoadRule(tx);
  const agreed = await readAgreed(tx);
  const loads = await readOnLadders(tx, addDays(today, -ON_THE_LADDER));
  return new Map(
    people.map((p): [string, StrikesToday] => {
      const load = loads.get(p.id);
      const next: NextLoad[] = load ? nextLoads(load, rule, today) : [];
      const walked = (side: Side) =>
        nextLoad(walkLoad(load?.entries ?? [], load?.lifts ?? [], rule, 'hand', side, today), rule, today);
      const may = mayStrike(p.born, agreed.has(p.id), rule, ofAge, today);
      return [
        p.id,
        {
          soft: mayStrikeInWords(may, rule, today),
          hands: may.may
            ? LADDER_SIDES.hand.map(walked).map(({ side, number, surface }) => ({ side, number, surface }))
            : [],
          strikes:
            next.length === 0 ? null : { says: nextLoadInWords(next, today), any: next.some((n) => n.number > 0) },
        },
      ];
    }),
  );
}
