/// <reference lib="webworker" />
import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching';
import { registerRoute, setCatchHandler } from 'workbox-routing';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] };

// Scripts, styles and fonts are hashed and kept. The mat's page and what it asks for come from the network if there is
// one, and otherwise as they were last; other pages are not kept, since they hold more of people than the mat needs.
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();

// A page in between, as halls have before one signs in to their network, is no answer: then what is kept is shown.
const ours = (response: Response) => response.headers.has('x-stavewright');
const usable = {
  fetchDidSucceed: ({ response }: { response: Response }) =>
    ours(response) ? Promise.resolve(response) : Promise.reject(new Error('not ours')),
  cacheWillUpdate: ({ response }: { response: Response }) =>
    Promise.resolve(ours(response) && response.ok && !response.redirected ? response : null),
};
const isPage = (response: Response) => /html/.test(response.headers.get('content-type') ?? '');
/** Files are served without our sign; a page in their place is none of them. */
const noPage = {
  fetchDidSucceed: ({ response }: { response: Response }) =>
    isPage(response) ? Promise.reject(new Error('a page')) : Promise.resolve(response),
};
/** A page that was kept so lately is not fetched again only to be kept, in ms. */
const STILL_NEW = 6 * 3_600_000;
const isKept = (url: URL) =>
  ['/look', '/tonight', '/tonight/run'].includes(url.pathname) ||
  /^\/sequences\/[0-9a-f-]{36}\/call$/.test(url.pathname);
const pages = new NetworkFirst({
  cacheName: 'pages',
  networkTimeoutSeconds: 4,
  matchOptions: { ignoreSearch: true },
  plugins: [usable, new ExpirationPlugin({ maxEntries: 24, maxAgeSeconds: 14 * 86_400 })],
});
registerRoute(({ request, url }) => request.mode === 'navigate' && isKept(url), pages);
// What is newer than a moment is of use for that moment only.
registerRoute(
  ({ url, request }) =>
    request.method === 'GET' &&
    /^\/api\/views\/earlier(Marks|Showings)$/.test(url.pathname) &&
    !url.searchParams.has('since'),
  new NetworkFirst({
    cacheName: 'views',
    networkTimeoutSeconds: 4,
    plugins: [usable, new ExpirationPlugin({ maxEntries: 80, maxAgeSeconds: 14 * 86_400 })],
  }),
);

// What finds a body in a picture is large: it is kept once somebody has measured by it, under a name that holds its content.
registerRoute(
  ({ url }) => /^\/_astro\/(movenet|tfjs-backend|pose-).*\.(js|json|bin|wasm)$/.test(url.pathname),
  new CacheFirst({ cacheName: 'models', plugins: [noPage, new ExpirationPlugin({ maxEntries: 8 })] }),
);

const AWAY = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>No connection · Stavewright</title>
<body style="font:18px/26px system-ui,sans-serif;background:#FAF7F0;color:#20262B;margin:48px;max-width:34em"><h1 style="font-weight:600">There is no connection to the school’s server.</h1>
<p>Marks made on this device are kept and sent later. <a href="/tonight/run">The class</a> and <a href="/look">the mat</a> work without a network.</p></body></html>`;
setCatchHandler(({ request }) =>
  Promise.resolve(
    (request as Request | undefined)?.mode === 'navigate'
      ? new Response(AWAY, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } })
      : Response.error(),
  ),
);
self.addEventListener('install', () => void self.skipWaiting());
self.addEventListener('message', (event) => {
  const keep = async (url: URL) => {
    if (!isKept(url)) return;
    const [, kept] = pages.handleAll({ event, request: new Request(url) });
    await kept.catch(() => undefined);
  };
  const said: unknown = event.data;
  if (said === 'claim') {
    // A page that came before the worker stood did not pass through it: it is fetched once more, to be kept as well.
    const from = event.source instanceof WindowClient ? [new URL(event.source.url)] : [];
    event.waitUntil(Promise.all([self.clients.claim(), ...from.map(keep)]));
  } else if (Array.isArray(said))
    event.waitUntil(
      (async () => {
        // One after the other: what the evening will want must not stand in the way of what is wanted now.
        for (const path of said.slice(0, 20)) {
          const url = new URL(String(path), self.location.origin);
          const known = await caches.match(url, { cacheName: 'pages', ignoreSearch: true });
          const since = Date.now() - Date.parse(known?.headers.get('date') ?? '');
          if (!(since < STILL_NEW)) await keep(url);
        }
      })(),
    );
});
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
