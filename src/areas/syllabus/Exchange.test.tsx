import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { BundleReport } from '../../contracts/stored/bundle';
import Exchange from './Exchange';

interface Sent {
  input: { dry: boolean; keep: string };
}
let sent: Sent[] = [];
let answers: string[] = [];
const report = (more: Partial<BundleReport>): BundleReport => ({ done: false, lines: [], ...more });
const line = (fate: BundleReport['lines'][number]['fate'], name: string) =>
  ({ what: 'technique', name, fate, why: '' }) as BundleReport['lines'][number];
const says = (r: BundleReport) => `${JSON.stringify({ done: 1, of: 2 })}\n${JSON.stringify({ answer: r })}\n`;
let starter: unknown = {};
beforeEach(() => {
  [sent, answers] = [[], []];
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    if (path === '/api/starter') return Promise.resolve(new Response(JSON.stringify(starter)));
    if (path !== '/api/bundle') return Promise.resolve(new Response('{}', { status: 503 }));
    sent.push(JSON.parse(init?.body as string) as Sent);
    return Promise.resolve(new Response(answers.shift() ?? '', { status: 200 }));
  });
});
const open = (more: Partial<Parameters<typeof Exchange>[0]> = {}) => {
  render(<Exchange school="Causeway Hall" isEmpty={false} mayChange {...more} />);
  return userEvent.setup({ delay: null });
};
const picker = () => screen.getByLabelText<HTMLInputElement>('A school as JSON, or its tables as CSV');
const file = (name: string, text: string) => new File([text], name);
const school = {
  format: 'stavewright-school',
  version: 1,
  ranks: [],
  conditions: ['in air'],
  techniques: [],
  sequences: [],
  syllabus: null,
};
const bring = async (user: ReturnType<typeof userEvent.setup>) =>
  user.upload(picker(), file('school.json', JSON.stringify(school)));

describe('what comes in', () => {
  it('an empty file is called empty', async () => {
    const user = open();
    await user.upload(picker(), new File([' \n'], 'school.json', { type: 'application/json' }));
    expect(await screen.findByText('school.json is empty.')).toBeTruthy();
    expect(sent).toEqual([]);
  });

  it('a file that is no file of ours says where it goes wrong, and nothing is sent', async () => {
    const user = open();
    await user.upload(picker(), file('school.json', '{'));
    expect(await screen.findByText(/school\.json is no whole JSON/)).toBeTruthy();
    await user.upload(picker(), file('school.json', '{"ranks": 5}'));
    await waitFor(() => expect(screen.getByRole('alert').textContent).not.toBe(''));
    await user.upload(picker(), file('people.csv', 'a,b\n1,2'));
    expect(await screen.findByText(/its name says no table/)).toBeTruthy();
    expect(sent).toEqual([]);
  });

  it('is tried before it is done: what it would do is shown, and only then it can be taken in', async () => {
    answers = [
      says(report({ lines: [line('new', 'Front kick'), line('the same', 'in air')] })),
      says(report({ done: true, lines: [line('new', 'Front kick')] })),
    ];
    const user = open();
    await bring(user);
    expect(await screen.findByRole('heading', { name: 'What school.json would do' })).toBeTruthy();
    expect(screen.getByText('one new, one the same.')).toBeTruthy();
    expect(sent).toMatchObject([{ input: { dry: true, keep: 'file' } }]);
    await user.click(screen.getByRole('button', { name: 'Take one in' }));
    expect(await screen.findByRole('heading', { name: 'Taken in from school.json' })).toBeTruthy();
    expect(sent[1]).toMatchObject({ input: { dry: false } });
  });

  it('a conflict stops the whole and says why; choosing what counts tries it again', async () => {
    answers = [
      says(report({ lines: [{ ...line('in conflict', 'Front kick'), why: 'It is a block here.' }] })),
      says(report({ lines: [line('kept as here', 'Front kick')] })),
    ];
    const user = open();
    await bring(user);
    expect(await screen.findByText(/does not go in as it is/)).toBeTruthy();
    expect(screen.getByText(/It is a block here\./)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Take/ })).toBeNull();
    await user.click(screen.getByRole('radio', { name: 'what is here counts' }));
    expect(await screen.findByText('Kept as here: one')).toBeTruthy();
    expect(sent[1]).toMatchObject({ input: { dry: true, keep: 'here' } });
    expect(screen.getByRole('button', { name: 'Nothing to take in' })).toHaveProperty('disabled', true);
  });

  it('an answer that breaks off is said; nothing is claimed', async () => {
    answers = [`${JSON.stringify({ done: 1, of: 2 })}\n`];
    const user = open();
    await bring(user);
    expect(await screen.findByText(/The answer broke off/)).toBeTruthy();
    expect(screen.queryByRole('heading', { name: /Taken in/ })).toBeNull();
  });

  it('an empty school can look at the small start', async () => {
    starter = school;
    answers = [says(report({ lines: [line('new', 'in air')] }))];
    const user = open({ isEmpty: true });
    await user.click(screen.getByRole('button', { name: 'Look at the small start' }));
    expect(await screen.findByRole('heading', { name: 'What the starter would do' })).toBeTruthy();
  });

  it('what cannot be fetched is said', async () => {
    const user = open();
    await user.click(screen.getByRole('button', { name: 'One JSON file' }));
    expect(await screen.findByText(/no connection to the school’s server/)).toBeTruthy();
  });

  it('only whoever may change sees that something can come in', () => {
    open({ mayChange: false });
    expect(screen.queryByRole('heading', { name: 'Bring in' })).toBeNull();
    expect(screen.getByRole('button', { name: 'One JSON file' })).toBeTruthy();
  });
});
