// What the school signs its certificates with: Ed25519, made when first needed. The secret half is sealed with a key that
// comes from a secret outside the database, so that a copy of the database signs nothing.
import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import { isNull } from 'drizzle-orm';
import { calculateJwkThumbprint, exportJWK, generateKeyPair, importJWK, type CryptoKey, type JWK } from 'jose';
import type { Transaction } from '../../data/connection';
import { signingKey } from '../../data/tables';

export interface OwnKey {
  kid: string;
  secret: CryptoKey;
}

function sealing(): Buffer {
  const secret = process.env.SESSION_SECRET;
  if (!secret) throw new Error('SESSION_SECRET is missing: start with npm start or npm run demo.');
  return Buffer.from(hkdfSync('sha256', secret, '', 'certificates of the school', 32));
}

export function seal(text: string): string {
  const iv = randomBytes(12);
  const cipher = createCipheriv('aes-256-gcm', sealing(), iv);
  const body = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
  return Buffer.concat([iv, cipher.getAuthTag(), body]).toString('base64url');
}

/** What was sealed, or null: with another secret, or it was changed. */
export function unseal(sealed: string): string | null {
  const raw = Buffer.from(sealed, 'base64url');
  try {
    const open = createDecipheriv('aes-256-gcm', sealing(), raw.subarray(0, 12));
    open.setAuthTag(raw.subarray(12, 28));
    return Buffer.concat([open.update(raw.subarray(28)), open.final()]).toString('utf8');
  } catch {
    return null;
  }
}

/** Makes a new key and puts it in the place of the one in use; what that has signed stays good. */
export async function renewKey(tx: Transaction, schoolId: string): Promise<OwnKey> {
  const pair = await generateKeyPair('EdDSA', { crv: 'Ed25519', extractable: true });
  const open = await exportJWK(pair.publicKey);
  const kid = await calculateJwkThumbprint(open);
  await tx.update(signingKey).set({ until: new Date() }).where(isNull(signingKey.until));
  await tx.insert(signingKey).values({
    schoolId,
    kid,
    open: { ...open, kid, alg: 'EdDSA', use: 'sig' },
    sealed: seal(JSON.stringify(await exportJWK(pair.privateKey))),
  });
  return { kid, secret: pair.privateKey };
}

/** The key in use. One that cannot be opened any more, since the secrets were made anew, gives way to a new one. */
export async function ownKey(tx: Transaction, schoolId: string): Promise<OwnKey> {
  const [row] = await tx.select().from(signingKey).where(isNull(signingKey.until));
  const jwk = row ? unseal(row.sealed) : null;
  if (!row || jwk === null) return renewKey(tx, schoolId);
  return { kid: row.kid, secret: (await importJWK(JSON.parse(jwk) as JWK, 'EdDSA')) as CryptoKey };
}

/** The open halves of all keys there ever were, the newest first. */
export const openKeys = async (tx: Transaction): Promise<JWK[]> =>
  (await tx.select().from(signingKey)).sort((a, b) => b.since.getTime() - a.since.getTime()).map((k) => k.open);
