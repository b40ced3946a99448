import { defineMiddleware } from 'astro:middleware';
import { readSession } from './server/auth/auth';
import { guard } from './server/http/headers';
import { problem, problemOf } from './server/http/problem';
import { isEmptyInstallation } from './server/setup';

const OPEN = new Set(['/signin', '/setup', '/api/setup', '/api/health']);

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
    if (pathname === '/setup') return context.redirect('/signin');
    if (context.locals.me || OPEN.has(pathname)) return next();
    if (api) return problem(401, 'Sign in first. What waits on this device is kept.');
    const back = pathname === '/' ? '' : `?to=${encodeURIComponent(pathname + context.url.search)}`;
    return context.redirect(`/signin${back}`);
  };
  let response: Response;
  try {
    response = await answer();
  } catch (error) {
    response = api ? problemOf(error) : new Response(`<!doctype html><meta charset="utf-8"><title>Not now</title><p>${problemTitle(error)}</p>`, { status: 503, headers: { 'content-type': 'text/html' } });
  }
  guard(response.headers, import.meta.env.DEV);
  return response;
});

function problemTitle(error: unknown): string {
  console.error(error);
  return 'Stavewright cannot reach its database just now. Nothing is lost; load this page again in a moment.';
}
