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

/** What is asked otherwise in another version: all of it, and of one student's next belt; null: nothing of that changes. */
export function differencesFor(versions: Versions, items: Items, was: Syllabus, now: Syllabus) {
  const differences = compareSyllabi(was, now, compareNames(versions, items, was, now));
  const changed = touchedRequirements(was, now);
  const asked = [...was.requirements, ...now.requirements].filter((r) => changed.has(r.id));
  const of = (s: { rankId: string }): string[] | null => {
    const next = rankAbove(versions.ranks, s.rankId);
    if (!next) return null;
    const mine = differences.filter((d) => d.rankId === next.id);
    const touches = asked.some((r) => r.rankId === next.id) || mine.some((d) => d.threadId === null);
    return touches ? mine.map(differenceInWords) : null;
  };
  return { differences, of };
}

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
  const { differences, of: asksOf } = differencesFor(versions, items, was.body, now.body);
  const { roll, of } = await readFollowers(tx, versions);
  return {
    was: { title: was.title, from: was.from },
    now: { title: now.title, from: now.from },
    differences,
    touched: roll.flatMap((s) => {
      const otherwise = of(s)?.id === was.id ? asksOf(s) : null;
      return otherwise ? [{ id: s.id, name: s.name, rankId: s.rankId, differences: otherwise }] : [];
    }),
  };
}
