import type { SyllabusCompareView, ViewInput } from '../../contracts/views';
import { compareSyllabi, differenceInWords, touchedRequirements, type Syllabus } from '../../core';
import type { Transaction } from '../../data/connection';
import { type Items } from '../../data/queries/items';
import { type Versions } from '../../data/queries/syllabus';
import { Refusal } from '../http/problem';
import { rankAbove } from '../judging/rankAbove';
import { type Who } from '../who';
import { readFollowers } from './shown/version';
import { readWay } from './syllabus';

const compareNames = (v: Versions, items: Items, ...bodies: Syllabus[]) => {
  const threads = new Map(bodies.flatMap((b) => b.threads.map((t) => [t.id, t.item] as const)));
  return {
    ranks: v.ranks,
    item: (id: string) => {
      const item = threads.get(id);
      return item ? items.nameOf(item) : 'something that is gone';
    },
    isTitle: (id: string) => 'sequence' in (threads.get(id) ?? {}),
    condition: (id: string) => v.conditions.find((c) => c.id === id)?.name ?? 'a condition that is gone',
  };
};

/** Two versions beside each other; `now` left out is the draft. */
export async function syllabusCompareView(
  tx: Transaction,
  _who: Who,
  input: ViewInput<'syllabusCompare'>,
): Promise<SyllabusCompareView> {
  const { versions, items } = await readWay(tx);
  const was = versions.published.find((p) => p.id === input.was);
  const now = input.now === undefined ? versions.draft : versions.published.find((p) => p.id === input.now);
  if (!was || !now) throw new Refusal(404, 'This version is not there.');
  const names = compareNames(versions, items, was.body, now.body);
  const differences = compareSyllabi(was.body, now.body, names);
  const changed = touchedRequirements(was.body, now.body);
  const { roll, of } = await readFollowers(tx, versions);
  const touched = roll.flatMap((s) => {
    if (of(s)?.id !== was.id) return [];
    const next = rankAbove(versions.ranks, s.rankId);
    if (!next) return [];
    const mine = differences.filter((d) => d.rankId === next.id);
    const asks = [...was.body.requirements, ...now.body.requirements].some(
      (r) => r.rankId === next.id && changed.has(r.id),
    );
    return asks || mine.some((d) => d.threadId === null)
      ? [{ id: s.id, name: s.name, rankId: s.rankId, differences: mine.map(differenceInWords) }]
      : [];
  });
  return {
    was: { title: was.title, from: was.from },
    now: { title: now.title, from: now.from },
    differences,
    touched,
  };
}
