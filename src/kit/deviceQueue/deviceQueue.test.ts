import { beforeEach, describe, expect, it, vi } from 'vitest';
import { captivePage, doneAs, refusedAs } from '../testing/server';
import { drop, flush, keepTrying, letGo, openNow, put, readOpen, sendAgain, waitingHere } from './deviceQueue';
import { command, emptyDevice, inputs, me, server, state } from './testing/device';

beforeEach(emptyDevice);

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
