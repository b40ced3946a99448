import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { StoreView } from '../../contracts/views';
import type { Piece, Thing } from '../../core';
import { idFor } from '../../kit/testing/ids';
import { EMPTY_THING, ThingSheet } from './ThingSheet';

const TODAY = '2026-03-12';
const piece = (n: number, more: Partial<Piece> = {}): Piece => ({
  id: idFor(`piece ${n}`),
  wrong: '',
  checked: null,
  checkBy: '2026-04-01',
  lent: null,
  ...more,
});
const staffs = (more: Partial<Thing> = {}): Thing => ({
  ...EMPTY_THING,
  name: 'Long staff',
  about: '1.80 m, ash',
  shape: 'staff',
  place: 'Rack',
  serves: 'staff',
  fromAge: 12,
  every: 30,
  pieces: [piece(1), piece(2, { wrong: 'cracked' }), piece(3)],
  ...more,
});
const viewOf = (more: Partial<StoreView> = {}): StoreView => ({
  today: TODAY,
  things: [],
  ranks: [],
  halls: [],
  tallest: null,
  tonight: null,
  ...more,
});
const HALL = { id: idFor('boat shed'), name: 'the boat shed' } as StoreView['halls'][number];

const save = vi.fn<(t: Thing) => Promise<string>>();
const remove = vi.fn();
const leave = vi.fn();
beforeEach(() => {
  save.mockReset().mockResolvedValue('');
  remove.mockReset();
  leave.mockReset();
});
const open = (of: Thing = staffs(), view = viewOf(), mayRemove = true) =>
  render(<ThingSheet of={of} view={view} save={save} remove={mayRemove ? remove : null} leave={leave} />);
const field = (name: string) => screen.getByRole<HTMLInputElement>('textbox', { name });
const type = (name: string, text: string) => fireEvent.change(field(name), { target: { value: text } });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const kept = async () => {
  press('Keep it');
  await waitFor(() => expect(save).toHaveBeenCalledTimes(1));
  return save.mock.calls[0]![0];
};
const choose = async (box: string, word: string) => {
  const u = userEvent.setup({ delay: null });
  await u.click(screen.getByRole('combobox', { name: box }));
  await u.click(screen.getByRole('option', { name: word }));
};

describe('a thing of the hall', () => {
  it('as it stands is kept as it stood, and the sheet goes', async () => {
    open();
    expect(await kept()).toEqual(staffs());
    await waitFor(() => expect(leave).toHaveBeenCalledTimes(1));
  });

  it('a new one needs a name and is due to be looked over at once', async () => {
    open(EMPTY_THING);
    expect(screen.getByRole('heading', { name: 'A thing of the hall' })).toBeTruthy();
    press('Keep it');
    await waitFor(() => expect(field('What it is').getAttribute('aria-invalid')).toBe('true'));
    expect(save).not.toHaveBeenCalled();
    type('What it is', 'Kick shield');
    type('How many', '2');
    const thing = await kept();
    expect(thing).toMatchObject({ name: 'Kick shield', serves: null, hallId: null, fromRankId: null, every: 90 });
    expect(thing.pieces.map((p) => [p.wrong, p.checkBy])).toEqual([
      ['', '2026-03-11'],
      ['', '2026-03-11'],
    ]);
  });

  it('fewer of them: what is to mend goes first, what is sound stays', async () => {
    open();
    type('How many', '2');
    expect((await kept()).pieces.map((p) => p.id)).toEqual([idFor('piece 1'), idFor('piece 3')]);
  });

  it.each([
    ['How many', 'many'],
    ['How many', '301'],
    ['How many', '-1'],
    ['People at one', '0'],
    ['From age', 'twelve'],
  ])('“%s” is not “%s”: that is said there, and what was typed stays', async (name, text) => {
    open();
    type(name, text);
    press('Keep it');
    await waitFor(() => expect(field(name).getAttribute('aria-invalid')).toBe('true'));
    expect(field(name).value).toBe(text);
    expect(save).not.toHaveBeenCalled();
  });

  it('of every age, and never looked over, where nothing is said', async () => {
    open();
    type('From age', '');
    type('Looked over every so many days', '');
    fireEvent.click(screen.getByRole('checkbox', { name: 'May be used without a teacher beside' }));
    expect(await kept()).toMatchObject({ fromAge: null, every: null, alone: false });
  });

  it('serves what is counted, from a belt on', async () => {
    open(staffs(), viewOf({ ranks: [{ id: idFor('fern'), name: 'Fern' } as StoreView['ranks'][number]] }));
    await choose('From belt', 'Fern');
    await choose('Serves', 'nothing counted');
    expect(await kept()).toMatchObject({ fromRankId: idFor('fern'), serves: null });
  });

  it('what was refused says why, and nothing of the sheet is lost', async () => {
    save.mockResolvedValue('Somebody else changed it.');
    open();
    type('Its place', 'The pegs');
    await kept();
    expect(await screen.findByText('Somebody else changed it.')).toBeTruthy();
    expect(field('Its place').value).toBe('The pegs');
    expect(leave).not.toHaveBeenCalled();
  });
});

describe('how it is looked over', () => {
  it('is said step by step; a step goes again', async () => {
    open(staffs({ how: [{ by: 'Knock', what: 'Dull is a crack.' }] }));
    press('One more step of looking over');
    type('2. With', 'Cloth');
    fireEvent.change(screen.getAllByRole('textbox', { name: 'What counts' })[1]!, {
      target: { value: 'Where it snags is a splinter.' },
    });
    press('Take step 1 out');
    expect((await kept()).how).toEqual([{ by: 'Cloth', what: 'Where it snags is a splinter.' }]);
  });
});

describe('where it stands', () => {
  it('is asked in a hall only, in metres, and on which side one works at it', async () => {
    const { unmount } = open(staffs(), viewOf({ halls: [HALL] }));
    expect(screen.queryByRole('button', { name: 'Say where it stands' })).toBeNull();
    unmount();
    open(staffs({ hallId: HALL.id }), viewOf({ halls: [HALL] }));
    press('Say where it stands');
    type('1. Metres from the left wall', '2,5');
    type('Metres from the front wall', '0.5');
    expect(screen.getByRole('button', { name: 'One more place' })).toBeTruthy();
    expect((await kept()).stands).toEqual([{ x: 2.5, y: 0.5, faces: 'back' }]);
  });

  it('a place is taken out again', async () => {
    const stands: Thing['stands'] = [
      { x: 1, y: 1, faces: 'back' },
      { x: 4, y: 1, faces: 'back' },
    ];
    open(staffs({ hallId: HALL.id, stands }), viewOf({ halls: [HALL] }));
    press('Take place 1 out');
    expect((await kept()).stands).toEqual([stands[1]]);
  });
});

describe('out of the store', () => {
  it('is asked twice', () => {
    open();
    press('Take it out of the store');
    expect(remove).not.toHaveBeenCalled();
    press('Yes, all of them are gone');
    expect(remove).toHaveBeenCalledTimes(1);
  });

  it('is nothing for who may not', () => {
    open(staffs(), viewOf(), false);
    expect(screen.queryByRole('button', { name: 'Take it out of the store' })).toBeNull();
  });
});
