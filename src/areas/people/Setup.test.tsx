import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { leaving } from '../../kit/testing/leaving';
import { refusedAs, shown } from '../../kit/testing/server';
import Setup from './Setup';

const ZONES = ['Europe/London', 'Europe/Madrid', 'Pacific/Auckland'];
let assign = vi.fn();
let sent: { path: string; body: Record<string, unknown> }[] = [];
/** What the server says to the next setup; null: done. */
let refusal: Response | null = null;
let signsIn = true;
beforeEach(() => {
  localStorage.clear();
  [sent, refusal, signsIn] = [[], null, true];
  assign = leaving();
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    sent.push({ path, body: JSON.parse(init?.body as string) as Record<string, unknown> });
    if (path === '/api/setup') return Promise.resolve(refusal ?? shown({ school: 'made' }));
    return Promise.resolve(signsIn ? shown({ user: {} }) : refusedAs(401, 'no'));
  });
});
const user = userEvent.setup({ delay: null });
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const field = (name: string) => screen.getByLabelText(name);
const belts = () => within(screen.getByRole('list')).getAllByRole('listitem');
const opened = () => {
  render(<Setup zones={ZONES} />);
};
const belt = (n: number) => screen.getByRole('textbox', { name: `Name of belt ${n}` });
/** Puts a text into a field at once: the page is drawn anew with every letter. */
const put = async (into: HTMLElement, text: string) => {
  await user.clear(into);
  await user.click(into);
  await user.paste(text);
};
const fill = async () => {
  await put(field('Name of the school'), 'Reed House');
  await put(field('Your name'), 'Hesper Quill');
  await put(field('Your e-mail'), 'Hesper@Reed.example');
  await put(field('A password'), 'reeds and rope');
};

describe('what a school needs to begin', () => {
  it('is a name, belts and a head; whoever opened it is signed in and led to the way', async () => {
    opened();
    await fill();
    await user.click(button('Open the school'));
    await waitFor(() => expect(assign).toHaveBeenCalledWith('/syllabus'));
    expect(sent.map((s) => s.path)).toEqual(['/api/setup', '/api/auth/sign-in/email']);
    expect(sent[0]!.body).toMatchObject({ school: 'Reed House', head: 'Hesper Quill', timeZone: 'Europe/London' });
    expect((sent[0]!.body['ranks'] as { name: string }[]).map((r) => r.name)).toEqual([
      'White',
      'Straw',
      'Amber',
      'Fern',
      'Lake',
      'Umber',
      'Black',
    ]);
    // Addresses are kept small.
    expect(sent[1]!.body).toEqual({ email: 'hesper@reed.example', password: 'reeds and rope' });
    expect(localStorage.getItem('stavewright-setup')).toBeNull();
  });

  it('who cannot be signed in at once is led to the door', async () => {
    signsIn = false;
    opened();
    await fill();
    await user.click(button('Open the school'));
    await waitFor(() => expect(assign).toHaveBeenCalledWith('/signin'));
  });

  it('says at its field what is missing, sends nothing, and what was refused stays typed', async () => {
    opened();
    await put(field('A password'), 'short');
    await user.click(button('Open the school'));
    for (const name of ['Name of the school', 'Your name', 'Your e-mail', 'A password'])
      await waitFor(() => expect(field(name).getAttribute('aria-invalid')).toBe('true'));
    expect(sent).toEqual([]);
    await fill();
    // What was mended is no longer said to be wrong.
    expect(field('A password').getAttribute('aria-invalid')).toBe('false');
    refusal = refusedAs(409, 'This installation has a school already.');
    await user.click(button('Open the school'));
    expect(await screen.findByText('This installation has a school already.')).toBeTruthy();
    expect(field('Your name')).toHaveProperty('value', 'Hesper Quill');
    expect(assign).not.toHaveBeenCalled();
  });

  it('what was typed is there after a reload, except the password', async () => {
    render(<Setup zones={ZONES} />).unmount();
    expect(localStorage.getItem('stavewright-setup')).toBeNull();
    const { unmount } = render(<Setup zones={ZONES} />);
    await fill();
    await user.click(button('Change the Amber belt'));
    await user.click(button('Leave this one out'));
    unmount();
    expect(localStorage.getItem('stavewright-setup')).not.toContain('reeds and rope');
    opened();
    expect(field('Name of the school')).toHaveProperty('value', 'Reed House');
    expect(field('A password')).toHaveProperty('value', '');
    expect(belts()).toHaveLength(6);
  });
});

describe('the belts', () => {
  it('are renamed, moved, coloured, added and left out, the last one never', async () => {
    opened();
    await user.click(button('Change the Straw belt'));
    await put(belt(2), 'Reed');
    await user.click(button('down'));
    expect(
      belts()
        .map((li) => li.textContent)
        .slice(1, 3),
    ).toEqual([expect.stringContaining('Amber'), expect.stringMatching(/^3/)]);
    const colours = screen.getByRole('group', { name: 'Colour' });
    await user.click(within(colours).getByRole('button', { name: 'Lake' }));
    expect(within(colours).getByRole('button', { name: 'Lake' }).getAttribute('aria-pressed')).toBe('true');
    await user.click(button('Weave in white'));
    await user.click(button('Add bars'));
    expect(button('One colour again').getAttribute('aria-pressed')).toBe('true');
    await user.click(button('Add a belt'));
    await put(belt(8), 'Sash');
    await fill();
    await user.click(button('Open the school'));
    await waitFor(() => expect(assign).toHaveBeenCalled());
    const ranks = sent[0]!.body['ranks'] as { name: string; colour: string; second: string | null; bars: number }[];
    expect(ranks.map((r) => r.name)).toEqual(['White', 'Amber', 'Reed', 'Fern', 'Lake', 'Umber', 'Black', 'Sash']);
    expect(ranks[2]).toMatchObject({ colour: ranks[4]!.colour, second: '#F7F3E8', bars: 1 });
    for (let i = 0; i < 7; i += 1) await user.click(button('Leave this one out'));
    expect(belts()).toHaveLength(1);
    expect(button('Leave this one out')).toHaveProperty('disabled', true);
  });

  it('one without a name is said at its place', async () => {
    opened();
    await fill();
    await user.click(button('Add a belt'));
    await user.click(button('Open the school'));
    await waitFor(() => expect(belt(8).getAttribute('aria-invalid')).toBe('true'));
    expect(sent).toEqual([]);
  });
});
