import type { APIRoute } from 'astro';
import { inSchool } from '../../../data/connection';
import { openKeys } from '../../../server/certificates/keys';
import { db } from '../../../server/databases';
import { json, problem, problemOf } from '../../../server/http/problem';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** The open keys with which the school's certificates are checked, as a JSON Web Key Set; those of before as well. */
export const GET: APIRoute = async ({ params }) => {
  try {
    if (!UUID.test(params.id ?? '')) return problem(404, 'There is no such school.');
    const keys = await inSchool(db, params.id!, openKeys);
    return keys.length === 0
      ? problem(404, 'There is no such school, or it has given no certificate yet.')
      : json({ keys });
  } catch (error) {
    return problemOf(error, 'keys');
  }
};
