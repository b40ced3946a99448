import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { ClassPlanShown, ClassRunView, LookKitView } from '../../contracts/views';
import {
  addDays,
  beginRun,
  EMPTY_BLOCK,
  EMPTY_SEQUENCE,
  onwards,
  type Block,
  type ClassPlan,
  type Run,
} from '../../core';
import { put as realPut, waitingIn as realWaitingIn } from '../../kit/deviceQueue/deviceQueue';
import { freshLine, keepLine } from '../../kit/mat/line';
import { HEEL, kitOf, sequence, student, technique } from '../../kit/mat/testing/kit';
import { shown as answered } from '../../kit/testing/server';
import { Running } from './Running';
import { Tonight } from './Tonight';

vi.mock(import('../../kit/deviceQueue/deviceQueue'), async (read) => ({
  ...(await read()),
  put: vi.fn(),
  keepTrying: (command: Parameters<typeof realPut>[0]) => void realPut(command),
  waitingIn: vi.fn(),
  keepSending: vi.fn(() => () => undefined),
}));
const [put, waitingIn] = [vi.mocked(realPut), vi.mocked(realWaitingIn)];

const TODAY = new Date().toISOString().slice(0, 10);
const uuid = (n: number) => `00000000-0000-7000-8000-00000000${String(n).padStart(4, '0')}`;
const block = (n: number, name: string, minutes: number, more: Partial<Block> = {}): Block => ({
  ...EMPTY_BLOCK,
  id: uuid(700 + n),
  name,
  minutes,
  ...more,
});
const kick = technique([HEEL]);
const plan: ClassPlan = {
  starts: 1110,
  minutes: 60,
  blocks: [
    block(1, 'Opening', 10, { pinned: true }),
    block(2, 'Kicks', 30, { items: [{ item: { technique: kick.id }, conditionId: null }] }),
    block(3, 'Touch game', 20, { pairs: { kind: 'contact', rung: 1, answers: false, rounds: 2 } }),
  ],
};
const shown: ClassPlanShown = {
  id: uuid(800),
  day: TODAY,
  hallId: null,
  plan,
  run: null,
  closed: false,
  note: '',
  version: 3,
};
const people = [
  student(1, 'Ilse Marrow', { lastHere: TODAY }),
  student(2, 'Bram Oakes', { lastHere: TODAY }),
  student(3, 'Saoirse Quay', { lastHere: TODAY, rung: null }),
];
const kit = (more: Partial<LookKitView> = {}) =>
  kitOf({ today: TODAY, students: people, techniques: [kick], plans: [shown], ...more });

beforeEach(() => {
  put.mockReset().mockResolvedValue(undefined);
  waitingIn.mockReset().mockResolvedValue([]);
  localStorage.clear();
  sessionStorage.clear();
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
});
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const sent = (name: string) => put.mock.calls.map(([c]) => c).filter((c) => c.name === name);
const user = userEvent.setup({ delay: null });

describe('the plan', () => {
  it('begins with a kept pattern in the minutes there are; what is no time is said and nothing is planned', async () => {
    render(<Tonight kit={kit({ plans: [] })} school="Causeway Hall" />);
    await user.clear(screen.getByLabelText('Begins at'));
    await user.type(screen.getByLabelText('Begins at'), 'soon');
    await user.click(button(/^Push evening/));
    expect(screen.getByText('Write a time, as 18:30.')).toBeTruthy();
    expect(sent('classPlan.save')).toEqual([]);
    await user.clear(screen.getByLabelText('Begins at'));
    await user.type(screen.getByLabelText('Begins at'), '19.15');
    await user.click(button(/^Push evening/));
    const { plan: made } = sent('classPlan.save')[0]!.input as { plan: ClassPlan };
    expect([made.starts, made.minutes, made.blocks.reduce((n, b) => n + b.minutes, 0)]).toEqual([1155, 90, 90]);
    expect(button(/^Braking, 20 minutes, 19:22 to 19:42/)).toBeTruthy();
  });

  it('says what is too long and who gives; the change is on the device at once and can be taken back', async () => {
    render(<Tonight kit={kit()} school="Causeway Hall" />);
    button(/^Touch game/).focus();
    await user.keyboard('+++');
    expect(screen.getByText('3 minutes too long: it would end at 19:33.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Opening gives/ })).toBeNull();
    await user.click(button('Kicks gives 3'));
    expect(screen.queryByText(/too long/)).toBeNull();
    const last = sent('classPlan.save').at(-1)!.input as { plan: ClassPlan; version: number };
    expect([last.plan.blocks[1]!.minutes, last.version]).toEqual([27, 3]);
    await user.click(button('Undo'));
    expect(screen.getByText(/^3 minutes too long/)).toBeTruthy();
  });

  it('takes up what was left on the device, and changes a block in its sheet', async () => {
    const left = { ...plan, blocks: [block(1, 'Only this', 60)] };
    waitingIn.mockResolvedValue([
      { name: 'classPlan.save', input: { id: shown.id, day: TODAY, hallId: null, plan: left } } as never,
    ]);
    render(<Tonight kit={kit()} school="Causeway Hall" />);
    await user.click(await screen.findByRole('button', { name: /^Only this, 60 minutes/ }));
    const sheet = screen.getByRole('region', { name: 'Only this' });
    await user.type(within(sheet).getByLabelText('How'), 'slowly');
    await user.tab();
    await user.click(within(sheet).getByLabelText('With a partner'));
    const made = (sent('classPlan.save').at(-1)!.input as { plan: ClassPlan }).plan.blocks[0]!;
    expect([made.how, made.pairs]).toEqual(['slowly', { kind: 'drill', rung: 0, answers: false, rounds: 3 }]);
    await user.click(within(sheet).getByRole('button', { name: 'Take this block out' }));
    expect(screen.getByText('60 minutes are free.')).toBeTruthy();
  });

  it('of an evening ahead is laid out for who is expected: no roll, nothing begins; it can be begun anew', async () => {
    const day = addDays(TODAY, 2);
    history.replaceState(null, '', `/tonight?day=${day}`);
    render(<Tonight kit={kit({ plans: [shown, { ...shown, id: uuid(801), day }] })} school="Causeway Hall" />);
    history.replaceState(null, '', '/');
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/^What shall I watch on \w+day\?$/);
    expect(screen.getByText(/^3 students: who was here/)).toBeTruthy();
    expect(screen.queryByRole('heading', { name: 'Roll call' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Begin the class' })).toBeNull();
    expect(screen.getByRole('link', { name: 'Tonight planned' }).getAttribute('href')).toBe('/tonight');
    button(/^Kicks/).focus();
    await user.keyboard('+');
    await user.click(button('Begin this evening anew'));
    await user.click(button('It stays'));
    expect(sent('classPlan.remove')).toEqual([]);
    await user.click(button('Begin this evening anew'));
    await user.click(button('Yes, take the plan out'));
    expect(screen.getByRole('heading', { name: 'What is this evening for?' })).toBeTruthy();
    await waitFor(() => expect(sent('classPlan.remove')[0]?.input).toEqual({ id: uuid(801) }));
    // What was still to send goes before it, not after it.
    expect(put.mock.calls.at(-1)![0].name).toBe('classPlan.remove');
    await user.click(button(/^Push evening/));
    expect(sent('classPlan.save').at(-1)!.input).toMatchObject({ day });
    expect(localStorage.getItem('stavewright-classes')).not.toContain(uuid(801));
  });

  it('says how a form is called, and the running class opens the caller so', async () => {
    const form = sequence(EMPTY_SEQUENCE, { title: 'Sluice' });
    const item = { item: { sequence: form.id, part: null }, conditionId: null };
    const withForm = { ...shown, plan: { ...plan, blocks: [block(4, 'Forms', 60, { items: [item] })] } };
    const { unmount } = render(<Tonight kit={kit({ sequences: [form], plans: [withForm] })} school="Causeway Hall" />);
    await user.click(button(/^Forms, 60 minutes/));
    await user.click(button('Called as the caller likes for Sluice'));
    const rounds = screen.getByLabelText('Rounds');
    await user.clear(rounds);
    await user.type(rounds, '0');
    await user.click(button('Keep it'));
    expect(sent('classPlan.save')).toEqual([]);
    await user.clear(rounds);
    await user.type(rounds, '2');
    await user.clear(screen.getByLabelText('Seconds a count'));
    await user.type(screen.getByLabelText('Seconds a count'), '1,4');
    await user.click(button('Keep it'));
    await screen.findByRole('button', { name: 'Called straight through, 1.4 s a count, 2 rounds for Sluice' });
    const made = (sent('classPlan.save').at(-1)!.input as { plan: ClassPlan }).plan;
    unmount();
    const now = Date.now() - 60_000;
    const run = beginRun(made, now, now + 3_600_000);
    render(<Running kit={kit({ sequences: [form] })} shown={{ ...shown, plan: made, run }} />);
    const to = new URL((await screen.findByRole<HTMLAnchorElement>('link', { name: 'Call Sluice' })).href);
    expect([to.pathname, to.searchParams.get('rounds'), to.searchParams.get('secondsPerCount')]).toEqual([
      `/sequences/${form.id}/call`,
      '2',
      '1.4',
    ]);
  });

  it('says what was to be remembered of the last class', () => {
    const last = { ...shown, id: uuid(802), day: addDays(TODAY, -3), note: 'Mats first.', closed: true };
    const notes = [{ id: uuid(803), block: 'Kicks', said: 'Heels better.' }];
    render(<Tonight kit={kit({ plansBefore: [{ ...last, notes }] })} school="Causeway Hall" />);
    const region = screen.getByRole('region', { name: 'From last time' });
    expect(region.textContent).toContain('Mats first.');
    expect(within(region).getByRole('listitem').textContent).toBe('Kicks: Heels better.');
  });

  it('shows pairs of those who are expected, and who has nobody with what would allow it', () => {
    render(<Tonight kit={kit()} school="Causeway Hall" />);
    expect(screen.getByText(/no consent on record\. Allowed by: their own yes\./)).toBeTruthy();
    expect(screen.getByText('rung 1')).toBeTruthy();
  });
});

describe('what is to be minded', () => {
  it('names whose work rests, who has given no yes, and whom a birthday made old enough', () => {
    const rests = student(4, 'Emre Holloway', {
      lastHere: TODAY,
      resting: [{ what: 'no kicks', until: null, pause: false }],
    });
    const older = student(5, 'Yuna Brack', { lastHere: TODAY, cameOfAge: 'Amber' });
    render(<Tonight kit={kit({ students: [...people, rests, older] })} school="Causeway Hall" />);
    const list = screen.getByRole('region', { name: 'To mind tonight' });
    expect(
      within(list)
        .getAllByRole('listitem')
        .map((x) => x.textContent),
    ).toEqual([
      expect.stringMatching(/^Saoirse Quay: no consent/),
      expect.stringMatching(/^Emre Holloway: .*no kicks/),
      'Yuna Brack: old enough for Amber since a birthday this week',
    ]);
  });
});

describe('the roll', () => {
  it('counts who is here; a guest under age needs whom to call, and is kept without a network', async () => {
    render(<Tonight kit={kit()} school="Causeway Hall" />);
    expect(screen.getByText('3 expected')).toBeTruthy();
    await user.click(button('All who are expected'));
    await user.click(screen.getByRole('checkbox', { name: 'Bram Oakes' }));
    expect(screen.getByText('2 here')).toBeTruthy();
    await user.click(button('A guest'));
    await user.type(screen.getByLabelText('Name of the guest'), 'Wren Alder');
    await user.click(button('The guest is here'));
    expect(screen.getByText('Write down whom to call: a guardian’s telephone.')).toBeTruthy();
    expect(sent('guest.add')).toEqual([]);
    await user.type(screen.getByLabelText('A guardian’s telephone'), 'call mother');
    await user.click(button('The guest is here'));
    expect(screen.getByText('This is no telephone number.')).toBeTruthy();
    await user.clear(screen.getByLabelText('A guardian’s telephone'));
    await user.type(screen.getByLabelText('A guardian’s telephone'), '01632 960 123');
    await user.click(button('The guest is here'));
    expect(screen.getByText('guest, not of age, 01632 960 123')).toBeTruthy();
    expect(sent('guest.add')[0]!.input).toMatchObject({ name: 'Wren Alder', minor: true, classId: shown.id });
    await user.click(button('take out Wren Alder'));
    expect(sent('guest.remove')).toHaveLength(1);
    expect(screen.queryByText(/^guest/)).toBeNull();
  });
});

describe('the class', () => {
  const minutesAgo = (n: number) => Date.now() - n * 60_000;
  const running = (run: Run, more: Partial<LookKitView> = {}) => {
    keepLine({ ...freshLine(TODAY), present: people.map((p) => p.id), classId: shown.id });
    render(<Running kit={kit(more)} shown={{ ...shown, run }} />);
  };
  const begun = (ago: number) => beginRun(plan, minutesAgo(ago), minutesAgo(ago) + 60 * 60_000);

  it('stands where the clock says, and a run on the device that has seen more is right', () => {
    running(begun(4));
    expect(screen.getByRole('timer').textContent).toMatch(/^(6:00|5:5\d)$/);
    expect(screen.getByRole('heading', { name: /^Opening/ })).toBeTruthy();
  });

  it('says when it is over, lets a later block give, and never a block that was', async () => {
    running(onwards(plan, begun(16), minutesAgo(2)));
    expect(screen.getByText('4 minutes over.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Opening gives/ })).toBeNull();
    await user.click(button('Touch game gives 4'));
    await waitFor(() => expect(screen.queryByText('4 minutes over.')).toBeNull());
    const { run } = sent('class.run')[0]!.input as { run: Run };
    expect(run.minutes[plan.blocks[2]!.id]).toBe(16);
    // It is on the device too, before any network.
    expect(localStorage.getItem(`stavewright-run-${shown.id}`)).toContain('"changes":3');
  });

  it('stops and goes on, skips, goes back, and is over after the last', async () => {
    running(begun(1));
    await user.click(button('Stop the clock'));
    expect(button('The clock goes on')).toBeTruthy();
    await user.click(button('The clock goes on'));
    await user.click(button('Skip it'));
    expect(screen.getByRole('heading', { name: /^Kicks/ })).toBeTruthy();
    await user.click(button('Back to Opening'));
    expect(screen.getByRole('heading', { name: /^Opening/ })).toBeTruthy();
    await user.click(button('On to Kicks'));
    await user.click(button('On to Touch game'));
    await user.click(button('That was it'));
    expect(screen.getByRole('heading', { name: 'How was the class?' })).toBeTruthy();
  });

  it('is closed with what was taught and a note; what was skipped was not taught', async () => {
    running(onwards(plan, onwards(plan, begun(30), minutesAgo(20)), minutesAgo(1)));
    await user.click(screen.getByRole('checkbox', { name: 'Bram Oakes' }));
    await user.click(button('Close the class'));
    expect(screen.getByText(/^2 were here; Bram missed it\.$/)).toBeTruthy();
    await user.type(screen.getByLabelText('To remember'), 'Heels.');
    await user.click(button('Close the class'));
    await waitFor(() => expect(sent('class.close')[0]!.input).toEqual({ id: shown.id, note: 'Heels.' }));
    const noted = sent('class.record').at(-1)!.input as { taught: unknown[]; id: string; gone: string[] };
    expect([noted.id, noted.taught, noted.gone]).toEqual([shown.id, [{ technique: kick.id }], [people[1]!.id]]);
  });

  it('takes a note on the block that runs, also of other devices, takes it out, and shows them at the close', async () => {
    running(onwards(plan, begun(16), minutesAgo(2)));
    expect(button('Note it')).toHaveProperty('disabled', true);
    await user.type(screen.getByLabelText('Note on Kicks'), 'Chamber first.{Enter}');
    expect(sent('classNote.add')[0]!.input).toMatchObject({
      classId: shown.id,
      block: 'Kicks',
      said: 'Chamber first.',
    });
    await user.type(screen.getByLabelText('Note on Kicks'), 'Wrong one.');
    await user.click(button('Note it'));
    await user.click(button('Take out: Wrong one.'));
    expect(sent('classNote.remove')[0]!.input).toEqual({ id: (sent('classNote.add')[1]!.input as { id: string }).id });
    await user.click(button('Close the class'));
    expect(screen.getByText('Chamber first.', { exact: false }).textContent).toBe('Kicks: Chamber first.');
    expect(screen.queryByText(/Wrong one/)).toBeNull();
  });

  it('pairs by consent, writes a round down without contact until both said yes, and rung by rung after it', async () => {
    running(onwards(plan, onwards(plan, begun(45), minutesAgo(35)), minutesAgo(5)));
    await user.click(button('The pairs'));
    expect(screen.getByText(/Saoirse/).closest('p')!.textContent).toContain('their own yes');
    await user.click(button('So they pair up'));
    const round = () => sent('pairs.record').at(-1)!.input as { pairs: { rung: number }[]; round: number };
    expect([round().round, round().pairs.map((p) => p.rung)]).toEqual([1, [0]]);
    await user.click(button(/^Both say yes\?/));
    expect(round().pairs.map((p) => p.rung)).toEqual([1]);
    await user.click(button(/^Both said yes/));
    expect(round().pairs.map((p) => p.rung)).toEqual([0]);
  });

  it('hears of a round that another device called, and of its yes after it; one called here stays until it is answered', async () => {
    const [a, b] = [people[0]!.id, people[1]!.id];
    const round = (n: number, rung: number) => ({
      blockId: plan.blocks[2]!.id,
      round: n,
      pairs: [{ id: uuid(950 + n), a, b, c: null, rung, first: a }],
    });
    let called = [round(1, 0)];
    const told = (): ClassRunView => ({
      run: null,
      version: 3,
      changedBy: null,
      closed: false,
      here: people.map((p) => ({ id: p.id, came: null, went: null })),
      notes: [],
      guests: [],
      called,
      now: Date.now(),
    });
    vi.stubGlobal('fetch', () => Promise.resolve(answered(told())));
    running(onwards(plan, onwards(plan, begun(45), minutesAgo(35)), minutesAgo(5)));
    await user.click(button('The pairs'));
    await screen.findByRole('button', { name: /^Both say yes\?/ });
    called = [round(1, 1)];
    await screen.findByRole('button', { name: /^Both said yes/ }, { timeout: 5000 });
    // Taken back here: what is told meanwhile is what was before.
    await user.click(button(/^Both said yes/));
    called = [round(1, 1), round(2, 0)];
    await screen.findByRole('radio', { name: 'Round 2 ·' }, { timeout: 5000 });
    expect(button(/^Both say yes\?/)).toBeTruthy();
  });

  it('learns from other devices who came and who was taken off again, and keeps its clock in whole milliseconds', async () => {
    let here: ClassRunView['here'] = [
      { id: people[0]!.id, came: null, went: null },
      { id: people[1]!.id, came: 1130, went: null },
    ];
    const told = (): ClassRunView => ({
      run: null,
      version: 3,
      changedBy: null,
      closed: false,
      here,
      notes: [],
      guests: [{ id: uuid(900), classId: shown.id, name: 'Wren Alder', minor: false, phone: '' }],
      called: [],
      // A clock an odd number of milliseconds ahead, measured over a way there and back.
      now: Date.now() + 90_001,
    });
    vi.stubGlobal('fetch', () => new Promise((done) => setTimeout(() => done(answered(told())), 3)));
    render(<Running kit={kit()} shown={{ ...shown, run: begun(4) }} />);
    expect(await screen.findByRole('checkbox', { name: 'Bram Oakes 18:50' })).toHaveProperty('ariaChecked', 'true');
    expect(screen.getByText('guest')).toBeTruthy();
    expect(screen.getByText('1 here, 1 late')).toBeTruthy();
    await user.click(button('On to Kicks'));
    const { run } = sent('class.run')[0]!.input as { run: Run };
    expect([run.since, run.spent[0]!.to].every(Number.isInteger)).toBe(true);
    here = here.slice(0, 1);
    await waitFor(() => expect(screen.getByText('1 here')).toBeTruthy(), { timeout: 5000 });
    // Whom another device took off is not brought back by this one.
    await user.click(screen.getByRole('checkbox', { name: /^Saoirse Quay/ }));
    expect((sent('class.record').at(-1)!.input as { gone: string[] }).gone).toContain(people[1]!.id);
  });
});
