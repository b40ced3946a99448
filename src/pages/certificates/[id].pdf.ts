import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { ownAddress } from '../../server/certificates/address';
import { certificatePdf, PAPERS, type Paper } from '../../server/certificates/pdf/certificate';
import { problem, problemOf } from '../../server/http/problem';
import { viewFor } from '../../server/views/door';

const paper = v.fallback(v.picklist(Object.keys(PAPERS) as Paper[]), 'a4');

/** A certificate for print, for teachers, its student and the guardian. */
export const GET: APIRoute = async ({ params, url, locals }) => {
  try {
    if (!locals.me) return problem(401, 'Sign in first.');
    const c = await viewFor(locals.me, 'certificate', { id: params.id ?? '' });
    const pdf = await certificatePdf(c, v.parse(paper, url.searchParams.get('paper')), ownAddress() ?? url.origin);
    return new Response(Buffer.from(pdf), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `inline; filename="certificate-${c.number}.pdf"`,
        'cache-control': 'no-store',
      },
    });
  } catch (error) {
    return problemOf(error, 'certificate');
  }
};
