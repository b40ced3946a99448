import { eq } from 'drizzle-orm';
import type {
  SyllabusCompareView,
  SyllabusSheetView,
  SyllabusVersionView,
  SyllabusView,
  VersionShown,
  ViewInput,
} from '../../contracts/views';
import {
  compareSyllabi,
  gateAsks,
  GROUPS,
  itemKey,
  NOTHING_KNOWN,
  sectionings,
  standardPlain,
  touchedRequirements,
  type Item,
  type Syllabus,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { factsFor, partOf, readItems, type Items } from '../../data/queries/items';
import { readLibrary } from '../../data/queries/library';
import { readRoll, type RollRow } from '../../data/queries/roll';
import {
  readFollowed,
  readVersions,
  versionFor,
  type RankRow,
  type VersionRow,
  type Versions,
} from '../../data/queries/syllabus';
import { hall, person, school } from '../../data/tables';
import { Refusal } from '../http/problem';
import { dayIn, type Who } from '../who';
import { rankAbove } from './judging';
import { conditionShown } from './shown';

const rankShown = ({ id, name, cloth }: RankRow) => ({ id, name, cloth });

async function readWay(tx: Transaction) {
  const versions = await readVersions(tx);
  const library = await readLibrary(tx);
  const items = await readItems(tx, library, versions.conditions);
  return { versions, library, items };
}

/** Which version each student on the roll follows. */
async function readFollowers(tx: Transaction, versions: Versions) {
  const roll = await readRoll(tx);
  const followed = await readFollowed(tx);
  return { roll, of: (s: RollRow) => versionFor(versions, s, followed) };
}

function versionShown(v: VersionRow, followers: number, names: ReadonlyMap<string, string>): VersionShown {
  return {
    id: v.id,
    title: v.title,
    from: v.from!,
    publishedBy: v.changedBy === null ? null : (names.get(v.changedBy) ?? null),
    followers,
  };
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
      ? [{ id: s.id, name: s.name, rankId: s.rankId, differences: mine.map((d) => d.text) }]
      : [];
  });
  return {
    was: { title: was.title, from: was.from },
    now: { title: now.title, from: now.from },
    differences,
    touched,
  };
}

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
      ? (versions.inForce(who.today) ?? versions.published[0] ?? versions.draft)
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
            const how = [conditionName.get(r.conditionId) ?? '', r.purpose && `to ${r.purpose}`, r.stage, r.rung];
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
            };
          }),
        },
      ];
    }),
    introduced: read.body.threads.filter((t) => t.introduced === rankId).map((t) => items.nameOf(t.item)),
    gates: read.gates.filter((g) => g.rankId === rankId).map((g) => gateAsks(g)),
  };
}
