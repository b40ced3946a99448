import { randomBytes } from 'node:crypto';
import { SignJWT } from 'jose';
import { v7 } from 'uuid';
import { codeOf, credentialOf } from '../../core';
import type { Transaction } from '../../data/connection';
import { certificatesOfYear, readBeltsWithout, type BeltsGiven } from '../../data/queries/certificates';
import { certificate } from '../../data/tables';
import { certificateCode } from '../../data/tables/certificateCode';
import { ownKey } from './keys';

/**
 * Gives a certificate for each of these belts that has none which stands: number, code, signed credential. The turn of the
 * school's certificates must have been taken. `address`: where the school is reached from outside.
 */
export async function issueCertificates(
  tx: Transaction,
  by: { schoolId: string; schoolName: string; personId: string; now: Date },
  given: BeltsGiven & { gradingId: string | null },
  address: string | null,
): Promise<number> {
  const belts = await readBeltsWithout(tx, given);
  if (belts.length === 0) return 0;
  const key = await ownKey(tx, by.schoolId);
  for (const b of belts) {
    const id = v7();
    const code = codeOf(randomBytes(12));
    const year = b.day.slice(0, 4);
    const n = 1 + (await certificatesOfYear(tx, year));
    const claims = credentialOf(
      {
        id,
        name: b.name,
        belt: { id: b.rankId, name: b.belt },
        day: b.day,
        school: { id: by.schoolId, name: by.schoolName },
      },
      address,
    );
    const signed = await new SignJWT(claims)
      .setProtectedHeader({ alg: 'EdDSA', kid: key.kid, typ: 'JWT' })
      .sign(key.secret);
    await tx.insert(certificateCode).values({ code, schoolId: by.schoolId });
    await tx.insert(certificate).values({
      schoolId: by.schoolId,
      id,
      heldId: b.heldId,
      gradingId: given.gradingId,
      studentId: b.studentId,
      rankId: b.rankId,
      day: b.day,
      number: `${year}-${String(n).padStart(3, '0')}`,
      code,
      signed,
      by: by.personId,
      at: by.now,
    });
  }
  return belts.length;
}
