import { compactVerify, createLocalJWKSet, decodeJwt } from 'jose';
import { eq } from 'drizzle-orm';
import type pg from 'pg';
import { readCredential, type Verified } from '../../contracts/credential';
import { differsIn, readCode } from '../../core';
import { inSchool, type Database } from '../../data/connection';
import { readCertificates, type CertificateRow } from '../../data/queries/certificates';
import { school } from '../../data/tables';
import { openKeys } from './keys';

const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/;
const JWS = /^[\w-]+\.[\w-]+\.[\w-]*$/;

const standing = (c: CertificateRow): Verified => {
  const said = readCredential(decodeJwt(c.signed));
  if (!said) return { word: 'no certificate' };
  return c.backAt
    ? { word: 'taken back', said, day: c.backAt.toISOString().slice(0, 10) }
    : { word: 'stands', said, number: c.number };
};

async function byCode(db: Database, authPool: pg.Pool, code: string): Promise<Verified> {
  const { rows } = await authPool.query<{ school_id: string }>(
    'select school_id from auth.certificate_code where code = $1',
    [code],
  );
  const at = rows[0];
  if (!at) return { word: 'unknown' };
  const [row] = await inSchool(db, at.school_id, (tx) => readCertificates(tx, { code }));
  return row ? standing(row) : { word: 'unknown' };
}

/** The claims of what was handed in, signed or as a plain file; null: neither. */
function claimsOf(text: string): { claims: Record<string, unknown>; signed: string | null } | null {
  try {
    if (JWS.test(text)) return { claims: decodeJwt(text), signed: text };
    const raw: unknown = JSON.parse(text);
    return raw !== null && typeof raw === 'object' ? { claims: raw as Record<string, unknown>, signed: null } : null;
  } catch {
    return null;
  }
}

/**
 * What a certificate comes to, asked by whoever holds it, without a sign-in: by its code, or by the credential, whose
 * signature is checked against every key the school has ever had and whose words against what was given.
 */
export async function verifyCertificate(db: Database, authPool: pg.Pool, asked: string): Promise<Verified> {
  const code = readCode(asked);
  if (code) return byCode(db, authPool, code);
  const read = claimsOf(asked.trim());
  const shown = read && readCredential(read.claims);
  if (!read || !shown) return { word: 'no certificate' };
  const issuer = read.claims.issuer as { id?: unknown };
  const schoolId = UUID.exec(typeof issuer.id === 'string' ? issuer.id : '')?.[0];
  if (schoolId === undefined) return { word: 'not ours' };
  return inSchool(db, schoolId, async (tx): Promise<Verified> => {
    if ((await tx.select({ id: school.id }).from(school).where(eq(school.id, schoolId))).length === 0)
      return { word: 'not ours' };
    const [row] = await readCertificates(tx, { id: shown.id });
    const good = read.signed !== null && (await signedBy(read.signed, await openKeys(tx)));
    if (!row) return { word: good ? 'not ours' : 'not signed' };
    const given = readCredential(decodeJwt(row.signed));
    if (!given) return { word: 'no certificate' };
    if (good) return standing(row);
    const differs = differsIn(given, shown);
    return read.signed === null && differs.length === 0
      ? { word: 'not signed' }
      : { word: 'changed', shown, given, differs };
  });
}

async function signedBy(signed: string, keys: Awaited<ReturnType<typeof openKeys>>): Promise<boolean> {
  try {
    await compactVerify(signed, createLocalJWKSet({ keys }), { algorithms: ['EdDSA'] });
    return true;
  } catch {
    return false;
  }
}
