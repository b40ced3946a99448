import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { RankShown, SyllabusCompareView, SyllabusFollowView, SyllabusSheetView } from '../../contracts/views';
import type { SyllabusFinding } from '../../core';
import { written } from '../../core/sequence/testing/builders';
import { idFor } from '../../kit/testing/ids';
import { leaving } from '../../kit/testing/leaving';
import { smallServer } from '../../kit/testing/smallServer';
import Compare from './Compare';
import { Findings } from './Findings';
import Follow from './Follow';
import RankPrint from './RankPrint';

const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };
const RANKS: RankShown[] = ['White', 'Straw', 'Amber'].map((name, i) => ({
  id: idFor(name),
  name,
  cloth,
  wornBy: i,
  version: 1,
}));
const STRAW = RANKS[1]!;

let server: ReturnType<typeof smallServer>;
beforeEach(() => {
  server = smallServer();
});
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const press = (name: string | RegExp) => fireEvent.click(button(name));
const tick = (name: string | RegExp) => fireEvent.click(screen.getByRole('checkbox', { name }));
const ticked = (name: string | RegExp) => screen.getByRole<HTMLInputElement>('checkbox', { name }).checked;
const choose = async (box: string, word: string) => {
  const u = userEvent.setup({ delay: null });
  await u.click(screen.getByRole('combobox', { name: box }));
  await u.click(screen.getByRole('option', { name: word }));
};

describe('two versions beside each other', () => {
  const differs = (rank: RankShown | null, text: string) => ({
    rankId: rank?.id ?? null,
    threadId: null,
    rank: rank?.name ?? null,
    text,
  });
  const view = (more: Partial<SyllabusCompareView> = {}): SyllabusCompareView => ({
    was: { title: 'Techniques only', from: '2025-01-06' },
    now: { title: 'With forms', from: '2026-01-05' },
    differences: [differs(STRAW, 'low block is asked in air'), differs(null, 'looks last 90 days, not 60')],
    touched: [{ id: idFor('ilse'), name: 'Ilse Marrow', rankId: RANKS[0]!.id, differences: ['low block'] }],
    ...more,
  });
  const open = (more: Partial<SyllabusCompareView> = {}) =>
    render(
      <Compare
        view={view(more)}
        ranks={RANKS}
        versions={[
          { id: '', title: 'The draft' },
          { id: idFor('now'), title: 'With forms' },
          { id: idFor('was'), title: 'Techniques only' },
          { id: idFor('first'), title: 'The first' },
        ]}
        was={idFor('was')}
        now={idFor('now')}
      />,
    );

  it('say what is different, belt by belt and in the whole, and whom it touches', () => {
    open();
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('What does “With forms” change?');
    expect(screen.getByText(/counts from 6 January 2025: two differences\./)).toBeTruthy();
    const straw = screen.getByRole('heading', { name: /^Straw/ }).closest('section')!;
    expect(within(straw).getByText('Low block is asked in air')).toBeTruthy();
    // A belt that asks the same stays away.
    expect(screen.queryByRole('heading', { name: /^Amber/ })).toBeNull();
    expect(
      within(screen.getByRole('heading', { name: 'The whole' }).closest('section')!).getByText(/90 days/),
    ).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Ilse Marrow' }).getAttribute('href')).toBe(`/students/${idFor('ilse')}`);
    expect(screen.getByText('White, one difference')).toBeTruthy();
  });

  it('that ask the same say so, and touch nobody', () => {
    open({ differences: [], touched: [] });
    expect(screen.getByText('The two ask the same of everybody.')).toBeTruthy();
    expect(screen.getByText(/^Nobody who follows “Techniques only” is asked anything else/)).toBeTruthy();
  });

  it('a draft is called the draft', () => {
    open({ now: { title: 'With forms', from: null } });
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('What does the draft change?');
  });

  it('another one is chosen on either side; none is laid beside itself, and a draft is nothing to start from', async () => {
    const go = leaving();
    open();
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Against' }));
    expect(screen.getAllByRole('option').map((o) => o.textContent)).toEqual(['Techniques only', 'The first']);
    fireEvent.click(screen.getByRole('option', { name: 'The first' }));
    expect(go).toHaveBeenLastCalledWith(`/syllabus/compare?was=${idFor('first')}&now=${idFor('now')}`);
    await choose('Look at', 'The draft');
    expect(go).toHaveBeenLastCalledWith(`/syllabus/compare?was=${idFor('was')}`);
  });
});

describe('who moves to a version', () => {
  const mover = (name: string, differences: string[] = []) => ({
    id: idFor(name),
    name,
    rankId: RANKS[0]!.id,
    follows: 'Techniques only',
    differences,
  });
  const view = (movers: SyllabusFollowView['movers']): SyllabusFollowView => ({
    to: { id: idFor('to'), title: 'With forms', from: '2026-01-05', publishedBy: 'Maren Holt', followers: 3 },
    ranks: RANKS,
    movers,
  });
  const two = [mover('Ilse Marrow', ['low block is asked in air']), mover('Bram Oakes')];

  it('is chosen one by one with what would change for each; nobody moves unchosen', () => {
    render(<Follow view={view(two)} />);
    expect((button('Move them') as HTMLButtonElement).disabled).toBe(true);
    expect(screen.getByText('low block is asked in air')).toBeTruthy();
    press('Bram Oakes');
    expect(screen.getByText('Is asked the same for the next belt.')).toBeTruthy();
    tick('Move Bram Oakes');
    expect((button('Move one') as HTMLButtonElement).disabled).toBe(false);
    tick('Move Bram Oakes');
    expect((button('Move them') as HTMLButtonElement).disabled).toBe(true);
  });

  it('who was moved is gone from the list, and it is said how many', async () => {
    render(<Follow view={view(two)} />);
    tick('Move Ilse Marrow');
    press('Move one');
    expect(await screen.findByText('One follows “With forms” from today.')).toBeTruthy();
    expect(server.sent).toEqual([
      expect.objectContaining({
        name: 'syllabus.follow',
        input: { versionId: idFor('to'), studentIds: [idFor('Ilse Marrow')] },
      }),
    ]);
    expect(screen.queryByRole('checkbox', { name: 'Move Ilse Marrow' })).toBeNull();
    expect(ticked('Move Bram Oakes')).toBe(false);
  });

  it('all are moved at once, and then everybody follows it', async () => {
    render(<Follow view={view(two)} />);
    tick('all');
    expect([ticked('Move Ilse Marrow'), ticked('Move Bram Oakes')]).toEqual([true, true]);
    tick('Move Bram Oakes');
    expect(ticked('all')).toBe(false);
    tick('all');
    press('Move two');
    expect(await screen.findByText('Everybody follows it.')).toBeTruthy();
    expect(screen.getByText('Two follow “With forms” from today.')).toBeTruthy();
  });

  it('where it is refused everybody stays chosen where they were', async () => {
    server.refuse = { status: 409, title: 'That version was taken back.' };
    render(<Follow view={view(two)} />);
    tick('Move Ilse Marrow');
    press('Move one');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('That version was taken back.'));
    expect(ticked('Move Ilse Marrow')).toBe(true);
  });

  it('without anybody left says so', () => {
    render(<Follow view={view([])} />);
    expect(screen.getByText('Everybody follows it.')).toBeTruthy();
    expect(screen.queryByRole('table')).toBeNull();
  });
});

describe('one belt on paper', () => {
  const item = (name: string, more: Partial<SyllabusSheetView['groups'][number]['items'][number]> = {}) => ({
    id: idFor(name),
    name,
    how: 'in air',
    standard: 'Held in 8 of 10 on two days.',
    critical: false,
    points: [],
    body: null,
    stances: [],
    ...more,
  });
  const view = (more: Partial<SyllabusSheetView> = {}): SyllabusSheetView => ({
    school: 'Causeway Hall',
    rank: STRAW,
    version: { title: 'With forms', from: '2026-01-05' },
    groups: [],
    introduced: [],
    gates: [],
    ...more,
  });
  const group = (...items: ReturnType<typeof item>[]) => [{ group: 'Basics' as never, items }];

  it('says what is asked in plain words, what must hold, and what it is cautious of', () => {
    render(
      <RankPrint
        ranks={RANKS}
        view={view({
          groups: group(
            item('Low block', {
              critical: true,
              points: [
                { name: 'Rear heel down', how: 'flat on the floor', critical: true },
                { name: 'Fist a fist above the knee', how: '', critical: false },
              ],
            }),
          ),
          gates: ['six months as White'],
          introduced: ['Front kick', 'Side fall'],
        })}
      />,
    );
    expect(screen.getByText('Causeway Hall, “With forms”, from 5 January 2026.')).toBeTruthy();
    expect(screen.getByText('Six months as White')).toBeTruthy();
    const block = screen.getByRole('heading', { name: /^Low block/ }).closest('article')!;
    expect(within(block).getAllByText('must hold')).toHaveLength(2);
    const [heel, fist] = within(block).getAllByRole('listitem');
    expect(heel!.textContent).toBe('Rear heel down must hold flat on the floor');
    expect(fist!.textContent).toBe('Fist a fist above the knee');
    expect(screen.getByText('Front kick, Side fall.')).toBeTruthy();
    expect(screen.getByText(/^Pain: stop, and ask a doctor/)).toBeTruthy();
  });

  it('a form stands on it as a stave, with its tally in words', () => {
    const body = written('step L, front stance, low block L\nstep R, front stance, stepping punch R, shout');
    const { container } = render(<RankPrint ranks={RANKS} view={view({ groups: group(item('Sluice', { body })) })} />);
    expect(screen.getByText(/^(Two|2) counts/i)).toBeTruthy();
    expect(container.querySelectorAll('svg').length).toBeGreaterThan(1);
    expect(container.innerHTML).not.toMatch(/NaN|undefined/);
  });

  it('a belt that asks nothing says so, and is still cautious', () => {
    render(<RankPrint ranks={RANKS} view={view({ version: { title: '', from: null } })} />);
    expect(screen.getByText('This belt asks for nothing.')).toBeTruthy();
    expect(screen.getByText('Causeway Hall.')).toBeTruthy();
    expect(screen.queryByRole('heading', { name: 'Before the day' })).toBeNull();
    expect(screen.getByText(/law come first/)).toBeTruthy();
  });

  it('is printed, and another belt is a choice away', async () => {
    const [go, print] = [leaving(), vi.fn()];
    vi.stubGlobal('print', print);
    render(<RankPrint ranks={RANKS} view={view()} />);
    press('Print');
    expect(print).toHaveBeenCalledTimes(1);
    await choose('Belt', 'Amber');
    expect(go).toHaveBeenCalledWith(`/syllabus/print?rank=${idFor('Amber')}`);
  });
});

describe('what does not hold together', () => {
  const finding = (n: number, check: SyllabusFinding['check'] = 'asked before taught'): SyllabusFinding => ({
    check,
    key: `${check} ${n}`,
    rankId: STRAW.id,
    threadId: null,
    alsoId: null,
    says: `Finding ${n}.`,
    why: `Because of ${n}.`,
  });
  const onPick = vi.fn();
  const onWaive = vi.fn();
  beforeEach(() => {
    onPick.mockReset();
    onWaive.mockReset();
  });
  const open = (list: SyllabusFinding[], more: Partial<Parameters<typeof Findings>[0]> = {}) =>
    render(<Findings open={list} waived={[]} onPick={onPick} onWaive={onWaive} {...more} />);
  const because = (reason: string) =>
    fireEvent.change(screen.getByRole('textbox', { name: 'Why it may stay' }), { target: { value: reason } });

  it('is numbered, leads to its place, and the first eight stand for many', () => {
    open(Array.from({ length: 11 }, (_, i) => finding(i + 1)));
    expect(screen.getAllByRole('listitem')).toHaveLength(8);
    press(/^Finding 3\./);
    expect(onPick).toHaveBeenCalledWith(finding(3));
    press('and three more');
    expect(screen.getAllByRole('listitem')).toHaveLength(11);
  });

  it('is left only with a reason', async () => {
    open([finding(1)]);
    press('Leave it: Finding 1.');
    press('Leave it');
    expect(await screen.findByText('Say why: it is kept with it.')).toBeTruthy();
    expect(onWaive).not.toHaveBeenCalled();
    because('  taught at the spring course ');
    press('Leave it');
    await waitFor(() => expect(onWaive).toHaveBeenCalledWith([finding(1).key], 'taught at the spring course'));
    expect(screen.queryByRole('textbox')).toBeNull();
  });

  it('others of its kind go with it where one says so', async () => {
    open([finding(1), finding(2), finding(3, 'let go but needed')]);
    press('Leave it: Finding 1.');
    tick(/^and (1|one) other of this kind, for the same reason$/);
    because('a course of its own');
    press('Leave it');
    await waitFor(() => expect(onWaive).toHaveBeenCalledWith([finding(1).key, finding(2).key], 'a course of its own'));
  });

  it('what can hurt is thought of one by one', () => {
    open([finding(1, 'too young'), finding(2, 'too young')]);
    press('Leave it: Finding 1.');
    expect(screen.queryByRole('checkbox')).toBeNull();
  });

  it('who may not decide sees it and leaves nothing', () => {
    open([finding(1)], {
      onWaive: null,
      waived: [{ ...finding(2), reason: 'agreed', by: 'Maren', day: '2026-01-05' }],
    });
    expect(screen.queryByRole('button', { name: /^Leave it/ })).toBeNull();
    expect(screen.queryByRole('button', { name: 'look at it again' })).toBeNull();
  });

  it('what was left is read with who left it and why, and is looked at again', () => {
    open([], { waived: [{ ...finding(2), reason: 'agreed', by: 'Maren Holt', day: '2026-01-05' }] });
    expect(screen.getByText('The way holds together, and no prerequisite goes round in a circle.')).toBeTruthy();
    expect(screen.getByText(/“agreed”, Maren Holt, 5 January 2026\./)).toBeTruthy();
    fireEvent.click(screen.getByText('look at it again'));
    expect(onWaive).toHaveBeenCalledWith([finding(2).key], null);
  });
});
