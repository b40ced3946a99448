import { sql } from 'drizzle-orm';
import { storedTaught } from '../../contracts/stored/taught';
import type { ClassesView } from '../../contracts/views';
import { daysBetween, itemKey, type Item } from '../../core';
import type { Transaction } from '../../data/connection';
import { readItems } from '../../data/queries/items';
import { readLibrary } from '../../data/queries/library';
import { readPutRight } from '../../data/queries/putRight';
import { readRoll } from '../../data/queries/roll';
import { readVersions } from '../../data/queries/syllabus';
import { school } from '../../data/tables';
import { dayIn, type Who } from '../who';

/** So many classes are shown: a few months of a school with one class a day. */
const SHOWN = 90;

/** "What was taught, and who came?" */
export async function classesView(tx: Transaction, who: Who): Promise<ClassesView> {
  const library = await readLibrary(tx);
  const versions = await readVersions(tx);
  const items = await readItems(tx, library, versions);
  const ranks = new Map(versions.ranks.map((r) => [r.id, { id: r.id, name: r.name, cloth: r.cloth }]));
  const [{ classDays } = { classDays: 0 }] = await tx.select({ classDays: school.classDays }).from(school);
  const { rows } = await tx.execute<{
    id: string;
    day: string;
    minutes: number;
    opened: Date | string | null;
    by: string | null;
    taught: unknown;
    present: string[] | null;
  }>(sql`
    select c.id, c.day::text as day, c.minutes, c.opened_at as opened, p.name as by, c.taught,
      (select array_agg(a.person_id::text order by a.place) from attendance a
        where a.school_id = c.school_id and a.class_id = c.id) as present
    from class_held c left join person p on p.school_id = c.school_id and p.id = c.by
    order by c.day desc, c.opened_at desc nulls last, c.id desc limit ${SHOWN}`);
  const all: Item[] = [
    ...[...items.sequences.values()].filter((s) => !s.retired).map((s): Item => ({ sequence: s.id, part: null })),
    ...[...library.techniques.values()].filter((t) => !t.retired).map((t): Item => ({ technique: t.id })),
  ];
  return {
    classes: rows.map((r) => ({
      id: r.id,
      day: r.day,
      minutes: r.minutes,
      opened: r.opened === null ? null : new Date(r.opened).toISOString(),
      by: r.by ?? '',
      present: r.present ?? [],
      taught: storedTaught.upgrade(r.taught),
      mends: who.role === 'head' || daysBetween(r.day, who.today) <= classDays,
    })),
    people: (await readRoll(tx, { withLeft: true })).map((s) => ({
      id: s.id,
      name: s.name,
      rank: ranks.get(s.rankId)!,
    })),
    items: all.map((item) => ({ id: itemKey(item), name: items.nameOf(item), item })),
    putRight: (await readPutRight(tx, who.personId, who.now)).map((p) => ({
      id: p.id,
      studentId: p.student_id,
      student: p.student,
      says: p.says,
      reason: p.reason,
      by: p.by,
      day: dayIn(who.timeZone, new Date(p.at)),
    })),
    timeZone: who.timeZone,
    today: who.today,
  };
}
