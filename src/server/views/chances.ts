import type { ChancesView, ViewInput } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readRoll } from '../../data/queries/roll';
import { beltChanceOf } from '../belief/chance';
import { pastOutcomes } from '../belief/gradings';
import { schoolBeliefs } from '../belief/school';
import { readJudging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import type { Who } from '../who';
import { chanceShown } from './shown/chance';

/** The chances of everybody who wears a belt, for the list of who is ready: asked for after it is shown. */
export async function chancesView(tx: Transaction, who: Who, { rankId }: ViewInput<'chances'>): Promise<ChancesView> {
  const roll = (await readRoll(tx)).filter((s) => rankId === undefined || s.rankId === rankId);
  const j = await readJudging(
    tx,
    who.today,
    roll.map((s) => s.id),
  );
  const school = await schoolBeliefs(tx, j);
  const outcomes = await pastOutcomes(tx);
  return {
    rows: roll.flatMap((s) => {
      const next = rankAbove(j.syllabusOf(s).ranks, s.rankId);
      if (!next) return [];
      const said = beltChanceOf(j, school, s, next.id, roll.length > 60 ? FEW_DRAWS : DRAWS);
      const shown = chanceShown(said, outcomes);
      return shown ? [{ studentId: s.id, ...shown }] : [];
    }),
  };
}

/** Enough for a whole list: steady to about two in a hundred. */
const DRAWS = 400;

/** For the whole school at once: steady to about four in a hundred, which tenths hardly show. */
const FEW_DRAWS = 120;
