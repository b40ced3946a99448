import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { StudentFollowed } from '../../../contracts/trial';
import { idFor } from '../../../kit/testing/ids';
import { smallServer } from '../../../kit/testing/smallServer';
import { pageOf } from '../testing/student';
import { Mend, type LookShown } from './Mend';

const seen: LookShown['marks'][number] = {
  point: 'Rear heel down',
  words: '3 of 5',
  felt: null,
  unit: null,
  sent: { pointId: idFor('heel'), kind: 'seen', held: 3, of: 5, reps: 'HHHSS', toldBy: null },
};
const measured: LookShown['marks'][number] = {
  point: 'Weight forward',
  words: '58 %',
  felt: null,
  unit: '%',
  sent: { pointId: idFor('weight'), kind: 'measured', values: [58, 62], halves: null },
};
const look = (more: Partial<LookShown> = {}): LookShown => ({
  id: idFor('look'),
  day: '2026-10-31',
  item: 'Stepping punch',
  condition: 'in air',
  side: 'left',
  purpose: null,
  stage: null,
  by: 'Idris Vane',
  note: '',
  role: null,
  partner: null,
  replaced: false,
  later: null,
  mends: true,
  technique: true,
  marks: [seen, measured],
  ...more,
});

let server: ReturnType<typeof smallServer>;
const done = vi.fn(() => Promise.resolve());
const leave = vi.fn();
beforeEach(() => {
  server = smallServer();
  done.mockClear();
  leave.mockClear();
});
const open = (of: LookShown = look()) =>
  render(<Mend look={of} view={pageOf()} done={done} leave={leave} onLeft={() => undefined} />);
const field = (name: string | RegExp) => screen.getByRole<HTMLInputElement>('textbox', { name });
const type = (name: string | RegExp, text: string) => fireEvent.change(field(name), { target: { value: text } });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const choose = (word: string) => fireEvent.click(screen.getByRole('radio', { name: word }));
const nothing: Omit<StudentFollowed, 'id' | 'name'> = {
  belt: null,
  asked: null,
  verdicts: [],
  gates: [],
  focus: null,
  chance: null,
  looksStay: null,
};

describe('a look that was marked wrong', () => {
  it('is put right mark by mark; which repetition it was is not known any more', async () => {
    open();
    expect(screen.getByRole('heading', { name: 'Stepping punch, left, 31 October 2026' })).toBeTruthy();
    type('Rear heel down: held, of 5', '4');
    const [first, second] = screen.getAllByRole<HTMLInputElement>('textbox', { name: 'Weight forward, in %' });
    expect([first!.value, second!.value]).toEqual(['58', '62']);
    fireEvent.change(second!, { target: { value: '64,5' } });
    choose('right');
    type('Because', 'The tablet was held the other way round.');
    press('Put it right');
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(server.sent).toHaveLength(1);
    expect(server.sent[0]).toMatchObject({
      name: 'look.mend',
      input: {
        lookId: idFor('look'),
        side: 'right',
        reason: 'The tablet was held the other way round.',
        marks: [
          { pointId: idFor('heel'), held: 4, of: 5, reps: null },
          { pointId: idFor('weight'), values: [58, 64.5] },
        ],
      },
    });
  });

  it('no more hold than were done: that is said at the field, and nothing is sent', async () => {
    open();
    type('Rear heel down: held, of 5', '7');
    type('Because', 'counted again');
    press('Put it right');
    expect(await screen.findByText('No more can hold than were done.')).toBeTruthy();
    expect(field('Rear heel down: held, of 5').getAttribute('aria-invalid')).toBe('true');
    expect(server.sent).toEqual([]);
  });

  it('asks why, and says at its field where nothing was said', async () => {
    open();
    press('Put it right');
    expect(await screen.findByText('Say why: it is kept with it.')).toBeTruthy();
    expect(server.sent).toEqual([]);
    expect(done).not.toHaveBeenCalled();
  });

  it('of a thing that has no sides asks for none', () => {
    open(look({ side: 'none', marks: [seen] }));
    expect(screen.queryByRole('radio', { name: 'left' })).toBeNull();
    expect(screen.getByRole('heading', { name: 'Stepping punch, 31 October 2026' })).toBeTruthy();
  });

  it('says beforehand what follows from it', async () => {
    server.followed = {
      students: [
        {
          ...nothing,
          id: idFor('ilse'),
          name: 'Ilse Marrow',
          verdicts: [{ item: 'Stepping punch', was: 'met', now: 'close', reason: 'Held in 7 of the last 10.' }],
          chance: { was: '8 in 10', now: null },
        },
      ],
      told: 'Idris Vane',
    };
    open();
    expect(screen.getByText('Working it out…')).toBeTruthy();
    expect(await screen.findByText('Held in 7 of the last 10.')).toBeTruthy();
    expect(screen.getByText('too little known')).toBeTruthy();
    expect(screen.getByText('Idris Vane is told.')).toBeTruthy();
  });

  it('from which nothing follows says that as well; what cannot be read is not tried', async () => {
    open();
    expect(await screen.findByText('Every word, gate and chance stays as it is.')).toBeTruthy();
    type('Rear heel down: held, of 5', 'four');
    await waitFor(() => expect(screen.queryByRole('heading', { name: 'What follows' })).toBeNull());
    expect(field('Rear heel down: held, of 5').value).toBe('four');
  });

  it('where it is refused what was typed stays', async () => {
    server.refuse = { status: 409, title: 'It was struck meanwhile.' };
    open();
    type('Rear heel down: held, of 5', '2');
    type('Because', 'looked at the film');
    press('Put it right');
    expect(await screen.findByText('It was struck meanwhile.')).toBeTruthy();
    expect(field('Rear heel down: held, of 5').value).toBe('2');
    expect(done).not.toHaveBeenCalled();
  });
});

describe('a look that was somebody else’s', () => {
  const roll = { ranks: [], leftLately: [], gradingDay: null, students: [] as object[] };

  it('is theirs from the roll, never the same student’s again', async () => {
    server.views = {
      roll: {
        ...roll,
        students: [
          { id: idFor('ilse'), name: 'Ilse Marrow' },
          { id: idFor('bram'), name: 'Bram Oakes' },
        ],
      },
    };
    open();
    choose('somebody else’s');
    const u = userEvent.setup({ delay: null });
    const box = screen.getByRole('combobox', { name: 'Whose was it?' });
    await waitFor(async () => {
      await u.click(box);
      expect(screen.getAllByRole('option').map((o) => o.textContent)).toEqual(['Bram Oakes']);
    });
    await u.click(screen.getByRole('option', { name: 'Bram Oakes' }));
    type('Because', 'They changed places');
    press('It was theirs');
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(server.sent.at(-1)).toMatchObject({
      name: 'look.move',
      input: { lookId: idFor('look'), studentId: idFor('bram'), reason: 'They changed places' },
    });
  });

  it('without a name says so at its field', async () => {
    server.views = { roll };
    open();
    choose('somebody else’s');
    type('Because', 'They changed places');
    press('It was theirs');
    expect(await screen.findByText('Say whose it was.')).toBeTruthy();
    expect(server.sent).toEqual([]);
  });

  it('where the roll cannot be read says why', async () => {
    open();
    choose('somebody else’s');
    expect(await screen.findByText('The database cannot be reached just now.')).toBeTruthy();
  });
});

describe('a showing of a form', () => {
  it('is not put right mark by mark: it becomes somebody else’s or is struck', () => {
    open(look({ technique: false, item: 'Sluice', marks: [] }));
    expect(screen.queryByRole('radio', { name: 'put it right' })).toBeNull();
    expect(screen.getByRole('radio', { name: 'strike it', checked: true })).toBeTruthy();
  });

  it('is struck with why', async () => {
    open(look({ technique: false, item: 'Sluice', marks: [] }));
    type('Because', 'It was a rehearsal.');
    press('Strike it');
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(server.sent.at(-1)).toMatchObject({
      name: 'record.strike',
      input: { id: idFor('look'), kind: 'look', reason: 'It was a rehearsal.' },
    });
  });
});
