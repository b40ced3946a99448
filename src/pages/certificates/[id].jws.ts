import type { APIRoute } from 'astro';
import { problem, problemOf } from '../../server/http/problem';
import { viewFor } from '../../server/views/door';

/** The same as a signed credential that other programs read. */
export const GET: APIRoute = async ({ params, locals }) => {
  try {
    if (!locals.me) return problem(401, 'Sign in first.');
    const c = await viewFor(locals.me, 'certificate', { id: params.id ?? '' });
    return new Response(c.signed, {
      headers: {
        'content-type': 'application/vc+jwt',
        'content-disposition': `attachment; filename="certificate-${c.number}.jws"`,
        'cache-control': 'no-store',
      },
    });
  } catch (error) {
    return problemOf(error, 'certificate');
  }
};
