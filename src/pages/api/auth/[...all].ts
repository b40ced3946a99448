import type { APIRoute } from 'astro';
import { auth, forgetSessions } from '../../../server/auth/auth';
import { isOwnOrigin } from '../../../server/http/origin';
import { problem } from '../../../server/http/problem';

// Only what our own pages use is reachable: no sign-up, no change of address, nothing of other schools.
const OFFERED = new Set(['sign-in/email', 'sign-out', 'change-password', 'revoke-sessions', 'revoke-other-sessions']);

export const POST: APIRoute = async ({ params, request }) => {
  if (!OFFERED.has(params['all'] ?? '')) return problem(404, 'There is no such door.');
  if (!isOwnOrigin(request)) return problem(403, 'This request did not come from a page of this school.');
  if (Number(request.headers.get('content-length') ?? 0) > 20_000) return problem(413, 'This is too large.');
  const answer = await auth.handler(request);
  forgetSessions();
  if (!answer.ok) return new Response(answer.body, answer);
  // The library's answer names the session's token; our pages need the cookie alone, which scripts cannot read.
  const headers = new Headers({ 'content-type': 'application/json', 'cache-control': 'no-store' });
  for (const cookie of answer.headers.getSetCookie()) headers.append('set-cookie', cookie);
  return new Response('{}', { status: answer.status, headers });
};
