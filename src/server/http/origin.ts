import { config } from '../config';

/** The origin that the browser sees: the configured one, or the host named in the request. */
export function originOf(request: Request): string {
  return config.APP_ORIGIN ?? new URL(request.url).origin;
}

/**
 * Whether a write comes from one of our own pages. Browsers send `Origin` with every POST and say themselves when a
 * request was made by another site; a form of another site can also not send JSON.
 */
export function isOwnOrigin(request: Request): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin') return false;
  const origin = request.headers.get('origin');
  return origin === originOf(request);
}
