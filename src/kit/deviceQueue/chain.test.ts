import { beforeEach, describe, expect, it, vi } from 'vitest';
import { flush, put, sendAgain, waitingHere, waitingIn, whenAnswered } from './deviceQueue';
import { command, emptyDevice, inputs, me, server, state } from './testing/device';

beforeEach(emptyDevice);

describe('changes that follow each other', () => {
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

  /** A page that hears of each answer, and which version it knows. */
  const hearing = () => {
    const known = { version: 7 };
    const stop = whenAnswered((_, answer) => {
      if (answer.ok) known.version = (answer.answer as { version: number }).version;
    });
    return { known, stop };
  };

  /** Sends the first and whatever is put meanwhile, each over what the one before it made. */
  const expectSent = async (first: string, puts: readonly Promise<void>[], stop: () => void) => {
    await put(change(first, 7));
    await flush(me);
    await Promise.all(puts);
    await flush(me);
    stop();
    expect(versions()).toEqual([7, 8, 9]);
    expect(await waitingIn('weeks', me)).toEqual([]);
  };

  it('what is put while the one before it is on its way goes over what that makes, whenever it was put', async () => {
    // Put when the request arrives, and so many turns of the disk later, until the answer is heard of and after it.
    for (let turns = 0; turns < 24; turns += 1) {
      let version = 7;
      const puts: Promise<void>[] = [];
      const { known, stop } = hearing();
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
      await expectSent(`${turns} a`, puts, stop);
    }
  });

  it('what is put by whoever hears of an answer, still over the old version, goes over what was made', async () => {
    const made: Record<string, number> = { a: 8, b: 9, c: 10 };
    server((id) => ({ answer: { version: made[id] } }));
    const puts: Promise<void>[] = [];
    const stop = whenAnswered((c) => {
      if (c.id === 'a') puts.push(put(change('b', 7)), put(change('c', 7)));
    });
    await expectSent('a', puts, stop);
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
        const { known, stop } = hearing();
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
});
