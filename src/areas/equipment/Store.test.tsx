import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { StoreView, ThingShown } from '../../contracts/views';
import type { Piece, Thing } from '../../core';
import { doneAs, refusedAs } from '../../kit/testing/server';
import { HallPlans } from './HallPlans';
import StorePage from './StorePage';

const TODAY = '2026-03-12';
const id = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const piece = (n: number, more: Partial<Piece> = {}): Piece => ({
  id: id(n),
  wrong: '',
  checked: null,
  checkBy: '2026-04-01',
  lent: null,
  ...more,
});
const staffs: ThingShown = {
  id: id(1),
  version: 4,
  name: 'Long staff',
  about: '1.80 m, ash',
  shape: 'staff',
  place: 'Rack',
  hallId: null,
  serves: 'staff',
  fromAge: 12,
  fromRankId: null,
  alone: true,
  people: 1,
  every: 30,
  how: [{ by: 'Knock', what: 'Dull is a crack.' }],
  stands: [],
  pieces: [piece(10), piece(11, { checkBy: '2026-03-01' }), piece(12, { lent: { to: 'Dilip', until: null } })],
};
const view = (more: Partial<StoreView> = {}): StoreView => ({
  today: TODAY,
  things: [staffs],
  ranks: [],
  halls: [],
  tallest: null,
  tonight: {
    needs: [{ blockId: id(5), block: 'Staff', at: 1180, serves: 'staff', fromRank: 0 }],
    people: [20, 30, 9].map((age) => ({ rank: 0, age })),
    called: false,
  },
  ...more,
});
let sent: { thing: Thing; version?: number; id: string }[] = [];
let refuse = false;
beforeEach(() => {
  sent = [];
  refuse = false;
  vi.stubGlobal('fetch', (_path: string, init: RequestInit) => {
    const body = JSON.parse(init.body as string) as { id: string; input: (typeof sent)[number] };
    sent.push(body.input);
    return Promise.resolve(
      refuse
        ? refusedAs(409, 'Somebody else changed it.', { errors: [] }, body.id)
        : doneAs(body.id, { id: body.input.id, version: 5 }),
    );
  });
});
const user = userEvent.setup({ delay: null });
const button = (name: string | RegExp) => screen.getByRole('button', { name });

describe('the store', () => {
  it('says what is short tonight, opens it, and is enough as soon as the one that was due is looked over', async () => {
    render(<StorePage view={view()} head />);
    expect(screen.getByText('Long staff, one short at 19:40.')).toBeTruthy();
    const panel = screen.getByRole('region', { name: 'Long staff, 1 short' });
    expect(panel.textContent).toContain('Staff: 2 students may use it. 1 of 2 are sound.');
    expect(panel.textContent).toContain('Look over the one that is due, since 1 March.');
    await user.click(within(panel).getByRole('button', { name: 'Looked over: 1 piece' }));
    expect(await screen.findByText('Everything is there.')).toBeTruthy();
    expect(sent[0]).toMatchObject({ id: staffs.id, version: 4 });
    expect(sent[0]!.thing.pieces[1]).toMatchObject({ checked: TODAY, checkBy: '2026-04-11' });
    expect(screen.getByText('2 sound, 1 lent')).toBeTruthy();
  });

  it('by keys: chosen pieces are set to mend with what is wrong, lent until a day that is one, and brought back', async () => {
    render(<StorePage view={view()} head />);
    await user.click(button('1, sound'));
    await user.keyboard('m');
    await user.click(button('Keep it'));
    expect(screen.getByText('Say what is wrong with it.')).toBeTruthy();
    expect(sent).toEqual([]);
    // A letter in a field is a letter.
    await user.type(screen.getByLabelText('What is wrong with 1 piece'), 'cracked{Enter}');
    await waitFor(() => expect(sent[0]?.thing.pieces[0]!.wrong).toBe('cracked'));
    expect(await screen.findByText('1 due, 1 cracked, 1 lent')).toBeTruthy();
    await user.click(button('2, due'));
    await user.keyboard('l');
    await user.type(screen.getByLabelText('Who has 1 piece'), 'Mei');
    await user.type(screen.getByLabelText('Until'), '31 February 2026');
    await user.click(button('Keep it'));
    expect(sent).toHaveLength(1);
    await user.clear(screen.getByLabelText('Until'));
    await user.click(button('Keep it'));
    await waitFor(() => expect(sent[1]?.thing.pieces[1]!.lent).toEqual({ to: 'Mei', until: null }));
    await user.click(await screen.findByRole('button', { name: /^Back: Mei, Dilip$/ }));
    await waitFor(() => expect(sent[2]?.thing.pieces.every((p) => p.lent === null)).toBe(true));
  });

  it('a refusal is said and nothing on the page pretends it was kept', async () => {
    refuse = true;
    render(<StorePage view={view()} head />);
    await user.click(button('Looked over: 1 piece'));
    expect(await screen.findByText('Somebody else changed it.')).toBeTruthy();
    expect(screen.getByText('1 sound, 1 due, 1 lent')).toBeTruthy();
  });

  it('everything due is looked over after asking once more', async () => {
    render(<StorePage view={view()} head />);
    await user.click(button('Check what is due'));
    expect(screen.getByText(/^Due are Long staff\./)).toBeTruthy();
    expect(sent).toEqual([]);
    await user.click(button('All of it is sound'));
    expect(await screen.findByText('1 piece looked over.')).toBeTruthy();
    expect(button('Nothing is due')).toHaveProperty('disabled', true);
  });

  it('of an empty school takes a first thing in; without a name it is not kept', async () => {
    render(<StorePage view={view({ things: [], tonight: null })} head={false} />);
    expect(screen.getByText('Nothing is in the store yet.')).toBeTruthy();
    expect(screen.getByText(/no class is planned/)).toBeTruthy();
    await user.click(button('Add a thing'));
    await user.click(button('Keep it'));
    expect(await screen.findByText('A name is missing.')).toBeTruthy();
    await user.type(screen.getByLabelText('What it is'), 'Kick shield');
    const count = screen.getByLabelText('How many');
    await user.clear(count);
    await user.type(count, '2');
    await user.click(button('Keep it'));
    await waitFor(() => expect(sent[0]?.thing).toMatchObject({ name: 'Kick shield', serves: null, fromRankId: null }));
    expect(sent[0]!.thing.pieces).toHaveLength(2);
    expect(await screen.findByText('2 due')).toBeTruthy();
  });

  it('is taken out by the head only, asked twice', async () => {
    const { unmount } = render(<StorePage view={view()} head={false} />);
    await user.click(button('Change'));
    expect(screen.queryByRole('button', { name: 'Take it out of the store' })).toBeNull();
    unmount();
    render(<StorePage view={view()} head />);
    await user.click(button('Change'));
    await user.click(button('Take it out of the store'));
    expect(sent).toEqual([]);
    await user.click(button('Yes, all of them are gone'));
    expect(await screen.findByText('Nothing is in the store yet.')).toBeTruthy();
  });
});

it('where things stand is drawn with what is in whose way, for the tallest on the roll', () => {
  const post: ThingShown = {
    ...staffs,
    id: 'post',
    name: 'Striking post',
    shape: 'post',
    serves: 'striking post',
    hallId: 'h',
    stands: [
      { x: 6, y: 4, faces: 'back' },
      { x: 6, y: 8, faces: 'back' },
    ],
  };
  const shown = view({ halls: [{ id: 'h', name: 'Causeway Hall', width: 12, depth: 9 }], tallest: 1.8 });
  const { rerender, container } = render(<HallPlans view={shown} things={[staffs, post]} />);
  expect(
    screen.getByText(/^Striking post 2: 33 cm are missing to the back wall, for room behind the elbow/),
  ).toBeTruthy();
  expect(screen.getByRole('img', { name: /^Causeway Hall from above, 12 by 9 metres/ })).toBeTruthy();
  rerender(<HallPlans view={{ ...shown, tallest: 1.2 }} things={[post]} />);
  expect(screen.getByText('Everything has its room.')).toBeTruthy();
  rerender(<HallPlans view={shown} things={[staffs]} />);
  expect(container.textContent).toBe('');
});
