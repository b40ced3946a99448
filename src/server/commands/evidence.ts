import { eq, sql } from 'drizzle-orm';
import type { CommandName } from '../../contracts/commands';
import { adaptation, attendance, classHeld, override, person, point } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';

type Mine = Extract<CommandName, 'class.record' | 'adaptation.write' | 'override.set'>;

export const evidenceCommands: Runs<Mine> = {
  'class.record': async (tx, who, c) => {
    if (c.day > who.today)
      throw new Refusal(
        422,
        'This class is still to come.',
        [{ path: 'day', message: 'This class is still to come.' }],
        {
          mends: [{ say: 'Take it as today’s class', set: { day: who.today } }],
        },
      );
    const known = new Set((await tx.select({ id: person.id }).from(person)).map((p) => p.id));
    const there = c.present.filter((id) => known.has(id));
    if (there.length < c.present.length) {
      const n = c.present.length - there.length;
      throw new Refusal(
        409,
        `${n === 1 ? 'One' : n} of those on the line ${n === 1 ? 'is' : 'are'} not in the school.`,
        [],
        {
          mends: [{ say: `Note the class without ${n === 1 ? 'that one' : 'those'}`, set: { present: there } }],
        },
      );
    }
    const { present, ...rest } = c;
    await tx
      .insert(classHeld)
      .values({ schoolId: who.schoolId, ...rest, by: who.personId })
      .onConflictDoUpdate({
        target: [classHeld.schoolId, classHeld.id],
        set: { minutes: c.minutes, taught: c.taught },
      });
    await tx.delete(attendance).where(eq(attendance.classId, c.id));
    const people = [...new Set(present)];
    if (people.length > 0)
      await tx
        .insert(attendance)
        .values(people.map((personId, place) => ({ schoolId: who.schoolId, classId: c.id, personId, place })));
    return {};
  },

  'adaptation.write': async (tx, who, a) => {
    await mustBeOnTheRoll(tx, who, a.studentId);
    const found = await tx.select({ kind: point.kind }).from(point).where(eq(point.id, a.pointId));
    if (a.range !== null && found[0]?.kind !== 'measured')
      throw new Refusal(422, 'Only a measured point can have another range.', [
        { path: 'range', message: 'Only a measured point can have another range.' },
      ]);
    const { range, ...rest } = a;
    await tx.insert(adaptation).values({
      schoolId: who.schoolId,
      ...rest,
      rangeLo: range?.lo ?? null,
      rangeHi: range?.hi ?? null,
      by: who.personId,
    });
    return {};
  },

  'override.set': async (tx, who, o) => {
    await mustBeOnTheRoll(tx, who, o.studentId);
    const asked = await tx.execute<{ n: number }>(sql`
      select count(*)::int as n from syllabus_version where body->'requirements' @> ${JSON.stringify([{ id: o.requirementId }])}::jsonb`);
    if (asked.rows[0]!.n === 0) throw new Refusal(404, 'No version of the syllabus asks for this.');
    await tx.insert(override).values({ schoolId: who.schoolId, ...o, by: who.personId, day: who.today });
    return {};
  },
};
