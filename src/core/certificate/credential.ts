/** What a certificate says, and nothing else of whom it was given to. */
export interface CertificateFacts {
  /** The certificate's own id. */
  id: string;
  name: string;
  belt: { id: string; name: string };
  /** Since when the belt is worn. */
  day: string;
  school: { id: string; name: string };
}

const urn = (id: string) => `urn:uuid:${id}`;

/**
 * The same as a credential that others can read and check: Open Badges 3.0 (1EdTech) on Verifiable Credentials 2.0 (W3C),
 * as the claims of a signed token. `address`: where the school's server is reached, with its list of those taken back; null:
 * it is not known.
 */
export function credentialOf(f: CertificateFacts, address: string | null) {
  const issuer = address ? `${address}/schools/${f.school.id}` : urn(f.school.id);
  return {
    '@context': ['https://www.w3.org/ns/credentials/v2', 'https://purl.imsglobal.org/spec/ob/v3p0/context-3.0.3.json'],
    id: urn(f.id),
    type: ['VerifiableCredential', 'OpenBadgeCredential'],
    name: f.belt.name,
    issuer: { id: issuer, type: ['Profile'], name: f.school.name },
    validFrom: `${f.day}T00:00:00Z`,
    credentialSubject: {
      type: ['AchievementSubject'],
      identifier: [{ type: 'IdentityObject', identityType: 'name', identityHash: f.name, hashed: false }],
      achievement: {
        id: urn(f.belt.id),
        type: ['Achievement'],
        name: f.belt.name,
        description: `The belt ${f.belt.name} of ${f.school.name}.`,
        criteria: { narrative: `Given by ${f.school.name}.` },
      },
    },
    ...(address && {
      credentialStatus: {
        id: `${address}/schools/${f.school.id}/taken-back.json`,
        type: '1EdTechRevocationList',
      },
    }),
    iss: issuer,
    jti: urn(f.id),
    nbf: Date.parse(`${f.day}T00:00:00Z`) / 1000,
  };
}

export type Credential = ReturnType<typeof credentialOf>;

/** What a credential says, as far as it says it. */
export interface Said {
  id: string;
  name: string;
  belt: string;
  day: string;
  school: string;
}

/** In what two of the same certificate differ. */
export const differsIn = (given: Said, shown: Said): (keyof Omit<Said, 'id'>)[] =>
  (['name', 'belt', 'day', 'school'] as const).filter((k) => given[k] !== shown[k]);
