import { desc, eq } from 'drizzle-orm';
import { isMinor, RUNGS, type Rung } from '../../core';
import type { Role } from '../../contracts/role';
import type { Transaction } from '../../data/connection';
import { consent, person, pictureWord, school } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import { mustBeOwnStudent } from './ownStudent';

/** How far somebody may say that something goes. */
export interface MaySay {
  /** The highest step, 1 the lowest; 0: only that there is none. Less can always be said. */
  most: number;
  /** Whose agreement stands beside a minor's word; null: it is asked for. */
  guardian: string | null;
  /** Why not more, in words; empty: nothing is in the way. */
  because: string;
}

/** A word that was said: how far, who agreed for a minor, and in which role it was said. */
interface Said {
  step: number;
  guardian: string;
  by: Role;
}
/** What can be agreed to in steps, and its words. */
interface Agreed {
  top: number;
  /** The newest first. */
  said: (tx: Transaction, studentId: string) => Promise<Said[]>;
  what: string;
  /** What a guardian, or a student, has agreed to at most: “has agreed to light contact”. */
  has: (step: number, who: 'guardian' | 'student') => string;
}

const rungOf = (rung: Rung | null): number => (rung === null ? 0 : RUNGS.indexOf(rung) + 1);

const CONTACT: Agreed = {
  top: RUNGS.length,
  what: 'Consent',
  said: async (tx, studentId) =>
    (
      await tx
        .select({ rung: consent.rung, guardian: consent.guardian, by: person.role })
        .from(consent)
        .innerJoin(person, eq(person.id, consent.by))
        .where(eq(consent.studentId, studentId))
        .orderBy(desc(consent.at), desc(consent.id))
    ).map(({ rung, ...w }) => ({ ...w, step: rungOf(rung) })),
  has: (step, who) =>
    step === 0
      ? who === 'guardian'
        ? 'has not agreed to contact'
        : 'has said no contact'
      : who === 'guardian'
        ? `has agreed to ${RUNGS[step - 1]!}`
        : `has said ${RUNGS[step - 1]!} at most`,
};

const PICTURES: Agreed = {
  top: 1,
  what: 'Whether pictures are kept',
  said: async (tx, studentId) =>
    (
      await tx
        .select({ agreed: pictureWord.agreed, guardian: pictureWord.guardian, by: person.role })
        .from(pictureWord)
        .innerJoin(person, eq(person.id, pictureWord.by))
        .where(eq(pictureWord.studentId, studentId))
        .orderBy(desc(pictureWord.at), desc(pictureWord.id))
    ).map(({ agreed, ...w }) => ({ ...w, step: agreed ? 1 : 0 })),
  has: (step, who) =>
    who === 'guardian'
      ? `has ${step === 0 ? 'not ' : ''}agreed to pictures being kept`
      : `has said ${step === 0 ? 'no' : 'yes'} to pictures being kept`,
};

/**
 * What one agrees to is everybody's own: a grown student says it alone, a minor and the guardian each up to what the other
 * has agreed to, and either takes it back at any time, without a reason. A head instructor writes down what was said on paper.
 */
async function maySay(tx: Transaction, who: Who, studentId: string, of: Agreed): Promise<MaySay> {
  if (who.role === 'head') return { most: of.top, guardian: null, because: '' };
  if (who.role !== 'student' && who.role !== 'guardian')
    throw new Refusal(403, `${of.what} is said by the student, the guardian, or a head instructor for them.`);
  await mustBeOwnStudent(tx, who, studentId);
  const [s] = await tx.select({ born: person.born, name: person.name }).from(person).where(eq(person.id, studentId));
  const [{ ofAge } = { ofAge: 18 }] = await tx.select({ ofAge: school.ofAge }).from(school);
  const minor = isMinor(s?.born ?? null, who.today, ofAge);
  const said = await of.said(tx, studentId);
  const first = s?.name.split(' ')[0] ?? '';
  if (who.role === 'student') {
    if (!minor) return { most: of.top, guardian: '', because: '' };
    const agreed = said.find((c) => c.by !== 'student');
    const most = agreed && agreed.guardian !== '' ? agreed.step : 0;
    return {
      most,
      guardian: agreed?.guardian ?? '',
      because: `Your guardian ${of.has(most, 'guardian')}: for more, they say so first.`,
    };
  }
  if (!minor) return { most: 0, guardian: '', because: `${first} is of age: for more, ${first} says so.` };
  const own = said.find((c) => c.by !== 'guardian');
  if (own?.by !== 'student') return { most: of.top, guardian: who.name, because: '' };
  return {
    most: own.step,
    guardian: who.name,
    because: `${first} ${of.has(own.step, 'student')}: only ${first} says more.`,
  };
}

/** How far somebody may say that contact goes: in rungs. */
export const mayConsent = (tx: Transaction, who: Who, studentId: string): Promise<MaySay> =>
  maySay(tx, who, studentId, CONTACT);

/** Whether somebody may say that pictures are kept: 1, or 0 for no alone. */
export const mayAgreeToPictures = (tx: Transaction, who: Who, studentId: string): Promise<MaySay> =>
  maySay(tx, who, studentId, PICTURES);
