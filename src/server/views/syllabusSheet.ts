import { eq } from 'drizzle-orm';
import type { SyllabusSheetView, ViewInput } from '../../contracts/views';
import { gateAsks, GROUPS, standardPlain } from '../../core';
import type { Transaction } from '../../data/connection';
import { partOf } from '../../data/queries/items';
import { countsOn } from '../../data/queries/syllabus';
import { school } from '../../data/tables';
import { Refusal } from '../http/problem';
import { type Who } from '../who';
import { rankShown } from './shown/rank';
import { readWay } from './syllabus';

/** What one rank asks, in plain words, for a sheet in a student's hand: the version in force, or the one named. */
export async function syllabusSheetView(
  tx: Transaction,
  who: Who,
  { rankId, versionId }: ViewInput<'syllabusSheet'>,
): Promise<SyllabusSheetView> {
  const { versions, items } = await readWay(tx);
  const rank = versions.ranks.find((r) => r.id === rankId);
  if (!rank) throw new Refusal(404, 'This belt is not in the syllabus.');
  const version =
    versionId === undefined
      ? countsOn(versions, who.today)
      : versions.draft?.id === versionId
        ? versions.draft
        : versions.published.find((p) => p.id === versionId);
  const read = versions.read(version ?? null);
  const [home] = await tx.select({ name: school.name }).from(school).where(eq(school.id, who.schoolId));
  const mine = read.requirements.filter((r) => r.rankId === rankId);
  const conditionName = new Map(read.conditions.map((c) => [c.id, c.name]));
  return {
    school: home?.name ?? '',
    rank: rankShown(rank),
    version: { title: version?.title ?? '', from: version?.from ?? null },
    groups: GROUPS.flatMap((group) => {
      const here = mine.filter((r) => items.groupOf(r.item) === group);
      if (here.length === 0) return [];
      return [
        {
          group,
          items: here.map((r) => {
            const body = 'sequence' in r.item ? items.sequences.get(r.item.sequence)?.body : undefined;
            const how = [
              conditionName.get(r.conditionId) ?? '',
              r.purpose && `to ${r.purpose}`,
              r.stage,
              r.rung,
              r.opens && `opens with ${gateAsks(r.opens)}`,
            ];
            return {
              id: r.id,
              name: items.nameOf(r.item),
              how: how.filter(Boolean).join(', '),
              standard: standardPlain(r.standard, items.isSided(r.item)),
              critical: r.critical,
              points:
                'technique' in r.item
                  ? items.pointsOf(r.item).map((p) => ({ name: p.name, how: p.how, critical: p.critical }))
                  : [],
              body: body ? partOf(body, r.item) : null,
              stances: body ? items.stancesOf(body) : [],
            };
          }),
        },
      ];
    }),
    introduced: read.body.threads.filter((t) => t.introduced === rankId).map((t) => items.nameOf(t.item)),
    gates: read.gates.filter((g) => g.rankId === rankId).map((g) => gateAsks(g)),
  };
}
