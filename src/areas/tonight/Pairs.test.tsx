import { fireEvent, render, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { CalledPair, LookKitView } from '../../contracts/views';
import { EMPTY_BLOCK, type Block } from '../../core';
import type { KitStudent } from '../../kit/mat/line';
import { kitOf, student } from '../../kit/mat/testing/kit';
import { idFor } from '../../kit/testing/ids';
import { calledKey, type Called } from './pairing';
import { Pairs } from './Pairs';

const block = (more: Partial<NonNullable<Block['pairs']>> = {}, n = 1): Block => ({
  ...EMPTY_BLOCK,
  id: idFor(`block ${n}`),
  name: n === 1 ? 'Four quarters' : 'Shields',
  minutes: 15,
  pairs: { kind: 'contact', rung: 3, answers: false, rounds: 2, ...more },
});
const ilse = student(1, 'Ilse Marrow', { rung: 2, age: 14, minor: true });
const noor = student(10, 'Noor Saltby', { rung: 2 });
const bram = student(2, 'Bram Oakes', { rung: 3 });
const mei = student(3, 'Mei Tolland', { rung: 3 });
const owen = student(4, 'Owen Acheson', { rung: 1 });

beforeEach(() => {
  localStorage.clear();
});
const calledPairs = vi.fn<(block: string, round: number, pairs: readonly CalledPair[]) => void>();
const onBlock = vi.fn();
const onBack = vi.fn();
beforeEach(() => {
  for (const f of [calledPairs, onBlock, onBack]) f.mockReset();
});

/** As the class keeps it: what is called stands on the screen at once. */
function Evening({
  people,
  kit = {},
  of = block(),
  blocks = [of],
  first = {},
}: {
  people: KitStudent[];
  kit?: Partial<LookKitView>;
  of?: Block;
  blocks?: Block[];
  first?: Called;
}) {
  const [called, setCalled] = useState<Called>(first);
  const call = (id: string, round: number, pairs: readonly CalledPair[]) => {
    calledPairs(id, round, pairs);
    const key = calledKey(id, round);
    const rest = Object.fromEntries(Object.entries(called).filter(([k]) => k !== key));
    setCalled(pairs.length === 0 ? rest : { ...rest, [key]: pairs });
  };
  return (
    <Pairs
      kit={kitOf({ students: people, ...kit })}
      blocks={blocks}
      block={of}
      people={people}
      calls={{ called, call, merge: () => undefined }}
      onBlock={onBlock}
      onBack={onBack}
    />
  );
}
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const press = (name: string | RegExp) => fireEvent.click(button(name));
const rows = () => within(screen.getAllByRole('list')[0]!).getAllByRole('listitem');
const last = () => calledPairs.mock.calls.at(-1)![2];
const texts = () => document.body.textContent;

describe('before anybody pairs up', () => {
  it('says how hard at most, and what each has said yes to; the lower decides', () => {
    render(<Evening people={[noor, bram]} />);
    expect(screen.getByText(/^Four quarters, at most rung 3: .*\. The lower yes decides\.$/)).toBeTruthy();
    expect(rows()).toHaveLength(1);
    expect(rows()[0]!.textContent).toContain('yes to 2');
    expect(rows()[0]!.textContent).toContain('yes to 3');
    expect(rows()[0]!.textContent).toContain('rung 2');
  });

  it('nobody without a yes on record and nobody who refused is given a partner to strike', () => {
    const people = [student(5, 'Yuna Lark', { rung: null }), student(6, 'Farid Weir', { rung: 0 }), bram, mei];
    render(<Evening people={people} />);
    expect(rows()).toHaveLength(1);
    expect(rows()[0]!.textContent).not.toMatch(/Yuna|Farid/);
    const alone = screen.getByRole('heading', { name: 'Without a partner' }).parentElement!;
    expect(alone.textContent).toMatch(/Yuna/);
    expect(alone.textContent).toMatch(/Farid/);
  });

  it('a minor and an adult are not put together by themselves, and are said to be without a partner', () => {
    render(<Evening people={[ilse, bram]} />);
    expect(screen.queryAllByRole('listitem')).toEqual([]);
    expect(screen.getByRole('heading', { name: 'Without a partner' }).parentElement!.textContent).toMatch(/Ilse: /);
  });

  it('of a drill in which nothing lands says so, and asks for no yes', () => {
    const drill = block({ kind: 'drill', rung: 0, rounds: 1 });
    render(<Evening people={[ilse, bram]} of={drill} />);
    expect(screen.getByText('Four quarters: nothing lands.')).toBeTruthy();
    expect(texts()).not.toMatch(/yes to \d/);
    expect(texts()).not.toContain('A change of partner needs no reason');
    press('So they pair up');
    expect(last()[0]).toMatchObject({ rung: 0 });
    expect(screen.queryByRole('button', { name: /^Both sa/ })).toBeNull();
  });

  it('without anybody here there is nothing to call', () => {
    render(<Evening people={[]} />);
    expect(screen.getByText('Nobody is here yet: call the roll first.')).toBeTruthy();
    expect((button('So they pair up') as HTMLButtonElement).disabled).toBe(true);
  });

  it('who may not take a touch to the head is named, and whoever’s age nobody knows with them', () => {
    const people = [ilse, bram, student(7, 'Sefa Lind', { age: null, rung: 2 }), mei];
    render(<Evening people={people} kit={{ ages: { 'soft head touch': 16 } as never }} />);
    expect(texts()).toContain('No head contact: Ilse and Sefa are under 16, or nobody knows.');
  });

  it('what rests is said, and that either may stop at any time', () => {
    const emre = student(8, 'Emre Holloway', { resting: [{ what: 'the right knee', until: null } as never] });
    render(<Evening people={[emre, bram]} />);
    expect(texts()).toContain('Emre: the right knee rests.');
    expect(texts()).toContain('Either may stop at any time. Pain: stop.');
  });

  it('who is kept apart is never together, and no reason is asked; who was often together is told', () => {
    const pairing = {
      apart: [[ilse.id, bram.id]] as [string, string][],
      wishes: [],
      recent: [{ a: mei.id, b: owen.id, times: 3, last: '2026-03-02' }],
      odd: {},
      first: {},
    };
    render(<Evening people={[ilse, bram, mei, owen]} kit={{ pairing }} />);
    for (const row of rows()) expect(row.textContent).not.toMatch(/Ilse.*Bram|Bram.*Ilse/);
    const apart = screen.getByRole('heading', { name: 'Kept apart' }).parentElement!;
    expect(apart.textContent).toMatch(/Ilse, Bram: no reason is asked/);
    expect(apart.textContent).toMatch(/Mei, Owen: together on 3 evenings lately/);
  });
});

describe('a round that is called', () => {
  it('begins without contact: both have to say yes tonight, whatever is on record', () => {
    render(<Evening people={[noor, bram]} />);
    press('So they pair up');
    expect(calledPairs).toHaveBeenCalledWith(idFor('block 1'), 1, [expect.objectContaining({ rung: 0 })]);
    const yes = button(/^Both say yes\?/);
    expect(yes.getAttribute('aria-pressed')).toBe('false');
    fireEvent.click(yes);
    // The lower of 2 and 3, in a block for at most 3.
    expect(last()[0]).toMatchObject({ rung: 2 });
    expect(button(/^Both said yes/).getAttribute('aria-pressed')).toBe('true');
    press(/^Both said yes/);
    expect(last()[0]).toMatchObject({ rung: 0 });
  });

  it('no yes goes above what the block is for', () => {
    render(<Evening people={[bram, mei]} of={block({ rung: 1 })} />);
    press('So they pair up');
    press(/^Both say yes\?/);
    expect(last()[0]).toMatchObject({ rung: 1 });
  });

  it('goes a rung down at any time, and never below the first', () => {
    render(<Evening people={[bram, mei]} />);
    press('So they pair up');
    press(/^Both say yes\?/);
    fireEvent.click(within(rows()[0]!).getByRole('button', { expanded: false }));
    expect(texts()).toContain('Before you start: show how hard, and ask if that is all right.');
    press('Down to 2');
    press('Down to 1');
    expect(last()[0]).toMatchObject({ rung: 1 });
    expect(screen.queryByRole('button', { name: /^Down to/ })).toBeNull();
  });

  it('a pair with somebody who since refused has no key to say yes with', () => {
    const pair = { id: idFor('pair'), a: bram.id, b: owen.id, c: null, rung: 0, first: bram.id };
    const refused = student(4, 'Owen Acheson', { rung: 0 });
    render(<Evening people={[bram, refused]} first={{ [calledKey(idFor('block 1'), 1)]: [pair] }} />);
    expect(rows()[0]!.textContent).toContain('no contact');
    expect(screen.queryByRole('button', { name: /^Both say yes/ })).toBeNull();
  });

  it('is paired anew where it did not fit, and the next round is still to come', () => {
    render(<Evening people={[ilse, bram, mei, owen]} />);
    press('So they pair up');
    expect(screen.getByRole('radio', { name: /^Round 1/ }).textContent).toContain('·');
    fireEvent.click(screen.getByRole('radio', { name: /^Round 2/ }));
    expect(button('So they pair up')).toBeTruthy();
    fireEvent.click(screen.getByRole('radio', { name: /^Round 1/ }));
    press('Pair this round anew');
    expect(calledPairs).toHaveBeenLastCalledWith(idFor('block 1'), 1, []);
    expect(button('So they pair up')).toBeTruthy();
  });
});

describe('by hand', () => {
  const partners = () =>
    rows().map((r) => [...r.querySelectorAll('b')].map((b) => b.textContent).sort((a, b) => a.localeCompare(b)));

  it('two are tied, stay so when others are, and are untied again', () => {
    render(<Evening people={[ilse, bram, mei, owen]} />);
    const first = rows()[0]!;
    const [a] = [...first.querySelectorAll('b')].map((b) => b.textContent);
    fireEvent.click(within(first).getByRole('button', { expanded: false }));
    const other = ['Ilse', 'Bram', 'Mei', 'Owen'].find((n) => !first.textContent.includes(n))!;
    press(`Another partner for ${a!}`);
    fireEvent.click(
      within(screen.getByRole('group', { name: `Who works with ${a!}?` })).getByRole('button', { name: other }),
    );
    expect(partners()).toContainEqual([a!, other].sort((x, y) => x.localeCompare(y)));
    const tied = rows().find((r) => r.textContent.includes(', tied'))!;
    fireEvent.click(within(tied).getByRole('button', { expanded: false }));
    press('Untie');
    expect(texts()).not.toContain(', tied');
  });

  it('what a hand ties that may not be together is not tied over a refusal', () => {
    render(<Evening people={[student(9, 'Siân Moor', { rung: 0 }), bram, mei]} />);
    fireEvent.click(within(rows()[0]!).getByRole('button', { expanded: false }));
    press('Another partner for Bram');
    fireEvent.click(
      within(screen.getByRole('group', { name: 'Who works with Bram?' })).getByRole('button', { name: 'Siân' }),
    );
    press('So they pair up');
    for (const pair of last()) expect(pair.rung).toBe(0);
    const withHer = rows().find((r) => r.textContent.includes('Siân'));
    if (withHer) expect(within(withHer).queryByRole('button', { name: /^Both say yes/ })).toBeNull();
  });

  it('another block is another question; one goes back to the clock', () => {
    const two = [block({}, 1), block({ kind: 'holding', rung: 0 }, 2)];
    render(<Evening people={[bram, mei]} blocks={two} of={two[0]} />);
    fireEvent.click(screen.getByRole('radio', { name: 'Shields' }));
    expect(onBlock).toHaveBeenCalledWith(idFor('block 2'));
    press('Back to the clock');
    expect(onBack).toHaveBeenCalledTimes(1);
  });

  it('a device without a voice says so and calls nothing', () => {
    render(<Evening people={[bram, mei]} />);
    press('Call the names');
    expect(texts()).toContain('This device has no voice.');
  });
});
