import { eq } from 'drizzle-orm';
import { storedBundle, type Bundle } from '../../contracts/stored/bundle';
import type { ViewInput } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readLibrary } from '../../data/queries/library';
import { readSequences } from '../../data/queries/sequences';
import { readVersions } from '../../data/queries/syllabus';
import { school } from '../../data/tables';
import { beltsOut } from '../exchange/belts/out';
import { conditionsOut } from '../exchange/conditions/out';
import { sequenceOut } from '../exchange/sequences/out';
import { syllabusOut } from '../exchange/syllabus/out';
import { techniquesOut } from '../exchange/techniques/out';
import { Refusal } from '../http/problem';
import type { Who } from '../who';

/** The whole school without people and without ids; the version named, or the newest thinking. */
export async function bundleView(tx: Transaction, who: Who, { versionId }: ViewInput<'bundle'>): Promise<Bundle> {
  const versions = await readVersions(tx);
  const wanted = versionId === undefined ? (versions.draft ?? versions.published.at(-1) ?? null) : null;
  const version =
    versionId === undefined ? wanted : (versions.published.find((p) => p.id === versionId) ?? versions.draft);
  if (versionId !== undefined && version?.id !== versionId) throw new Refusal(404, 'This version is not there.');
  const { body, requirements, gates } = versions.read(version);
  const library = await readLibrary(tx);
  const rows = await readSequences(tx);
  const titles = new Map(rows.map((r) => [r.id, r.title]));
  const [home] = await tx.select({ name: school.name }).from(school).where(eq(school.id, who.schoolId));
  const rankName = new Map(versions.ranks.map((r) => [r.id, r.name]));
  const conditionName = new Map(versions.conditions.map((c) => [c.id, c.name]));
  return {
    format: 'stavewright-school',
    version: storedBundle.version,
    name: home?.name ?? 'A school',
    ranks: beltsOut(versions.ranks),
    conditions: conditionsOut(versions.conditions),
    techniques: techniquesOut(library),
    sequences: rows.filter((r) => !r.retired).map((r) => sequenceOut(r, (id) => titles.get(id) ?? '')),
    syllabus: syllabusOut(body, requirements, gates, {
      rank: (id) => rankName.get(id) ?? null,
      condition: (id) => conditionName.get(id) ?? null,
      item: (item) => {
        if ('technique' in item) {
          const t = library.techniques.get(item.technique);
          return t && !t.retired ? { technique: t.name } : null;
        }
        const title = titles.get(item.sequence);
        return title === undefined ? null : { sequence: title, part: item.part };
      },
    }),
  };
}
