import islandScript from 'astro/runtime/server/astro-island.prebuilt.js';
import loadScript from 'astro/runtime/client/load.prebuilt.js';
import onlyScript from 'astro/runtime/client/only.prebuilt.js';
import { createHash } from 'node:crypto';
import { config } from '../config';

// Astro starts islands by small inline scripts that are the same on every page; only these may run inline, and what the
// caller names.
const hash = (text: string) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;
const SCRIPTS = [islandScript, loadScript, onlyScript];

// Styles may stand inline: MUI writes its rules into the page, and drawings carry lengths as attributes.
const policy = (inline: readonly string[]): string =>
  [
    "default-src 'none'",
    `script-src 'self' ${[...SCRIPTS, ...inline].map(hash).join(' ')}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    // A clip that is measured on the device: it comes from its own file and nowhere else.
    'media-src blob:',
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "form-action 'self'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
  ].join('; ');

/**
 * Security headers of the answers that the app itself gives.
 * @param inline texts of scripts that the pages carry themselves, and that may run
 */
export const guarded = (inline: readonly string[] = []) => {
  const POLICY = policy(inline);
  return (headers: Headers, development: boolean): void => {
    if (!development) headers.set('content-security-policy', POLICY);
    // Behind TLS the browser is told never to come without it again.
    if (config.APP_ORIGIN?.startsWith('https:')) headers.set('strict-transport-security', 'max-age=31536000');
    // By this the device knows our answers from those of a page in between.
    headers.set('x-stavewright', '1');
    headers.set('x-content-type-options', 'nosniff');
    headers.set('x-frame-options', 'DENY');
    headers.set('referrer-policy', 'same-origin');
    headers.set('cross-origin-opener-policy', 'same-origin');
    headers.set('cross-origin-resource-policy', 'same-origin');
    // The microphone counts hits at the mat, when asked to; its sound stays where it is heard.
    headers.set('permissions-policy', 'camera=(), microphone=(self), geolocation=(), payment=()');
    if (!headers.has('cache-control')) headers.set('cache-control', 'no-store');
  };
};
