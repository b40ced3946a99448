import { defineMiddleware } from 'astro:middleware';
import { EARLY_PRESSES } from './kit/shell/earlyPress';
import { EARLY_TYPING } from './kit/shell/earlyTyping';
import { readSession } from './server/auth/auth';
import { authPool } from './server/databases';
import { logFault, passing } from './server/http/fault';
import { guarded } from './server/http/headers';
import { problem, problemOf, Refusal } from './server/http/problem';
import { Pace } from './server/limits/pace';
import { isEmptyInstallation } from './server/setup';

const guard = guarded([EARLY_PRESSES, EARLY_TYPING]);
/** How often somebody may come who is not signed in. */
const strangers = new Pace(authPool, { most: 1200, seconds: 60 });
const OPEN = new Set(['/signin', '/setup', '/api/setup', '/api/health', '/c', '/c/', '/api/verify']);
/** What proves a certificate: its page, and the open keys and the list of those taken back. */
const PROOF = /^\/(c\/[^/]+|schools\/[0-9a-f-]{36}\/(keys|taken-back)\.json)$/;
/** Calendars ask again by an address with a secret, without a sign-in. */
const CALENDAR = /^\/calendar\/[^/]+\.ics$/;
/** A code is not found by trying: so few are asked for in a minute from one address. */
const checks = new Pace(authPool, { most: 60, seconds: 60 });

/** Nothing is shown to whom it is not granted: every path but these few needs a session. */
export const onRequest = defineMiddleware(async (context, next) => {
  const { pathname } = context.url;
  const api = pathname.startsWith('/api/');
  const answer = async (): Promise<Response> => {
    if (pathname === '/api/health') return next();
    context.locals.me = null;
    if (await isEmptyInstallation()) {
      if (pathname === '/setup' || pathname === '/api/setup') return next();
      return api ? problem(409, 'This installation has not been set up yet.') : context.redirect('/setup');
    }
    if (pathname.startsWith('/api/auth/')) return next();
    context.locals.me = await readSession(context.request.headers);
    if (!context.locals.me) {
      // A whole hall may sit behind one address; a flood does not.
      const pace = await strangers.allows(`stranger ${context.request.headers.get('x-client-ip') ?? ''}`);
      if (!pace.ok) throw new Refusal(429, `Too much at once from here. Wait ${pace.seconds} seconds.`);
    }
    if (pathname === '/setup') return context.redirect('/signin');
    const proof = PROOF.test(pathname) || pathname === '/api/verify';
    if (proof) {
      const pace = await checks.allows(`check ${context.request.headers.get('x-client-ip') ?? ''}`);
      if (!pace.ok) throw new Refusal(429, `Too many certificates at once. Wait ${pace.seconds} seconds.`);
    }
    if (context.locals.me || proof || CALENDAR.test(pathname) || OPEN.has(pathname)) return next();
    if (api) return problem(401, 'Sign in first. What waits on this device is kept.');
    const back = pathname === '/' ? '' : `?to=${encodeURIComponent(pathname + context.url.search)}`;
    return context.redirect(`/signin${back}`);
  };
  let response: Response;
  try {
    response = await answer();
  } catch (error) {
    response = api ? problemOf(error, pathname) : sorry(error);
  }
  guard(response.headers, import.meta.env.DEV);
  return response;
});

const escape = (s: string) => s.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** A plain page for what is refused or cannot be reached; it needs neither the database nor a session. */
function sorry(error: unknown): Response {
  const refused = error instanceof Refusal;
  if (!refused && passing(error) === null) logFault(error, 'a page');
  const title = refused ? error.title : 'Stavewright cannot do this just now.';
  const next = refused
    ? '<a href="/">Back to the first page</a>'
    : 'Nothing is lost. Load this page again in a moment.';
  const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><title>${escape(title)} · Stavewright</title></head>
<body style="margin:64px 8vw;font:18px/27px system-ui,sans-serif;background:#FAF7F0;color:#20262B;max-width:36em"><main><h1 style="font:600 30px/38px Georgia,serif">${escape(title)}</h1><p>${next}</p></main></body></html>`;
  return new Response(html, {
    status: refused ? error.status : 503,
    headers: { 'content-type': 'text/html; charset=utf-8' },
  });
}
