import { itemKey } from '../../core';
import type { RollRow } from '../../data/queries/roll';
import { judgeOne, type Judged } from './judge';
import { NOTHING, type Judging } from './judging';

/** What earlier belts asked that was once met and has gone stale, the newest belt first; an item stands there once. */
export function staleEarlier(j: Judging, student: Pick<RollRow, 'id' | 'since' | 'rankId'>): Judged[] {
  const syllabus = j.syllabusOf(student);
  const worn = syllabus.ranks.findIndex((r) => r.id === student.rankId);
  const place = new Map(syllabus.ranks.slice(0, worn + 1).map((r, i) => [r.id, i]));
  const evidence = j.evidence.get(student.id) ?? NOTHING;
  const stale = syllabus.requirements
    .filter((r) => place.has(r.rankId))
    .map((r) => judgeOne(j, syllabus, evidence, student.id, r))
    .filter((x) => x.word === 'stale')
    .sort((a, b) => place.get(b.requirement.rankId)! - place.get(a.requirement.rankId)!);
  const items = stale.map((x) => itemKey(x.requirement.item));
  return stale.filter((_, i) => items.indexOf(items[i]!) === i);
}
