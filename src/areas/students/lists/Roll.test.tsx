import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { RollView } from '../../../contracts/views';
import { idFor } from '../../../kit/testing/ids';
import { doneAs, idIn, refusedAs } from '../../../kit/testing/server';
import { pageOf } from '../testing/student';
import Roll from './Roll';

const [white, straw] = pageOf().ranks;
const person = (name: string) => ({
  id: idFor(name),
  name,
  rankId: white!.id,
  age: 20,
  born: null,
  since: '2025-06-01',
  lastHere: null,
  hasSignIn: false,
});
const view = {
  students: ['Ilse Marrow', 'Noor Saltby', 'Bram Oakes'].map(person),
  ranks: [white!, straw!],
  leftLately: [],
  gradingDay: null,
} as unknown as RollView;

interface Sent {
  id: string;
  name: string;
  input: { id: string; studentId: string; rankId: string; note: string };
}
let batches: Sent[][] = [];
let sent: Sent[] = [];
/** Whose belt the server does not take. */
let refused: string | null = null;
const reload = vi.fn();
beforeEach(() => {
  [batches, sent, refused] = [[], [], null];
  reload.mockClear();
  vi.stubGlobal('location', { ...window.location, reload, assign: vi.fn() });
  vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
    const body = JSON.parse(init?.body as string) as Sent & { commands: Sent[] };
    if (path !== '/api/commands/batch') {
      sent.push(body);
      return refusedAs(422, 'no', { errors: [{ path: 'name', message: 'A name is missing.' }] }, idIn(init));
    }
    batches.push(body.commands);
    const answers = await Promise.all(
      body.commands.map(async ({ id, input }) =>
        input.studentId === refused
          ? {
              id,
              status: 409,
              problem: (await refusedAs(409, 'The student wears this belt already.', {}, id).json()) as unknown,
            }
          : { id, status: 200, answer: {} },
      ),
    );
    return doneAs('batch', answers);
  });
});
const open = () => {
  render(<Roll view={view} mayChange today="2026-03-05" />);
  return userEvent.setup({ delay: null });
};
const choose = async (user: ReturnType<typeof open>, ...names: string[]) => {
  for (const name of names) {
    await user.click(screen.getByRole('combobox', { name: 'Students' }));
    await user.click(screen.getByRole('option', { name }));
  }
};

describe('a belt for several', () => {
  it('is a promotion of each; who was refused is named with why, and sending again gives nobody a second', async () => {
    refused = idFor('Noor Saltby');
    const user = open();
    await user.click(screen.getByRole('button', { name: 'Give several a belt' }));
    const give = screen.getByRole('button', { name: 'Give it to all of them' });
    await user.click(give);
    expect(await screen.findByText('Say who is given it.')).toBeTruthy();
    await choose(user, 'Ilse Marrow', 'Noor Saltby');
    await user.click(give);
    expect(await screen.findByText('1 belt was not given.')).toBeTruthy();
    const says = screen.getByText('1 belt is given. Not these:').parentElement!;
    expect(within(says).getByRole('listitem').textContent).toBe('Noor Saltby: The student wears this belt already.');
    expect(batches[0]!.map((c) => [c.name, c.input.studentId, c.input.rankId])).toEqual(
      ['Ilse Marrow', 'Noor Saltby'].map((n) => ['student.promote', idFor(n), straw!.id]),
    );
    refused = null;
    await user.click(give);
    await waitFor(() => expect(reload).toHaveBeenCalled());
    expect(batches[1]!.map((c) => c.id)).toEqual(batches[0]!.map((c) => c.id));
  });

  it('one student is added with what is wrong said at its field', async () => {
    const user = open();
    await user.click(screen.getByRole('button', { name: 'Add a student' }));
    await user.type(screen.getByLabelText('Name'), 'x');
    await user.type(screen.getByLabelText('Date of birth'), '4.5.60');
    await user.tab();
    // Two digits: the last such day, said back in words.
    expect(screen.getByLabelText('Date of birth')).toHaveProperty('value', '4 May 1960');
    await user.click(screen.getByRole('button', { name: 'Add' }));
    expect(await screen.findByText('A name is missing.')).toBeTruthy();
    expect(sent).toMatchObject([{ name: 'student.add', input: { born: '1960-05-04', since: '2026-03-05' } }]);
  });
});
