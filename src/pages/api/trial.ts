import type { APIRoute } from 'astro';
import { trialTextFor } from '../../server/trial/door';
import { readJson } from '../../server/http/body';
import { jsonText, problem, problemOf } from '../../server/http/problem';

/** What would follow from a command; nothing is changed. */
export const POST: APIRoute = async ({ request, locals }) => {
  try {
    if (!locals.me) return problem(401, 'Sign in first.');
    return jsonText(await trialTextFor(locals.me, await readJson(request)));
  } catch (error) {
    return problemOf(error, 'trial');
  }
};
