import { asc } from 'drizzle-orm';
import type { SequencesView } from '../../contracts/views';
import { recipeWords } from '../../core';
import type { Transaction } from '../../data/connection';
import { readSequences, readWords, type SequenceRow } from '../../data/queries/sequences';
import { rank } from '../../data/tables';
import { dayIn, type Who } from '../who';

export const ranksOf = (tx: Transaction) =>
  tx.select({ id: rank.id, name: rank.name, cloth: rank.cloth }).from(rank).orderBy(asc(rank.position));

export const nameIn = (rows: readonly SequenceRow[]) => (id: string) =>
  rows.find((r) => r.id === id)?.title ?? 'a sequence that is gone';

export async function sequencesView(tx: Transaction, who: Who): Promise<SequencesView> {
  const rows = await readSequences(tx);
  const nameOf = nameIn(rows);
  return {
    ranks: await ranksOf(tx),
    words: await readWords(tx),
    texts: Object.fromEntries(rows.filter((r) => !r.retired).map((r) => [r.id, r.text])),
    sequences: rows.map((r) => ({
      id: r.id,
      title: r.title,
      names: [...r.body.about.names],
      kind: r.kind,
      rank: r.body.about.rank,
      counts: r.body.moves.length,
      parentId: r.parentId,
      how: r.recipe ? recipeWords(r.recipe, nameOf) : null,
      problems: r.problems,
      unfit: r.unfit,
      trouble: r.trouble,
      retired: r.retired,
      changedOn: dayIn(who.timeZone, r.changedAt),
    })),
  };
}
