import { v7 } from 'uuid';
import type { CommandDraft, CommandName, FieldError, Problem } from '../contracts/commands';
import type { ViewInput, ViewName, ViewResults } from '../contracts/views';

export type Answer = { ok: true; answer: unknown } | { ok: false; title: string; errors: FieldError[]; status: number };

export const newId = (): string => v7();

const NO_NETWORK = 'There is no connection to the school’s server. What you typed stays here; try again in a moment.';

async function problemIn(
  response: Response,
): Promise<{ ok: false; title: string; errors: FieldError[]; status: number }> {
  const body = (await response.json().catch(() => null)) as Partial<Problem> | null;
  return {
    ok: false,
    title: body?.title ?? 'The server gave no answer that can be read.',
    errors: body?.errors ?? [],
    status: response.status,
  };
}

/** Posts JSON to our own server; a lost network is an answer like any other. */
export async function post(path: string, body: unknown): Promise<Answer> {
  let response: Response;
  try {
    response = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  } catch {
    return { ok: false, title: NO_NETWORK, errors: [], status: 0 };
  }
  if (!response.ok) return problemIn(response);
  return { ok: true, answer: await response.json().catch(() => ({})) };
}

/** Sends one command and waits for its answer. Marks at the mat go through the outbox instead. */
export const send = <N extends CommandName>(name: N, input: CommandDraft<N>, id = newId()): Promise<Answer> =>
  post('/api/commands', { id, at: new Date().toISOString(), name, input });

/** Asks for a view. */
export async function ask<N extends ViewName>(name: N, input: ViewInput<N>): Promise<ViewResults[N] | null> {
  try {
    const query = new URLSearchParams(input);
    const response = await fetch(`/api/views/${name}?${query.toString()}`);
    return response.ok ? ((await response.json()) as ViewResults[N]) : null;
  } catch {
    return null;
  }
}

/** The message for one field, or undefined. */
export const errorAt = (errors: readonly FieldError[], path: string): string | undefined =>
  errors.find((e) => e.path === path)?.message;
