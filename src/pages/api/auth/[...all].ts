import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { readInput } from '../../../contracts/commands';
import { unsound } from '../../../contracts/sound';
import { auth, forgetSessions, signInLimited } from '../../../server/auth/auth';
import { COMMON_PASSWORD, isCommonPassword } from '../../../server/auth/passwords';
import { readJson } from '../../../server/http/body';
import { problem, problemOf, Refusal } from '../../../server/http/problem';

const text = v.pipe(v.string(), v.maxLength(400));
// Only what our own pages use is reachable: no sign-up, no change of address, nothing of other schools.
const OFFERED = {
  'sign-in/email': v.object({ email: text, password: text, rememberMe: v.optional(v.boolean()) }),
  'sign-out': v.object({}),
  'change-password': v.object({
    currentPassword: text,
    newPassword: text,
    revokeOtherSessions: v.optional(v.boolean()),
  }),
  'revoke-sessions': v.object({}),
  'revoke-other-sessions': v.object({}),
} as const;
/** What is said where the library refuses: nothing that tells a wrong address from a wrong password. */
const REFUSED: Record<keyof typeof OFFERED, string> = {
  'sign-in/email': 'This address and password do not belong together.',
  'change-password': 'The present password is not right.',
  'sign-out': 'You are not signed in any more.',
  'revoke-sessions': 'You are not signed in any more.',
  'revoke-other-sessions': 'You are not signed in any more.',
};
const TOO_OFTEN = 'Too many tries. Wait a minute, then try again.';
const isOffered = (door: string): door is keyof typeof OFFERED => Object.hasOwn(OFFERED, door);

export const POST: APIRoute = async ({ params, request, locals }) => {
  try {
    const door = params['all'] ?? '';
    if (!isOffered(door)) return problem(404, 'There is no such door.');
    const sent = await readJson(request, 20_000);
    const amiss = unsound(sent);
    if (amiss[0]) throw new Refusal(422, amiss[0].message, amiss);
    const read = readInput(OFFERED[door] as v.GenericSchema<unknown, Record<string, unknown>>, sent);
    if (!read.ok) throw new Refusal(422, 'This cannot be read.', read.errors);
    if (door === 'change-password' && isCommonPassword(String(read.value['newPassword']), [locals.me?.email ?? '']))
      throw new Refusal(422, COMMON_PASSWORD);
    const ask = () => {
      const headers = new Headers(request.headers);
      headers.delete('content-length');
      headers.delete('transfer-encoding');
      return auth.handler(new Request(request.url, { method: 'POST', headers, body: JSON.stringify(read.value) }));
    };
    const answer =
      door === 'sign-in/email' ? await signInLimited(request, String(read.value['email']), ask) : await ask();
    forgetSessions();
    // The library fails only where the database does.
    if (answer.status >= 500) return problem(503, 'This cannot be checked just now. Try again in a moment.');
    if (!answer.ok) return problem(answer.status, answer.status === 429 ? TOO_OFTEN : REFUSED[door]);
    // The library's answer names the session's token; our pages need the cookie alone, which scripts cannot read.
    const headers = new Headers({ 'content-type': 'application/json', 'cache-control': 'no-store' });
    for (const cookie of answer.headers.getSetCookie()) headers.append('set-cookie', cookie);
    return new Response('{}', { status: answer.status, headers });
  } catch (error) {
    return problemOf(error, 'auth');
  }
};
