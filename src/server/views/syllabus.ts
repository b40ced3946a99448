import type { SyllabusView } from '../../contracts/views';
import { itemKey, NOTHING_KNOWN, sectionings, type Item } from '../../core';
import type { Transaction } from '../../data/connection';
import { factsFor, readItems } from '../../data/queries/items';
import { readLibrary } from '../../data/queries/library';
import { readVersions } from '../../data/queries/syllabus';
import { readThings } from '../../data/queries/things';
import { hall, person } from '../../data/tables';
import { dayIn, type Who } from '../who';
import { conditionShown } from './shown/condition';
import { rankShown } from './shown/rank';
import { readFollowers, versionShown } from './shown/version';

export async function readWay(tx: Transaction) {
  const versions = await readVersions(tx);
  const library = await readLibrary(tx);
  const items = await readItems(tx, library, versions);
  return { versions, library, items };
}

/** "Does the way hold together?": the draft, or what was published last, with everything it names. */
export async function syllabusView(tx: Transaction, who: Who): Promise<SyllabusView> {
  const { versions, library, items } = await readWay(tx);
  const { roll, of } = await readFollowers(tx, versions);
  const people = await tx.select({ id: person.id, name: person.name }).from(person);
  const names = new Map(people.map((p) => [p.id, p.name]));
  const shown = versions.draft ?? versions.published.at(-1) ?? null;
  const { body } = versions.read(shown);
  const over = versions.published.at(-1) ?? null;
  const factsOf = factsFor(items, body);
  const used = new Set(body.threads.map((t) => itemKey(t.item)));
  const followers = new Map<string, number>();
  for (const s of roll) {
    const v = of(s);
    if (v) followers.set(v.id, (followers.get(v.id) ?? 0) + 1);
  }
  const bare = (item: Item, name: string, counts: number, sections: SyllabusView['others'][number]['sections']) => ({
    key: itemKey(item),
    item,
    name,
    group: items.groupOf(item),
    sections,
    counts,
  });
  return {
    ranks: versions.ranks.map((r) => ({
      ...rankShown(r),
      version: r.version,
      wornBy: roll.filter((x) => x.rankId === r.id).length,
    })),
    conditions: versions.conditions.map((c) => ({ ...conditionShown(c), version: c.version })),
    syllabus: body,
    version: versions.draft?.version ?? null,
    over: over && { id: over.id, title: over.title, from: over.from!, syllabus: over.body },
    changedOn: shown && versions.draft ? dayIn(who.timeZone, shown.changedAt) : null,
    changedBy: shown?.changedBy ? (names.get(shown.changedBy) ?? null) : null,
    versions: versions.published.map((v) => versionShown(v, followers.get(v.id) ?? 0, names)),
    // The published one's items besides, since what was taken out is named where the two are compared.
    items: [...new Map([...(over?.body.threads ?? []), ...body.threads].map((t) => [itemKey(t.item), t.item]))].map(
      ([key, item]) => {
        const f = factsOf(key) ?? items.factsOf(key, item);
        return f
          ? { ...f, key }
          : { ...NOTHING_KNOWN, retired: true, key, item, name: items.nameOf(item), group: items.groupOf(item) };
      },
    ),
    others: [
      ...[...library.techniques.values()]
        .filter((t) => !t.retired && !used.has(`t:${t.id}`))
        .map((t) => bare({ technique: t.id }, t.name, 0, [])),
      ...[...items.sequences.values()]
        .filter((s) => !s.retired)
        .map((s) =>
          bare(
            { sequence: s.id, part: null },
            s.title,
            s.body.moves.length,
            sectionings(s.body).flatMap((c) => c.sections.map((x) => ({ from: x.from, to: x.to, section: x.name }))),
          ),
        ),
    ],
    store: (await readThings(tx)).filter((t) => t.pieces.length > 0).map(({ name, serves }) => ({ name, serves })),
    halls: (await tx.select().from(hall)).map(({ id, name, width, depth, version }) => ({
      id,
      name,
      width,
      depth,
      version,
    })),
    today: who.today,
  };
}
