import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { PeopleView } from '../../contracts/views';
import { idFor } from '../../kit/testing/ids';
// What is fetched when two saves meet is there at once.
import '../../kit/sideBySide/SideBySide';
import { doneAs, idIn, refusedAs } from '../../kit/testing/server';
import People from './People';

const view: PeopleView = {
  me: idFor('maren'),
  teachers: [
    { id: idFor('maren'), name: 'Maren Holt', role: 'head', email: 'maren@causewayhall.example', version: 1 },
    { id: idFor('idris'), name: 'Idris Vane', role: 'instructor', email: null, version: 4 },
  ],
  students: [
    { id: idFor('ilse'), name: 'Ilse Marrow', email: null },
    { id: idFor('bram'), name: 'Bram Oakes', email: null },
  ],
  guardians: [
    {
      id: idFor('aldous'),
      name: 'Aldous Marrow',
      email: 'aldous@causewayhall.example',
      version: 2,
      studentIds: [idFor('ilse')],
    },
  ],
};

let sent: { name: string; input: Record<string, unknown> }[] = [];
let answer: (init?: RequestInit) => Response = (init) => doneAs(idIn(init));
const reload = vi.fn();
beforeEach(() => {
  sent = [];
  answer = (init) => doneAs(idIn(init));
  reload.mockReset();
  vi.stubGlobal('location', { reload, assign: vi.fn(), href: 'http://localhost/people' });
  vi.stubGlobal('fetch', (_path: string, init?: RequestInit) => {
    sent.push(JSON.parse(init?.body as string) as (typeof sent)[number]);
    return Promise.resolve(answer(init));
  });
});
const open = () => {
  render(<People view={view} />);
  return userEvent.setup({ delay: null });
};
const row = (name: string) => within(screen.getByText(name).closest('tr')!);
const button = (name: string) => screen.getByRole('button', { name });

describe('who may do what', () => {
  it('shows everybody with what they are, and oneself without a key', () => {
    open();
    expect(row('Maren Holt').getByText('you')).toBeTruthy();
    expect(row('Maren Holt').queryByRole('button')).toBeNull();
    expect(row('Aldous Marrow').getByText(/of Ilse Marrow/)).toBeTruthy();
    expect(row('Idris Vane').getByText('no sign-in')).toBeTruthy();
  });

  it('finds a student by any part of a name', async () => {
    const user = open();
    await user.type(screen.getByPlaceholderText('Find a student'), 'OAK');
    expect(screen.queryByText('Ilse Marrow')).toBeNull();
    expect(screen.getByText('Bram Oakes')).toBeTruthy();
    await user.type(screen.getByPlaceholderText('Find a student'), 'zz');
    expect(screen.getByText('Nobody of this name.')).toBeTruthy();
  });

  it('a teacher is added with rights said in words; without a name nothing is sent', async () => {
    const user = open();
    await user.click(button('Add a teacher'));
    await user.click(button('Add'));
    expect(await screen.findByText('A name is missing.')).toBeTruthy();
    expect(sent).toEqual([]);
    await user.type(screen.getByLabelText('Name'), 'Odile Farrow');
    await user.click(screen.getByRole('combobox', { name: 'Rights' }));
    await user.click(screen.getByRole('option', { name: 'examiner' }));
    expect(screen.getByText(/only the gradings they are invited to/)).toBeTruthy();
    await user.click(button('Add'));
    await waitFor(() => expect(reload).toHaveBeenCalled());
    expect(sent).toMatchObject([{ name: 'teacher.save', input: { name: 'Odile Farrow', role: 'examiner' } }]);
    expect(sent[0]!.input['version']).toBeUndefined();
  });

  it('a teacher’s rights are changed from the version that was seen', async () => {
    const user = open();
    await user.click(row('Idris Vane').getByRole('button', { name: 'Let in' }));
    await user.click(screen.getByRole('combobox', { name: 'Rights' }));
    await user.click(screen.getByRole('option', { name: 'head instructor' }));
    await user.click(button('Save'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.input).toMatchObject({ id: idFor('idris'), name: 'Idris Vane', role: 'head', version: 4 });
  });

  it('what another head saved meanwhile is shown beside, and nothing is written over', async () => {
    answer = (init) =>
      refusedAs(
        409,
        'Idris Vane was changed meanwhile.',
        {
          meanwhile: {
            version: 5,
            by: 'Odile Farrow',
            at: '2026-03-05T18:00:00Z',
            now: { id: idFor('idris'), name: 'Idris A. Vane', role: 'instructor' },
          },
        },
        idIn(init),
      );
    const user = open();
    await user.click(row('Idris Vane').getByRole('button', { name: 'Let in' }));
    const name = screen.getByLabelText('Name');
    await user.clear(name);
    await user.type(name, 'Idris Vane-Holt');
    await user.click(button('Save'));
    expect(await screen.findByText(/Which Idris Vane shall stand/)).toBeTruthy();
    await waitFor(() => expect(document.body.textContent).toMatch(/Vane-Holt/));
    expect(reload).not.toHaveBeenCalled();
  });

  it('a guardian answers for somebody, and for whom can be changed', async () => {
    const user = open();
    await user.click(button('Add a guardian'));
    await user.type(screen.getByLabelText('Name'), 'Tamsin Oakes');
    await user.click(button('Add'));
    expect(await screen.findByText('Say for whom.')).toBeTruthy();
    await user.type(screen.getByLabelText('Answers for'), 'Bram');
    await user.click(screen.getByRole('option', { name: 'Bram Oakes' }));
    await user.click(button('Add'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      name: 'guardian.save',
      input: { name: 'Tamsin Oakes', studentIds: [idFor('bram')] },
    });
  });

  it('a password is made to be said aloud, shown once, and given to the guardian of a minor', async () => {
    answer = (init) => doneAs(idIn(init), { guardianFirst: true });
    const user = open();
    await user.click(row('Ilse Marrow').getByRole('button', { name: 'Let in' }));
    await user.type(screen.getByLabelText('E-mail'), 'ilse@causewayhall.example');
    await user.click(button('Give a sign-in'));
    expect(await screen.findByRole('heading', { name: 'Ilse Marrow can sign in' })).toBeTruthy();
    const password = sent[0]!.input['password'] as string;
    expect(password).toMatch(/^[a-z]+(-[a-z]+){3}-\d{3}$/);
    expect(screen.getByText(password)).toBeTruthy();
    expect(screen.getByText(/give this to the guardian/)).toBeTruthy();
  });

  it('an address that is none is told before anything is sent; one that is taken, after', async () => {
    const user = open();
    await user.click(row('Bram Oakes').getByRole('button', { name: 'Let in' }));
    await user.type(screen.getByLabelText('E-mail'), 'bram');
    await user.click(button('Give a sign-in'));
    expect(await screen.findByText('This is no e-mail address.')).toBeTruthy();
    expect(sent).toEqual([]);
    answer = (init) =>
      refusedAs(
        409,
        'Taken.',
        { errors: [{ path: 'email', message: 'Somebody signs in with this address.' }] },
        idIn(init),
      );
    await user.type(screen.getByLabelText('E-mail'), '@causewayhall.example');
    await user.click(button('Give a sign-in'));
    expect(await screen.findByText('Somebody signs in with this address.')).toBeTruthy();
  });

  it('a sign-in is taken away, or it is said why it stays', async () => {
    answer = (init) => refusedAs(409, 'A school keeps a head who can sign in.', {}, idIn(init));
    const user = open();
    await user.click(row('Aldous Marrow').getByRole('button', { name: 'Change' }));
    await user.click(button('Take it away'));
    expect(await screen.findByText('A school keeps a head who can sign in.')).toBeTruthy();
    answer = (init) => doneAs(idIn(init));
    await user.click(button('Take it away'));
    await waitFor(() => expect(reload).toHaveBeenCalled());
  });
});
