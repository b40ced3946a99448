import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Verified } from '../../contracts/credential';
import { refusedAs, shown } from '../../kit/testing/server';
import Check from './Check';

const said = { id: 'x', name: 'Ilse Marrow', belt: 'Straw', day: '2025-10-04', school: 'Causeway Hall' };
let sent: unknown[] = [];
let answer: () => Promise<Response>;
const says = (verified: Verified) => (answer = () => Promise.resolve(shown(verified)));
beforeEach(() => {
  sent = [];
  says({ word: 'stands', said, number: '2025-004' });
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    sent.push([path, JSON.parse(init?.body as string)]);
    return answer();
  });
});
const user = userEvent.setup({ delay: null });
const field = () => screen.getByLabelText(/^The code/);
const status = () => screen.getByRole('status').textContent;
const check = () => user.click(screen.getByRole('button', { name: 'Check it' }));
const typed = async (text = 'ABCD-EFGH-JKLM') => {
  render(<Check />);
  await user.click(field());
  await user.paste(text);
};

describe('a certificate', () => {
  it('stands: whose it is, which belt, of when and of whom', async () => {
    await typed();
    await user.keyboard('{Enter}');
    await waitFor(() => expect(status()).not.toBe(''));
    for (const part of [/Ilse Marrow/, /Straw/, /4 October 2025/, /Causeway Hall/]) expect(status()).toMatch(part);
    expect(sent).toEqual([['/api/verify', { asked: 'ABCD-EFGH-JKLM' }]]);
    expect(screen.getByRole('status').firstElementChild!.className).toBe('answer');
  });

  it.each<[string, Verified]>([
    ['taken back', { word: 'taken back', said, day: '2026-01-03' }],
    ['changed', { word: 'changed', shown: { ...said, belt: 'Black' }, given: said, differs: ['belt'] }],
    ['unknown', { word: 'unknown' }],
    ['not signed by the school', { word: 'not signed' }],
    ['of another school', { word: 'not ours' }],
    ['no certificate at all', { word: 'no certificate' }],
  ])('that is %s is never shown as one that stands', async (_, verified) => {
    says(verified);
    await typed();
    await check();
    await waitFor(() => expect(status()).not.toBe(''));
    expect(screen.getByRole('status').firstElementChild!.className).toBe('message wrong');
    if (verified.word === 'changed') expect(status()).toMatch(/Black/);
  });

  it('is taken as a file; what is far too long is none and is not sent', async () => {
    render(<Check />);
    const file = document.querySelector<HTMLInputElement>('input[type=file]')!;
    fireEvent.change(file, { target: { files: [new File(['x'.repeat(20_001)], 'long.txt')] } });
    expect(status()).toMatch(/neither a code nor a certificate file/);
    expect(sent).toEqual([]);
    fireEvent.change(file, { target: { files: [new File(['ey.ab.cd'], 'ilse.jws')] } });
    await waitFor(() => expect(sent).toEqual([['/api/verify', { asked: 'ey.ab.cd' }]]));
    expect(field()).toHaveProperty('value', 'ey.ab.cd');
  });

  it('nothing is asked for nothing; too many questions and no connection are said', async () => {
    render(<Check />);
    await check();
    expect(status()).toBe('Type the code, or take a file.');
    expect(sent).toEqual([]);
    await user.click(field());
    await user.paste('ABCD');
    answer = () => Promise.resolve(refusedAs(429, 'Too many certificates at once. Wait 20 seconds.'));
    await check();
    await waitFor(() => expect(status()).toBe('Too many certificates at once. Wait 20 seconds.'));
    answer = () => Promise.reject(new TypeError('no network'));
    await check();
    await waitFor(() => expect(status()).toMatch(/^There is no connection/));
  });
});
