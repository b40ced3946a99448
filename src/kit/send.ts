import { v7 } from 'uuid';
import type { CommandDraft, CommandName, FieldError, Meanwhile, Mend, Problem } from '../contracts/commands';
import type { Followed, Tried } from '../contracts/trial';
import type { ViewInput, ViewName, ViewResults } from '../contracts/views';

export interface Refused {
  ok: false;
  title: string;
  errors: FieldError[];
  /** 0: our server was not reached, whoever answered instead. */
  status: number;
  mends?: Mend[] | undefined;
  meanwhile?: Meanwhile | undefined;
}
export type Answer = { ok: true; answer: unknown } | Refused;

export const newId = (): string => v7();

/** So long is an answer waited for, in ms. */
const LONGEST = 30_000;
const NO_NETWORK = 'There is no connection to the school’s server. What you typed stays here; try again in a moment.';
const FOREIGN =
  'Something between this device and the school’s server answered instead of it, as hotels and halls do before one signs in to their network. What you typed stays here; try again when the network is open.';
const NOT_FETCHED = 'There is no connection to the school’s server. Try again in a moment.';
const FOREIGN_VIEW =
  'Something between this device and the school’s server answered instead of it. Try again when the network is open.';
const notReached = (title: string): Refused => ({ ok: false, title, errors: [], status: 0 });

const isObject = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null;
/** Problems of ours name their kind by a path of ours, and the command they are about where they know it. */
const isOurProblem = (type: string | null, body: unknown, id: string | null): body is Problem =>
  (type ?? '').startsWith('application/problem+json') &&
  isObject(body) &&
  typeof body['type'] === 'string' &&
  body['type'].startsWith('/problems/') &&
  typeof body['title'] === 'string' &&
  (id === null || body['instance'] === undefined || body['instance'] === `/commands/${id}`);

const isOurs = (response: Response) => (response.headers.get('content-type') ?? '').startsWith('application/json');

async function fetched(path: string, body: unknown): Promise<Response | null> {
  try {
    return await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      // A page in between that sends us elsewhere is no answer.
      redirect: 'error',
      // A network that swallows everything must not hold the queue for ever.
      signal: AbortSignal.timeout(LONGEST),
    });
  } catch {
    return null;
  }
}

/**
 * Posts JSON to our own server. Only what our server says counts: our JSON, not redirected, and for a command an answer
 * that names its id. A lost network and a foreign answer are alike: nothing is known to have been done.
 */
export async function post(path: string, body: unknown, id: string | null = null): Promise<Answer> {
  const response = await fetched(path, body);
  if (response === null) return notReached(NO_NETWORK);
  const type = response.headers.get('content-type');
  const said: unknown = await response.json().catch(() => null);
  if (response.redirected) return notReached(FOREIGN);
  if (!response.ok) {
    if (!isOurProblem(type, said, id)) return notReached(response.status >= 502 ? NO_NETWORK : FOREIGN);
    const { title, errors = [], mends, meanwhile } = said;
    return { ok: false, title, errors, status: response.status, mends, meanwhile };
  }
  if (!(type ?? '').startsWith('application/json') || !isObject(said)) return notReached(FOREIGN);
  if (id === null) return { ok: true, answer: said };
  return said['id'] === id ? { ok: true, answer: said['answer'] } : notReached(FOREIGN);
}

/** Posts one command; `at` is when the person did it, `sent` the device's clock now. */
export const postCommand = (
  c: { id: string; at: string; name: CommandName; input: unknown },
  sent = new Date().toISOString(),
): Promise<Answer> => post('/api/commands', { ...c, sent }, c.id);

/** Sends one command and waits for its answer. Marks at the mat go through the queue of the device instead. */
export const send = <N extends CommandName>(name: N, input: CommandDraft<N>, id = newId()): Promise<Answer> =>
  postCommand({ id, at: new Date().toISOString(), name, input });

export type TriedOut = { ok: true; followed: Followed } | Refused;

/** Asks what would follow from a command; nothing is changed by it. */
export async function tryOut(name: Tried, input: object): Promise<TriedOut> {
  const said = await post('/api/trial', { name, input });
  return said.ok ? { ok: true, followed: said.answer as Followed } : said;
}

export type Asked<N extends ViewName> = { ok: true; view: ViewResults[N] } | Refused;

/** Asks for a view; whatever comes instead of it says why: no network, no right, a fault of ours. */
export async function ask<N extends ViewName>(name: N, input: ViewInput<N>): Promise<Asked<N>> {
  const query = new URLSearchParams(input);
  let response: Response;
  try {
    response = await fetch(`/api/views/${name}?${query.toString()}`);
  } catch {
    return notReached(NOT_FETCHED);
  }
  const said: unknown = await response.json().catch(() => null);
  const type = response.headers.get('content-type');
  if (response.redirected) return notReached(FOREIGN_VIEW);
  if (response.ok) return isOurs(response) ? { ok: true, view: said as ViewResults[N] } : notReached(FOREIGN_VIEW);
  if (!isOurProblem(type, said, null)) return notReached(response.status >= 502 ? NOT_FETCHED : FOREIGN_VIEW);
  return { ok: false, title: said.title, errors: said.errors ?? [], status: response.status };
}

/** Of a request with many commands: nothing is known to have been done, and each by itself would fare no better. */
const FOR_ALL = [0, 401, 408, 429, 502, 503, 504];

/**
 * Posts many commands at once; they are done in their order, and each is answered by itself. Where the request as a whole
 * is refused they are sent one by one, so that one of them holds up no other.
 */
export async function postCommands(
  commands: readonly { id: string; at: string; name: CommandName; input: unknown }[],
): Promise<Map<string, Answer>> {
  const sent = new Date().toISOString();
  const said = await post('/api/commands/batch', { commands: commands.map((c) => ({ ...c, sent })) }, 'batch');
  const out = new Map<string, Answer>();
  if (!said.ok && !FOR_ALL.includes(said.status)) {
    for (const c of commands) out.set(c.id, await postCommand(c));
    return out;
  }
  for (const c of commands) out.set(c.id, said.ok ? notReached(FOREIGN) : said);
  if (!said.ok || !Array.isArray(said.answer)) return out;
  for (const a of said.answer as unknown[]) {
    if (!isObject(a) || typeof a['id'] !== 'string' || !out.has(a['id'])) continue;
    if (a['status'] === 200) out.set(a['id'], { ok: true, answer: a['answer'] });
    else if (isOurProblem('application/problem+json', a['problem'], a['id'])) {
      const { title, errors = [], mends, meanwhile } = a['problem'];
      out.set(a['id'], { ok: false, title, errors, status: Number(a['status']), mends, meanwhile });
    }
  }
  return out;
}

/** The message for one field, or undefined. */
export const errorAt = (errors: readonly FieldError[], path: string): string | undefined =>
  errors.find((e) => e.path === path)?.message;
