import { or, eq, ne } from 'drizzle-orm';
import type { LoadEntryShown, LoadView, StrikingView, ViewInput } from '../../contracts/views';
import { addDays, ageOn, isMinor, mayStrike } from '../../core';
import type { Transaction } from '../../data/connection';
import { guardianAgreed, nextLoads, NO_LOAD, readLoadRule, readLoads } from '../../data/queries/loads';
import { readRoll } from '../../data/queries/roll';
import { person, rank } from '../../data/tables';
import { mustBeOwnStudent } from '../auth/ownStudent';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import { rankShown } from './shown/rank';

/** "How many strikes on Saturday?" A student sees their own page, a guardian that of a child. */
export async function loadView(tx: Transaction, who: Who, { id }: ViewInput<'load'>): Promise<LoadView> {
  await mustBeOwnStudent(tx, who, id);
  const [student] = await readRoll(tx, { withLeft: true, id });
  if (!student) throw new Refusal(404, 'This student is not on the roll.');
  const { rule, ofAge } = await readLoadRule(tx);
  const load = (await readLoads(tx, [id])).get(id) ?? NO_LOAD;
  const people = await tx
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(or(ne(person.role, 'student'), eq(person.id, id)));
  const names = new Map(people.map((p) => [p.id, p.name]));
  const said = load.words.filter((w) => w.what === 'agreed' || w.what === 'refused').at(-1);
  const word = (w: (typeof load.words)[number]) => ({
    ladder: w.ladder ?? 'hand',
    side: w.side ?? 'none',
    day: w.day,
    at: w.at.toISOString(),
    reason: w.reason,
    by: names.get(w.by) ?? '',
  });
  const minor = isMinor(student.born, who.today, ofAge);
  return {
    today: who.today,
    student: { id, name: student.name, age: student.born ? ageOn(student.born, who.today) : null },
    rule,
    may: mayStrike(student.born, guardianAgreed(load), rule, ofAge, who.today),
    agreed: said ? { agreed: said.what === 'agreed', guardian: said.guardian, day: said.day } : null,
    minor,
    entries: load.entries.map(({ by, ...e }) => ({ ...e, by: names.get(by) ?? '' }) as LoadEntryShown),
    lifts: load.words.filter((w) => w.what === 'lifted').map(word),
    singles: load.words.filter((w) => w.what === 'single').map(word),
    reader: who.role === 'student' ? 'student' : who.role === 'guardian' ? 'guardian' : 'teacher',
    can: {
      lift: who.role === 'head',
      agree: minor && (who.role === 'head' || who.role === 'guardian'),
      strike: who.role !== 'instructor',
    },
  };
}

/** Who did nothing on a ladder for so many days is not on it any more. */
const ON_THE_LADDER = 120;

/** "Who strikes tonight, and how many?" Whoever is on a ladder, and whoever may not yet. */
export async function strikingView(tx: Transaction, who: Who): Promise<StrikingView> {
  const { rule, ofAge } = await readLoadRule(tx);
  const loads = await readLoads(tx);
  const ranks = new Map((await tx.select().from(rank)).map((r) => [r.id, rankShown(r)]));
  const students = (await readRoll(tx)).map((s) => {
    const load = loads.get(s.id) ?? NO_LOAD;
    return {
      id: s.id,
      name: s.name,
      age: s.born ? ageOn(s.born, who.today) : null,
      rank: ranks.get(s.rankId)!,
      may: mayStrike(s.born, guardianAgreed(load), rule, ofAge, who.today),
      next: nextLoads(load, rule, who.today),
      last: load.entries.at(-1)?.day ?? null,
    };
  });
  return {
    today: who.today,
    rule,
    students: students.filter((s) => !s.may.may || (s.last !== null && s.last > addDays(who.today, -ON_THE_LADDER))),
    head: who.role === 'head',
  };
}
