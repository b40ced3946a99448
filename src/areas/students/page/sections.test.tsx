import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { StudentView } from '../../../contracts/views';
import { idFor } from '../../../kit/testing/ids';
import { smallServer } from '../../../kit/testing/smallServer';
import { forStudent, pageOf } from '../testing/student';
import { Adapted, Belts, Faded, Gates } from './Held';
import { Pauses } from './Pauses';
import { PracticeLog } from './Practice';
import { Injury, Safety } from './Safety';

const onStrike = vi.fn();
const act = vi.fn();
const done = vi.fn(() => Promise.resolve());
let server: ReturnType<typeof smallServer>;
beforeEach(() => {
  for (const f of [onStrike, act, done]) f.mockClear();
  server = smallServer();
});
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const press = (name: string | RegExp) => fireEvent.click(button(name));
const type = (name: string, text: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value: text } });
const buttons = () => screen.queryAllByRole('button').map((b) => b.textContent);
const page = () => document.body.textContent;

describe('what a belt asks besides work', () => {
  it('is called a gate for teachers, and put plainly for who reads their own page', () => {
    const { unmount } = render(<Gates view={pageOf()} />);
    expect(screen.getByRole('heading', { name: /^Gates/ })).toBeTruthy();
    expect(page()).toContain('6 of 10 hours of class, since White');
    unmount();
    render(<Gates view={forStudent()} />);
    expect(screen.getByRole('heading', { name: /^Besides the work/ })).toBeTruthy();
  });

  it('nothing asked, nothing said', () => {
    const { container } = render(<Gates view={pageOf({ gates: [] })} />);
    expect(container.textContent).toBe('');
  });
});

describe('what faded since earlier belts', () => {
  const faded: StudentView['faded'] = [
    {
      rank: pageOf().student.rank,
      itemKey: 'technique fist',
      item: 'Fist',
      reason: 'Last seen on 3 March 2025.',
    },
  ];

  it('leads to a look for whoever may take one, and is only read by others', () => {
    const { unmount } = render(<Faded view={pageOf({ faded })} />);
    expect(screen.getByRole('link', { name: 'look' }).getAttribute('href')).toBe(
      `/look?student=${idFor('ilse')}&item=technique%20fist`,
    );
    unmount();
    render(<Faded view={forStudent({ faded })} />);
    expect(page()).toContain('Last seen on 3 March 2025.');
    expect(screen.queryByRole('link', { name: 'look' })).toBeNull();
  });
});

describe('the belts that were given', () => {
  const two = pageOf({
    held: [
      { id: idFor('straw'), rank: pageOf().next!, since: '2026-01-10', note: 'on trial' },
      { id: idFor('white'), rank: pageOf().student.rank, since: '2025-06-01', note: '' },
    ] as StudentView['held'],
    decisions: [{ id: idFor('decision'), rank: 'Straw', passed: false, day: '2025-12-06', note: 'heel' }] as never,
  });

  it('stand with the day and what was said, and each can be struck; the only one cannot', () => {
    const { unmount } = render(<Belts view={two} onStrike={onStrike} onDecision={act} onPromote={act} />);
    expect(page()).toContain('10 January 2026, on trial');
    expect(page()).toContain('Straw: try again');
    press(/^Strike: Straw, given 10 January 2026/);
    expect(onStrike).toHaveBeenCalledWith(expect.objectContaining({ kind: 'promotion', id: idFor('straw') }));
    press(/^Strike: Straw: try again/);
    expect(onStrike).toHaveBeenLastCalledWith(expect.objectContaining({ kind: 'decision' }));
    unmount();
    render(<Belts view={pageOf()} onStrike={onStrike} onDecision={act} onPromote={act} />);
    expect(screen.queryByRole('button', { name: /^Strike: White/ })).toBeNull();
  });

  it('a head records a decision or a promotion; at the last belt only a promotion, of who left nothing', () => {
    const show = (view: StudentView) => render(<Belts view={view} onStrike={null} onDecision={act} onPromote={act} />);
    const first = show(pageOf());
    expect(buttons()).toEqual(['Record a decision', 'Record a promotion']);
    expect(screen.getByRole('link', { name: 'Grade alone' })).toBeTruthy();
    first.unmount();
    const last = show(pageOf({ next: null }));
    expect(buttons()).toEqual(['Record a promotion']);
    last.unmount();
    show(pageOf({ student: { ...pageOf().student, leftOn: '2026-01-01' } }));
    expect(buttons()).toEqual([]);
  });

  it('a student decides nothing of it', () => {
    render(<Belts view={forStudent()} onStrike={null} onDecision={act} onPromote={act} />);
    expect(buttons()).toEqual([]);
  });
});

describe('what is adapted for one student alone', () => {
  const adaptations = [
    {
      id: idFor('adapted'),
      point: 'Heel down',
      technique: 'Front stance',
      what: 'half as often',
      from: '2026-01-10',
      reason: 'A stiff ankle.',
      by: 'Maren Holt',
    },
  ] as StudentView['adaptations'];

  it('is read with its reason and by whom; the head adapts, and strikes it', () => {
    render(<Adapted view={pageOf({ adaptations })} onAdapt={act} onStrike={onStrike} />);
    expect(page()).toContain('Front stance: half as often, from 10 January 2026');
    expect(page()).toContain('A stiff ankle. (Maren Holt)');
    press('Adapt a point');
    expect(act).toHaveBeenCalledTimes(1);
    press('Strike: Heel down: half as often');
    expect(onStrike).toHaveBeenCalledWith(expect.objectContaining({ kind: 'adaptation' }));
  });

  it('is nothing to read where nothing is and one may not adapt', () => {
    const { container } = render(<Adapted view={forStudent()} onAdapt={act} onStrike={null} />);
    expect(container.textContent).toBe('');
  });
});

describe('contact and rest', () => {
  const consent = (more: object): StudentView['consent'] =>
    ({ id: idFor('yes'), rung: 'light contact', day: '2026-02-01', guardian: '', counts: true, ...more }) as never;
  const show = (view: StudentView, may = true) =>
    render(
      <Safety view={view} onStrike={may ? onStrike : null} onConsent={may ? act : null} onInjury={may ? act : null} />,
    );

  it.each([
    [null, 'No consent to contact on record'],
    [consent({ rung: null }), 'No contact, 1 February 2026'],
    [consent({ guardian: 'Aldous Marrow' }), 'Contact: light contact, 1 February 2026, Aldous Marrow agrees'],
    [consent({ counts: false }), 'Contact: light contact, 1 February 2026; a guardian’s agreement is missing'],
  ])('%#: says how far contact may go, and what is missing of it', (given, says) => {
    show(pageOf({ consent: given }));
    expect(page()).toContain(says);
  });

  it('what was said before stays readable, and what rests can be changed', () => {
    const injuries = [{ id: idFor('knee'), what: 'kicks with the right leg', from: '2026-03-01', until: '2026-03-12' }];
    show(
      pageOf({
        consent: consent({}),
        consentBefore: [{ rung: null, day: '2025-11-01' }] as never,
        injuries: injuries,
      }),
    );
    expect(page()).toContain('Before: no contact (1 November 2025).');
    expect(page()).toContain('kicks with the right leg rests until 12 March 2026');
    press('change');
    expect(act).toHaveBeenLastCalledWith(injuries[0]);
    press('Record an injury');
    expect(act).toHaveBeenLastCalledWith(null);
  });

  it('who may not record it reads it, and nothing is offered', () => {
    show(pageOf({ consent: consent({}) }), false);
    expect(buttons()).toEqual([]);
  });

  it('an injury names the work that rests, and ends after it begins', async () => {
    render(<Injury view={pageOf()} value={null} done={done} leave={act} onLeft={act} />);
    expect(page()).toContain('Write no diagnosis here.');
    type('Work that rests', 'kicks with the left leg');
    type('From', '5.3.2026');
    type('Until and with', '1.3.2026');
    press('Record it');
    expect(await screen.findByText('It ends after it begins.')).toBeTruthy();
    expect(server.sent).toEqual([]);
    type('Until and with', '20.3.2026');
    press('Record it');
    await waitFor(() => expect(done).toHaveBeenCalledTimes(1));
    expect(server.sent[0]).toMatchObject({
      name: 'injury.record',
      input: { studentId: idFor('ilse'), what: 'kicks with the left leg', from: '2026-03-05', until: '2026-03-20' },
    });
  });
});

describe('work that is laid off', () => {
  const pauses = [
    { id: idFor('pause'), item: 'Front kick', habit: 'swings from the shoulder', from: '2026-02-01', until: null },
    { id: idFor('over'), item: 'Fist', habit: 'thumb inside', from: '2025-02-01', until: '2025-03-01' },
  ] as StudentView['pauses'];

  it('stands with the habit, and is taken up again where it still is', () => {
    render(<Pauses view={pageOf({ pauses })} onPause={act} onEnd={act} />);
    const [open, over] = screen.getAllByRole('listitem');
    expect(open!.textContent).toContain('until this habit is gone: swings from the shoulder. Since 1 February 2026');
    expect(over!.textContent).toContain('taken up again on 1 March 2025');
    expect(within(over!).queryByRole('button')).toBeNull();
    fireEvent.click(within(open!).getByRole('button', { name: 'Take it up again' }));
    expect(act).toHaveBeenCalledWith(idFor('pause'));
  });

  it('is nothing to read where nothing is and one may not', () => {
    const { container } = render(<Pauses view={forStudent()} onPause={null} onEnd={null} />);
    expect(container.textContent).toBe('');
  });
});

describe('what was practised at home', () => {
  const practice = (more: object) => ({ ...pageOf().practice, ...more }) as StudentView['practice'];
  const show = (view: StudentView) => render(<PracticeLog view={view} onAdd={null} onStrike={null} />);

  it('is summed in minutes, and in hours once it is much; it opens no gate', () => {
    const { unmount } = show(pageOf({ practice: practice({ entries: 2, minutes: 80, repetitions: 40 }) }));
    expect(page()).toContain('80 minutes in four weeks, 40 repetitions. The gates count class hours only.');
    unmount();
    show(pageOf({ practice: practice({ entries: 3, minutes: 200, repetitions: 40, strikes: 20 }) }));
    expect(page()).toContain('3.3 hours in four weeks, 40 repetitions, 20 strikes.');
  });

  it('nothing written down is said, and what stops striking stands first', () => {
    show(
      pageOf({
        stops: [
          { what: 'skin of the left hand', until: '2026-03-19' },
          { what: 'a joint', until: null },
        ] as never,
      }),
    );
    expect(page()).toContain('Nothing written down in the last four weeks.');
    expect(page()).toMatch(/Skin of the left hand: no striking until it has healed, .*19 March.* at the earliest\./);
    expect(page()).toContain('A joint: no striking until it has healed.');
  });
});
