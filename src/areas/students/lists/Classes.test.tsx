import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { ClassesView } from '../../../contracts/views';
import { idFor } from '../../../kit/testing/ids';
import { doneAs, idIn, shown } from '../../../kit/testing/server';
import { pageOf } from '../testing/student';
import Classes from './Classes';

let sent: { name: string; input: Record<string, unknown> }[] = [];
const rank = pageOf().student.rank;
const stance = idFor('stance');
const view = (more: Partial<ClassesView> = {}): ClassesView => ({
  classes: [],
  people: [
    { id: idFor('ilse'), name: 'Ilse Marrow', rank },
    { id: idFor('noor'), name: 'Noor Saltby', rank },
  ],
  items: [{ id: `t:${stance}`, name: 'Front stance', item: { technique: stance } }],
  putRight: [],
  timeZone: 'UTC',
  today: '2026-03-05',
  ...more,
});
const held: ClassesView['classes'][number] = {
  id: idFor('class'),
  day: '2026-03-04',
  minutes: 75,
  opened: '2026-03-04T18:28:00.000Z',
  by: 'Idris Vane',
  present: [idFor('ilse')],
  taught: [{ technique: stance }],
  mends: true,
};
beforeEach(() => {
  sent = [];
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    if (path.startsWith('/api/views/')) return Promise.resolve(shown(view({ classes: [held] })));
    if (path === '/api/trial') return Promise.resolve(shown({ students: [], told: null }));
    sent.push(JSON.parse(init?.body as string) as (typeof sent)[number]);
    return Promise.resolve(doneAs(idIn(init), {}));
  });
});

describe('the classes that were held', () => {
  it('say who opened them and when, who came, and what was taught', () => {
    render(<Classes view={view({ classes: [held, { ...held, id: idFor('other'), opened: null, mends: false }] })} />);
    const text = document.body.textContent;
    expect(text).toMatch(/4 March 2026 opened at .*28.* by Idris Vane75 minutes, 1 student/);
    expect(text).toMatch(/written in by Idris Vane/);
    expect(text).toMatch(/Front stance/);
    // Of long ago nothing is offered to who may not.
    expect(screen.getAllByRole('button', { name: /^Put right/ })).toHaveLength(1);
  });

  it('a forgotten one is written in, with what is missing said at its field', async () => {
    const user = userEvent.setup({ delay: null });
    render(<Classes view={view()} />);
    expect(screen.getByText(/None yet/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Write in a class' }));
    const sheet = within(screen.getByRole('form', { name: 'A class' }));
    await user.clear(sheet.getByLabelText('Day'));
    await user.type(sheet.getByLabelText('Day'), '4 March 2026');
    await user.type(sheet.getByLabelText('Minutes'), '2');
    await user.click(sheet.getByLabelText('Who came'));
    await user.click(await screen.findByRole('option', { name: 'Noor Saltby' }));
    await user.click(sheet.getByLabelText('What was taught'));
    await user.click(await screen.findByRole('option', { name: 'Front stance' }));
    await user.click(sheet.getByRole('button', { name: 'Write it in' }));
    expect(await sheet.findByText(/length of a class in minutes/i)).toBeTruthy();
    expect(sent).toEqual([]);
    await user.type(sheet.getByLabelText('Minutes'), '0');
    await user.click(sheet.getByRole('button', { name: 'Write it in' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      name: 'class.record',
      input: { day: '2026-03-04', minutes: 20, present: [idFor('noor')], taught: [{ technique: stance }] },
    });
    expect(await screen.findByText(/opened at/)).toBeTruthy();
  });

  it('a wrong one is put right or struck, with why', async () => {
    const user = userEvent.setup({ delay: null });
    render(<Classes view={view({ classes: [held] })} />);
    await user.click(screen.getByRole('button', { name: /^Put right: Class of 4 March/ }));
    await user.click(screen.getByRole('button', { name: 'Put it right' }));
    await waitFor(() => expect(sent).toMatchObject([{ input: { id: held.id, minutes: 75, present: held.present } }]));
    await user.click(screen.getByRole('button', { name: /^Strike: Class of 4 March/ }));
    await user.type(screen.getByLabelText('Because'), 'the hall was closed');
    await user.click(screen.getByRole('button', { name: 'Strike it' }));
    await waitFor(() =>
      expect(sent[1]).toMatchObject({
        name: 'record.strike',
        input: { kind: 'class', id: held.id, studentId: null, reason: 'the hall was closed' },
      }),
    );
  });
});
