import { and, desc, eq, inArray, isNull, lte } from 'drizzle-orm';
import { consentOf, pairKey, rungTogether } from '../../core';
import type { Transaction } from '../../data/connection';
import { consent, paired, partners, person, school } from '../../data/tables';
import { Refusal } from '../http/problem';
import { dayIn } from '../who';
import type { Runs } from './command';
import { mayChangeClass } from './class';
import { notAhead } from './days';

/** How far each of some people agreed to go on a day; names for what is to be said of them. */
async function agreedOn(tx: Transaction, ids: readonly string[], day: string) {
  const people = await tx
    .select({ id: person.id, name: person.name, born: person.born })
    .from(person)
    .where(inArray(person.id, [...ids]));
  const [{ ofAge } = { ofAge: 18 }] = await tx.select({ ofAge: school.ofAge }).from(school);
  const said = await tx
    .select()
    .from(consent)
    .where(and(inArray(consent.studentId, [...ids]), lte(consent.day, day)))
    .orderBy(desc(consent.day), desc(consent.at));
  return new Map(
    people.map((p) => [
      p.id,
      {
        name: p.name,
        rung: consentOf(
          said.find((s) => s.studentId === p.id),
          p.born,
          day,
          ofAge,
        ),
      },
    ]),
  );
}

export const pairsCommands: Runs<'pairs.record' | 'partners.say' | 'partners.end'> = {
  /** Nobody is written down above their own yes, or with whom they are kept apart from; a round told again replaces itself. */
  'pairs.record': async (tx, who, { classId, blockId, day, round, pairs }) => {
    notAhead(who, day, 'The day of these pairs');
    await mayChangeClass(tx, who, day);
    const ids = [...new Set(pairs.flatMap((p) => [p.a, p.b, ...(p.c === null ? [] : [p.c])]))];
    const known = ids.length > 0 ? await agreedOn(tx, ids, day) : new Map<string, never>();
    const apart = new Set(
      (
        await tx
          .select()
          .from(partners)
          .where(and(eq(partners.kind, 'apart'), isNull(partners.endedAt)))
      )
        // What was said after the class was not known in it.
        .filter((p) => dayIn(who.timeZone, p.at) <= day)
        .map((p) => pairKey(p.a, p.b)),
    );
    for (const [i, p] of pairs.entries()) {
      const members = [p.a, p.b, ...(p.c === null ? [] : [p.c])];
      const told = members.map((id) => known.get(id));
      const wrong = (message: string) => new Refusal(409, message, [{ path: `pairs.${i}`, message }]);
      if (told.includes(undefined)) throw wrong('Somebody in these pairs is not in the school.');
      const names = told.map((t) => t!.name).join(' and ');
      if (new Set(members).size < members.length) throw wrong('Nobody is their own partner.');
      if (!members.includes(p.first)) throw wrong(`Who is first is one of ${names}.`);
      const most = told.reduce((n, t) => rungTogether(n, t!.rung), Infinity);
      if (p.rung > most)
        throw wrong(
          most === 0
            ? `${names}: not everybody agreed to contact. They work without it.`
            : `${names} agreed to rung ${most} together, not to ${p.rung}.`,
        );
      if (members.some((x, k) => members.slice(k + 1).some((y) => apart.has(pairKey(x, y)))))
        throw wrong(`${names} do not work together.`);
    }
    await tx
      .delete(paired)
      .where(and(eq(paired.classId, classId), eq(paired.blockId, blockId), eq(paired.round, round)));
    if (pairs.length > 0)
      await tx
        .insert(paired)
        .values(pairs.map((p) => ({ ...p, schoolId: who.schoolId, classId, blockId, round, day, by: who.personId })));
    return {};
  },
  /** A wish that somebody told, or what a teacher says of two; no reason is asked. */
  'partners.say': async (tx, who, { id, a, b, kind, why }) => {
    const both = await tx
      .select({ id: person.id })
      .from(person)
      .where(inArray(person.id, [a, b]));
    if (both.length < 2) throw new Refusal(404, 'One of the two is not in the school.');
    await tx.insert(partners).values({ schoolId: who.schoolId, id, a, b, kind, why, by: who.personId, at: who.now });
    return {};
  },
  /** Ended by whoever said it, or by the head. */
  'partners.end': async (tx, who, { id }) => {
    const [said] = await tx.select().from(partners).where(eq(partners.id, id));
    if (!said || (who.role !== 'head' && said.by !== who.personId))
      throw new Refusal(404, 'Nothing of yours is on record here.');
    await tx.update(partners).set({ endedAt: who.now }).where(eq(partners.id, id));
    return {};
  },
};
