// What was said of with whom somebody works.
import { and, eq, isNull, or } from 'drizzle-orm';
import type { StudentView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { partners, person } from '../../data/tables';
import { dayIn, type Who } from '../who';

/** With whom a student never works, or would like to; who said so is told to the head alone. */
export async function readPartners(tx: Transaction, who: Who, id: string): Promise<StudentView['partners']> {
  const rows = await tx
    .select()
    .from(partners)
    .where(and(isNull(partners.endedAt), or(eq(partners.a, id), eq(partners.b, id))))
    .orderBy(partners.at);
  if (rows.length === 0) return [];
  const names = new Map(
    (await tx.select({ id: person.id, name: person.name }).from(person)).map((p) => [p.id, p.name]),
  );
  return rows.map((r) => ({
    id: r.id,
    other: names.get(r.a === id ? r.b : r.a) ?? '',
    kind: r.kind,
    said: who.role === 'head' ? { by: names.get(r.by) ?? '', why: r.why, day: dayIn(who.timeZone, r.at) } : null,
    mine: who.role === 'head' || r.by === who.personId,
  }));
}
