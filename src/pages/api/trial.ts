import type { APIRoute } from 'astro';
import { tryCommand } from '../../server/trial/trial';
import { db } from '../../server/databases';
import { readJson } from '../../server/http/body';
import { json, problem, problemOf } from '../../server/http/problem';

/** What would follow from a command; nothing is changed. */
export const POST: APIRoute = async ({ request, locals }) => {
  try {
    if (!locals.me) return problem(401, 'Sign in first.');
    return json(await tryCommand(db, locals.me, await readJson(request)));
  } catch (error) {
    return problemOf(error, 'trial');
  }
};
