import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { put as realPut, readOpen as realReadOpen } from '../../kit/deviceQueue/deviceQueue';
import { freshLine, keepLine } from '../../kit/mat/line';
import Look from './Look';
import { BASE, CONDITION, FELT, HEEL, kitOf, student, technique } from '../../kit/mat/testing/kit';

vi.mock(import('../../kit/deviceQueue/deviceQueue'), async (read) => ({
  ...(await read()),
  put: vi.fn(),
  keepTrying: (command: Parameters<typeof realPut>[0]) => void realPut(command),
  readOpen: vi.fn(),
  keepSending: vi.fn(() => () => undefined),
}));
const [put, readOpen] = [vi.mocked(realPut), vi.mocked(realReadOpen)];

const [ilse, bram] = ['Ilse Marrow', 'Bram Oakes'].map((n, i) => student(i, n));
const kick = technique([HEEL, BASE, FELT]);
const kit = kitOf({ students: [ilse!, bram!], techniques: [kick], today: new Date().toISOString().slice(0, 10) });
beforeEach(() => {
  put.mockReset().mockResolvedValue(undefined);
  readOpen.mockReset().mockResolvedValue([]);
  localStorage.clear();
  history.replaceState(null, '', '/look');
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
});
const open = (more = {}) => {
  render(<Look kit={{ ...kit, ...more }} school="Causeway Hall" />);
  return userEvent.setup({ delay: null });
};
const ready = () => waitFor(() => expect(document.querySelector('main')!.getAttribute('aria-busy')).toBe('false'));
const button = (name: string | RegExp) => screen.getByRole('button', { name });

describe('the mat', () => {
  it('asks who is on the line first; a sweep needs somebody, and nobody sweeps what is felt', async () => {
    const user = open();
    await ready();
    expect(screen.getByText('0 of 2 here')).toBeTruthy();
    expect(button(/^1 Heel down/)).toHaveProperty('disabled', true);
    await user.click(screen.getByRole('checkbox', { name: 'Ilse Marrow' }));
    expect(screen.getByText('1 of 2 here')).toBeTruthy();
    expect(button(/^1 Heel down/)).toHaveProperty('disabled', false);
    expect(button(/^3 Moved me felt: on a card/)).toHaveProperty('disabled', true);
  });

  it('is busy until what to look at can be pressed, while who is here can be tapped already', async () => {
    const user = open();
    expect(document.querySelector('main')!.getAttribute('aria-busy')).toBe('true');
    await user.click(screen.getByRole('checkbox', { name: 'Ilse Marrow' }));
    expect(screen.getByText('1 of 2 here')).toBeTruthy();
    await ready();
    expect(screen.queryByText('Fetching what is worth a look…')).toBeNull();
    await user.click(button(/^1 Heel down/));
    expect(screen.getByRole('heading', { level: 1, name: /Heel down/ })).toBeTruthy();
  });

  it('remembers the line of today, and not that of another day', async () => {
    keepLine({ ...freshLine(kit.today), present: [bram!.id] });
    const first = render(<Look kit={kit} school="Causeway Hall" />);
    await ready();
    expect(screen.getByText('1 of 2 here')).toBeTruthy();
    first.unmount();
    keepLine({ ...freshLine('2020-01-01'), present: [bram!.id] });
    open();
    await ready();
    expect(screen.getByText('0 of 2 here')).toBeTruthy();
  });

  it('the class is noted as they stand; whoever is tapped in later is late and says when', async () => {
    const user = open();
    await ready();
    await user.click(button('Everybody'));
    await user.click(screen.getByRole('checkbox', { name: 'Bram Oakes' }));
    await user.clear(screen.getByLabelText('Minutes of this class'));
    await user.type(screen.getByLabelText('Minutes of this class'), '2');
    await user.click(button('Note who is here'));
    expect(screen.getByText('A class lasts from 5 to 600 minutes.')).toBeTruthy();
    expect(put).not.toHaveBeenCalled();
    await user.type(screen.getByLabelText('Minutes of this class'), '0');
    await user.click(button('Note who is here'));
    expect(await screen.findByText('The class is noted: 1 here, 20 minutes.')).toBeTruthy();
    const noted = put.mock.calls[0]![0];
    expect(noted).toMatchObject({ name: 'class.record', input: { minutes: 20, present: [ilse!.id] } });
    await user.click(screen.getByRole('checkbox', { name: 'Bram Oakes' }));
    expect(screen.getByRole('checkbox', { name: /Bram Oakes\s*\d\d:\d\d/ })).toBeTruthy();
    // Who comes late is noted at once: the same class once more, not another one, and nobody's minutes are reset.
    await waitFor(() => expect(put).toHaveBeenCalledTimes(2));
    const { id } = noted.input as { id: string };
    expect(put.mock.calls[1]![0].input).toMatchObject({ id, minutes: 20, joins: true, present: [bram!.id, ilse!.id] });
    // So is who turns out not to be there.
    await user.click(screen.getByRole('checkbox', { name: /Ilse Marrow/ }));
    await waitFor(() => expect(put).toHaveBeenCalledTimes(3));
    expect(put.mock.calls[2]![0].input).toMatchObject({ id, present: [bram!.id], gone: [ilse!.id] });
    // And so is everybody, where the whole line is emptied and somebody is tapped in again.
    await user.click(button('Nobody'));
    await user.click(screen.getByRole('checkbox', { name: /Ilse Marrow/ }));
    await user.click(button('Note the class again'));
    await waitFor(() => expect(put).toHaveBeenCalledTimes(5));
    expect(put.mock.calls[4]![0].input).toMatchObject({ id, present: [ilse!.id], gone: [bram!.id] });
  });

  it('a class that another device has opened is found, joined, and not opened twice', async () => {
    const id = '00000000-0000-7000-8000-00000000c1a5';
    const opened = { id, minutes: 75, opened: '2026-03-05T18:28:00.000Z', by: 'Idris Vane', present: [ilse!.id] };
    const user = open({ classes: [opened] });
    await ready();
    await user.click(screen.getByRole('checkbox', { name: 'Bram Oakes' }));
    expect(screen.getByText(/Idris Vane opened a class at .*28.*, 1 here, 75 minutes\./)).toBeTruthy();
    await user.click(button('Join it'));
    await waitFor(() => expect(put).toHaveBeenCalledTimes(1));
    expect(put.mock.calls[0]![0].input).toMatchObject({ id, minutes: null, joins: true });
    expect(screen.getByText('2 of 2 here')).toBeTruthy();
    expect(screen.getByLabelText('Minutes of this class')).toHaveProperty('value', '75');
    expect(screen.queryByRole('button', { name: 'Join it' })).toBeNull();
  });

  it('what was seen on another day is entered for that day, and today’s line is there again afterwards', async () => {
    const user = open();
    await ready();
    await user.click(screen.getByRole('checkbox', { name: 'Ilse Marrow' }));
    await user.click(button('Looks of another day'));
    await user.type(screen.getByLabelText('Seen on'), '31 February 2026{Enter}');
    expect(screen.getByText(/February/)).toBeTruthy();
    await user.clear(screen.getByLabelText('Seen on'));
    await user.type(screen.getByLabelText('Seen on'), `${kit.today}{Enter}`);
    expect(screen.getByText('That day is not over yet.')).toBeTruthy();
    await user.clear(screen.getByLabelText('Seen on'));
    await user.type(screen.getByLabelText('Seen on'), '3 March 2026{Enter}');
    expect(screen.getByText(/Everything is written down for 3 March 2026/)).toBeTruthy();
    expect(screen.getByText('0 of 2 here')).toBeTruthy();
    await user.click(screen.getByRole('checkbox', { name: 'Bram Oakes' }));
    await user.click(button('Note who is here'));
    await waitFor(() => expect(put).toHaveBeenCalledTimes(1));
    // A class of that day, which nobody opened now.
    expect(put.mock.calls[0]![0].input).toMatchObject({ day: '2026-03-03', openedAt: null, present: [bram!.id] });
    await user.click(button('Back to today'));
    expect(screen.getByText('1 of 2 here')).toBeTruthy();
    expect(screen.getByRole('checkbox', { name: 'Ilse Marrow' }).getAttribute('aria-checked')).toBe('true');
    await user.click(button('Note who is here'));
    await waitFor(() => expect(put).toHaveBeenCalledTimes(2));
    const now = put.mock.calls[1]![0].input as { day: string; openedAt: string | null };
    expect([now.day === '2026-03-03', now.openedAt === null]).toEqual([false, false]);
  });

  it('begins with what the address asks for', async () => {
    history.replaceState(null, '', `/look?student=${ilse!.id}&item=t:${kick.id}&condition=${CONDITION}`);
    open();
    expect(await screen.findByRole('heading', { level: 1, name: /Ilse Marrow/ })).toBeTruthy();
    expect(JSON.parse(localStorage.getItem('stavewright-line') ?? 'null')).toBeNull();
  });

  it('shows no card before it is known what this device has of it', async () => {
    let read: (open: never[]) => void = () => undefined;
    readOpen.mockReturnValue(new Promise((resolve) => (read = resolve)));
    history.replaceState(null, '', `/look?student=${ilse!.id}&item=t:${kick.id}`);
    open();
    expect(await screen.findByText('Fetching the card…')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Held' })).toBeNull();
    read([]);
    expect(await screen.findByRole('button', { name: 'Held' })).toBeTruthy();
  });

  it('a device that cannot be read begins with nothing instead of standing still', async () => {
    readOpen.mockRejectedValue(new Error('no database'));
    open();
    await ready();
    expect(screen.getByText('0 of 2 here')).toBeTruthy();
  });

  it('sends cards that nobody touched for an hour, and leaves newer ones open', async () => {
    const card = (id: string, minutes: number) => ({
      id,
      at: new Date(Date.now() - minutes * 60_000).toISOString(),
      name: 'look.record' as const,
      input: {} as never,
      label: '',
      by: 'me',
      open: true,
      aside: null,
      faults: 0,
      chain: null,
      names: {},
    });
    readOpen.mockResolvedValue([card('old', 61), card('new', 59)]);
    open();
    await ready();
    expect(put.mock.calls.map(([c]) => [c.id, c.open])).toEqual([['old', false]]);
  });

  it('says what to do in a school without people or without points', async () => {
    open({ students: [], techniques: [] });
    await ready();
    expect(screen.getByText(/Nobody is on the roll yet/)).toBeTruthy();
    expect(screen.getByText(/No technique has points yet/)).toBeTruthy();
  });
});
