import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { id as uuid } from '../../../contracts/fields';
import { inSchool } from '../../../data/connection';
import { openKeys } from '../../../server/certificates/keys';
import { db } from '../../../server/databases';
import { json, problem, problemOf } from '../../../server/http/problem';

/** The open keys with which the school's certificates are checked, as a JSON Web Key Set; those of before as well. */
export const GET: APIRoute = async ({ params }) => {
  try {
    if (!v.is(uuid, params.id)) return problem(404, 'There is no such school.');
    const keys = await inSchool(db, params.id, openKeys);
    return keys.length === 0
      ? problem(404, 'There is no such school, or it has given no certificate yet.')
      : json({ keys });
  } catch (error) {
    return problemOf(error, 'keys');
  }
};
