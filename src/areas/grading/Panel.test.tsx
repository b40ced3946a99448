import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { GradingView, PanelCandidate, PanelView } from '../../contracts/views';
import { agreementOf, decideByRule, measuresOf, USUAL_RULE, type PanelMark } from '../../core';
import { idFor } from '../../kit/testing/ids';
import { doneAs, idIn, shown } from '../../kit/testing/server';
import Grading from './Grading';
import Panel from './Panel';

const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };
const rank = (name: string) => ({ id: idFor(name), name, cloth });
const [maren, odile] = [idFor('maren'), idFor('odile')];
const [kick, cover] = [idFor('kick'), idFor('cover')];
const grading: PanelView['grading'] = {
  id: idFor('grading'),
  title: 'Winter grading',
  day: '2026-03-04',
  hallId: null,
  hall: null,
  rule: USUAL_RULE,
  items: null,
  answerBy: null,
  version: 1,
  closed: false,
  letOut: false,
};
const panel = [
  { id: maren, name: 'Maren Holt', handedIn: true },
  { id: odile, name: 'Odile Farrow', handedIn: true },
];
const kofi = (more: Partial<PanelCandidate> = {}): PanelCandidate => ({
  id: idFor('kofi'),
  name: 'Kofi Adlam',
  age: 17,
  rank: rank('Amber'),
  to: rank('Fern'),
  items: [
    { id: kick, name: 'Front kick', critical: false },
    { id: cover, name: 'Cover', critical: true },
  ],
  rule: decideByRule(
    USUAL_RULE,
    [kick, cover].map((item) => ({ item, critical: item === cover, asks: () => 0.8, hangsOn: () => false })),
    [maren, odile].flatMap((examiner) => [
      { item: kick, examiner, marks: [], word: examiner === odile ? ('nearly' as const) : ('stands' as const) },
      { item: cover, examiner, marks: [], word: 'stands' as const },
    ]),
  ),
  tallies: [{ examiner: maren, item: kick, held: 9, seen: 10, mark: null, note: '', putRight: null, typed: false }],
  hurts: ['Window to see through'],
  sentence: 'Cover stood for all of us.',
  decided: null,
  certificate: null,
  ...more,
});
const marks: PanelMark[] = ['a', 'b', 'c', 'd', 'e'].flatMap((candidate, i) =>
  [1, 2, 3, 4].flatMap((repetition) =>
    [maren, odile].map((examiner) => ({
      candidate,
      item: kick,
      point: 'heel',
      side: 'left',
      repetition,
      examiner,
      held: !(i < 3 && repetition === 1 && examiner === odile),
    })),
  ),
);
const view = (more: Partial<PanelView> = {}): PanelView => ({
  grading,
  panel,
  seen: {
    all: agreementOf(marks),
    measures: measuresOf(marks),
    items: [{ id: kick, name: 'Front kick', belt: 'Fern', ...agreementOf(marks) }],
    splits: [{ item: 'Front kick', point: 'Heel down', differ: 3, pairs: 20, hangs: ['Kofi Adlam'] }],
    shifts: [
      { examiner: maren, name: 'Maren Holt', shift: 0.07, between: { lo: 0.02, hi: 0.11 }, shared: 20 },
      { examiner: odile, name: 'Odile Farrow', shift: -0.07, between: null, shared: 6 },
    ],
  },
  candidates: [kofi()],
  today: '2026-03-05',
  may: { decide: true },
  ...more,
});

let sent: { name: string; input: Record<string, unknown> }[] = [];
let fresh: unknown = null;
beforeEach(() => {
  sent = [];
  fresh = null;
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    if (path.startsWith('/api/views/')) return Promise.resolve(shown(fresh));
    sent.push(JSON.parse(init?.body as string) as (typeof sent)[number]);
    return Promise.resolve(doneAs(idIn(init), {}));
  });
});

describe('what the panel saw', () => {
  it('is shown to nobody before every sheet is in; a head closes one that never will be', async () => {
    render(
      <Panel view={view({ seen: null, candidates: [], panel: [panel[0]!, { ...panel[1]!, handedIn: false }] })} />,
    );
    expect(screen.getByText(/^Odile Farrow has not handed in yet\./)).toBeTruthy();
    expect(screen.queryByRole('radio')).toBeNull();
    fresh = view();
    await userEvent.setup({ delay: null }).click(screen.getByRole('button', { name: /^Close the sheet of Odile/ }));
    expect(await screen.findByText(/were the same in/)).toBeTruthy();
    expect(sent).toMatchObject([{ name: 'sheet.handIn', input: { gradingId: grading.id, examinerId: odile } }]);
  });

  it('is said in pairs, with what chance alone gives, and what splits it', () => {
    render(<Panel view={view()} />);
    // By hand: twenty pairs of two examiners, three of them apart.
    expect(screen.getByText(/were the same in 17 of 20 pairs; chance alone gives/)).toBeTruthy();
    // One of two never says slipped: by hand, chance alone agrees as often, so kappa is 0.
    expect(screen.getByText(/^Cohen’s kappa, Maren Holt and Odile Farrow, 20 pairs:/).textContent).toMatch(/0\.00$/);
    expect(screen.getByText(/Heel down/).closest('li')!.textContent).toMatch(/3 of 20 pairs differ/);
    expect(
      screen.getByText(/^Maren Holt sees 7 in a hundred more held than the panel together \(2 to 11\)/),
    ).toBeTruthy();
    expect(screen.getByText('too few to say: 6 seen together')).toBeTruthy();
  });

  it('is to be decided by the head alone', () => {
    render(<Panel view={view({ may: { decide: false } })} />);
    expect(screen.queryByRole('radio', { name: 'decide' })).toBeNull();
  });
});

describe('deciding', () => {
  const decide = async (v = view()) => {
    const user = userEvent.setup({ delay: null });
    render(<Panel view={v} />);
    await user.click(screen.getByRole('radio', { name: 'decide' }));
    return user;
  };

  it('begins from what the rule says, with why each lath fits or not, and what can hurt', async () => {
    await decide();
    // Two examiners: the lower of their words.
    expect(screen.getByText('By the rule: the belt, with a note.')).toBeTruthy();
    const laths = screen.getAllByRole('listitem').filter((li) => /short, of them/.test(li.textContent));
    expect(laths[0]!.textContent).toMatch(/the belt1 short, 0 not yet$/);
    expect(laths[1]!.textContent).toMatch(/fits$/);
    expect(screen.getByText(/Window to see through/)).toBeTruthy();
    expect(screen.getByLabelText('What Kofi reads')).toHaveProperty('value', 'Cover stood for all of us.');
    expect(screen.getByRole('button', { name: 'Close it, 1 open' })).toHaveProperty('disabled', true);
  });

  it('otherwise than the rule asks why; a part again is what did not stand', async () => {
    const user = await decide();
    await user.click(screen.getByRole('combobox', { name: 'What becomes of it' }));
    await user.click(screen.getByRole('option', { name: 'part again' }));
    await user.type(screen.getByLabelText('Why not as the rule says'), 'the heel split us');
    await user.type(screen.getByLabelText('By'), '4 April 2026');
    fresh = view({
      candidates: [
        kofi({ decided: { result: 'part again', byRule: null, reason: null, again: [], againBy: null, sentence: '' } }),
      ],
    });
    await user.click(screen.getByRole('button', { name: 'Keep it' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      name: 'grading.decide',
      input: { result: 'part again', reason: 'the heel split us', again: [kick], againBy: '2026-04-04' },
    });
    // All decided: it can be closed, and that is asked once more.
    await user.click(await screen.findByRole('button', { name: 'Close the grading' }));
    const sure = within(screen.getByRole('alertdialog', { name: 'Close the grading?' }));
    fresh = view({ grading: { ...grading, closed: true } });
    await user.click(sure.getByRole('button', { name: 'Close it, let it out later' }));
    await waitFor(() =>
      expect(sent[1]).toMatchObject({ name: 'grading.close', input: { id: grading.id, letOut: false } }),
    );
    // Until it is let out only the panel reads it.
    expect(await screen.findByText('Students and guardians do not read their result yet.')).toBeTruthy();
    fresh = view({ grading: { ...grading, closed: true, letOut: true } });
    await user.click(screen.getByRole('button', { name: 'Let it out' }));
    await waitFor(() => expect(sent[2]).toMatchObject({ name: 'grading.letOut', input: { id: grading.id } }));
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Let it out' })).toBeNull());
  });

  it('closed, what was decided is read and nothing is offered', async () => {
    const decided = {
      result: 'held over' as const,
      byRule: 'the belt, with a note' as const,
      reason: 'not yet steady',
      again: [],
      againBy: null,
      sentence: 'Come again.',
    };
    const certificate = { id: idFor('certificate'), number: '2026-004', back: false };
    await decide(
      view({ grading: { ...grading, closed: true, letOut: true }, candidates: [kofi({ decided, certificate })] }),
    );
    expect(screen.getByRole('link', { name: 'Print on A4' }).getAttribute('href')).toBe(
      `/certificates/${certificate.id}.pdf`,
    );
    expect(screen.getByText('Not as the rule says: “not yet steady”')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /Keep it|Close/ })).toBeNull();
  });
});

describe('who goes up', () => {
  const candidate = (
    name: string,
    more: Partial<GradingView['candidates'][number]> = {},
  ): GradingView['candidates'][number] => ({
    id: idFor(name),
    name,
    age: 20,
    rank: rank('Amber'),
    to: rank('Fern'),
    putBy: 'Maren Holt',
    yes: true,
    exception: null,
    out: null,
    met: 8,
    asked: 8,
    word: 'met',
    why: 'Cover: thinnest.',
    shut: [],
    rests: null,
    rung: 2,
    guardians: [],
    chance: 'about 8 in 10',
    decided: null,
    ...more,
  });
  const page = (candidates: GradingView['candidates']): GradingView => ({
    grading,
    panel,
    candidates,
    others: [{ id: idFor('nell'), name: 'Nell Okafor', rank: rank('Amber'), to: rank('Fern') }],
    items: [],
    teachers: [],
    halls: [],
    me: maren,
    today: '2026-03-01',
    may: { decide: true, examine: true },
  });

  it('says how many are settled, wait for their word or for the head, and are out', () => {
    render(
      <Grading
        view={page([
          candidate('Settled One'),
          candidate('No Word', { yes: null }),
          candidate('Gate Shut', { shut: ['7 months as Amber, asks 8'] }),
          candidate('Let Up', { word: 'close', exception: 'a week short' }),
          candidate('Gone Away', { out: 'wrist' }),
        ])}
      />,
    );
    expect(screen.getByText('Two settled. One waits for their word, one for you, one out.')).toBeTruthy();
    expect(screen.getByText('7 months as Amber, asks 8')).toBeTruthy();
    expect(screen.getByText('Out: wrist')).toBeTruthy();
    expect(screen.getByRole('img', { name: 'put forward, said yes, the head agreed' })).toBeTruthy();
  });

  it('says who still has to decide what, and by when', () => {
    const view = page([
      candidate('Young One', { yes: null, guardians: ['Wren Tallow', 'Ash Tallow'] }),
      candidate('Gate Shut', { shut: ['7 months as Amber, asks 8'] }),
      candidate('Said No', { yes: false }),
      candidate('Settled One'),
    ]);
    const { rerender } = render(<Grading view={{ ...view, grading: { ...grading, answerBy: '2026-03-01' } }} />);
    const open = () => within(screen.getByRole('region', { name: 'Still to decide' }));
    expect(
      open()
        .getAllByRole('listitem')
        .map((x) => x.textContent),
    ).toEqual(['Young One, or Wren Tallow or Ash Tallow for them', 'Gate Shut']);
    expect(open().getByText('They come or not, by 1 March 2026')).toBeTruthy();
    rerender(<Grading key="late" view={{ ...view, grading: { ...grading, answerBy: '2026-02-01' } }} />);
    expect(open().getByText('They come or not; asked to say so by 1 February 2026')).toBeTruthy();
  });

  it('nobody is refused: the head lets somebody go up with a reason', async () => {
    const user = userEvent.setup({ delay: null });
    render(<Grading view={page([candidate('Gate Shut', { shut: ['7 months as Amber, asks 8'] })])} />);
    await user.click(screen.getByRole('button', { name: /Gate Shut/ }));
    const up = screen.getByRole('button', { name: 'Let them go up' });
    expect(up).toHaveProperty('disabled', true);
    await user.type(screen.getByLabelText('Because'), 'a month early, and ready');
    fresh = page([candidate('Gate Shut', { exception: 'a month early, and ready' })]);
    await user.click(up);
    expect(await screen.findByText('Goes up all the same: “a month early, and ready”')).toBeTruthy();
    expect(sent).toMatchObject([{ name: 'grading.put', input: { reason: 'a month early, and ready' } }]);
  });
});
