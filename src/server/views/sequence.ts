import { and, desc, eq, sql } from 'drizzle-orm';
import type { SequenceView, ViewInput } from '../../contracts/views';
import { makeVocabulary, namedAlike, recipeWords, sectionings, tellTale } from '../../core';
import type { Transaction } from '../../data/connection';
import { computedOf, readBeyond, readSequences, readWords } from '../../data/queries/sequences';
import { attendance, classHeld, hall, person, waiver } from '../../data/tables';
import { Refusal } from '../http/problem';
import { dayIn, type Who } from '../who';
import { nameIn, ranksOf } from './sequences';

export async function sequenceView(tx: Transaction, who: Who, { id }: ViewInput<'sequence'>): Promise<SequenceView> {
  const rows = await readSequences(tx);
  const row = id === undefined ? undefined : rows.find((r) => r.id === id);
  if (id !== undefined && !row) throw new Refusal(404, 'This sequence is not there.');
  const words = await readWords(tx);
  const nameOf = nameIn(rows);
  const computed =
    row && row.parentId !== null
      ? computedOf(row, new Map(rows.map((r) => [r.id, r.body])), makeVocabulary(words))
      : null;
  const parent = row?.parentId ? rows.find((r) => r.id === row.parentId) : undefined;
  const by = row?.changedBy
    ? await tx.select({ name: person.name }).from(person).where(eq(person.id, row.changedBy))
    : [];
  const waivers = row
    ? await tx
        .select({ key: waiver.key, reason: waiver.reason, by: person.name, day: waiver.day })
        .from(waiver)
        .leftJoin(person, and(eq(person.schoolId, waiver.schoolId), eq(person.id, waiver.by)))
        .where(eq(waiver.sequenceId, row.id))
    : [];
  const last = await tx
    .select({ n: sql<number>`count(${attendance.personId})::int` })
    .from(classHeld)
    .leftJoin(attendance, and(eq(attendance.schoolId, classHeld.schoolId), eq(attendance.classId, classHeld.id)))
    .groupBy(classHeld.id, classHeld.day)
    .orderBy(desc(classHeld.day))
    .limit(1);
  return {
    sequence: row
      ? {
          id: row.id,
          title: row.title,
          text: row.text,
          body: row.body,
          parentId: row.parentId,
          recipe: row.recipe,
          departures: row.departures,
          trouble: row.trouble,
          version: row.version,
          retired: row.retired,
          changedOn: dayIn(who.timeZone, row.changedAt),
          changedBy: by[0]?.name ?? null,
        }
      : null,
    computed: computed?.ok ? computed.value : null,
    parent: parent ? { id: parent.id, title: parent.title, body: parent.body } : null,
    children: row
      ? rows
          .filter((r) => r.parentId === row.id && !r.retired)
          .map((r) => ({ id: r.id, title: r.title, how: recipeWords(r.recipe ?? [], nameOf) }))
      : [],
    alike: row
      ? rows.flatMap((r) => {
          if (r.retired || r.id === row.id || !namedAlike(r.title, row.title)) return [];
          const at = tellTale(row.body, r.body);
          return at ? [{ id: r.id, title: r.title, count: at.count }] : [];
        })
      : [],
    others: rows
      .filter((r) => !r.retired && r.id !== id)
      .map((r) => ({
        id: r.id,
        title: r.title,
        counts: r.body.moves.length,
        sections: sectionings(r.body)[0]?.sections.map((s) => s.name) ?? [],
      })),
    words,
    ranks: await ranksOf(tx),
    conditions: await readBeyond(tx),
    halls: await tx
      .select({ id: hall.id, name: hall.name, width: hall.width, depth: hall.depth, version: hall.version })
      .from(hall)

      .orderBy(desc(sql`${hall.width} * ${hall.depth}`)),
    comes: last[0]?.n ?? 0,
    waivers: waivers.map((w) => ({ ...w, by: w.by ?? 'somebody' })),
    mayDecide: who.role === 'head',
  };
}
