import type { APIRoute } from 'astro';
import { json, problem, problemOf } from '../../../server/http/problem';
import { viewFor } from '../../../server/views/door';
import { isViewName } from '../../../server/views/run';

export const GET: APIRoute = async ({ params, url, locals }) => {
  try {
    if (!locals.me) return problem(401, 'Sign in first.');
    const name = params['name'] ?? '';
    if (!isViewName(name)) return problem(404, 'There is no such view.');
    return json(await viewFor(locals.me, name, Object.fromEntries(url.searchParams)));
  } catch (error) {
    return problemOf(error, 'views');
  }
};
