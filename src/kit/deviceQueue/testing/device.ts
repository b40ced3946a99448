import 'fake-indexeddb/auto';
import { vi } from 'vitest';
import { doneAs, refusedAs } from '../../testing/server';
import { drop, flush, keepSending, letGo, readOpen, type QueueState, type Waiting } from '../deviceQueue';
import { begun } from '../queue';

export const me = 'person-1';
export const command = (id: string, more: Partial<Waiting> = {}): Waiting => ({
  ...begun({
    id,
    at: '2026-03-05T18:00:00Z',
    name: 'rank.remove',
    input: { id },
    label: `command ${id}`,
    by: me,
    open: false,
  }),
  ...more,
});

type Says = number | 'away' | Response | { answer: unknown } | { mends: object[] };
/** What the server was asked last, one after the other. */
export const inputs: unknown[] = [];
/** A server that answers as told, and remembers what it got. */
export function server(answer: (id: string) => Says) {
  const got: string[] = [];
  inputs.length = 0;
  const one = (c: { id: string; input: unknown }): Response | 'away' => {
    const says = answer(c.id);
    if (says === 'away') return says;
    got.push(c.id);
    inputs.push(c.input);
    if (says instanceof Response) return says;
    if (typeof says === 'number') return says === 200 ? doneAs(c.id) : refusedAs(says, `no: ${says}`, {}, c.id);
    return 'answer' in says ? doneAs(c.id, says.answer) : refusedAs(409, 'no', says, c.id);
  };
  vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
    const body = JSON.parse(init.body as string) as {
      id: string;
      input: unknown;
      commands?: { id: string; input: unknown }[];
    };
    const answers: object[] = [];
    for (const c of body.commands ?? [body]) {
      // A database that is away is away for the rest as well.
      const last = answers.at(-1) as { status: number } | undefined;
      if (last?.status === 503) {
        answers.push({ ...last, id: c.id, problem: (await refusedAs(503, 'no', {}, c.id).json()) as unknown });
        continue;
      }
      const said = one(c);
      if (said === 'away') throw new TypeError('Failed to fetch');
      // What is no answer of ours to this command, or holds for whoever asks, is what comes back for all.
      const type = said.headers.get('content-type') ?? '';
      const ours = type.startsWith('application/')
        ? ((await said.clone().json()) as { id?: string; instance?: string })
        : {};
      const mine = ours.id === c.id || ours.instance === `/commands/${c.id}`;
      if (!body.commands || !mine || said.status === 401) return said;
      const text = (await said.json()) as { answer?: unknown };
      answers.push(
        said.ok ? { id: c.id, status: 200, answer: text.answer } : { id: c.id, status: said.status, problem: text },
      );
    }
    return doneAs('batch', answers);
  });
  return got;
}

/** The state as a screen hears of it. */
export async function state(): Promise<QueueState> {
  return new Promise((resolve) => {
    const stop = keepSending('nobody', (s) => {
      stop();
      resolve(s);
    });
  });
}

/** A device on which nothing waits, and a server that takes everything; before each test. */
export async function emptyDevice(): Promise<void> {
  let chain = Promise.resolve();
  vi.stubGlobal('navigator', {
    locks: {
      // Whoever comes next gets it, also after one that failed.
      request: (_: string, __: object, work: (lock: object) => Promise<void>) =>
        (chain = chain.catch(() => undefined).then(() => work({}))),
    },
  });
  vi.stubGlobal('document', { addEventListener: () => undefined, removeEventListener: () => undefined });
  vi.stubGlobal('addEventListener', () => undefined);
  vi.stubGlobal('removeEventListener', () => undefined);
  server(() => 200);
  for (const c of await readOpen()) await drop(c.id);
  for (const c of (await state()).aside) await letGo(c.id);
  await flush(me);
  await flush('person-2');
}
