import { and, asc, eq, inArray, isNull, like, notExists, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { certificate, certificateBack, person, rank, rankHeld } from '../tables';

export interface CertificateRow {
  id: string;
  heldId: string;
  gradingId: string | null;
  studentId: string;
  rankId: string;
  name: string;
  belt: string;
  day: string;
  number: string;
  code: string;
  signed: string;
  at: Date;
  /** When it was taken back; null: it stands. */
  backAt: Date | null;
}

/** Certificates there are; of one grading, one student, one code or one id where that is asked. */
export const readCertificates = (
  tx: Transaction,
  of: { gradingId?: string; studentId?: string; code?: string; id?: string } = {},
): Promise<CertificateRow[]> =>
  tx
    .select({
      id: certificate.id,
      heldId: certificate.heldId,
      gradingId: certificate.gradingId,
      studentId: certificate.studentId,
      rankId: certificate.rankId,
      name: person.name,
      belt: rank.name,
      day: certificate.day,
      number: certificate.number,
      code: certificate.code,
      signed: certificate.signed,
      at: certificate.at,
      backAt: certificateBack.at,
    })
    .from(certificate)
    .innerJoin(person, and(eq(person.schoolId, certificate.schoolId), eq(person.id, certificate.studentId)))
    .innerJoin(rank, and(eq(rank.schoolId, certificate.schoolId), eq(rank.id, certificate.rankId)))
    .leftJoin(
      certificateBack,
      and(eq(certificateBack.schoolId, certificate.schoolId), eq(certificateBack.id, certificate.id)),
    )
    .where(
      and(
        of.gradingId === undefined ? undefined : eq(certificate.gradingId, of.gradingId),
        of.studentId === undefined ? undefined : eq(certificate.studentId, of.studentId),
        of.code === undefined ? undefined : eq(certificate.code, of.code),
        of.id === undefined ? undefined : eq(certificate.id, of.id),
      ),
    )
    .orderBy(asc(certificate.number));

/** Which belts: those that were given on a day to some people, or one. */
export type BeltsGiven = { day: string; studentIds: readonly string[] } | { heldId: string };

/** Of these belts those that have no certificate, or none that still stands. */
export const readBeltsWithout = (tx: Transaction, of: BeltsGiven) =>
  tx
    .select({
      heldId: rankHeld.id,
      studentId: rankHeld.personId,
      rankId: rankHeld.rankId,
      name: person.name,
      belt: rank.name,
      day: rankHeld.since,
    })
    .from(rankHeld)
    .innerJoin(person, and(eq(person.schoolId, rankHeld.schoolId), eq(person.id, rankHeld.personId)))
    .innerJoin(rank, and(eq(rank.schoolId, rankHeld.schoolId), eq(rank.id, rankHeld.rankId)))
    .where(
      and(
        'heldId' in of
          ? eq(rankHeld.id, of.heldId)
          : and(eq(rankHeld.since, of.day), inArray(rankHeld.personId, [...of.studentIds])),
        notExists(
          tx
            .select({ one: sql`1` })
            .from(certificate)
            .leftJoin(
              certificateBack,
              and(eq(certificateBack.schoolId, certificate.schoolId), eq(certificateBack.id, certificate.id)),
            )
            .where(
              and(
                eq(certificate.schoolId, rankHeld.schoolId),
                eq(certificate.heldId, rankHeld.id),
                isNull(certificateBack.id),
              ),
            ),
        ),
      ),
    )
    .orderBy(asc(rank.position), asc(person.name));

/** How many certificates a year has had, those taken back with them. */
export async function certificatesOfYear(tx: Transaction, year: string): Promise<number> {
  const [row] = await tx
    .select({ n: sql<number>`count(*)::int` })
    .from(certificate)
    .where(like(certificate.number, `${year}-%`));
  return row?.n ?? 0;
}
