import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { EMPTY_BLOCK, EMPTY_SEQUENCE, itemKey, type Block } from '../../core';
import { itemsOf } from '../../kit/mat/line';
import { HEEL, kitOf, sequence, technique } from '../../kit/mat/testing/kit';
import { idFor } from '../../kit/testing/ids';
import { BlockSheet } from './BlockSheet';

const kick = technique([HEEL], { name: 'Front kick' });
const punch = technique([HEEL], { id: idFor('punch'), name: 'Stepping punch' });
const sluice = sequence(EMPTY_SEQUENCE, { id: idFor('sluice'), title: 'Sluice' });
const kit = kitOf({
  techniques: [kick, punch],
  sequences: [sluice],
  conditions: [{ id: idFor('on the pads'), name: 'on the pads' } as never],
});
const items = itemsOf(kit);
const block = (more: Partial<Block> = {}): Block => ({
  ...EMPTY_BLOCK,
  id: idFor('block'),
  name: 'Kicks',
  minutes: 30,
  kind: 'basics',
  items: [{ item: { technique: kick.id }, conditionId: null }],
  ...more,
});

const said = vi.fn<(change: Partial<Block>, says: string) => void>();
const remove = vi.fn();
const close = vi.fn();
beforeEach(() => {
  for (const f of [said, remove, close]) f.mockReset();
});
/** As the plan keeps it: what is changed stands in the sheet at once. */
function Kept({ first }: { first: Block }) {
  const [now, setNow] = useState(first);
  return (
    <BlockSheet
      kit={kit}
      items={items}
      block={now}
      onChange={(change, says) => {
        said(change, says);
        setNow({ ...now, ...change });
      }}
      onRemove={remove}
      onClose={close}
    />
  );
}
const open = (more: Partial<Block> = {}) => render(<Kept first={block(more)} />);
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name);
const leaveField = (name: string, text: string) => {
  fireEvent.change(field(name), { target: { value: text } });
  fireEvent.blur(field(name));
};
const changes = () => said.mock.calls.map(([change]) => change);
const choose = async (box: string | RegExp, word: string | RegExp) => {
  const u = userEvent.setup({ delay: null });
  await u.click(screen.getByRole('combobox', { name: box }));
  await u.click(screen.getByRole('option', { name: word }));
};

describe('a block of the plan', () => {
  it('a word is one change, when one leaves its field, and none where nothing was typed', () => {
    open();
    fireEvent.change(field('How'), { target: { value: 'By tens' } });
    expect(said).not.toHaveBeenCalled();
    fireEvent.change(field('How'), { target: { value: 'By tens a side' } });
    fireEvent.blur(field('How'));
    expect(said.mock.calls).toEqual([[{ how: 'By tens a side' }, 'how Kicks is done']]);
    fireEvent.blur(field('How'));
    leaveField('Who does what', 'Idris takes line 2');
    leaveField('What is taken out for it', 'Shields');
    leaveField('What to mind', 'Toes back');
    expect(changes().slice(1)).toEqual([
      { who: 'Idris takes line 2' },
      { things: 'Shields' },
      { caution: 'Toes back' },
    ]);
  });

  it('is renamed without the spaces, and never to nothing', () => {
    open();
    leaveField('Name', '   ');
    expect(said).not.toHaveBeenCalled();
    expect(field('Name').value).toBe('Kicks');
    leaveField('Name', '  Kicks by lines ');
    expect(changes()).toEqual([{ name: 'Kicks by lines' }]);
    expect(screen.getByRole('heading', { name: 'Kicks by lines' })).toBeTruthy();
  });

  it.each(['0', '-5', '301', '12.5', '', 'half'])('“%s” minutes are no time: the plan keeps its own', (typed) => {
    open();
    leaveField('Minutes', typed);
    expect(said).not.toHaveBeenCalled();
  });

  it('takes its minutes at Enter as at leaving the field', () => {
    open();
    fireEvent.change(field('Minutes'), { target: { value: '25' } });
    fireEvent.keyDown(field('Minutes'), { key: 'a' });
    expect(said).not.toHaveBeenCalled();
    fireEvent.keyDown(field('Minutes'), { key: 'Enter' });
    expect(changes()).toEqual([{ minutes: 25 }]);
  });

  it('keeps its minutes or may give them, and says which', () => {
    open();
    fireEvent.click(screen.getByRole('checkbox', { name: 'Keeps its minutes when time runs short' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Keeps its minutes when time runs short' }));
    expect(said.mock.calls).toEqual([
      [{ pinned: true }, 'Kicks keeps its minutes'],
      [{ pinned: false }, 'Kicks may give its minutes'],
    ]);
  });

  it('changes its kind, goes as a whole, and is closed', async () => {
    open();
    await choose('Kind', 'forms');
    expect(changes()).toEqual([{ kind: 'forms' }]);
    fireEvent.click(button('Take this block out'));
    fireEvent.click(button('Close'));
    expect([remove.mock.calls.length, close.mock.calls.length]).toEqual([1, 1]);
  });
});

describe('what is worked at in it', () => {
  it('goes out, and another thing comes in that is not in it already', async () => {
    open();
    const u = userEvent.setup({ delay: null });
    await u.click(screen.getByRole('combobox', { name: 'One more thing to work on' }));
    expect(screen.getAllByRole('option').map((o) => o.textContent)).not.toContain('Front kick');
    await u.click(screen.getByRole('option', { name: 'Stepping punch' }));
    expect(changes().at(-1)!.items).toEqual([
      { item: { technique: kick.id }, conditionId: null },
      { item: { technique: punch.id }, conditionId: null },
    ]);
    await u.click(button('Take Front kick out'));
    expect(
      changes()
        .at(-1)!
        .items!.map((i) => itemKey(i.item)),
    ).toEqual([itemKey({ technique: punch.id })]);
  });

  it('is done as usual or in a way of its own', async () => {
    open();
    await choose('How Front kick is done', 'on the pads');
    expect(changes().at(-1)!.items).toEqual([{ item: { technique: kick.id }, conditionId: idFor('on the pads') }]);
    await choose('How Front kick is done', 'as usual');
    expect(changes().at(-1)!.items).toEqual([{ item: { technique: kick.id }, conditionId: null }]);
  });

  it('what the library lost can still be taken out', () => {
    open({ items: [{ item: { technique: idFor('gone') }, conditionId: null }] });
    expect(screen.getByText('not in the library any more')).toBeTruthy();
    fireEvent.click(button('Take not in the library any more out'));
    expect(changes()).toEqual([{ items: [] }]);
  });

  it('a form says how it is called, a technique does not', async () => {
    const form = { item: { sequence: sluice.id, part: null }, conditionId: null } as Block['items'][number];
    open({ items: [...block().items, form] });
    expect(screen.queryByRole('button', { name: /for Front kick$/ })).toBeNull();
    fireEvent.click(button(/^Called as the caller likes for Sluice$/));
    const sheet = within(screen.getByRole('form', { name: 'How Sluice is called' }));
    fireEvent.change(sheet.getByRole('textbox', { name: 'Rounds' }), { target: { value: '3' } });
    fireEvent.click(sheet.getByRole('button', { name: 'Keep it' }));
    await waitFor(() => expect(said).toHaveBeenCalled());
    expect(changes().at(-1)!.items![1]).toMatchObject({ ...form, call: { rounds: 3 } });
    expect(screen.queryByRole('form', { name: 'How Sluice is called' })).toBeNull();
    fireEvent.click(button(/^Called .* for Sluice$/));
    fireEvent.click(button('As the caller likes'));
    await waitFor(() => expect(changes().at(-1)!.items![1]).toMatchObject({ call: null }));
  });
});

describe('with a partner', () => {
  it('begins as a drill in which nothing lands; without one again it is nobody’s', () => {
    open();
    const box = screen.getByRole('checkbox', { name: 'With a partner' });
    fireEvent.click(box);
    expect(changes().at(-1)).toEqual({ pairs: { kind: 'drill', rung: 0, answers: false, rounds: 3 } });
    expect(screen.queryByRole('combobox', { name: 'At most' })).toBeNull();
    fireEvent.click(box);
    expect(changes().at(-1)).toEqual({ pairs: null });
  });

  it('contact begins on the first rung, says what decides, and leaves no rung behind', async () => {
    open({ pairs: { kind: 'drill', rung: 0, answers: false, rounds: 3 } });
    expect(screen.queryByText(/lower yes of the two decides/)).toBeNull();
    await choose('What for', /^contact/);
    expect(changes().at(-1)).toEqual({ pairs: { kind: 'contact', rung: 1, answers: false, rounds: 3 } });
    expect(screen.getByText(/Local rules on minors come first/)).toBeTruthy();
    await choose('At most', /^2: /);
    expect(changes().at(-1)).toMatchObject({ pairs: { rung: 2 } });
    await choose('What for', /^a drill/);
    expect(changes().at(-1)).toMatchObject({ pairs: { kind: 'drill', rung: 0 } });
  });

  it('has its rounds, and may leave the defence to those who have the answers', async () => {
    open({ pairs: { kind: 'holding', rung: 0, answers: false, rounds: 3 } });
    await choose('Rounds', '10');
    fireEvent.click(screen.getByRole('checkbox', { name: 'Only who has the answers defends' }));
    expect(changes()).toEqual([
      { pairs: { kind: 'holding', rung: 0, answers: false, rounds: 10 } },
      { pairs: { kind: 'holding', rung: 0, answers: true, rounds: 10 } },
    ]);
  });
});
