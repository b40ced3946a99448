import { eq } from 'drizzle-orm';
import { storedBundle, type Bundle, type ItemByName } from '../../contracts/stored/bundle';
import type { ViewInput } from '../../contracts/views';
import type { Item } from '../../core';
import type { Transaction } from '../../data/connection';
import { readLibrary } from '../../data/queries/library';
import { readSequences } from '../../data/queries/sequences';
import { readVersions } from '../../data/queries/syllabus';
import { school } from '../../data/tables';
import { libraryView } from '../exchange/libraryOut';
import { sequenceOut } from '../exchange/sequenceOut';
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
  const titleOf = (id: string) => titles.get(id) ?? '';
  const [home] = await tx.select({ name: school.name }).from(school).where(eq(school.id, who.schoolId));
  const rankName = new Map(versions.ranks.map((r) => [r.id, r.name]));
  const conditionName = new Map(versions.conditions.map((c) => [c.id, c.name]));
  const named = (item: Item): ItemByName | null => {
    if ('technique' in item) {
      const t = library.techniques.get(item.technique);
      return t && !t.retired ? { technique: t.name } : null;
    }
    const title = titles.get(item.sequence);
    return title === undefined ? null : { sequence: title, part: item.part };
  };
  const threadItem = new Map(
    body.threads.flatMap((t) => {
      const item = named(t.item);
      return item ? [[t.id, item] as const] : [];
    }),
  );
  const rank = (id: string | null) => (id === null ? null : (rankName.get(id) ?? null));
  return {
    format: 'stavewright-school',
    version: storedBundle.version,
    name: home?.name ?? 'A school',
    ranks: versions.ranks.map((r) => ({ name: r.name, cloth: r.cloth })),
    conditions: versions.conditions.map(({ name, partner, gear, home: atHome, attacker, defender }) => ({
      name,
      partner,
      gear,
      home: atHome,
      attacker,
      defender,
    })),
    techniques: (await libraryView(tx)).techniques,
    sequences: rows.filter((r) => !r.retired).map((r) => sequenceOut(r, titleOf)),
    syllabus: {
      items: body.threads.flatMap((t) => {
        const item = threadItem.get(t.id);
        if (!item) return [];
        const needs = body.needs.filter((n) => n.of === t.id).flatMap((n) => threadItem.get(n.on) ?? []);
        return [{ item, introduced: rank(t.introduced), until: rank(t.until), informal: t.informal, needs }];
      }),
      requirements: requirements.flatMap((r) => {
        const item = threadItem.get(r.threadId);
        const { purpose, stage, rung, critical, standard } = r;
        return item
          ? [
              {
                item,
                rank: rankName.get(r.rankId)!,
                condition: conditionName.get(r.conditionId) ?? '',
                purpose,
                stage,
                rung,
                critical,
                standard,
              },
            ]
          : [];
      }),
      gates: gates.map((g) => ({ rank: rankName.get(g.rankId)!, kind: g.kind, amount: g.amount })),
      order: body.order.map((o) => ({
        easier: conditionName.get(o.easier) ?? '',
        harder: conditionName.get(o.harder) ?? '',
      })),
      standards: [...body.standards],
      promotions: Object.fromEntries(
        Object.entries(body.promotions).flatMap(([id, p]) => (rankName.has(id) ? [[rankName.get(id)!, p]] : [])),
      ),
      limits: { ...body.limits, owns: body.limits.owns && [...body.limits.owns] },
    },
  };
}
