import { act, renderHook, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { SyllabusView } from '../../contracts/views';
import type { Syllabus } from '../../core';
import { asks, CONDITIONS, RANKS, syllabus, thread } from '../../core/syllabus/testing/builders';
import { flush, letGo, waitingIn, whenAnswered } from '../../kit/deviceQueue/deviceQueue';
import { doneAs, idIn, refusedAs, shown } from '../../kit/testing/server';
import { useDraft } from './useDraft';

const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };
const viewOf = (s: Syllabus, version: number | null): SyllabusView => ({
  ranks: RANKS.map((r) => ({ ...r, cloth, wornBy: 0, version: 1 })),
  conditions: CONDITIONS.map((c) => ({ ...c, version: 1 })),
  syllabus: s,
  version,
  over: null,
  changedOn: null,
  changedBy: null,
  versions: [],
  items: [],
  others: [],
  halls: [],
  store: [],
  today: '2026-03-05',
});
const first = syllabus({ threads: [thread('kick')], requirements: [asks('kick', 'straw')] });

/** The server in small: every write waits until the test lets it go. */
interface Write {
  name: string;
  input: { version: number | null; edits?: unknown[]; syllabus?: Syllabus };
  reply: (status: number, body: object) => void;
  lose: () => void;
}
const maren = { id: '0197f3a0-0000-7000-8000-00000000000a', name: 'Maren' };
let writes: Write[] = [];
let there = viewOf(first, 3);
let away = false;
beforeEach(async () => {
  for (const c of await waitingIn('draft', maren.id)) await letGo(c.id);
  writes = [];
  away = false;
  there = viewOf(first, 3);
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    if (path.startsWith('/api/views/')) return Promise.resolve(shown(there));
    if (away) return Promise.reject(new TypeError('no network'));
    return new Promise<Response>((resolve, reject) => {
      const said = JSON.parse(init?.body as string) as Pick<Write, 'name' | 'input'>;
      const id = idIn(init);
      writes.push({
        ...said,
        reply: (status, body) =>
          resolve(
            status === 200
              ? doneAs(id, body)
              : refusedAs(status, 'Somebody else has changed the draft meanwhile.', body, id),
          ),
        lose: () => reject(new TypeError('no network')),
      });
    });
  });
});
afterEach(async () => {
  // Nothing hangs on into the next test.
  away = true;
  for (const w of writes) w.lose();
  await flush(maren.id);
});
const open = () => renderHook(() => useDraft(viewOf(first, 3), maren)).result;
const nth = async (n: number) => {
  await waitFor(() => expect(writes.length).toBe(n));
  return writes[n - 1]!;
};
const put = (id: string) => ({ op: 'thread.put' as const, thread: thread(id) });
const ids = (s: Syllabus) => s.threads.map((t) => t.id);

describe('the draft on a screen', () => {
  it('changes here at once, and is sent with the count it was made over', async () => {
    const draft = open();
    act(() => void draft.current.edit([put('punch')], 'punch put in'));
    expect(ids(draft.current.syllabus)).toEqual(['kick', 'punch']);
    expect(draft.current).toMatchObject({ saving: 'saving', undoes: 'punch put in' });
    const write = await nth(1);
    expect(write.input.version).toBe(3);
    await act(async () => {
      write.reply(200, { version: 4 });
      await draft.current.settled();
    });
    expect(draft.current.saving).toBe('saved');
    expect(draft.current.versionNow()).toBe(4);
  });

  it('changes go one after the other, each over what the one before made', async () => {
    const draft = open();
    act(() => void draft.current.edit([put('punch')], 'one'));
    act(() => void draft.current.edit([put('block')], 'two'));
    (await nth(1)).reply(200, { version: 4 });
    const second = await nth(2);
    expect(second.input.version).toBe(4);
    await act(async () => {
      second.reply(200, { version: 5 });
      await draft.current.settled();
    });
    expect(draft.current.saving).toBe('saved');
  });

  it('what the rules forbid is said and never sent', () => {
    const draft = open();
    let said: string | null = null;
    act(() => void (said = draft.current.edit([{ op: 'requirement.put', requirement: asks('gone', 'straw') }], 'x')));
    expect(said).not.toBeNull();
    expect(draft.current.wrong).toBe(said);
    expect(ids(draft.current.syllabus)).toEqual(['kick']);
    expect(writes).toEqual([]);
  });

  it('a change that is made the moment the one before is answered goes over what that has made', async () => {
    const draft = open();
    const stop = whenAnswered(() => {
      stop();
      act(() => void draft.current.edit([put('block')], 'two'));
    });
    act(() => void draft.current.edit([put('punch')], 'one'));
    (await nth(1)).reply(200, { version: 4 });
    expect(await nth(2)).toMatchObject({ name: 'syllabus.change', input: { version: 4 } });
  });

  it('however many are made at whatever moment of an answer, each goes over what the one before it made', async () => {
    const draft = open();
    act(() => void draft.current.edit([put('a')], 'a'));
    for (let version = 4; version < 12; version++) {
      const write = await nth(version - 3);
      expect(write.input.version).toBe(version - 1);
      const soon = new Promise<void>((done) => {
        setTimeout(() => {
          act(() => void draft.current.edit([put(`p${version}`)], 'soon'));
          done();
        }, version - 4);
      });
      write.reply(200, { version });
      await soon;
    }
    expect((await nth(9)).input.version).toBe(11);
    expect(draft.current.wrong).toBe('');
  });

  it('undoing sends what stood before, step by step', async () => {
    const draft = open();
    act(() => void draft.current.edit([put('punch')], 'one'));
    (await nth(1)).reply(200, { version: 4 });
    act(() => draft.current.undo());
    expect(ids(draft.current.syllabus)).toEqual(['kick']);
    expect(draft.current.undoes).toBeNull();
    const back = await nth(2);
    expect(back).toMatchObject({ name: 'syllabus.put', input: { version: 4 } });
    expect(ids(back.input.syllabus!)).toEqual(['kick']);
    act(() => draft.current.undo());
    expect(writes).toHaveLength(2);
  });

  it('what the server does not take is said and kept, what stands there is shown, and it can be laid on that', async () => {
    const draft = open();
    there = viewOf(syllabus({ threads: [thread('kick'), thread('theirs')] }), 9);
    act(() => void draft.current.edit([put('punch')], 'one'));
    act(() => void draft.current.edit([put('block')], 'two'));
    (await nth(1)).reply(409, {});
    await waitFor(() => expect(draft.current.saving).toBe('aside'));
    await waitFor(() => expect(ids(draft.current.syllabus)).toEqual(['kick', 'theirs']));
    expect(draft.current.wrong).toBe('Somebody else has changed the draft meanwhile.');
    expect(draft.current.undoes).toBeNull();
    expect(draft.current.pending.map((c) => c.label)).toEqual(['one', 'two']);
    // Nothing new is laid over it before that is settled.
    expect(draft.current.edit([put('cover')], 'three')).toMatch(/First say/);
    const laid = act(() => draft.current.layOn());
    const again = await nth(2);
    expect(again.input.version).toBe(9);
    again.reply(200, { version: 10 });
    const second = await nth(3);
    expect(second.input.version).toBe(10);
    second.reply(200, { version: 11 });
    await laid;
    await waitFor(() => expect(draft.current.saving).toBe('saved'));
    expect(ids(draft.current.syllabus)).toEqual(['kick', 'theirs', 'punch', 'block']);
    expect(draft.current.versionNow()).toBe(11);
  });

  it('what stands is read again while a change is on its way: the change stays in sight', async () => {
    const draft = open();
    act(() => void draft.current.edit([put('punch')], 'punch'));
    const first = await nth(1);
    await act(async () => void (await draft.current.renew()));
    expect(ids(draft.current.syllabus)).toEqual(['kick', 'punch']);
    await act(async () => {
      first.reply(200, { version: 4 });
      await draft.current.settled();
    });
    expect(ids(draft.current.syllabus)).toEqual(['kick', 'punch']);
  });

  it('what was not taken can be let go, with what follows it', async () => {
    const draft = open();
    there = viewOf(syllabus({ threads: [thread('kick'), thread('theirs')] }), 9);
    act(() => void draft.current.edit([put('punch')], 'one'));
    (await nth(1)).reply(409, {});
    await waitFor(() => expect(draft.current.saving).toBe('aside'));
    await act(() => draft.current.letThemGo());
    expect(draft.current.saving).toBe('saved');
    expect(ids(draft.current.syllabus)).toEqual(['kick', 'theirs']);
    expect(await waitingIn('draft', maren.id)).toEqual([]);
  });

  it('without a network what was done stays, also over a reload, and is sent when there is one', async () => {
    away = true;
    const before = renderHook(() => useDraft(viewOf(first, 3), maren));
    act(() => void before.result.current.edit([put('punch')], 'one'));
    act(() => void before.result.current.edit([put('block')], 'two'));
    await waitFor(() => expect(before.result.current.saving).toBe('waiting'));
    expect(await before.result.current.settled()).toBe(false);
    expect(ids(before.result.current.syllabus)).toEqual(['kick', 'punch', 'block']);
    before.unmount();

    const draft = open();
    await waitFor(() => expect(ids(draft.current.syllabus)).toEqual(['kick', 'punch', 'block']));
    expect(draft.current.pending).toHaveLength(2);
    away = false;
    const settled = act(() => draft.current.settled());
    (await nth(1)).reply(200, { version: 4 });
    (await nth(2)).reply(200, { version: 5 });
    expect(await settled).toBe(true);
    await waitFor(() => expect(draft.current.saving).toBe('saved'));
    expect(draft.current.versionNow()).toBe(5);
  });
});
