import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { LookKitView } from '../../../contracts/views';
import { freshLine, type Line } from '../../../kit/mat/line';
import { noteClass } from '../../../kit/mat/noteClass';
import { kitOf, student } from '../../../kit/mat/testing/kit';
import { WhoIsHere } from './WhoIsHere';

vi.mock(import('../../../kit/mat/noteClass'), async (original) => ({ ...(await original()), noteClass: vi.fn() }));
const noted = vi.mocked(noteClass);

const [ilse, bram, noor] = [
  student(0, 'Ilse Marrow'),
  student(1, 'Bram Oakes', { rankId: kitOf().ranks[1]!.id }),
  student(2, 'Noor Saltby', { lastHere: null }),
];
const all = [ilse, bram, noor];
const someone = (more: Partial<LookKitView['classes'][number]> = {}) =>
  ({
    id: 'class-1',
    day: '2026-03-05',
    by: 'Idris Vane',
    opened: '2026-03-05T18:02:00Z',
    minutes: 75,
    present: [ilse.id],
    ...more,
  }) as LookKitView['classes'][number];

let line: Line;
const on = { arrive: vi.fn(), order: vi.fn() };
/** The screen with a line that changes as it says. */
function open(more: Partial<Line> = {}, kit: LookKitView = kitOf({ students: all })) {
  function Here() {
    const [now, setLine] = useState<Line>({ ...freshLine(kit.today), ...more });
    line = now;
    return (
      <WhoIsHere
        kit={kit}
        items={[]}
        line={now}
        people={kit.students.filter((s) => now.present.includes(s.id))}
        onLine={(change) => setLine((l) => ({ ...l, ...change }))}
        onArrive={on.arrive}
        onOrder={on.order}
      />
    );
  }
  render(<Here />);
}
const peg = (name: string) => screen.getByRole('checkbox', { name: new RegExp(name) });
const button = (name: string) => screen.getByRole('button', { name });
const minutes = (value: string) =>
  fireEvent.change(screen.getByLabelText('Minutes of this class'), { target: { value } });
const said = () => screen.getByRole('status').textContent;

beforeEach(() => {
  for (const f of Object.values(on)) f.mockReset();
  noted.mockReset().mockResolvedValue({ classId: 'class-9', openedAt: '2026-03-05T18:00:00Z' });
});

describe('who is on the line', () => {
  it('stands by belts, the highest first, each tapped in and out', () => {
    open();
    expect(screen.getAllByRole('checkbox').map((p) => p.textContent)).toEqual([
      expect.stringContaining('Bram'),
      expect.stringContaining('Ilse'),
      expect.stringContaining('Noor'),
    ]);
    fireEvent.click(peg('Ilse'));
    expect(peg('Ilse').getAttribute('aria-checked')).toBe('true');
    expect(screen.getByText('1 of 3 here')).toBeTruthy();
    fireEvent.click(peg('Ilse'));
    expect(line).toMatchObject({ present: [], gone: [] });
    expect(noted).not.toHaveBeenCalled();
  });

  it('everybody, who came before, nobody', () => {
    open();
    expect(button('Nobody')).toHaveProperty('disabled', true);
    fireEvent.click(button('Everybody'));
    expect(line.present).toEqual(all.map((s) => s.id));
    fireEvent.click(button('Who came before'));
    expect(line.present).toEqual([ilse.id, bram.id]);
    fireEvent.click(button('Nobody'));
    expect(line.present).toEqual([]);
  });

  it('can be flipped and, from two on, ordered', () => {
    open({ present: [ilse.id] });
    expect(screen.queryByRole('button', { name: 'Order the line' })).toBeNull();
    fireEvent.click(peg('Noor'));
    fireEvent.click(button('Order the line'));
    expect(on.order).toHaveBeenCalledTimes(1);
    fireEvent.click(button('Flip the line'));
    expect(button('Flip the line').getAttribute('aria-pressed')).toBe('true');
  });

  it('of nobody says where people come from', () => {
    open({}, kitOf());
    expect(
      screen
        .getByText(/Nobody is on the roll yet/)
        .querySelector('a')
        ?.getAttribute('href'),
    ).toBe('/students');
    expect(button('Everybody')).toHaveProperty('disabled', true);
    expect(button('Note who is here')).toHaveProperty('disabled', true);
  });
});

describe('the class of those who are here', () => {
  it('is noted with its minutes, and says so', async () => {
    open({ present: [ilse.id, bram.id] });
    minutes('60.4');
    fireEvent.click(button('Note who is here'));
    await waitFor(() => expect(said()).toBe('The class is noted: 2 here, 60 minutes.'));
    expect(noted.mock.calls[0]![2]).toMatchObject({ present: [ilse.id, bram.id], minutes: 60 });
    expect(line).toMatchObject({ classId: 'class-9', minutes: 60 });
    expect(button('Note the class again')).toBeTruthy();
  });

  it.each(['', '4', '601', 'long'])('of “%s” minutes is refused, and nothing is noted', (typed) => {
    open({ present: [ilse.id] });
    minutes(typed);
    fireEvent.click(button('Note who is here'));
    expect(said()).toBe('A class lasts from 5 to 600 minutes.');
    expect(noted).not.toHaveBeenCalled();
  });

  it('a device without room says so, and the line stays', async () => {
    noted.mockRejectedValueOnce(new Error('This device has no room left.'));
    open({ present: [ilse.id] });
    fireEvent.click(button('Note who is here'));
    await waitFor(() => expect(said()).toBe('This device has no room left.'));
    expect(line).toMatchObject({ classId: null, present: [ilse.id] });
  });

  it('once noted, who is tapped in came late, and who is tapped out is told to every other device', async () => {
    open({ present: [ilse.id, bram.id], classId: 'class-9', late: { [bram.id]: '18:20' } });
    fireEvent.click(peg('Noor'));
    expect(on.arrive.mock.calls).toEqual([[noor.id]]);
    expect(line.present).not.toContain(noor.id);
    await act(async () => {
      fireEvent.click(peg('Bram'));
      await Promise.resolve();
    });
    expect(noted.mock.calls[0]![2]).toMatchObject({ present: [ilse.id], gone: [bram.id], late: {} });
  });

  it('that somebody else opened is joined with those of both, and asked about only until one is noted', async () => {
    open(
      { present: [bram.id] },
      kitOf({ students: all, classes: [someone(), someone({ id: 'class-2', opened: null })] }),
    );
    expect(screen.getByText('Idris Vane opened a class at 18:02, 1 here, 75 minutes.')).toBeTruthy();
    expect(screen.getByText('Idris Vane wrote a class in, 1 here, 75 minutes.')).toBeTruthy();
    fireEvent.click(screen.getAllByRole('button', { name: 'Join it' })[0]!);
    await waitFor(() => expect(said()).toBe('The class is noted: 2 here.'));
    expect(noted.mock.calls[0]![2]).toMatchObject({ classId: 'class-1', present: [ilse.id, bram.id], minutes: null });
    expect(screen.getByLabelText('Minutes of this class')).toHaveProperty('value', '75');
    expect(screen.queryByRole('button', { name: 'Join it' })).toBeNull();
  });
});
