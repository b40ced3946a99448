import { act, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, expect, it, vi } from 'vitest';
import type { RunSheetView } from '../../contracts/views';
import { jobsOf, laidOut, seeded, type Laid } from '../../core';
import { idFor } from '../../kit/testing/ids';
import { doneAs, idIn } from '../../kit/testing/server';
import type { DayAsked, DaySaid } from '../../workers/runSheet';
import RunSheet from './RunSheet';

const [maren, odile] = [idFor('maren'), idFor('odile')];
const candidate = (name: string, more: Partial<RunSheetView['candidates'][number]> = {}) => ({
  id: idFor(name),
  name,
  age: 30,
  rank: 2,
  to: { id: idFor('fern'), name: 'Fern' },
  rung: 2,
  stature: null,
  rests: [],
  ...more,
});
const item = (name: string, more: Partial<RunSheetView['items'][string][number]> = {}) => ({
  id: idFor(name),
  name,
  sided: true,
  counts: null,
  beats: null,
  falls: false,
  partner: false,
  gear: null,
  ...more,
});
const view = (more: Partial<RunSheetView> = {}): RunSheetView => ({
  grading: {
    id: idFor('grading'),
    title: 'Winter grading',
    day: '2026-03-04',
    hall: 'the boat shed',
    repetitions: 5,
    closed: false,
  },
  candidates: ['Aiko', 'Kofi', 'Nell'].map((n) => candidate(n)),
  items: {
    [idFor('fern')]: [item('Stepping punch'), item('Front kick', { gear: 'shield' }), item('Cover', { partner: true })],
  },
  panel: [
    { id: maren, name: 'Maren Holt' },
    { id: odile, name: 'Odile Farrow' },
  ],
  usual: {
    begins: 600,
    ends: 660,
    opening: 12,
    panel: 25,
    closing: 10,
    pause: 0,
    floors: 1,
    mats: 1,
    line: 8,
    eyes: 2,
    rest: 10,
    secondsRepetition: 6,
    secondsCount: 2,
    formTogether: 2,
    things: [{ name: 'shield', count: 2 }],
    comes: {},
  },
  laid: null,
  today: '2026-03-01',
  ...more,
});

let sent: { name: string; input: { day: { starts: Record<string, number>; pins: string[] }; version: number } }[] = [];
let asked: DayAsked[] = [];
beforeEach(() => {
  sent = [];
  asked = [];
  vi.stubGlobal('fetch', (_path: string, init?: RequestInit) => {
    sent.push(JSON.parse(init?.body as string) as (typeof sent)[number]);
    return Promise.resolve(doneAs(idIn(init), {}));
  });
  // The worker's own work, without a solver, as soon as it is asked.
  vi.stubGlobal(
    'Worker',
    class {
      onmessage: ((e: MessageEvent<DaySaid>) => void) | null = null;
      terminate = () => undefined;
      postMessage(a: DayAsked) {
        asked.push(a);
        const steps = laidOut(jobsOf(a.groups, a.settings, a.examiners, { pins: a.pins }), seeded(1), null);
        let last: Laid | null = null;
        for (let s = steps.next(); ; s = steps.next()) {
          last = s.value;
          if (s.done) break;
        }
        queueMicrotask(() => act(() => this.onmessage?.({ data: { laid: last } } as MessageEvent<DaySaid>)));
      }
    },
  );
});

it('is laid out, kept, and says what is wanted, who is alone and how late it ends', async () => {
  const user = userEvent.setup({ delay: null });
  render(<RunSheet view={view()} />);
  await user.click(screen.getByRole('button', { name: 'Lay it out' }));
  await waitFor(() => expect(sent).toHaveLength(1));
  const fern = `${idFor('fern')} 0`;
  expect(sent[0]).toMatchObject({
    name: 'runSheet.save',
    input: { version: 0, day: { starts: { [fern]: 612 }, pins: [] } },
  });
  expect(screen.getByRole('button', { name: '10:12, Fern, 8 minutes' })).toBeTruthy();
  const checks = within(screen.getByRole('heading', { name: 'Checks' }).parentElement!);
  expect(checks.getByText(/are a three in cover, since nobody else is free/)).toBeTruthy();
  expect(checks.getByText('Fern, front kick: of shield three wanted, two there. Two turns, counted.')).toBeTruthy();
  expect(screen.getByText(/10 minutes can be won back: the panel 10/)).toBeTruthy();
  // What it takes and who works with whom stands beside it.
  await user.click(screen.getByRole('button', { name: '10:12, Fern, 8 minutes' }));
  const panel = within(screen.getByRole('region', { name: 'Fern' }));
  expect(panel.getByText('shield × 2, two turns')).toBeTruthy();
  expect(panel.getByText(/, slow, with checks/)).toBeTruthy();
  // Pinned to a time it stays there.
  await user.clear(panel.getByLabelText('Begins'));
  await user.type(panel.getByLabelText('Begins'), '25:99');
  expect(panel.getByText('A time such as 10:30.')).toBeTruthy();
  await user.clear(panel.getByLabelText('Begins'));
  await user.type(panel.getByLabelText('Begins'), '10.30');
  await user.click(panel.getByRole('button', { name: 'Pin it there' }));
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(asked[1]!.pins).toEqual({ [fern]: 630 });
  expect(sent[1]).toMatchObject({ input: { version: 1, day: { starts: { [fern]: 630 }, pins: [fern] } } });
});

it('whoever is out since then is said, and what was printed is out of date', () => {
  const was = view();
  const fern = `${idFor('fern')} 0`;
  const day = {
    settings: { ...was.usual, things: [...was.usual.things] },
    starts: { [fern]: 612 },
    pins: [],
    begun: {},
    laidFor: [{ id: fern, belt: 'Fern', minutes: 12, people: ['Aiko', 'Kofi', 'Nell', 'Tomasz'].map((n) => idFor(n)) }],
  };
  render(<RunSheet view={view({ laid: { day, version: 3 } })} />);
  expect(screen.getByText(/somebody is out. Fern takes 4 minutes less./)).toBeTruthy();
  expect(screen.getByText(/What was printed is out of date/)).toBeTruthy();
});

it('with nobody put forward it says where to begin', () => {
  render(<RunSheet view={view({ candidates: [] })} />);
  expect(screen.getByText(/Nobody goes up yet/)).toBeTruthy();
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Lay it out' }).disabled).toBe(true);
});

it('times are typed as people type them, and what is wrong is said at its field', async () => {
  const user = userEvent.setup({ delay: null });
  render(<RunSheet view={view()} />);
  await user.click(screen.getByRole('button', { name: 'Times and things' }));
  const sheet = within(screen.getByRole('heading', { name: 'The day' }).closest('form')!);
  await user.clear(sheet.getByLabelText('Should end'));
  await user.type(sheet.getByLabelText('Should end'), '9');
  await user.click(sheet.getByRole('button', { name: 'Lay it out' }));
  expect(await sheet.findByText('The day ends after it begins.')).toBeTruthy();
  expect(sent).toEqual([]);
  await user.clear(sheet.getByLabelText('Should end'));
  await user.type(sheet.getByLabelText('Should end'), '13.15');
  await user.clear(sheet.getByLabelText('Odile Farrow'));
  await user.type(sheet.getByLabelText('Odile Farrow'), '10:30');
  await user.click(sheet.getByRole('button', { name: 'Lay it out' }));
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(asked[0]!.settings).toMatchObject({ ends: 795, comes: { [odile]: 630 } });
});
