import { desc, eq } from 'drizzle-orm';
import { isMinor, RUNGS, type Rung } from '../../core';
import type { Transaction } from '../../data/connection';
import { consent, person, school } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import { mustBeOwnStudent } from './ownStudent';

/** How far somebody may say that contact goes. */
export interface MaySay {
  /** The highest rung, 1 the lowest; 0: only that there is none. Less can always be said. */
  most: number;
  /** Whose agreement stands beside a minor's word; null: it is asked for. */
  guardian: string | null;
  /** Why not more, in words; empty: nothing is in the way. */
  because: string;
}

const rungOf = (rung: Rung | null): number => (rung === null ? 0 : RUNGS.indexOf(rung) + 1);

/**
 * Consent is everybody's own: a grown student says it alone, a minor and the guardian each up to what the other has
 * agreed to, and either takes it back at any time, without a reason. A head instructor writes down what was said on paper.
 */
export async function mayConsent(tx: Transaction, who: Who, studentId: string): Promise<MaySay> {
  if (who.role === 'head') return { most: RUNGS.length, guardian: null, because: '' };
  if (who.role !== 'student' && who.role !== 'guardian')
    throw new Refusal(403, 'Consent is said by the student, the guardian, or a head instructor for them.');
  await mustBeOwnStudent(tx, who, studentId);
  const [s] = await tx.select({ born: person.born, name: person.name }).from(person).where(eq(person.id, studentId));
  const [{ ofAge } = { ofAge: 18 }] = await tx.select({ ofAge: school.ofAge }).from(school);
  const minor = isMinor(s?.born ?? null, who.today, ofAge);
  const said = await tx
    .select({ rung: consent.rung, guardian: consent.guardian, by: person.role })
    .from(consent)
    .innerJoin(person, eq(person.id, consent.by))
    .where(eq(consent.studentId, studentId))
    .orderBy(desc(consent.at), desc(consent.id));
  const first = s?.name.split(' ')[0] ?? '';
  if (who.role === 'student') {
    if (!minor) return { most: RUNGS.length, guardian: '', because: '' };
    const agreed = said.find((c) => c.by !== 'student');
    const most = agreed && agreed.guardian !== '' ? rungOf(agreed.rung) : 0;
    const far = most === 0 ? 'has not agreed to contact' : `has agreed to ${RUNGS[most - 1]!}`;
    return { most, guardian: agreed?.guardian ?? '', because: `Your guardian ${far}: for more, they say so first.` };
  }
  if (!minor) return { most: 0, guardian: '', because: `${first} is of age: for more, ${first} says so.` };
  const own = said.find((c) => c.by !== 'guardian');
  if (own?.by !== 'student') return { most: RUNGS.length, guardian: who.name, because: '' };
  const most = rungOf(own.rung);
  const far = most === 0 ? 'has said no contact' : `has said ${RUNGS[most - 1]!} at most`;
  return { most, guardian: who.name, because: `${first} ${far}: only ${first} says more.` };
}
