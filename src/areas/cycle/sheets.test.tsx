import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { CycleView } from '../../contracts/views';
import { addDays, type Cycle, type Past } from '../../core';
import { classOn, cycle as cycleOf, row } from '../../core/cycle/testing/builders';
import { idFor } from '../../kit/testing/ids';
import { smallServer } from '../../kit/testing/smallServer';
import { CalendarPanel } from './CalendarPanel';
import { CellPanel } from './CellPanel';
import { ClassSheet } from './ClassSheet';
import { NewRow } from './NewRow';
import { RowSheet } from './RowSheet';
import { RulesSheet } from './RulesSheet';
import { cycleView, MONDAY } from './testing/view';

const NOTHING: Past = { from: 0, lost: new Set(), had: () => 0 };
const idOn = (n: number) => idFor(`class ${n}`);
const classAt = (n: number, minutes = 60) => ({ ...classOn(addDays(MONDAY, n), minutes), id: idOn(n) });
const KICK = row(idFor('kick'), { name: 'Front kick', minutes: 90, least: 5, most: 30, kind: 'basics' });
const FORM = row(idFor('form'), { name: 'Sluice', minutes: 60, least: 5, most: 30 });
const weeks = (more: Partial<Cycle> = {}): Cycle =>
  cycleOf(
    [0, 3, 5, 7].map((n) => classAt(n)),
    [KICK, FORM],
    { weekly: [{ weekday: 1, starts: 1080, minutes: 60, hallId: null }], ...more },
  );
const viewOf = (more: Partial<CycleView> = {}) =>
  cycleView({ ranks: [{ id: idFor('fern'), name: 'Fern' } as CycleView['ranks'][number]], ...more });

let server: ReturnType<typeof smallServer>;
const done = vi.fn();
const leave = vi.fn();
const remove = vi.fn();
beforeEach(() => {
  server = smallServer();
  for (const f of [done, leave, remove]) f.mockReset();
});
const user = () => userEvent.setup({ delay: null });
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const field = (name: string | RegExp) => screen.getByRole('textbox', { name });
const type = (name: string | RegExp, text: string) => fireEvent.change(field(name), { target: { value: text } });
const press = (name: string | RegExp) => fireEvent.click(button(name));

describe('what a row needs', () => {
  const open = (cycle: Cycle, had = 0, of = KICK) =>
    render(<RowSheet cycle={cycle} row={of} had={had} done={done} remove={remove} leave={leave} />);

  it('is kept as it was read: minutes, days it does not come on, what has to be there before', async () => {
    open(weeks(), 35);
    expect(screen.getByText('35 of them are held.')).toBeTruthy();
    type('Minutes until the day', '120');
    type('at most', '40');
    const u = user();
    await u.click(screen.getByRole('combobox', { name: 'Not on' }));
    await u.click(screen.getByRole('option', { name: 'Thursday' }));
    await u.keyboard('{Escape}');
    press('Something goes before it');
    type('Minutes of it', '45');
    press('Keep it');
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(done.mock.calls[0]![0]).toMatchObject({
      id: KICK.id,
      minutes: 120,
      most: 40,
      notOn: [4],
      opens: [{ on: FORM.id, minutes: 45 }],
    });
  });

  it('what cannot be is refused at its field, and nothing is kept', async () => {
    open(weeks());
    type('Minutes until the day', 'two hours');
    type('Name', '');
    press('Keep it');
    await waitFor(() => expect(field('Minutes until the day').getAttribute('aria-invalid')).toBe('true'));
    expect(field('Name').getAttribute('aria-invalid')).toBe('true');
    expect((field('Minutes until the day') as HTMLInputElement).value).toBe('two hours');
    expect(done).not.toHaveBeenCalled();
  });

  it('a condition goes again, the row goes as a whole, or all stays', async () => {
    open(weeks(), 0, { ...KICK, opens: [{ on: FORM.id, minutes: 30 }] });
    press('Remove condition 1');
    expect(screen.queryByRole('button', { name: 'Remove condition 1' })).toBeNull();
    press('Take it out');
    expect(remove).toHaveBeenCalledTimes(1);
    press(/^Leave/);
    await waitFor(() => expect(leave).toHaveBeenCalledTimes(1));
    expect(done).not.toHaveBeenCalled();
  });

  it('asks who it is for only where there are groups', () => {
    open(weeks());
    expect(screen.queryAllByText('Who')).toEqual([]);
    open(weeks({ groups: ['young', 'grown'] }));
    expect(screen.getAllByText('Who').length).toBeGreaterThan(0);
  });
});

describe('one class of the weeks', () => {
  const open = (of = classAt(3), more: Partial<Parameters<typeof ClassSheet>[0]> = {}) =>
    render(
      <ClassSheet of={of} today={MONDAY} halls={[]} usualFrame={20} usually={[]} done={done} leave={leave} {...more} />,
    );

  it('that is off says why, and has to be planned again', async () => {
    open();
    fireEvent.click(screen.getByRole('checkbox', { name: 'No class that day' }));
    expect(screen.queryByRole('textbox', { name: 'Minutes' })).toBeNull();
    type('Why', 'water in the hall');
    press('Keep it');
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(done.mock.calls[0]).toEqual([expect.objectContaining({ off: 'water in the hall' }), true]);
  });

  it('that is off without a reason is called so', async () => {
    open();
    fireEvent.click(screen.getByRole('checkbox', { name: 'No class that day' }));
    press('Keep it');
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(done.mock.calls[0]![0]).toMatchObject({ off: 'no class' });
  });

  it('a guest’s part is no longer than the class', async () => {
    open();
    type('A guest’s part', 'The ferry crew');
    type('Minutes of it', '75');
    press('Keep it');
    expect(await screen.findByText('The class is not that long.')).toBeTruthy();
    expect(done).not.toHaveBeenCalled();
    expect(field('Minutes of it').getAttribute('aria-invalid')).toBe('true');
    type('Minutes of it', '25');
    press('Keep it');
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(done.mock.calls[0]).toEqual([
      expect.objectContaining({ guest: { name: 'The ferry crew', minutes: 25 }, off: null, frame: null }),
      true,
    ]);
  });

  it('a guest’s part without a name is nobody’s; without minutes it is none', async () => {
    open({ ...classAt(3), guest: { name: 'The ferry crew', minutes: 25 } });
    type('Minutes of it', '0');
    press('Keep it');
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(done.mock.calls[0]).toEqual([expect.objectContaining({ guest: null }), true]);
  });

  it('begun at another hour the plan stands: nothing is planned again', async () => {
    open();
    type('Begins', '18:30');
    press('Keep it');
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(done.mock.calls[0]).toEqual([expect.objectContaining({ starts: 18 * 60 + 30 }), false]);
  });

  it('says who usually comes and leads to that evening, as long as it is to come', () => {
    open(classAt(3), { usually: [{ weekday: 4, middle: 26, low: 24, high: 28 } as never] });
    expect(screen.getByText('Usually 26 come, from 24 to 28.')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Lay out that evening' }).getAttribute('href')).toBe(
      `/tonight?day=${addDays(MONDAY, 3)}`,
    );
  });

  it('of today leads to tonight, one that is over to nothing', () => {
    const { unmount } = open(classAt(0));
    expect(screen.getByRole('link', { name: 'Lay out that evening' }).getAttribute('href')).toBe('/tonight');
    unmount();
    open(classAt(0), { today: addDays(MONDAY, 2) });
    expect(screen.queryByRole('link')).toBeNull();
  });
});

describe('another row', () => {
  it('offers what next belts ask and no row has; what cannot be planned says why', async () => {
    server.views = {
      cycleAsked: {
        asked: [
          asked('roundhouse', 'Roundhouse kick', { open: 3, people: 5 }),
          asked('pole', 'Ferry Pole', { refused: 'no staff is sound' }),
        ],
        rule: { minutes: 30 },
      },
    };
    render(<NewRow cycle={weeks()} onAdd={done} leave={leave} />);
    expect(screen.getByRole('status').textContent).toBe('Asking what next belts ask…');
    const kick = await screen.findByRole('checkbox', { name: /^Roundhouse kick/ });
    expect(screen.getByText('open for 3 of 5')).toBeTruthy();
    expect(screen.getByRole<HTMLInputElement>('checkbox', { name: /^Ferry Pole/ }).disabled).toBe(true);
    expect((button('Put them in') as HTMLButtonElement).disabled).toBe(true);
    fireEvent.click(kick);
    expect((button('Put them in') as HTMLButtonElement).disabled).toBe(false);
    fireEvent.click(kick);
    expect((button('Put them in') as HTMLButtonElement).disabled).toBe(true);
  });

  it('a row of one’s own needs nobody to ask for it', async () => {
    server.views = { cycleAsked: { asked: [], rule: {} } };
    render(<NewRow cycle={weeks()} onAdd={done} leave={leave} />);
    expect(await screen.findByText('Everything that is asked of those who come has a row.')).toBeTruthy();
    press('A row of our own');
    expect(done.mock.calls[0]![0]).toEqual([expect.objectContaining({ items: [], opens: [] })]);
  });

  it('where nobody can be asked it says so, and one’s own row is still there', async () => {
    render(<NewRow cycle={weeks()} onAdd={done} leave={leave} />);
    expect(await screen.findByText('The database cannot be reached just now.')).toBeTruthy();
    expect(screen.queryByRole('status')).toBeNull();
    press('A row of our own');
    expect(done).toHaveBeenCalledTimes(1);
  });
});
const asked = (id: string, name: string, more: object) => ({
  key: `technique ${idFor(id)} `,
  item: { kind: 'technique', id: idFor(id) },
  conditionId: null,
  condition: 'alone, by count',
  name,
  open: 1,
  people: 1,
  refused: null,
  ...more,
});

describe('weeks and rules', () => {
  const open = (cycle: Cycle, past: Past = NOTHING, mayRemove = true) =>
    render(
      <RulesSheet
        view={viewOf()}
        cycle={cycle}
        past={past}
        done={done}
        remove={mayRemove ? remove : null}
        leave={leave}
      />,
    );

  it('a later day has more classes; those that were there keep what was planned in them', async () => {
    const cells = [{ row: KICK.id, class: idOn(0), minutes: 20, pinned: false }];
    open(weeks({ cells }));
    type('The day', '30.3.2026');
    press('Plan with these');
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    const next = done.mock.calls[0]![0] as Cycle;
    expect(next.day).toBe('2026-03-30');
    expect(next.classes.map((c) => c.day)).toEqual(expect.arrayContaining([MONDAY, '2026-03-16', '2026-03-23']));
    expect(next.cells).toEqual(cells);
  });

  it('what is no day is refused at its field', async () => {
    open(weeks());
    type('The day', 'after the flood');
    press('Plan with these');
    await waitFor(() => expect(field('The day').getAttribute('aria-invalid')).toBe('true'));
    expect(done).not.toHaveBeenCalled();
  });

  it('are taken out at a second tap only, and by the head only', () => {
    const { unmount } = open(weeks());
    press('Take these weeks out');
    expect(remove).not.toHaveBeenCalled();
    press('Once more: these weeks go, classes stay');
    expect(remove).toHaveBeenCalledTimes(1);
    unmount();
    open(weeks(), NOTHING, false);
    expect(screen.queryByRole('button', { name: 'Take these weeks out' })).toBeNull();
  });
});

describe('into the calendar', () => {
  const open = (head: boolean, addresses: CycleView['addresses'] = []) =>
    render(<CalendarPanel id={idFor('weeks')} view={viewOf({ addresses })} head={head} classes={3} leave={leave} />);

  it('is a file for everyone; addresses are the head’s', () => {
    open(false);
    expect(screen.getByRole('link', { name: 'Calendar file' }).getAttribute('href')).toBe(
      `/cycle/${idFor('weeks')}.ics`,
    );
    expect(screen.queryByRole('textbox', { name: 'For whom' })).toBeNull();
  });

  it('an address is shown once, and the server is told its hash and never the secret', async () => {
    open(true);
    type('For whom', ' Idris ');
    press('Make an address');
    const shown = (await screen.findByText(/\/calendar\/[0-9a-f]{48}\.ics$/)).textContent;
    const secret = /([0-9a-f]{48})\.ics$/.exec(shown)![1]!;
    const input = server.sent.at(-1)!.input as { name: string; hash: string };
    expect(server.sent.at(-1)!.name).toBe('calendar.open');
    expect(input.name).toBe('Idris');
    const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(secret));
    expect(input.hash).toBe(Buffer.from(digest).toString('hex'));
    expect(JSON.stringify(server.sent)).not.toContain(secret);
    expect(button('Take back Idris')).toBeTruthy();
  });

  it('one that is refused is not shown, and says why', async () => {
    open(true);
    server.refuse = { status: 409, title: 'There are ten addresses already.' };
    type('For whom', 'Idris');
    press('Make an address');
    expect(await screen.findByText('There are ten addresses already.')).toBeTruthy();
    expect(screen.queryByText(/\/calendar\//)).toBeNull();
    expect(screen.queryByRole('button', { name: 'Take back Idris' })).toBeNull();
  });

  it('is taken back; one that is gone already is gone, any other trouble leaves it', async () => {
    const two = ['a', 'b'].map((n) => ({ id: idFor(n), name: `Desk ${n}`, at: '2026-02-01T10:00:00Z' }));
    open(true, two);
    server.refuse = { status: 404, title: 'That is not there.' };
    press('Take back Desk a');
    await waitFor(() => expect(screen.queryByText(/Desk a/)).toBeNull());
    server.refuse = { status: 503, title: 'The database cannot be reached just now.' };
    press('Take back Desk b');
    expect(await screen.findByText('The database cannot be reached just now.')).toBeTruthy();
    expect(button('Take back Desk b')).toBeTruthy();
  });
});

describe('one row in one class', () => {
  const acts = { onMinutes: vi.fn(), onPin: vi.fn(), onNotOn: vi.fn(), onClass: vi.fn() };
  const open = (more: Partial<Parameters<typeof CellPanel>[0]> = {}) =>
    render(
      <CellPanel
        name="Front kick"
        day="Thursday 5 March"
        weekday="Thursday"
        minutes={20}
        pinned={false}
        over={false}
        {...acts}
        leave={leave}
        {...more}
      />,
    );

  it('is made longer and shorter, pinned, and kept off a weekday', async () => {
    const u = user();
    open();
    const panel = within(screen.getByRole('region', { name: 'Front kick, Thursday 5 March' }));
    expect(panel.getByText('20 minutes')).toBeTruthy();
    await u.click(panel.getByRole('button', { name: 'Five minutes less' }));
    await u.click(panel.getByRole('button', { name: 'Five minutes more' }));
    expect(acts.onMinutes.mock.calls).toEqual([[-5], [5]]);
    expect(panel.getByRole('button', { name: 'Pin it' }).getAttribute('aria-pressed')).toBe('false');
    await u.click(panel.getByRole('button', { name: 'Not on Thursdays' }));
    await u.click(panel.getByRole('button', { name: 'The class that day' }));
    await u.click(panel.getByRole('button', { name: 'Leave it' }));
    expect([acts.onNotOn, acts.onClass, leave].map((f) => f.mock.calls.length)).toEqual([1, 1, 1]);
  });

  it('of a class that was held says what was had, and is neither pinned nor moved', () => {
    open({ over: true, minutes: 0 });
    expect(screen.getByText('nothing')).toBeTruthy();
    expect(screen.getByText(/as it was held/)).toBeTruthy();
    expect((button('Five minutes less') as HTMLButtonElement).disabled).toBe(true);
    expect(screen.queryByRole('button', { name: /pin/i })).toBeNull();
    expect(screen.queryByRole('button', { name: /^Not on/ })).toBeNull();
  });

  it('that is pinned offers to take the pin out', () => {
    open({ pinned: true });
    expect(button('Take the pin out').getAttribute('aria-pressed')).toBe('true');
  });
});
