import type { APIRoute } from 'astro';
import { inSchool } from '../../../data/connection';
import { readCertificates } from '../../../data/queries/certificates';
import { db } from '../../../server/databases';
import { json, problem, problemOf } from '../../../server/http/problem';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** Certificates that do not count any more, by their ids alone: an 1EdTech revocation list (Open Badges 3.0). */
export const GET: APIRoute = async ({ params, url }) => {
  try {
    const id = params.id ?? '';
    if (!UUID.test(id)) return problem(404, 'There is no such school.');
    const all = await inSchool(db, id, (tx) => readCertificates(tx));
    return json({
      id: url.href,
      issuer: `${url.origin}/schools/${id}`,
      revokedCredential: all
        .filter((c) => c.backAt !== null)
        .map((c) => ({ id: `urn:uuid:${c.id}`, revoked: true, revocationReason: 'Taken back by the school.' })),
    });
  } catch (error) {
    return problemOf(error, 'revocations');
  }
};
