import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import type { IncidentsView } from '../../../contracts/views';
import { idFor } from '../../../kit/testing/ids';
import { smallServer } from '../../../kit/testing/smallServer';
import Incidents from './Incidents';

const people = ['Ilse Marrow', 'Bram Oakes', 'Maren Holt'].map((name) => ({
  id: idFor(name),
  name,
  staff: name === 'Maren Holt',
}));
const [ilse, bram, maren] = people;
const view = (more: Partial<IncidentsView> = {}): IncidentsView => ({
  incidents: [],
  sums: [],
  people,
  items: [
    { key: `t:${idFor('kick')}`, name: 'Front kick' },
    { key: `s:${idFor('touch')}`, name: 'Touch game' },
  ],
  me: maren!.id,
  today: '2026-03-05',
  ...more,
});
const knock: IncidentsView['incidents'][number] = {
  id: idFor('knock'),
  day: '2026-03-04',
  hurt: 'Ilse Marrow',
  cause: 'Bram Oakes',
  charge: 'Maren Holt',
  doing: 'Touch game',
  what: 'A hand to the temple.',
  done: 'Off the floor, seen by a doctor.',
  head: true,
};

let server: ReturnType<typeof smallServer>;
beforeEach(() => void (server = smallServer()));
const user = userEvent.setup({ delay: null });
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const put = async (name: string, text: string) => {
  await user.click(screen.getByLabelText(name));
  await user.paste(text);
};
const pick = async (name: string | RegExp, option: string) => {
  await user.click(screen.getByRole('combobox', { name }));
  await user.click(screen.getByRole('option', { name: option }));
};

describe('who was hurt', () => {
  it('is said with all three parties, the head first, and summed per drill', () => {
    const fell = { ...knock, id: idFor('fell'), cause: null, done: '', head: false, doing: 'Sluice' };
    const sums = [{ doing: 'Touch game', n: 2, heads: 1, last: '2026-03-04' }];
    render(<Incidents view={view({ incidents: [knock, fell], sums })} />);
    const [first, second] = screen.getAllByRole('listitem').map((li) => li.textContent);
    expect(first).toMatch(/^Ilse Marrow was hurt by Bram Oakes, Touch game head.*temple\..*In charge: Maren Holt\.$/);
    expect(second).toMatch(/^Ilse Marrow was hurt, by nobody else, Sluice/);
    expect(second).not.toMatch(/head/);
    expect(screen.getByText('2').closest('li')!.textContent).toMatch(/^Touch game2 times, 1 to the head, last 4 March/);
    // The usual caution stands above whatever happened.
    expect(screen.getByText(/A knock to the head: off the floor, medical assessment/)).toBeTruthy();
  });

  it('where nobody was, says so', () => {
    render(<Incidents view={view()} />);
    expect(screen.getByText('None is recorded.')).toBeTruthy();
    expect(screen.getByText('Nothing to add up.')).toBeTruthy();
  });
});

describe('recording an incident', () => {
  const begin = async () => {
    render(<Incidents view={view()} />);
    await user.click(button('Record an incident'));
  };

  it('asks who, by whom, in charge of whom, doing what; a thing of the library is kept as that', async () => {
    await begin();
    // Who records was in charge unless they say otherwise; only who teaches can have been.
    await user.click(screen.getByRole('combobox', { name: 'Who was in charge' }));
    expect(screen.queryByRole('option', { name: 'Bram Oakes' })).toBeNull();
    await user.keyboard('{Escape}');
    await pick('Who was hurt', 'Ilse Marrow');
    await pick(/^By whom/, 'Bram Oakes');
    await put('Doing what', 'Touch game');
    await put('What happened', 'A hand to the temple.');
    await user.click(screen.getByLabelText('A knock to the head'));
    expect(screen.getByText(/^Off the floor now, medical assessment/)).toBeTruthy();
    server.views['incidents'] = view({ incidents: [knock] });
    await user.click(button('Record it'));
    expect(await screen.findByText('A hand to the temple.')).toBeTruthy();
    expect(server.sent).toMatchObject([
      {
        name: 'incident.record',
        input: {
          day: '2026-03-05',
          hurtId: ilse!.id,
          causeId: bram!.id,
          chargeId: maren!.id,
          techniqueId: null,
          sequenceId: idFor('touch'),
          doing: '',
          head: true,
        },
      },
    ]);
    expect(screen.queryByRole('button', { name: 'Record it' })).toBeNull();
  });

  it('what is missing, and one who would have hurt themselves, is said at its field; nothing is sent', async () => {
    await begin();
    await user.click(button('Record it'));
    for (const says of ['Say who was hurt.', 'Say what happened.']) expect(await screen.findByText(says)).toBeTruthy();
    await pick('Who was hurt', 'Ilse Marrow');
    await put('What happened', 'Slipped on the stairs.');
    await user.click(button('Record it'));
    expect(await screen.findByText('Say what they were doing.')).toBeTruthy();
    await pick(/^By whom/, 'Ilse Marrow');
    await put('Doing what', 'carrying mats');
    await user.click(button('Record it'));
    expect(await screen.findByText(/are two people; leave it open otherwise/)).toBeTruthy();
    expect(server.sent).toEqual([]);
  });

  it('that is refused stays typed, and one that was taken but cannot be shown is said to be taken', async () => {
    await begin();
    await pick('Who was hurt', 'Ilse Marrow');
    await put('Doing what', 'carrying mats');
    await put('What happened', 'Slipped on the stairs.');
    server.refuse = { status: 409, title: 'Ilse Marrow left the school on 1 March.' };
    await user.click(button('Record it'));
    expect(await screen.findByText('Ilse Marrow left the school on 1 March.')).toBeTruthy();
    expect(screen.getByLabelText('What happened')).toHaveProperty('value', 'Slipped on the stairs.');
    server.refuse = null;
    await user.click(button('Record it'));
    await waitFor(() =>
      expect(within(screen.getAllByRole('alert')[0]!).getByText(/^It is recorded, but/)).toBeTruthy(),
    );
    expect(server.sent.at(-1)!.input).toMatchObject({ techniqueId: null, sequenceId: null, doing: 'carrying mats' });
  });
});
