import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { captivePage, doneAs, refusedAs } from '../testing/server';
import {
  drop,
  flush,
  keepSending,
  keepTrying,
  letGo,
  openNow,
  put,
  readOpen,
  sendAgain,
  waitingHere,
  waitingIn,
  whenAnswered,
  type QueueState,
  type Waiting,
} from './deviceQueue';
import { begun } from './queue';

const me = 'person-1';
const command = (id: string, more: Partial<Waiting> = {}): Waiting => ({
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
let inputs: unknown[] = [];
/** A server that answers as told, and remembers what it got. */
function server(answer: (id: string) => Says) {
  const got: string[] = [];
  inputs = [];
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
async function state(): Promise<QueueState> {
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
});

describe('the queue of the device', () => {
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
    expect(now.aside.map((r) => [r.id, r.aside?.title])).toEqual([['b', 'no: 409']]);
    const again = server(() => 200);
    await flush(me);
    expect(again).toEqual([]);
    await letGo('b');
    expect(await waitingHere()).toBe(0);
  });

  it('brings a long evening home in a few requests, and one that is refused holds up no other', async () => {
    server(() => 'away');
    for (let i = 0; i < 120; i += 1) await put(command(`c${String(i).padStart(3, '0')}`));
    await flush(me);
    const got = server((id) => (id === 'c007' ? 409 : 200));
    const ask = vi.spyOn(globalThis, 'fetch');
    await flush(me);
    expect(got).toHaveLength(120);
    expect([...got].sort()).toEqual(got);
    expect(ask.mock.calls.length).toBeLessThanOrEqual(3);
    const now = await state();
    expect([now.waiting, now.aside.map((c) => c.id)]).toEqual([0, ['c007']]);
  });

  it('where a server does not take many at once they are sent one by one', async () => {
    server(() => 'away');
    for (const id of ['a', 'b']) await put(command(id));
    await flush(me);
    const got: string[] = [];
    vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
      if (path.endsWith('/batch')) return Promise.resolve(refusedAs(413, 'too large', {}, 'batch'));
      got.push((JSON.parse(init.body as string) as { id: string }).id);
      return Promise.resolve(doneAs(got.at(-1)!));
    });
    await flush(me);
    expect(got).toEqual(['a', 'b']);
    expect(await waitingHere()).toBe(0);
  });

  it('waits for a new sign-in where the session has ended', async () => {
    server(() => 401);
    await put(command('a'));
    await flush(me);
    const now = await state();
    expect([now.waiting, now.aside.length]).toEqual([1, 0]);
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

  const ids = async () => (await state()).aside.map((c) => c.id);

  it.each([
    ['a page with 200', () => captivePage(200)],
    ['a page with 403', () => captivePage(403)],
    ['a page with 404', () => captivePage(404)],
    ['JSON that is not ours', () => new Response('{"ok":true}', { headers: { 'content-type': 'application/json' } })],
    ['our answer to another command', () => doneAs('another')],
    ['our refusal of another command', () => refusedAs(409, 'no', {}, 'another')],
    ['a gateway that found nobody', () => captivePage(502)],
    ['being sent elsewhere', () => 'away' as const],
  ])('%s is no answer: everything is kept and sent again', async (_, foreign) => {
    server(foreign);
    for (const id of ['a', 'b']) await put(command(id));
    await flush(me);
    const now = await state();
    expect([now.waiting, now.aside.length]).toEqual([2, 0]);
    const got = server(() => 200);
    await flush(me);
    expect(got).toEqual(['a', 'b']);
    expect(await waitingHere()).toBe(0);
  });

  it('one that our server fails at again and again stands aside and blocks nobody', async () => {
    server(() => 'away');
    for (const id of ['a', 'b', 'c']) await put(command(id));
    const got = server((id) => (id === 'a' ? 500 : 200));
    for (let i = 0; i < 3; i += 1) await flush(me);
    expect(got.filter((id) => id !== 'a')).toEqual(['b', 'c']);
    expect((await state()).aside.map((c) => c.id)).toEqual(['a']);
    await flush(me);
    expect(got.filter((id) => id === 'a')).toHaveLength(3);
    server(() => 200);
    await sendAgain('a');
    expect(await waitingHere()).toBe(0);
  });

  it('a correction never overtakes what it corrects, and is sent when that has gone', async () => {
    server(() => 'away');
    const look = (id: string, replaces: string | null) =>
      command(id, { name: 'look.record', input: { replaces } as never });
    for (const c of [look('a', null), look('b', 'a'), look('c', null)]) await put(c);
    const got = server((id) => (id === 'a' ? 409 : 200));
    await flush(me);
    expect(got).toEqual(['a', 'c']);
    expect((await state()).waiting).toBe(1);
    await letGo('a');
    await flush(me);
    expect(got).toEqual(['a', 'c', 'b']);
  });

  it('what is refused can be mended as the server offers, and sent again', async () => {
    server(() => 'away');
    await put(command('a', { name: 'look.record', input: { partnerId: 'nobody', note: 'stays' } as never }));
    const mend = { say: 'Send it without the partner', set: { partnerId: null } };
    server(() => ({ mends: [mend] }));
    await flush(me);
    const aside = (await state()).aside[0]!.aside!;
    expect(aside.mends).toEqual([mend]);
    server(() => 200);
    await sendAgain('a', aside.mends[0]);
    expect(inputs).toEqual([{ partnerId: null, note: 'stays' }]);
    expect(await waitingHere()).toBe(0);
  });

  it('a point that was not taken is named, and there is nothing to send again', async () => {
    server(() => 'away');
    await put(command('a', { names: { p1: 'Rear heel', p2: 'Knee' } }));
    const got = server(() => ({ answer: { notTaken: ['p1'] } }));
    await flush(me);
    const [c] = (await state()).aside;
    expect(c?.aside).toMatchObject({
      taken: true,
      title: expect.stringContaining('All was taken but “Rear heel”') as string,
    });
    await sendAgain('a');
    expect(got).toEqual(['a']);
    await letGo('a');
    expect(await ids()).toEqual([]);
  });

  it('changes of a chain are each made over what the one before has made, and wait behind one that stands aside', async () => {
    server(() => 'away');
    const change = (id: string) => command(id, { chain: 'draft', input: { version: 3 } as never });
    for (const id of ['a', 'b', 'c', 'd']) await put(change(id));
    let version = 3;
    const got = server((id) => (id === 'c' ? 409 : { answer: { version: (version += 1) } }));
    await flush(me);
    expect(got).toEqual(['a', 'b', 'c']);
    expect(inputs).toEqual([{ version: 3 }, { version: 4 }, { version: 5 }]);
    expect((await waitingIn('draft', me)).map((c) => c.id)).toEqual(['c', 'd']);
    server(() => ({ answer: { version: (version += 1) } }));
    await sendAgain('c', { say: '', set: { version: 9 } });
    expect(await waitingHere()).toBe(0);
  });

  const change = (id: string, version: number) => command(id, { chain: 'weeks', input: { id, version } as never });
  const versions = () => inputs.map((i) => (i as { version: number }).version);

  it('what is put while the one before it is on its way goes over what that makes, whenever it was put', async () => {
    // Put when the request arrives, and so many turns of the disk later, until the answer is heard of and after it.
    for (let turns = 0; turns < 24; turns += 1) {
      let version = 7;
      const puts: Promise<void>[] = [];
      const known = { version: 7 };
      const stop = whenAnswered((_, answer) => {
        if (answer.ok) known.version = (answer.answer as { version: number }).version;
      });
      server((id) => {
        if (id === `${turns} a`)
          puts.push(
            (async () => {
              for (let i = 0; i < turns; i += 1) await waitingHere();
              await Promise.all([put(change(`${turns} b`, known.version)), put(change(`${turns} c`, known.version))]);
            })(),
          );
        return { answer: { version: (version += 1) } };
      });
      await put(change(`${turns} a`, 7));
      await flush(me);
      await Promise.all(puts);
      await flush(me);
      stop();
      expect(versions()).toEqual([7, 8, 9]);
      expect(await waitingIn('weeks', me)).toEqual([]);
    }
  });

  it('what is put by whoever hears of an answer, still over the old version, goes over what was made', async () => {
    const made: Record<string, number> = { a: 8, b: 9, c: 10 };
    server((id) => ({ answer: { version: made[id] } }));
    const puts: Promise<void>[] = [];
    const stop = whenAnswered((c) => {
      if (c.id === 'a') puts.push(put(change('b', 7)), put(change('c', 7)));
    });
    await put(change('a', 7));
    await flush(me);
    await Promise.all(puts);
    await flush(me);
    stop();
    expect(versions()).toEqual([7, 8, 9]);
    expect(await waitingIn('weeks', me)).toEqual([]);
  });

  const nowDone = (id: string) => ({ ...change(id, 70), at: new Date().toISOString() });
  /** A second tab of the same device: the same disk, another page. */
  async function anotherTab() {
    vi.stubGlobal('window', {});
    vi.resetModules();
    const one = await import('./deviceQueue');
    vi.resetModules();
    const other = await import('./deviceQueue');
    return { one, other };
  }

  it('what another tab changed without having seen it is never laid over it unasked', async () => {
    const { one, other } = await anotherTab();
    server(() => 'away');
    await one.put(nowDone('a'));
    await other.put(nowDone('b'));
    await one.put(nowDone('c'));
    await other.flush(me);
    server((id) => (id === 'b' ? 409 : { answer: { version: 71 } }));
    await one.flush(me);
    expect(versions()).toEqual([70, 70]);
    expect((await state()).aside.map((c) => c.id)).toEqual(['b']);
    // Once somebody has said what becomes of that one, the first tab’s own goes over what it knew.
    await other.letGo('b');
    await one.flush(me);
    expect(versions()).toEqual([70, 70, 71]);
  });

  it('what another tab left aside is laid on what stands by whoever saw it, with all behind it', async () => {
    const { one, other } = await anotherTab();
    server(() => 'away');
    for (const id of ['a', 'b', 'c']) await other.put(nowDone(id));
    await other.flush(me);
    server(() => 409);
    await one.flush(me);
    let version = 80;
    server(() => ({ answer: { version: (version += 1) } }));
    await one.sendAgain('a', { say: '', set: { version: 80 } }, 'all behind it');
    await one.flush(me);
    expect(versions()).toEqual([80, 81, 82]);
  });

  it('a page that is opened later begins with what waits, and goes on over it', async () => {
    const { one } = await anotherTab();
    server(() => 'away');
    await one.put(nowDone('a'));
    await new Promise((done) => setTimeout(done, 5));
    const { other: later } = await anotherTab();
    await later.put(nowDone('b'));
    server((id) => ({ answer: { version: id === 'a' ? 71 : 72 } }));
    await later.flush(me);
    expect(versions()).toEqual([70, 71]);
  });

  it('a tab hears what another one was answered', async () => {
    const { one, other } = await anotherTab();
    const heard = new Promise((done) => other.whenAnswered((c, answer) => done([c.id, answer])));
    server(() => ({ answer: { version: 71 } }));
    await one.put(change('a', 70));
    expect(await heard).toEqual(['a', { ok: true, answer: { version: 71 } }]);
  });

  it('one that is finished while what it follows is answered stays finished', async () => {
    for (let turns = 0; turns < 12; turns += 1) {
      const [a, b] = [`${turns} a`, `${turns} b`];
      let finished: Promise<void> | undefined;
      server((id) => {
        if (id === a)
          finished = (async () => {
            for (let i = 0; i < turns; i += 1) await waitingHere();
            await put(change(b, 7));
          })();
        return { answer: { version: id === a ? 8 : 9 } };
      });
      await put({ ...change(b, 7), open: true });
      await put(change(a, 7));
      await flush(me);
      await finished;
      await flush(me);
      expect(inputs.map((i) => (i as { id: string }).id)).toEqual([a, b]);
      expect(await waitingHere()).toBe(0);
    }
  });

  it('also one that is changed and finished while both are still being written down', async () => {
    const turn = async (n: number) => {
      for (let i = 0; i < n; i += 1) await new Promise(setImmediate);
    };
    for (let from = 0; from < 10; from += 1)
      for (let later = 0; later < 10; later += 1) {
        const [a, b] = [`${from} ${later} a`, `${from} ${later} b`];
        const puts: Promise<unknown>[] = [];
        const known = { version: 7 };
        const stop = whenAnswered((_, answer) => {
          if (answer.ok) known.version = (answer.answer as { version: number }).version;
        });
        server((id) => {
          if (id === a)
            puts.push(
              turn(from).then(() => put({ ...change(b, known.version), open: true })),
              turn(from + later).then(() => put(change(b, known.version))),
            );
          return { answer: { version: id === a ? 8 : 9 } };
        });
        await put(change(a, 7));
        await flush(me);
        await Promise.all(puts);
        await flush(me);
        stop();
        expect(inputs).toEqual([
          { id: a, version: 7 },
          { id: b, version: 8 },
        ]);
        expect(await waitingHere()).toBe(0);
      }
  });

  it('what a device has no room for is told to every screen, and tried again until it has', async () => {
    const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const got = server(() => 200);
    keepTrying(command('note'));
    await vi.waitFor(async () => expect((await state()).unkept).toMatch(/has no room left/));
    await flush(me);
    expect([got, (await state()).unkept]).toEqual([[], expect.stringMatching(/not kept yet/)]);
    full.mockRestore();
    await flush(me);
    expect(got).toEqual(['note']);
    expect((await state()).unkept).toBe('');
  });

  it('a device that cannot be read is no device on which all is sent; the next run goes on', async () => {
    server(() => 'away');
    await put(command('a'));
    await flush(me);
    const unread = vi.spyOn(IDBObjectStore.prototype, 'getAll').mockImplementation(() => {
      throw new DOMException('gone', 'UnknownError');
    });
    await flush(me);
    expect((await state()).unkept).toMatch(/cannot keep marks just now/);
    unread.mockRestore();
    const got = server(() => 200);
    await flush(me);
    expect(got).toEqual(['a']);
    expect((await state()).unkept).toBe('');
  });

  it('what is put while it is being sent goes in the same run, a thousand too', async () => {
    server(() => 'away');
    for (let i = 0; i < 150; i += 1) await put(command(`n${String(i).padStart(4, '0')}`));
    let more = true;
    const got = server(() => {
      if (more) void put(command('z'));
      more = false;
      return 200;
    });
    await flush(me);
    expect(got).toHaveLength(151);
    expect(new Set(got).size).toBe(151);
  });
});
