import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { SyllabusView } from '../../contracts/views';
import type { Syllabus } from '../../core';
import { asks, CONDITIONS, RANKS, syllabus, thread } from '../../core/syllabus/builders';
import { useDraft } from './useDraft';

const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };
const viewOf = (s: Syllabus, version: number | null): SyllabusView => ({
  ranks: RANKS.map((r) => ({ ...r, cloth, wornBy: 0 })),
  conditions: CONDITIONS,
  syllabus: s,
  version,
  over: null,
  changedOn: null,
  changedBy: null,
  versions: [],
  items: [],
  others: [],
  halls: [],
  today: '2026-03-05',
});
const first = syllabus({ threads: [thread('kick')], requirements: [asks('kick', 'straw')] });

/** The server in small: every write waits until the test lets it go. */
interface Write {
  name: string;
  input: { version: number | null; edits?: unknown[]; syllabus?: Syllabus };
  reply: (status: number, body: unknown) => void;
  lose: () => void;
}
let writes: Write[] = [];
let there = viewOf(first, 3);
beforeEach(() => {
  writes = [];
  there = viewOf(first, 3);
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    if (path.startsWith('/api/views/')) return Promise.resolve(new Response(JSON.stringify(there)));
    return new Promise<Response>((resolve, reject) => {
      const said = JSON.parse(init?.body as string) as Pick<Write, 'name' | 'input'>;
      writes.push({
        ...said,
        reply: (status, body) => resolve(new Response(JSON.stringify(body), { status })),
        lose: () => reject(new TypeError('no network')),
      });
    });
  });
});
const open = () => renderHook(() => useDraft(viewOf(first, 3), 'maren')).result;
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

  it('what the server refuses is said, and what stands there is shown', async () => {
    const draft = open();
    there = viewOf(syllabus({ threads: [thread('kick'), thread('theirs')] }), 9);
    act(() => void draft.current.edit([put('punch')], 'one'));
    const write = await nth(1);
    await act(async () => {
      write.reply(409, { title: 'Somebody else has changed the draft meanwhile.', errors: [] });
      await draft.current.settled();
    });
    expect(draft.current.wrong).toBe('Somebody else has changed the draft meanwhile.');
    expect(ids(draft.current.syllabus)).toEqual(['kick', 'theirs']);
    expect(draft.current.undoes).toBeNull();
    expect(draft.current.versionNow()).toBe(9);
  });

  it('without a network what was done stays on the screen, and the screen says that it waits', async () => {
    const draft = open();
    act(() => void draft.current.edit([put('punch')], 'one'));
    const write = await nth(1);
    await act(async () => {
      write.lose();
      await draft.current.settled();
    });
    expect(ids(draft.current.syllabus)).toEqual(['kick', 'punch']);
    expect(draft.current.saving).toBe('waiting');
    expect(draft.current.wrong).toMatch(/no connection/);
  });
});
