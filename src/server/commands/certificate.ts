import { inArray } from 'drizzle-orm';
import type { Transaction } from '../../data/connection';
import { readCertificates } from '../../data/queries/certificates';
import { certificate, certificateBack } from '../../data/tables';
import { ownAddress } from '../certificates/address';
import { issueCertificates } from '../certificates/issue';
import { renewKey } from '../certificates/keys';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';

/** Certificates of belts that are struck go with them. */
export async function takeBackWith(
  tx: Transaction,
  who: Who,
  heldIds: readonly string[],
  reason: string,
): Promise<void> {
  if (heldIds.length === 0) return;
  const found = await tx
    .select({ id: certificate.id })
    .from(certificate)
    .where(inArray(certificate.heldId, [...heldIds]));
  if (found.length > 0)
    await tx
      .insert(certificateBack)
      .values(found.map(({ id }) => ({ schoolId: who.schoolId, id, reason, by: who.personId, at: who.now })))
      .onConflictDoNothing();
}

export const certificateCommands: Runs<'certificate.give' | 'certificate.back' | 'signingKey.renew'> = {
  /** Of a belt that was given without a grading, or before there were certificates. */
  'certificate.give': async (tx, who, { heldId }) => {
    await inTurn(tx, who, 'certificates');
    const given = await issueCertificates(tx, who, { heldId, gradingId: null }, ownAddress());
    if (given === 0) throw new Refusal(409, 'There is no such belt on record, or it has its certificate already.');
    return {};
  },
  'certificate.back': async (tx, who, { id, reason }) => {
    await inTurn(tx, who, 'certificates');
    const [c] = await readCertificates(tx, { id });
    if (!c) throw new Refusal(404, 'There is no such certificate.');
    if (c.backAt) throw new Refusal(409, 'It was taken back already.');
    await tx.insert(certificateBack).values({ schoolId: who.schoolId, id, reason, by: who.personId, at: who.now });
    return {};
  },
  'signingKey.renew': async (tx, who) => {
    await inTurn(tx, who, 'certificates');
    const { kid } = await renewKey(tx, who.schoolId);
    return { kid };
  },
};
