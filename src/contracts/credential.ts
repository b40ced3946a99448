import * as v from 'valibot';
import type { Said } from '../core';

const text = v.pipe(v.string(), v.minLength(1), v.maxLength(400));
const URN = /^urn:uuid:([0-9a-f-]{36})$/;

/** What has to stand in a credential to be read as a certificate; see the core for how it is made. */
const credential = v.object({
  id: v.pipe(v.string(), v.regex(URN)),
  issuer: v.object({ id: text, name: text }),
  validFrom: v.pipe(v.string(), v.regex(/^\d{4}-\d{2}-\d{2}T/)),
  credentialSubject: v.object({
    identifier: v.pipe(v.array(v.object({ identityHash: text })), v.minLength(1)),
    achievement: v.object({ id: text, name: text }),
  }),
});

/** What a credential says, or null: it is no certificate. */
export function readCredential(claims: unknown): Said | null {
  const read = v.safeParse(credential, claims);
  if (!read.success) return null;
  const c = read.output;
  return {
    id: URN.exec(c.id)![1]!,
    name: c.credentialSubject.identifier[0]!.identityHash,
    belt: c.credentialSubject.achievement.name,
    day: c.validFrom.slice(0, 10),
    school: c.issuer.name,
  };
}

/** What is asked of a certificate by whoever holds one: its code, or the credential as a file. */
export const verifyInput = v.object({ asked: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(20_000)) });

/** What a certificate comes to. */
export type Verified =
  | { word: 'stands'; said: Said; number: string }
  | { word: 'taken back'; said: Said; day: string }
  | { word: 'changed'; shown: Said; given: Said; differs: ('name' | 'belt' | 'day' | 'school')[] }
  | { word: 'not ours' | 'unknown' | 'not signed' | 'no certificate' };
