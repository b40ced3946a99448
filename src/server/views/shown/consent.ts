import type { StudentView } from '../../../contracts/views';
import { isMinor } from '../../../core';
import type { Transaction } from '../../../data/connection';
import { mayAgreeToPictures, mayConsent, type MaySay } from '../../auth/mayConsent';
import type { Who } from '../../who';

type Asked = { id: string; born: string | null };

async function said(
  may: (tx: Transaction, who: Who, studentId: string) => Promise<MaySay>,
  tx: Transaction,
  who: Who,
  student: Asked,
  ofAge: number,
): Promise<StudentView['consentSaid']> {
  if (who.role === 'instructor') return null;
  const { most, guardian, because } = await may(tx, who, student.id);
  const minor = isMinor(student.born, who.today, ofAge);
  return { most, asksGuardian: guardian === null && minor, because, minor };
}

/** How far who reads may say that contact goes; null: they may not say. */
export const consentSaid = (tx: Transaction, who: Who, student: Asked, ofAge: number) =>
  said(mayConsent, tx, who, student, ofAge);

/** Whether who reads may say that pictures are kept; null: they may not say. */
export const picturesSaid = (tx: Transaction, who: Who, student: Asked, ofAge: number) =>
  said(mayAgreeToPictures, tx, who, student, ofAge);
