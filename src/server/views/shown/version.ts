import type { VersionShown } from '../../../contracts/views';
import type { Transaction } from '../../../data/connection';
import { readRoll, type RollRow } from '../../../data/queries/roll';
import { readFollowed, versionFor, type VersionRow, type Versions } from '../../../data/queries/syllabus';

/** Which version each student on the roll follows. */
export async function readFollowers(tx: Transaction, versions: Versions) {
  const roll = await readRoll(tx);
  const followed = await readFollowed(tx);
  return { roll, of: (s: RollRow) => versionFor(versions, s, followed) };
}

export function versionShown(v: VersionRow, followers: number, names: ReadonlyMap<string, string>): VersionShown {
  return {
    id: v.id,
    title: v.title,
    from: v.from!,
    publishedBy: v.changedBy === null ? null : (names.get(v.changedBy) ?? null),
    followers,
  };
}
