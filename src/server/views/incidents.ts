import { desc } from 'drizzle-orm';
import type { IncidentsView } from '../../contracts/views';
import { itemKey, type Item } from '../../core';
import type { Transaction } from '../../data/connection';
import { readItems } from '../../data/queries/items';
import { readLibrary } from '../../data/queries/library';
import { readVersions } from '../../data/queries/syllabus';
import { incident, person } from '../../data/tables';
import type { Who } from '../who';

/** "Who was hurt, and doing what?": every incident with its three parties, summed per drill. Only the head reads of others' hurts. */
export async function incidentsView(tx: Transaction, who: Who): Promise<IncidentsView> {
  const library = await readLibrary(tx);
  const items = await readItems(tx, library, await readVersions(tx));
  const people = await tx
    .select({ id: person.id, name: person.name, role: person.role, leftOn: person.leftOn })
    .from(person)
    .orderBy(person.name);
  const nameOf = new Map(people.map((p) => [p.id, p.name]));
  const rows = await tx.select().from(incident).orderBy(desc(incident.day), desc(incident.at));
  const doingOf = (i: (typeof rows)[number]) =>
    i.techniqueId !== null
      ? items.nameOf({ technique: i.techniqueId })
      : i.sequenceId !== null
        ? items.nameOf({ sequence: i.sequenceId, part: null })
        : i.doing;
  // An instructor sees what was recorded under their charge; the head sees all.
  const shown = rows.filter((i) => who.role === 'head' || i.chargeId === who.personId || i.by === who.personId);
  const sums = new Map<string, IncidentsView['sums'][number]>();
  for (const i of shown) {
    const doing = doingOf(i);
    const sum = sums.get(doing) ?? { doing, n: 0, heads: 0, last: i.day };
    sum.n += 1;
    if (i.head) sum.heads += 1;
    sums.set(doing, sum);
  }
  const all: Item[] = [
    ...[...items.sequences.values()].filter((s) => !s.retired).map((s): Item => ({ sequence: s.id, part: null })),
    ...[...library.techniques.values()].filter((t) => !t.retired).map((t): Item => ({ technique: t.id })),
  ];
  return {
    incidents: shown.map((i) => ({
      id: i.id,
      day: i.day,
      hurt: nameOf.get(i.hurtId) ?? '',
      cause: i.causeId === null ? null : (nameOf.get(i.causeId) ?? ''),
      charge: nameOf.get(i.chargeId) ?? '',
      doing: doingOf(i),
      what: i.what,
      done: i.done,
      head: i.head,
    })),
    sums: [...sums.values()].sort((a, b) => b.n - a.n || a.doing.localeCompare(b.doing)),
    people: people
      .filter((p) => p.leftOn === null && p.role !== 'guardian')
      .map((p) => ({ id: p.id, name: p.name, staff: p.role !== 'student' })),
    items: all.map((item) => ({ key: itemKey(item), name: items.nameOf(item) })),
    me: who.personId,
    today: who.today,
  };
}
