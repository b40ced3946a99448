import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { LookWritten } from '../../../contracts/look';
import { ALONE } from '../../../core';
import { drop, openNow, readOpen } from '../../../kit/deviceQueue/deviceQueue';
import Card from './Card';
import {
  BASE,
  CONDITION,
  FELT,
  focusOn,
  HEEL,
  kitOf,
  point,
  SPOT,
  student,
  technique,
} from '../../../kit/mat/testing/kit';

// The server is away all the time: everything here must be on the device.
beforeEach(async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
  for (const c of await readOpen()) await drop(c.id);
});

const ilse = student(1, 'Ilse Marrow');
const bram = student(2, 'Bram Oakes');
function open(more: Partial<Parameters<typeof Card>[0]> = {}) {
  const on = { next: vi.fn(), end: vi.fn(), looked: vi.fn() };
  const kick = technique([HEEL, BASE, SPOT, FELT]);
  const view = render(
    <Card
      kit={kitOf({ students: [ilse, bram], techniques: [kick] })}
      student={ilse}
      following={bram}
      technique={kick}
      line={[ilse, bram]}
      conditionId={CONDITION}
      leftHanded={false}
      onCondition={vi.fn()}
      onTechnique={vi.fn()}
      onHand={vi.fn()}
      onLooked={on.looked}
      onNext={on.next}
      onEnd={on.end}
      {...more}
    />,
  );
  return { ...on, ...view, user: userEvent.setup({ delay: null }) };
}
const key = (name: RegExp | string) => screen.getByRole('button', { name });
const written = () => openNow().map((c) => c.input as LookWritten);
const marks = (side: LookWritten['side'] = 'left') => written().find((l) => l.side === side)?.marks ?? [];

describe('a card', () => {
  it('one slip and Held are four of five, and the cursor moves up', async () => {
    const { user } = open();
    await user.click(key(/^Slipped/));
    expect(await screen.findByText('1 slip')).toBeTruthy();
    await user.click(key('Held the other 4'));
    expect(await screen.findByText('4 of 5')).toBeTruthy();
    expect(marks()).toEqual([{ pointId: HEEL.id, kind: 'seen', held: 4, of: 5, reps: null, toldBy: null }]);
    expect(screen.getByRole('heading', { level: 2, name: 'Base foot turned' })).toBeTruthy();
  });

  it('eight points that all hold take eight taps at one place, and one to go on', async () => {
    const eight = Array.from({ length: 8 }, (_, i) => point(20 + i, `Point ${i + 1}`));
    const { user, next } = open({ technique: technique(eight) });
    for (let i = 0; i < 8; i += 1) await user.click(key('Held'));
    await waitFor(() => expect(marks()).toHaveLength(8));
    expect(marks().every((m) => m.kind === 'seen' && m.held === 5 && m.of === 5)).toBe(true);
    await user.click(key('Next: Bram Oakes'));
    await waitFor(() => expect(next).toHaveBeenCalled());
  });

  it('by keys: digits, sides apart, not seen, and undo returns to where it was', async () => {
    const { user } = open();
    await user.keyboard('3');
    await screen.findByText('3 of 5');
    await user.keyboard('{ArrowDown}{ArrowRight}5');
    await screen.findByText('5 of 5');
    expect(marks('left')).toMatchObject([{ held: 3, of: 5 }]);
    expect(marks('right')).toMatchObject([{ held: 5, of: 5 }]);
    await user.keyboard('{ArrowDown}{Backspace}');
    await waitFor(() => expect(marks('right')).toEqual([]));
    await user.click(key('Undo'));
    await waitFor(() => expect(marks('right')).toMatchObject([{ held: 5, of: 5 }]));
  });

  it('a measure inside the range can be held and not slipped, outside of it the other way', async () => {
    const { user } = open();
    await user.keyboard('{ArrowUp}');
    const value = screen.getByLabelText('Measured, in °');
    // It begins empty, and neither key takes a measure that nobody took.
    expect(value).toHaveProperty('value', '');
    for (const name of [/^Held/, /^Slipped/]) expect(key(name)).toHaveProperty('disabled', true);
    await user.type(value, '80');
    expect(screen.getByText('accepted is 90 to 180°')).toBeTruthy();
    expect(key(/^Held/)).toHaveProperty('disabled', true);
    await user.click(key('Slipped keeps 80°'));
    await waitFor(() => expect(marks()).toEqual([{ pointId: BASE.id, kind: 'measured', values: [80] }]));
  });

  it('a counted point takes as many tries as come, in their order, or two numbers from whoever counted', async () => {
    const { user } = open();
    await user.keyboard('{ArrowUp}{ArrowUp}');
    for (const name of ['Hit', 'Hit', 'Missed', 'Hit', 'Hit', 'Hit', 'Hit'])
      await user.click(key(new RegExp(`^${name}`)));
    await waitFor(() => expect(marks()).toMatchObject([{ kind: 'counted', held: 6, of: 7, reps: 'HHSHHHH' }]));
    expect(screen.getByText('6 of 7 so far')).toBeTruthy();
    const tries = screen.getByLabelText('of tries');
    await user.clear(tries);
    await user.type(tries, '3');
    // Six hits of three tries make no sense: it is said, the letters stay, and what was kept is kept.
    expect(screen.getByRole('alert').textContent).toMatch(/Not kept yet/);
    expect(tries).toHaveProperty('value', '3');
    expect(marks()).toMatchObject([{ held: 6, of: 7 }]);
    await user.type(tries, '0');
    await waitFor(() => expect(marks()).toMatchObject([{ held: 6, of: 30, reps: null }]));
  });

  it('a felt point is told by whoever felt it, named', async () => {
    const { user } = open();
    await user.keyboard('{ArrowUp}{ArrowUp}{ArrowUp}');
    // Who only watched cannot say it.
    expect(key(/^Held/)).toHaveProperty('disabled', true);
    await user.keyboard('h3');
    expect(marks()).toEqual([]);
    await user.click(key('Hand over the tablet'));
    expect(screen.getByText(/this is about your own work/)).toBeTruthy();
    await user.click(screen.getByRole('combobox', { name: 'Who answers?' }));
    await user.click(screen.getByRole('option', { name: 'Bram Oakes' }));
    expect(screen.getByText(/This is about Ilse’s work on you/)).toBeTruthy();
    await user.click(key('all 5'));
    await waitFor(() => expect(marks()).toMatchObject([{ kind: 'felt', held: 5, of: 5, toldBy: bram.id }]));
  });

  it('with a partner it is kept who received it, and they are asked first', async () => {
    const conditions = [
      {
        id: CONDITION,
        name: 'in pairs',
        ...ALONE,
        partner: true,
        home: false,
        attacker: 'set' as const,
        defender: 'set' as const,
      },
    ];
    const { user } = open({ kit: kitOf({ students: [ilse, bram], conditions }) });
    await user.click(screen.getByRole('combobox', { name: 'With whom?' }));
    await user.click(screen.getByRole('option', { name: 'Bram Oakes' }));
    await user.click(key(/^Held/));
    await waitFor(() => expect(written()).toMatchObject([{ partnerId: bram.id }]));
    await user.click(key(/Moved me/));
    await user.click(key('Hand over the tablet'));
    expect(screen.getByText(/This is about Ilse’s work on you/)).toBeTruthy();
  });

  it('a note is kept with every letter, on its side, even where nothing is marked', async () => {
    const { user, end, looked } = open();
    await user.click(key('Note'));
    await user.type(screen.getByLabelText('Note'), 'Knee hurts.\nAsk.');
    await waitFor(() => expect(written()).toMatchObject([{ side: 'left', note: 'Knee hurts.\nAsk.', marks: [] }]));
    await user.keyboard('{Escape}');
    await user.click(key('End'));
    await waitFor(() => expect(end).toHaveBeenCalled());
    expect(looked).not.toHaveBeenCalled();
    expect(openNow()).toEqual([]);
  });

  it('goes on where it was left', async () => {
    const first = open();
    await first.user.keyboard('2');
    await screen.findByText('2 of 5');
    first.unmount();
    open();
    expect(screen.getByText('2 of 5')).toBeTruthy();
  });

  it('closing it sends what was marked and makes the correction the student’s', async () => {
    const { user, next, looked } = open({ student: { ...ilse, focus: focusOn(HEEL) } });
    expect(screen.getByText('“Push the floor”', { selector: '.focus *' })).toBeTruthy();
    await user.keyboard('5');
    await screen.findByText('5 of 5');
    expect(screen.getByText(/heel down held all 5 times on the left/)).toBeTruthy();
    await user.click(key('Next: Bram Oakes'));
    await waitFor(() => expect(next).toHaveBeenCalled());
    expect(looked).toHaveBeenCalledOnce();
    const all = await readAll();
    expect(all.map((c) => c.name).sort()).toContain('focus.give');
    expect(all.filter((c) => c.open)).toEqual([]);
  });

  it('what is waived is not on it', () => {
    open({ student: { ...ilse, waived: [HEEL.id, BASE.id, SPOT.id, FELT.id] } });
    expect(screen.getByText('Every point of this item is waived for Ilse.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Held/ })).toBeNull();
  });

  it('what rests is struck through with until when, skipped by Held, and asked about once', async () => {
    const kick = technique([HEEL, BASE, SPOT, FELT]);
    const until = '2026-03-20';
    const hurt = student(1, 'Ilse Marrow', {
      resting: [{ what: 'right ankle', until, pause: false }],
      rests: { [`t:${kick.id}`]: { what: 'right ankle', until, points: [BASE.id] } },
    });
    const { user } = open({ student: hurt });
    expect(screen.getByText('Base foot turned', { selector: 's' })).toBeTruthy();
    expect(screen.getAllByText('right ankle, until 20 March').length).toBeGreaterThan(1);
    await user.keyboard('h');
    await screen.findByText('5 of 5');
    // Held moved past what rests.
    expect(screen.getByRole('heading', { level: 2, name: 'On the spot' })).toBeTruthy();
    await user.keyboard('{ArrowDown}hs');
    expect(marks()).toHaveLength(1);
    expect(screen.getByText(/Rests until 20 March: right ankle\./)).toBeTruthy();
    await user.click(key('Look at Ilse all the same'));
    expect(screen.queryByText('Base foot turned', { selector: 's' })).toBeNull();
    await user.click(key('By eye instead'));
    await user.keyboard('4');
    await waitFor(() => expect(marks()[1]).toMatchObject({ pointId: BASE.id, kind: 'seen', held: 4, of: 5 }));
  });
});

/** All commands on the device, read as another page would. */
function readAll(): Promise<{ name: string; open: boolean }[]> {
  return new Promise((resolve, reject) => {
    const ask = indexedDB.open('stavewright');
    ask.onerror = () => reject(ask.error ?? new Error('no database'));
    ask.onsuccess = () => {
      const all = ask.result.transaction('commands').objectStore('commands').getAll();
      all.onsuccess = () => resolve(all.result as { name: string; open: boolean }[]);
    };
  });
}
