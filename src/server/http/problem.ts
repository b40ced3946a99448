import type { FieldError, Problem } from '../../contracts/commands';
import { logFault, passing } from './fault';

/** A request that is refused, in the user's words; it undoes the transaction it is thrown in. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly errors: FieldError[] = [],
    readonly more: Pick<Problem, 'mends' | 'meanwhile'> = {},
  ) {
    super(title);
  }
}

const TYPES: Record<number, string> = {
  400: 'not-understood',
  401: 'not-signed-in',
  403: 'not-allowed',
  404: 'not-found',
  409: 'not-possible',
  413: 'too-large',
  415: 'not-json',
  422: 'wrong-input',
  429: 'too-much',
  500: 'our-fault',
  503: 'not-now',
};

/** An answer after RFC 9457. */
export function problem(
  status: number,
  title: string,
  errors: readonly FieldError[] = [],
  more: Pick<Problem, 'mends' | 'meanwhile' | 'instance'> = {},
): Response {
  const body: Problem = { type: `/problems/${TYPES[status] ?? 'about-blank'}`, title, status, ...more };
  if (errors.length > 0) body.errors = [...errors];
  return new Response(JSON.stringify(body), {
    status,
    headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store' },
  });
}

const NOT_NOW = {
  away: 'The database cannot be reached just now. Nothing is lost; try again.',
  full: 'The server’s disk is full, so nothing can be written just now. Nothing is lost; what waits on this device is sent when there is room.',
  busy: 'The server is busy just now. Nothing is lost; try again.',
} as const;

/** The answer to whatever went wrong; `where` names the door for the log, `instance` what was asked for. */
export function problemOf(error: unknown, where = 'a request', instance: string | null = null): Response {
  const about = instance === null ? {} : { instance };
  if (error instanceof Refusal) {
    const refused = problem(error.status, error.title, error.errors, { ...error.more, ...about });
    if (error.status === 429 || error.status === 503) refused.headers.set('retry-after', '2');
    return refused;
  }
  const why = passing(error);
  if (why !== null) {
    const later = problem(503, NOT_NOW[why], [], about);
    later.headers.set('retry-after', '2');
    return later;
  }
  const mark = logFault(error, where);
  return problem(500, `Something is wrong on our side (${mark}). Nothing was changed.`, [], about);
}

/** JSON that was written already. */
export const jsonText = (text: string, status = 200): Response =>
  new Response(text, {
    status,
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
  });

export const json = (value: unknown, status = 200): Response => jsonText(JSON.stringify(value), status);
