import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import {
  dismiss,
  drop,
  flush,
  keepSending,
  openNow,
  readOpen,
  put,
  waitingHere,
  type OutboxState,
  type Waiting,
} from './outbox';

const me = 'person-1';
const command = (id: string, more: Partial<Waiting> = {}): Waiting => ({
  id,
  at: '2026-03-05T18:00:00Z',
  name: 'rank.remove',
  input: { id },
  label: `command ${id}`,
  by: me,
  open: false,
  refused: null,
  ...more,
});

/** A server that answers as told, and remembers what it got. */
function server(answer: (id: string) => number | 'away') {
  const got: string[] = [];
  vi.stubGlobal('fetch', (_: string, init: { body: string }) => {
    const { id } = JSON.parse(init.body) as { id: string };
    const status = answer(id);
    if (status === 'away') return Promise.reject(new TypeError('Failed to fetch'));
    got.push(id);
    const body = status === 200 ? {} : { title: `no: ${status}`, errors: [] };
    return Promise.resolve(new Response(JSON.stringify(body), { status }));
  });
  return got;
}

/** The state as a screen hears of it. */
async function state(): Promise<OutboxState> {
  return new Promise((resolve) => {
    const stop = keepSending('nobody', (s) => {
      stop();
      resolve(s);
    });
  });
}

beforeEach(async () => {
  let chain = Promise.resolve();
  vi.stubGlobal('navigator', {
    locks: {
      request: (_: string, __: object, work: (lock: object) => Promise<void>) => (chain = chain.then(() => work({}))),
    },
  });
  vi.stubGlobal('document', { addEventListener: () => undefined, removeEventListener: () => undefined });
  vi.stubGlobal('addEventListener', () => undefined);
  vi.stubGlobal('removeEventListener', () => undefined);
  server(() => 200);
  for (const c of await readOpen()) await drop(c.id);
  await flush(me);
  await flush('person-2');
});

describe('the outbox', () => {
  it('keeps what cannot be sent, and sends it in order when the server is back', async () => {
    server(() => 'away');
    for (const id of ['a', 'b', 'c']) await put(command(id));
    await flush(me);
    expect(await waitingHere()).toBe(3);
    const got = server(() => 200);
    await flush(me);
    expect(got).toEqual(['a', 'b', 'c']);
    expect(await waitingHere()).toBe(0);
  });

  it('stops at the first that finds no server, so that a correction never overtakes what it corrects', async () => {
    server(() => 'away');
    for (const id of ['a', 'b', 'c']) await put(command(id));
    await flush(me);
    const got = server((id) => (id === 'b' ? 503 : 200));
    await flush(me);
    expect(got).toEqual(['a', 'b']);
    expect(await waitingHere()).toBe(2);
  });

  it('keeps a refused command with its reason, sends the others, and lets it go when told', async () => {
    server((id) => (id === 'b' ? 409 : 200));
    for (const id of ['a', 'b', 'c']) await put(command(id));
    await flush(me);
    const now = await state();
    expect(now.waiting).toBe(0);
    expect(now.refused.map((r) => [r.id, r.refused?.title])).toEqual([['b', 'no: 409']]);
    const again = server(() => 200);
    await flush(me);
    expect(again).toEqual([]);
    await dismiss('b');
    expect(await waitingHere()).toBe(0);
  });

  it('waits for a new sign-in where the session has ended', async () => {
    server(() => 401);
    await put(command('a'));
    await flush(me);
    const now = await state();
    expect([now.waiting, now.refused.length]).toEqual([1, 0]);
    await flush(me);
    server(() => 200);
    await flush(me);
    expect(await waitingHere()).toBe(0);
  });

  it('never sends one person’s marks under another’s name', async () => {
    const got = server(() => 200);
    await put(command('theirs', { by: 'person-2', open: true }));
    await put(command('theirs', { by: 'person-2', open: false }));
    await flush(me);
    expect(got.filter((id) => id === 'theirs').length).toBeLessThanOrEqual(1);
    server(() => 'away');
    await put(command('hers', { by: 'person-2' }));
    await flush('person-2');
    const mine = server(() => 200);
    await flush(me);
    expect(mine).toEqual([]);
    await flush('person-2');
    expect(mine).toEqual(['hers']);
  });

  it('does not send what is still being written, and sends it once when it is finished', async () => {
    const got = server(() => 200);
    await put(command('card', { open: true }));
    await put(command('card', { open: true, label: 'changed' }));
    await flush(me);
    expect(got).toEqual([]);
    expect((await readOpen()).map((c) => c.label)).toEqual(['changed']);
    // A screen that opens again begins with it at once, and with what was changed since.
    await put(command('card', { open: true, label: 'changed again' }));
    expect(openNow().map((c) => c.label)).toEqual(['changed again']);
    await put(command('dropped', { open: true }));
    await drop('dropped');
    expect(openNow().map((c) => c.id)).toEqual(['card']);
    await put(command('card', { open: false }));
    expect(openNow()).toEqual([]);
    await flush(me);
    await flush(me);
    expect(got).toEqual(['card']);
  });
});
