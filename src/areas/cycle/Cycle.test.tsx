import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { CatchUpView, CycleView } from '../../contracts/views';
import { addDays, planCycle, problemNow, seeded, USUAL_RULES, withPlan, type Cycle, type Past } from '../../core';
import { classOn, cycle as cycleOf, row } from '../../core/cycle/testing/builders';
import { put as realPut, waitingIn as realWaitingIn } from '../../kit/deviceQueue/deviceQueue';
import type { CycleAsked, CycleSaid } from '../../workers/cycle';
import CatchUp from './CatchUp';
import CyclePage from './CyclePage';
import { cycleView, MONDAY } from './testing/view';

vi.mock(import('../../kit/deviceQueue/deviceQueue'), async (read) => ({
  ...(await read()),
  put: vi.fn(),
  waitingIn: vi.fn(),
  keepSending: vi.fn(() => () => undefined),
}));
const [put, waitingIn] = [vi.mocked(realPut), vi.mocked(realWaitingIn)];

/** Plans as the worker does, without a solver; it can be held back. */
class FakeWorker {
  static asked: CycleAsked[] = [];
  static hold = false;
  onmessage: ((e: MessageEvent<CycleSaid>) => void) | null = null;
  private gone = false;
  postMessage(asked: CycleAsked) {
    FakeWorker.asked.push(asked);
    const past: Past = { from: 0, lost: new Set(), had: () => 0 };
    for (const planned of planCycle(problemNow(asked.cycle, past), { solve: null, dice: seeded(1), clock: () => 0 }))
      this.say({ planned });
    if (!FakeWorker.hold) {
      const last = planCycle(problemNow(asked.cycle, past), { solve: null, dice: seeded(1), clock: () => 0 }).next();
      this.say({ planned: { ...last.value, stage: 'done' } });
      this.say({ over: true });
    }
  }
  private say(said: CycleSaid) {
    queueMicrotask(() => !this.gone && this.onmessage?.({ data: said } as MessageEvent<CycleSaid>));
  }
  terminate() {
    this.gone = true;
  }
}

const days = [0, 3, 5, 7];
const made = cycleOf(
  days.map((n) => classOn(addDays(MONDAY, n), 60)),
  [
    row('kick', { name: 'Front kick', minutes: 90, most: 30, kind: 'basics' }),
    row('form', { name: 'Sluice', minutes: 90, most: 30 }),
  ],
);
const NOTHING: Past = { from: 0, lost: new Set(), had: () => 0 };
const first = planCycle(problemNow(made, NOTHING), { solve: null, dice: seeded(1), clock: () => 0 }).next().value;
const planned = withPlan(made, NOTHING, first);
const SHORT = 30;
const view = (cycle: Cycle | null, more: Partial<CycleView> = {}) =>
  cycleView({ shown: cycle && { id: 'weeks', cycle, version: 2 }, ...more });
const page = (cycle: Cycle, more: Partial<CycleView> = {}) =>
  render(<CyclePage view={view(cycle, more)} by="maren" head={false} fresh={false} />);
const kept = () => (put.mock.calls.at(-1)![0].input as { cycle: Cycle }).cycle;
const cell = (name: RegExp) => screen.getByRole('button', { name });

beforeEach(() => {
  put.mockReset().mockResolvedValue(undefined);
  waitingIn.mockReset().mockResolvedValue([]);
  FakeWorker.asked = [];
  FakeWorker.hold = false;
  vi.stubGlobal('Worker', FakeWorker);
});

describe('the weeks on a screen', () => {
  it('say what is short, row by row and in all', () => {
    page(planned);
    // Four classes of forty minutes for 180: twenty are short in every plan, and this one stands without the solver.
    expect(planned.result).toMatchObject({ short: SHORT, shortAtLeast: 20 });
    expect(screen.getByText(`Not quite: ${SHORT} minutes are short.`)).toBeTruthy();
    expect(screen.getByText(`At best ${SHORT - 20} minutes more could fit.`)).toBeTruthy();
    expect(screen.getByText(`${SHORT} min of 180`)).toBeTruthy();
  });

  it('go by keys: about, longer, shorter, pinned, to the next class; each can be taken back', async () => {
    const user = userEvent.setup();
    page(planned);
    const thursday = /^Front kick, Thursday 5 March: /;
    const at = cell(thursday);
    at.focus();
    const before = planned.cells.find((c) => c.row === 'kick' && c.class === `c ${addDays(MONDAY, 3)}`)?.minutes ?? 0;
    await user.keyboard('+');
    expect(cell(thursday).getAttribute('aria-label')).toContain(`${before + 5} minutes, planned, pinned`);
    await waitFor(() =>
      expect(kept().cells).toContainEqual({
        row: 'kick',
        class: `c ${addDays(MONDAY, 3)}`,
        minutes: before + 5,
        pinned: true,
      }),
    );
    await user.keyboard('p');
    expect(cell(thursday).getAttribute('aria-label')).not.toContain('pinned');
    await user.keyboard('{ArrowDown}');
    expect(document.activeElement?.getAttribute('aria-label')).toMatch(/^Sluice, Thursday 5 March/);
    await user.keyboard('{Home}');
    expect(document.activeElement?.getAttribute('aria-label')).toMatch(/^Sluice, Monday 2 March/);
    const back = screen.getByRole('button', { name: 'Undo' });
    await user.click(back);
    await user.click(back);
    expect(cell(thursday).getAttribute('aria-label')).toContain(`${before} minutes, planned`);
    expect((back as HTMLButtonElement).disabled).toBe(true);
  });

  it('a plan is from the weeks as they were asked: a change meanwhile stands, and the plan is let go', async () => {
    const user = userEvent.setup();
    FakeWorker.hold = true;
    page(planned);
    await user.click(screen.getByRole('button', { name: 'Plan again' }));
    expect(screen.getByRole('button', { name: 'Stop here' })).toBeTruthy();
    cell(/^Sluice, Saturday 7 March/).focus();
    await user.keyboard('p');
    expect(screen.getByRole('button', { name: 'Plan again' })).toBeTruthy();
    expect(cell(/^Sluice, Saturday 7 March/).getAttribute('aria-label')).toContain('pinned');
  });

  it('stopped early it keeps what there is, and says so', async () => {
    const user = userEvent.setup();
    FakeWorker.hold = true;
    page({ ...planned, result: null, cells: [] });
    await user.click(screen.getByRole('button', { name: 'Plan' }));
    await waitFor(() => expect(screen.getByText(new RegExp(`${SHORT} minutes short so far\\.$`))).toBeTruthy());
    await user.click(screen.getByRole('button', { name: 'Stop here' }));
    expect(screen.getByText(/^It was stopped early\./)).toBeTruthy();
    await waitFor(() => expect(kept().result).toMatchObject({ short: SHORT, stopped: true }));
  });

  it('an idea is shown at a tap and taken at a second one', async () => {
    const user = userEvent.setup();
    page(planned);
    const idea = cell(/^Shorter opening and close/);
    await user.click(idea);
    expect(screen.getByText(/^Tried out: /)).toBeTruthy();
    expect(put).not.toHaveBeenCalled();
    await user.click(cell(/^Shorter opening and close/));
    await waitFor(() => expect(kept().classes.every((c) => c.frame === USUAL_RULES.frame - 5)).toBe(true));
    expect(FakeWorker.asked).toHaveLength(1);
    expect(await screen.findByText(/^(Yes|Not quite):/)).toBeTruthy();
  });

  it('a class that was not held is lost: what it was to have stands dotted, and is said', () => {
    page(planned, { today: addDays(MONDAY, 1) });
    expect(screen.getByText(/Monday 2 March was lost; of its 40 minutes/)).toBeTruthy();
    expect(screen.getAllByRole('button', { name: /minutes were lost$/ }).length).toBeGreaterThan(0);
  });
});

describe('the sheet of a week', () => {
  const sheet: CatchUpView = {
    today: addDays(MONDAY, 5),
    school: 'Causeway Hall',
    from: MONDAY,
    to: addDays(MONDAY, 6),
    classes: [{ day: MONDAY, minutes: 90, people: 12 }],
    items: [
      {
        name: 'Cover',
        itemKey: 't:cover',
        days: [MONDAY],
        conditions: ['set partner'],
        belts: [],
        points: [{ name: 'Rear hand at the cheek', cue: 'Hold the telephone.', hurts: true }],
        contrast: { with: 'Palm check', here: ['Both hands up'], there: ['Palm leads'] },
        alone: 'Without a partner: in the air.',
      },
    ],
    notFit: [{ day: MONDAY, name: 'Falls', how: 'On the mats.', why: 'skipped' }],
    test: { name: 'Winter grading', day: addDays(MONDAY, 10) },
    belts: [{ name: 'Fern', rows: [{ name: 'Cover', had: 20, of: 60 }] }],
  };

  it('says all of it: points, what it is not, how alone, what did not fit, the day of the test', () => {
    render(<CatchUp view={sheet} />);
    expect(screen.getByText(/Winter grading is on Thursday 12 March, in 5 days\./)).toBeTruthy();
    const item = screen.getByRole('heading', { name: 'Cover' }).closest('li')!;
    expect(item.textContent).toContain('passed on without a test');
    expect(item.textContent).toContain('Rear hand at the cheek “Hold the telephone.”');
    expect(item.textContent).toContain('Not Palm check: here both hands up; there palm leads.');
    expect(item.textContent).toContain('Without a partner: in the air.');
    expect(within(item).getByRole('link').getAttribute('href')).toBe('/look?item=t%3Acover');
    expect(screen.getByText(/Monday 2 March \(left out\)/)).toBeTruthy();
    expect(screen.getByText('20 of 60 min')).toBeTruthy();
  });

  it('of a week without classes says so', () => {
    render(<CatchUp view={{ ...sheet, classes: [], items: [], notFit: [], belts: [], test: null }} />);
    expect(screen.getByText(/Nothing was noted as taught\./)).toBeTruthy();
  });
});
