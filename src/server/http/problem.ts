import type { FieldError, Problem } from '../../contracts/commands';

/** A request that is refused, in the user's words; it undoes the transaction it is thrown in. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly errors: FieldError[] = [],
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
  500: 'our-fault',
  503: 'not-now',
};

/** An answer after RFC 9457. */
export function problem(status: number, title: string, errors: readonly FieldError[] = [], detail?: string): Response {
  const body: Problem = { type: `/problems/${TYPES[status] ?? 'about-blank'}`, title, status };
  if (detail) body.detail = detail;
  if (errors.length > 0) body.errors = [...errors];
  return new Response(JSON.stringify(body), {
    status,
    headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store' },
  });
}

export function problemOf(error: unknown): Response {
  if (error instanceof Refusal) return problem(error.status, error.title, error.errors);
  if (isConnectionLoss(error))
    return problem(503, 'The database cannot be reached just now. Nothing is lost; try again.');
  console.error(error);
  return problem(500, 'Something is wrong on our side. Nothing was changed.');
}

function isConnectionLoss(error: unknown): boolean {
  for (let e: unknown = error; e instanceof Error; e = e.cause) {
    const code = (e as { code?: unknown }).code;
    if (typeof code === 'string' && (/^(ECONN|ENOTFOUND|EPIPE)/.test(code) || /^(57P0|08)/.test(code))) return true;
    if (/Connection terminated|timeout exceeded when trying to connect/.test(e.message)) return true;
  }
  return false;
}

export const json = (value: unknown, status = 200): Response =>
  new Response(JSON.stringify(value), {
    status,
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
  });
