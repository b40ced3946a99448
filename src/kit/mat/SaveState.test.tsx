import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { drop, flush, keepTrying, letGo, put, waitingHere } from '../deviceQueue/deviceQueue';
import { doneAs, idIn, refusedAs } from '../testing/server';
import { SaveState } from './SaveState';

const inputs: Record<string, unknown>[] = [];
let reply: (id: string) => Response;
beforeEach(async () => {
  inputs.length = 0;
  vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
    inputs.push((JSON.parse(init.body as string) as { input: Record<string, unknown> }).input);
    return Promise.resolve(reply(idIn(init)));
  });
  await letGo('look-1');
});
const mark = () =>
  put({
    id: 'look-1',
    at: '2026-03-05T18:00:00Z',
    name: 'look.record',
    input: { day: '2027-03-05', note: 'stays' } as never,
    label: 'Ilse Marrow, heel: held',
    by: 'me',
    open: false,
  });

describe('how the marks stand', () => {
  it('what the device has no room for stands before all else, until it is kept', async () => {
    const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    reply = (id) => doneAs(id);
    render(<SaveState by="me" problem="" />);
    await screen.findByText('All marks are saved.');
    keepTrying({
      id: 'note-1',
      at: '2026-03-05T18:00:00Z',
      name: 'classNote.remove',
      input: { id: 'note' },
      label: 'Note taken out',
      by: 'me',
      open: false,
    });
    expect(await screen.findByText(/^This device has no room left\. The mark is not kept yet/)).toBeTruthy();
    expect(screen.queryByText('All marks are saved.')).toBeNull();
    full.mockRestore();
    await flush('me');
    expect(await screen.findByText('All marks are saved.')).toBeTruthy();
    expect(inputs).toEqual([{ id: 'note' }]);
  });

  it('a clock that is days off: the server’s time is offered, and one tap sends it so', async () => {
    const mend = { say: 'Take it as of the server’s time, 19:42 today', set: { day: '2026-03-05' } };
    reply = (id) => refusedAs(422, 'The clock of this device is wrong by 365 days.', { mends: [mend] }, id);
    render(<SaveState by="me" problem="" />);
    const user = userEvent.setup({ delay: null });
    await mark();
    await user.click(await screen.findByRole('button', { name: '1 stands aside: see why' }));
    expect(await screen.findByText(/The clock of this device is wrong/)).toBeTruthy();
    reply = (id) => doneAs(id);
    await user.click(screen.getByRole('button', { name: mend.say }));
    await waitFor(async () => expect(await waitingHere()).toBe(0));
    expect(inputs.at(-1)).toEqual({ day: '2026-03-05', note: 'stays' });
    await waitFor(() => expect(screen.queryByText(/aside/)).toBeNull());
  });

  it('what is still being marked is here, and waits for its end, not for the network', async () => {
    reply = (id) => doneAs(id);
    render(<SaveState by="me" problem="" />);
    const open = (id: string) =>
      put({ id, at: '2026-03-05T18:00:00Z', name: 'look.record', input: {} as never, label: '', by: 'me', open: true });
    await open('look-1');
    expect(await screen.findByText('What is open goes when it is closed.')).toBeTruthy();
    expect(screen.getByText('All marks are saved on this tablet.')).toBeTruthy();
    await open('look-2');
    expect(await screen.findByText('2 are open and go when each is closed.')).toBeTruthy();
    await drop('look-2');
    await mark();
    expect(await screen.findByText('None waits for the network.')).toBeTruthy();
    expect(inputs).toHaveLength(1);
  });

  it('a right that was missing for a minute: it is sent again as it was, and is let go only when told twice', async () => {
    reply = (id) => refusedAs(403, 'An examiner may not do this.', {}, id);
    render(<SaveState by="me" problem="" />);
    const user = userEvent.setup({ delay: null });
    await mark();
    await user.click(await screen.findByRole('button', { name: '1 stands aside: see why' }));
    await user.click(await screen.findByRole('button', { name: 'Send it again' }));
    await waitFor(() => expect(inputs).toHaveLength(2));
    // As long as it is on its way nothing can be let go.
    await waitFor(() =>
      expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Let it go' }).disabled).toBe(false),
    );
    await user.click(screen.getByRole('button', { name: 'Let it go' }));
    await user.click(screen.getByRole('button', { name: 'Keep it' }));
    expect(await waitingHere()).toBe(1);
    await user.click(screen.getByRole('button', { name: 'Let it go' }));
    await user.click(screen.getByRole('button', { name: 'Yes, let it go' }));
    await waitFor(async () => expect(await waitingHere()).toBe(0));
  });
});
