import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { id as uuid } from '../../../contracts/fields';
import { inSchool } from '../../../data/connection';
import { readCertificates } from '../../../data/queries/certificates';
import { ownAddress } from '../../../server/certificates/address';
import { db } from '../../../server/databases';
import { json, problem, problemOf } from '../../../server/http/problem';

/** Certificates that do not count any more, by their ids alone: an 1EdTech revocation list (Open Badges 3.0). */
export const GET: APIRoute = async ({ params, url }) => {
  try {
    const id = params.id ?? '';
    if (!v.is(uuid, id)) return problem(404, 'There is no such school.');
    const all = await inSchool(db, id, (tx) => readCertificates(tx));
    return json({
      id: url.href,
      issuer: `${ownAddress() ?? url.origin}/schools/${id}`,
      revokedCredential: all
        .filter((c) => c.backAt !== null)
        .map((c) => ({ id: `urn:uuid:${c.id}`, revoked: true, revocationReason: 'Taken back by the school.' })),
    });
  } catch (error) {
    return problemOf(error, 'revocations');
  }
};
