import type { SyllabusVersionView, ViewInput } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readVersions } from '../../data/queries/syllabus';
import { person } from '../../data/tables';
import { Refusal } from '../http/problem';
import { type Who } from '../who';
import { readFollowers, versionShown } from './shown/version';

export async function syllabusVersionView(
  tx: Transaction,
  _who: Who,
  { id }: ViewInput<'syllabusVersion'>,
): Promise<SyllabusVersionView> {
  const versions = await readVersions(tx);
  const version = versions.published.find((p) => p.id === id);
  if (!version) throw new Refusal(404, 'This version is not there.');
  const people = await tx.select({ id: person.id, name: person.name }).from(person);
  const { roll, of } = await readFollowers(tx, versions);
  const mine = roll.filter((s) => of(s)?.id === id);
  return {
    version: versionShown(version, mine.length, new Map(people.map((p) => [p.id, p.name]))),
    syllabus: version.body,
    students: mine.map((s) => ({ id: s.id, name: s.name, rankId: s.rankId })),
  };
}
