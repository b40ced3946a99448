import { eq } from 'drizzle-orm';
import type { CommandInput } from '../../contracts/commands';
import { dayInWords, daysBetween, itemKey, minutesThere, timeOfDayIn, type Item } from '../../core';
import type { Transaction } from '../../data/connection';
import { readClassPlan } from '../../data/queries/classPlans';
import { cameToClass } from '../../data/queries/standings';
import { readUsualMinutes } from '../../data/queries/usualMinutes';
import { attendance, classHeld, person, school } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';
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

type ClassInput = CommandInput<'class.record'>;

/** Two devices that open a class within so long, for much the same people, open the same one; in ms. */
const ONE_CLASS = 45 * 60_000;

/** The class that is meant: of the same id, or the one that another device opened for the same people a little earlier. */
async function sameClass(tx: Transaction, c: ClassInput) {
  const [own] = await tx.select().from(classHeld).where(eq(classHeld.id, c.id));
  if (own || !c.joins || c.openedAt === null || c.present.length === 0) return own;
  const opened = Date.parse(c.openedAt);
  const here = new Set(c.present);
  for (const one of await tx.select().from(classHeld).where(eq(classHeld.day, c.day))) {
    if (one.openedAt === null || Math.abs(one.openedAt.getTime() - opened) > ONE_CLASS) continue;
    const there = await tx.select({ id: attendance.personId }).from(attendance).where(eq(attendance.classId, one.id));
    const both = there.filter((p) => here.has(p.id)).length;
    if (2 * both >= Math.min(here.size, there.length) && both > 0) return one;
  }
  return undefined;
}

/** When a class began, in minutes after midnight at the school: as it was planned, or as it was opened; null: nobody knows. */
async function beganAt(tx: Transaction, who: Who, id: string, openedAt: Date | null): Promise<number | null> {
  const plan = await readClassPlan(tx, id);
  return plan?.plan.starts ?? (openedAt === null ? null : timeOfDayIn(who.timeZone, openedAt.getTime()));
}

const merged = (a: readonly Item[], b: readonly Item[]): Item[] => [
  ...new Map([...a, ...b].map((item) => [itemKey(item), item])).values(),
];

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
    await inTurn(tx, who, `classes ${c.day}`);
    // A class that is new is taken however late it comes; who was there long ago is no longer changed in passing.
    const known = await sameClass(tx, c);
    if (known) await mayChangeClass(tx, who, known.day);
    else await mustNotBeStruck(tx, c.id);
    const school = new Set((await tx.select({ id: person.id }).from(person)).map((p) => p.id));
    const there = c.present.filter((id) => school.has(id));
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
    const id = known?.id ?? c.id;
    const gone = await tx.delete(attendance).where(eq(attendance.classId, id)).returning();
    const before = gone.sort((a, b) => (a.place ?? 0) - (b.place ?? 0));
    const left = new Set(c.gone);
    const people = [
      ...new Set(c.joins ? [...before.map((b) => b.personId), ...c.present].filter((x) => !left.has(x)) : c.present),
    ];
    const minutes = c.minutes ?? known?.minutes ?? (await readUsualMinutes(tx));
    const taught = c.joins && known ? merged(known.taught, c.taught) : c.taught;
    const openedAt = c.openedAt === null ? null : new Date(c.openedAt);
    await tx
      .insert(classHeld)
      .values({ schoolId: who.schoolId, id, day: c.day, minutes, taught, openedAt, by: who.personId })
      .onConflictDoUpdate({ target: [classHeld.schoolId, classHeld.id], set: { minutes, taught } });
    const starts = await beganAt(tx, who, id, known?.openedAt ?? openedAt);
    const noted = new Map(before.map((b) => [b.personId, b]));
    if (people.length > 0)
      await tx.insert(attendance).values(
        people.map((personId, place) => {
          const { came, went } = c.times[personId] ?? noted.get(personId) ?? { came: null, went: null };
          const there = starts === null ? null : minutesThere(starts, minutes, { came, went });
          return { schoolId: who.schoolId, classId: id, personId, place, came, went, minutes: there };
        }),
      );
    await cameToClass(tx, who.schoolId, [...people, ...before.map((b) => b.personId)]);
    return { id };
  },
};
