import type { APIRoute } from 'astro';
import { jsonText, problem, problemOf } from '../../../server/http/problem';
import { viewTextFor } from '../../../server/views/door';
import { isViewName } from '../../../server/views/run';

export const GET: APIRoute = async ({ params, url, locals }) => {
  try {
    if (!locals.me) return problem(401, 'Sign in first.');
    const name = params['name'] ?? '';
    if (!isViewName(name)) return problem(404, 'There is no such view.');
    return jsonText(await viewTextFor(locals.me, name, Object.fromEntries(url.searchParams)));
  } catch (error) {
    return problemOf(error, 'views');
  }
};
