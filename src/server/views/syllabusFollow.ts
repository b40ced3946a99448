import type { SyllabusFollowView, ViewInput } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { person } from '../../data/tables';
import { Refusal } from '../http/problem';
import { type Who } from '../who';
import { rankShown } from './shown/rank';
import { readFollowers, versionShown } from './shown/version';
import { readWay } from './syllabus';
import { differencesFor } from './syllabusCompare';

/** "Who moves to it?": everybody who follows another version, with what would be asked of them otherwise. */
export async function syllabusFollowView(
  tx: Transaction,
  _who: Who,
  { id }: ViewInput<'syllabusFollow'>,
): Promise<SyllabusFollowView> {
  const { versions, items } = await readWay(tx);
  const to = versions.published.find((p) => p.id === id);
  if (!to) throw new Refusal(404, 'This version is not there.');
  const people = await tx.select({ id: person.id, name: person.name }).from(person);
  const { roll, of } = await readFollowers(tx, versions);
  const differences = new Map(
    versions.published
      .filter((was) => was.id !== id)
      .map((was) => [was.id, differencesFor(versions, items, was.body, to.body).of]),
  );
  return {
    to: versionShown(to, roll.filter((s) => of(s)?.id === id).length, new Map(people.map((p) => [p.id, p.name]))),
    ranks: versions.ranks.map(rankShown),
    movers: roll
      .flatMap((s) => {
        const was = of(s);
        if (!was || was.id === id) return [];
        const { name, rankId } = s;
        return [{ id: s.id, name, rankId, follows: was.title, differences: differences.get(was.id)?.(s) ?? [] }];
      })
      .sort((a, b) => a.name.localeCompare(b.name)),
  };
}
