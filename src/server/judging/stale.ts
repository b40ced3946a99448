import { itemKey } from '../../core';
import type { RollRow } from '../../data/queries/roll';
import { judgeStudent, type Judged } from './judge';
import type { Judging } from './judging';

/** What earlier belts asked that was once met and has gone stale, the newest belt first; an item stands there once. */
export function staleEarlier(j: Judging, student: Pick<RollRow, 'id' | 'since' | 'rankId'>): Judged[] {
  const { ranks } = j.syllabusOf(student);
  const worn = ranks.findIndex((r) => r.id === student.rankId);
  const stale = ranks
    .slice(0, worn + 1)
    .toReversed()
    .flatMap((r) => judgeStudent(j, student, r.id))
    .filter((x) => x.word === 'stale');
  const items = stale.map((x) => itemKey(x.requirement.item));
  return stale.filter((_, i) => items.indexOf(items[i]!) === i);
}
