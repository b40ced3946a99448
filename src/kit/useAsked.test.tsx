import { renderHook, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { captivePage, refusedAs, shown } from './testing/server';
import { useAsked } from './useAsked';

const asked: string[] = [];
let answer: (path: string) => Promise<Response>;
beforeEach(() => {
  asked.length = 0;
  vi.stubGlobal('fetch', (path: string) => {
    asked.push(path);
    return answer(path);
  });
});
const open = (id: string | null) =>
  renderHook(({ id: at }: { id: string | null }) => useAsked('student', at === null ? null : { id: at }), {
    initialProps: { id },
  });

describe('a view that a screen asks for by itself', () => {
  it('comes, and is asked again only when its input changes', async () => {
    answer = (path) => Promise.resolve(shown({ from: path }));
    const { result, rerender } = open('a');
    await waitFor(() => expect(result.current.view).toEqual({ from: '/api/views/student?id=a' }));
    rerender({ id: 'a' });
    rerender({ id: 'b' });
    await waitFor(() => expect(result.current.view).toEqual({ from: '/api/views/student?id=b' }));
    expect(asked).toEqual(['/api/views/student?id=a', '/api/views/student?id=b']);
  });

  it('is not asked for where there is nothing to ask', async () => {
    answer = () => Promise.resolve(shown({}));
    const { result } = open(null);
    await Promise.resolve();
    expect(asked).toEqual([]);
    expect(result.current).toEqual({ view: null, wrong: '' });
  });

  it('an answer that comes late does not stand in the place of a later question', async () => {
    const waiting = new Map<string, (r: Response) => void>();
    answer = (path) => new Promise((resolve) => waiting.set(path, resolve));
    const { result, rerender } = open('slow');
    rerender({ id: 'quick' });
    await waitFor(() => expect(waiting.size).toBe(2));
    waiting.get('/api/views/student?id=quick')!(shown({ is: 'quick' }));
    await waitFor(() => expect(result.current.view).toEqual({ is: 'quick' }));
    waiting.get('/api/views/student?id=slow')!(shown({ is: 'slow' }));
    await new Promise((r) => setTimeout(r, 0));
    expect(result.current.view).toEqual({ is: 'quick' });
  });

  it.each([
    ['no network', () => Promise.reject(new TypeError('offline')), /no connection to the school’s server/],
    ['a network one signs in to', () => Promise.resolve(captivePage()), /answered instead of it/],
    ['no right', () => Promise.resolve(refusedAs(403, 'This page is not for you.')), /not for you/],
    ['a fault of ours', () => Promise.resolve(refusedAs(500, 'Something went wrong here. Mark 7F.')), /Mark 7F/],
    ['a proxy without a server behind it', () => Promise.resolve(captivePage(502)), /no connection/],
  ])('%s says what happened', async (_what, how, says) => {
    answer = how;
    const { result } = open('a');
    await waitFor(() => expect(result.current.wrong).toMatch(says));
    expect(result.current.view).toBeNull();
  });
});
