import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Answer } from '../send';
import * as device from './deviceQueue';
import { useKept, type Keeping } from './useKept';

vi.mock(import('./deviceQueue'), () => ({
  put: vi.fn(),
  waitingIn: vi.fn(),
  whenAnswered: vi.fn(),
  sendAgain: vi.fn(),
  letGo: vi.fn(),
}));
const put = vi.mocked(device.put);
const waitingIn = vi.mocked(device.waitingIn);
const sendAgain = vi.mocked(device.sendAgain);
const letGo = vi.mocked(device.letGo);
type Told = Parameters<typeof device.whenAnswered>[0];
const ears = new Set<Told>();

const beside = vi.fn();
const weeks = (chain = 'weeks'): Keeping<'cycle.save', string> => ({
  name: 'cycle.save',
  chain,
  label: 'The weeks',
  by: 'maren',
  write: (text, version) => ({ text, version }) as never,
  read: (input) => (input as unknown as { text: string }).text,
  beside,
});
const written = () =>
  put.mock.calls.map(([c]) => ({
    ...(c.input as unknown as { text: string; version: number }),
    open: c.open,
    id: c.id,
  }));
const answer = (of: Partial<device.Waiting>, says: Answer) => {
  act(() => {
    for (const ear of ears) ear({ chain: 'weeks', id: 'one', ...of } as device.Waiting, says);
  });
};
const refused = (more: object = {}): Answer => ({
  ok: false,
  status: 409,
  title: 'It was changed meanwhile.',
  errors: [],
  ...more,
});
const open = (chain?: string) => renderHook(() => useKept('first', 3, weeks(chain)));
const rest = () => act(() => vi.advanceTimersByTimeAsync(800));

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  for (const f of [put, sendAgain, letGo]) f.mockReset().mockResolvedValue(undefined);
  waitingIn.mockReset().mockResolvedValue([]);
  ears.clear();
  vi.mocked(device.whenAnswered).mockImplementation((ear) => {
    ears.add(ear);
    return () => ears.delete(ear);
  });
  beside.mockReset();
});
afterEach(() => {
  vi.useRealTimers();
});

describe('a document that is saved whole', () => {
  it('stands at once, is on the device at once, and goes when the hand rests, as one command', async () => {
    const { result } = open();
    act(() => result.current.change('second', 'a word'));
    act(() => result.current.change('third', 'another'));
    expect(result.current.value).toBe('third');
    expect(written().map(({ text, open: isOpen }) => [text, isOpen])).toEqual([
      ['second', true],
      ['third', true],
    ]);
    await rest();
    expect(written().at(-1)).toMatchObject({ text: 'third', version: 3, open: false });
    expect(new Set(written().map((c) => c.id)).size).toBe(1);
    act(() => result.current.change('fourth', 'later'));
    await rest();
    expect(new Set(written().map((c) => c.id)).size).toBe(2);
  });

  it('is written over the version that was answered last', async () => {
    const { result } = open();
    act(() => result.current.change('second', 'a word'));
    await rest();
    answer({}, { ok: true, answer: { version: 4 } });
    act(() => result.current.change('third', 'another'));
    expect(written().at(-1)).toMatchObject({ text: 'third', version: 4 });
    expect(beside).toHaveBeenLastCalledWith('third', 4);
  });

  it('an answer to something else changes nothing of it', () => {
    const { result } = open();
    answer({ chain: 'other weeks' }, { ok: true, answer: { version: 9 } });
    answer({ chain: 'other weeks' }, refused());
    expect(result.current.aside).toBeNull();
    act(() => result.current.change('second', 'a word'));
    expect(written().at(-1)).toMatchObject({ version: 3 });
  });

  it('what another tab saved meanwhile is no version to write over', () => {
    const { result } = open();
    const elsewhere = { at: new Date(Date.now() + 60_000).toISOString(), page: { id: 'another tab', since: '' } };
    answer(elsewhere, { ok: true, answer: { version: 9 } });
    answer(elsewhere, refused());
    expect(result.current.aside).toBeNull();
    act(() => result.current.change('second', 'a word'));
    expect(written().at(-1)).toMatchObject({ version: 3 });
  });

  it('is undone step by step, each step named, and the undoing is kept as well', async () => {
    const { result } = open();
    expect(result.current.undoes).toBeNull();
    act(() => result.current.change('second', 'a word'));
    act(() => result.current.change('third', 'another'));
    expect(result.current.undoes).toBe('another');
    act(() => result.current.undo());
    expect([result.current.value, result.current.undoes]).toEqual(['second', 'a word']);
    act(() => result.current.undo());
    act(() => result.current.undo());
    expect([result.current.value, result.current.undoes]).toEqual(['first', null]);
    await rest();
    expect(written().at(-1)).toMatchObject({ text: 'first', open: false });
  });

  it('remembers fifty steps and no more', () => {
    const { result } = open();
    for (let i = 1; i <= 60; i++) act(() => result.current.change(`text ${i}`, `step ${i}`));
    for (let i = 0; i < 60; i++) act(() => result.current.undo());
    expect(result.current.value).toBe('text 10');
  });

  it('a device that keeps nothing says so, until it does again', async () => {
    put.mockRejectedValueOnce(new Error('The device is full.'));
    const { result } = open();
    await act(async () => {
      result.current.change('second', 'a word');
      await Promise.resolve();
    });
    expect(result.current.problem).toBe('The device is full.');
    expect(result.current.value).toBe('second');
    await rest();
    expect(result.current.problem).toBe('');
  });

  it('who leaves the page has finished', () => {
    const { result, unmount } = open();
    act(() => result.current.change('second', 'a word'));
    unmount();
    expect(written().at(-1)).toMatchObject({ text: 'second', open: false });
    expect(ears.size).toBe(0);
  });

  it('untouched writes nothing, whoever comes and goes', async () => {
    const { unmount } = open();
    await rest();
    unmount();
    expect(put).not.toHaveBeenCalled();
  });
});

describe('what is on the device already', () => {
  it('is the document as it was left', async () => {
    waitingIn.mockResolvedValue([
      { name: 'class.close', input: { text: 'not this' } },
      { name: 'cycle.save', input: { text: 'older' } },
      { name: 'cycle.save', input: { text: 'as it was left' } },
    ] as never);
    const { result } = open();
    await rest();
    expect(result.current.value).toBe('as it was left');
    expect(waitingIn).toHaveBeenCalledWith('weeks', 'maren');
    expect(result.current.undoes).toBeNull();
  });

  it('a device that cannot be read leaves what the server told', async () => {
    waitingIn.mockRejectedValue(new Error('no disk'));
    const { result } = open();
    await rest();
    expect(result.current.value).toBe('first');
  });
});

describe('what somebody else saved meanwhile', () => {
  it('stands aside with why, and one’s own stays on the screen', () => {
    const { result } = open();
    act(() => result.current.change('mine', 'a word'));
    answer({}, refused({ meanwhile: { version: 5 } }));
    expect(result.current.aside).toEqual({ id: 'one', title: 'It was changed meanwhile.', quicker: true });
    expect(result.current.value).toBe('mine');
  });

  it('is told apart from a refusal that nobody was quicker at', () => {
    const { result } = open();
    answer({}, refused());
    expect(result.current.aside).toMatchObject({ quicker: false });
  });

  it('one’s own goes over theirs, over the version that they made', async () => {
    const { result } = open();
    answer({}, refused({ meanwhile: { version: 5 } }));
    waitingIn.mockResolvedValue([{ id: 'one', aside: { meanwhile: { version: 5 } } }] as never);
    await act(() => result.current.keepMine());
    expect(sendAgain).toHaveBeenCalledWith('one', { say: '', set: { version: 5 } });
    expect(result.current.aside).toBeNull();
  });

  it('what was refused for another reason is sent again as it is', async () => {
    const { result } = open();
    answer({}, refused());
    await act(() => result.current.keepMine());
    expect(sendAgain).toHaveBeenCalledWith('one', null);
  });

  it('theirs: all of one’s own that waits is let go, nothing of another tab, and the page is read anew', async () => {
    const reload = vi.fn();
    vi.stubGlobal('location', { ...window.location, reload });
    const { result } = open();
    answer({}, refused({ meanwhile: { version: 5 } }));
    const elsewhere = { id: 'three', at: '9999', page: { id: 'another tab', since: '' } };
    waitingIn.mockResolvedValue([{ id: 'one' }, { id: 'two' }, elsewhere] as never);
    await act(() => result.current.takeTheirs());
    expect(letGo.mock.calls).toEqual([['one'], ['two']]);
    expect(reload).toHaveBeenCalledTimes(1);
  });

  it('without anything aside there is nothing to put over it', async () => {
    const { result } = open();
    await act(() => result.current.keepMine());
    expect(sendAgain).not.toHaveBeenCalled();
  });
});
