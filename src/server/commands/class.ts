import { eq } from 'drizzle-orm';
import { dayInWords, daysBetween } from '../../core';
import type { Transaction } from '../../data/connection';
import { cameToClass } from '../../data/queries/standings';
import { attendance, classHeld, person, school } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { mustNotBeStruck } from './struck';

/** Who was there long ago is no longer changed in passing: then it takes a head instructor. */
export async function mayChangeClass(tx: Transaction, who: Who, day: string): Promise<void> {
  if (who.role === 'head') return;
  const [{ classDays } = { classDays: 0 }] = await tx.select({ classDays: school.classDays }).from(school);
  if (daysBetween(day, who.today) > classDays)
    throw new Refusal(
      403,
      `This class was on ${dayInWords(day, who.today)}. After ${classDays === 1 ? 'a day' : `${classDays} days`} only a head instructor changes who was there.`,
    );
}

export const classCommands: Runs<'class.record'> = {
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
    // A class that is new is taken however late it comes; who was there long ago is no longer changed in passing.
    const [before] = await tx.select({ day: classHeld.day }).from(classHeld).where(eq(classHeld.id, c.id));
    if (before) await mayChangeClass(tx, who, before.day);
    else await mustNotBeStruck(tx, c.id);
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
    const gone = await tx.delete(attendance).where(eq(attendance.classId, c.id)).returning({ id: attendance.personId });
    const people = [...new Set(present)];
    if (people.length > 0)
      await tx
        .insert(attendance)
        .values(people.map((personId, place) => ({ schoolId: who.schoolId, classId: c.id, personId, place })));
    await cameToClass(tx, who.schoolId, [...people, ...gone.map((g) => g.id)]);
    return {};
  },
};
