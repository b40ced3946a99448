import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { EditInput } from '../../contracts/syllabus';
import type { SyllabusView } from '../../contracts/views';
import { itemKey, NOTHING_KNOWN, type Syllabus } from '../../core';
import { asks, CONDITIONS, facts, library, RANKS, syllabus, thread } from '../../core/syllabus/testing/builders';
import { idFor } from '../../kit/testing/ids';
import { smallServer } from '../../kit/testing/smallServer';
import { ConditionsSheet } from './ConditionsSheet';
import { GateForm } from './GateForm';
import { RankSheet } from './RankSheet';
import { ThreadSheet } from './ThreadSheet';
import { PublishSheet, VersionsSheet } from './VersionsSheet';

const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };
const viewOf = (s: Syllabus, more: Partial<SyllabusView> = {}): SyllabusView => ({
  ranks: RANKS.map((r, i) => ({ ...r, cloth, wornBy: i, version: 1 })),
  conditions: CONDITIONS.map((c) => ({ ...c, version: 1 })),
  syllabus: s,
  version: 3,
  over: null,
  changedOn: null,
  changedBy: null,
  versions: [],
  items: s.threads.map((t) => ({ ...NOTHING_KNOWN, key: itemKey(t.item), item: t.item, name: t.id, group: 'Basics' })),
  others: [],
  halls: [],
  store: [],
  today: '2026-03-05',
  ...more,
});

const edit = vi.fn((_edits: EditInput[], _says: string): string | null => null);
const does = vi.fn((_name: string, _input: unknown) => Promise.resolve({ ok: true as const, answer: {} }));
const leave = vi.fn();
let server: ReturnType<typeof smallServer>;
beforeEach(() => {
  server = smallServer();
  for (const f of [edit, does, leave]) f.mockClear();
  edit.mockReturnValue(null);
});
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const radio = (name: string) => screen.getByRole('radio', { name });
const user = () => userEvent.setup({ delay: null });
const choose = async (box: string | RegExp, word: string | RegExp) => {
  const u = user();
  await u.click(screen.getByRole('combobox', { name: box }));
  await u.click(screen.getByRole('option', { name: word }));
};
const edits = () => edit.mock.calls.flatMap((c) => c[0]);

describe('one item’s way', () => {
  const kick = thread('kick');
  const body = syllabus({
    threads: [kick, thread('punch'), thread('stance'), thread('sluice')],
    requirements: [asks('kick', 'straw')],
    needs: [
      { of: 'kick', on: 'stance' },
      { of: 'sluice', on: 'kick' },
    ],
  });
  const onTest = vi.fn();
  const open = (s: Syllabus = body, of = kick, mayChange = true) => {
    render(
      <ThreadSheet
        view={viewOf(s)}
        syllabus={s}
        thread={of}
        item={viewOf(s).items.find((i) => i.key === itemKey(of.item))}
        factsOf={library(s)}
        mayChange={mayChange}
        edit={edit}
        onTest={onTest}
        leave={leave}
      />,
    );
  };

  it('says where it begins, what it hangs on and what hangs on it, and leads to its test', async () => {
    open();
    expect(screen.getByRole('combobox', { name: 'Introduced for' }).textContent).toBe('beginners, with White');
    expect(screen.getByText(/^One item hangs on it: sluice\./)).toBeTruthy();
    await user().click(button('Tested for Straw'));
    expect(onTest).toHaveBeenCalledWith('kick for straw');
  });

  it('begins at another belt, ends at one, or is introduced nowhere', async () => {
    open();
    await choose('Introduced for', 'Amber');
    await choose('Kept up', 'until Fern');
    await choose('Introduced for', 'no belt');
    expect(edits()).toEqual([
      { op: 'thread.put', thread: { ...kick, introduced: 'amber' } },
      { op: 'thread.put', thread: { ...kick, until: 'fern' } },
      { op: 'thread.put', thread: { ...kick, introduced: null } },
    ]);
  });

  it('what it hangs on is let go and taken up; itself is not among what it could hang on', async () => {
    open();
    await user().click(button('kick does not need stance'));
    await user().click(screen.getByRole('combobox', { name: 'It needs' }));
    expect(screen.getAllByRole('option').map((o) => o.textContent)).not.toContain('kick');
    await user().click(screen.getByRole('option', { name: 'punch' }));
    expect(edits()).toEqual([
      { op: 'need.remove', need: { of: 'kick', on: 'stance' } },
      { op: 'need.add', need: { of: 'kick', on: 'punch' } },
    ]);
  });

  it('only what no belt tests may be informal', async () => {
    open(body, thread('punch'));
    await user().click(radio('informal'));
    expect(edits()).toEqual([{ op: 'thread.put', thread: thread('punch', { informal: true }) }]);
  });

  it('where a belt tests it, it is not asked whether it is formal', () => {
    open();
    expect(screen.queryByRole('radio', { name: 'informal' })).toBeNull();
  });

  it('is taken out with its tests; where it cannot be, the sheet stays', async () => {
    open();
    edit.mockReturnValueOnce('Sluice hangs on it.');
    await user().click(button('Take it out of the syllabus'));
    expect(leave).not.toHaveBeenCalled();
    await user().click(button('Take it out of the syllabus'));
    expect(leave).toHaveBeenCalledOnce();
    expect(edit.mock.lastCall).toEqual([[{ op: 'thread.remove', id: 'kick' }], 'kick taken out, with one test']);
  });

  it('who may not change it reads it only', () => {
    open(body, kick, false);
    expect(screen.getByRole('combobox', { name: 'Introduced for' })).toHaveProperty('ariaDisabled', 'true');
    expect(screen.getAllByRole('button').map((b) => b.textContent)).toEqual(['Tested for Straw', 'Close']);
  });
});

describe('one belt', () => {
  const body = syllabus({
    threads: [thread('kick'), thread('punch', { introduced: 'straw' })],
    requirements: [asks('kick', 'straw'), asks('punch', 'straw'), asks('kick', 'amber')],
    gates: [{ id: 'g', rankId: 'straw', kind: 'classes', amount: 20 }],
  });
  const open = (rankId: string, mayChange = true) => {
    render(
      <RankSheet
        view={viewOf(body)}
        syllabus={body}
        rankId={rankId}
        factsOf={(key) => facts(body.threads.find((t) => itemKey(t.item) === key)!.item, { points: 5 })}
        mayChange={mayChange}
        edit={edit}
        does={does as never}
        saved={() => Promise.resolve()}
        leave={leave}
      />,
    );
  };

  it('says who wears it and what it asks in all, new and again', () => {
    open('straw');
    expect(
      screen.getByText(/^One wear it\. It asks for 2 things: 2 for the first time, 0 again\. 10 new points/),
    ).toBeTruthy();
    expect(screen.getByText('Introduced: punch.')).toBeTruthy();
  });

  it('the first belt has no gates: everybody begins there', () => {
    open('white');
    expect(screen.queryByRole('heading', { name: 'Gates' })).toBeNull();
    expect(button('White one place down')).toHaveProperty('disabled', true);
  });

  it('a gate is opened to be changed, and one more is offered of a kind that it has not', async () => {
    open('straw');
    await user().click(button('Change the gate: classes'));
    expect(screen.getByLabelText('Classes')).toHaveProperty('value', '20');
    await user().click(button('Leave it'));
    await user().click(button('Add a gate'));
    expect(screen.getByRole('combobox', { name: 'What it asks' }).textContent).not.toBe('classes');
  });

  it('a gate is saved with its number, taken away, and not saved without one', async () => {
    const gate = { id: idFor('gate'), rankId: idFor('straw'), kind: 'classes' as const, amount: 20 };
    render(<GateForm rankId={gate.rankId} value={gate} taken={['classes']} edit={edit} leave={leave} />);
    const many = screen.getByLabelText('Classes');
    await user().clear(many);
    await user().click(button('Save'));
    await waitFor(() => {
      expect(many.getAttribute('aria-invalid')).toBe('true');
    });
    expect(edit).not.toHaveBeenCalled();
    await user().type(many, '30');
    await user().click(button('Save'));
    await waitFor(() => {
      expect(edits()).toEqual([{ op: 'gate.put', gate: { ...gate, amount: 30 } }]);
    });
    await user().click(button('Take it away'));
    expect(edits()[1]).toEqual({ op: 'gate.remove', id: gate.id });
  });

  it('changes places with its neighbour, and is given another way', async () => {
    open('straw');
    await user().click(button('Straw one place up'));
    expect(does).toHaveBeenCalledWith('rank.order', { ids: ['white', 'amber', 'straw', 'fern'] });
    const given = within(screen.getByRole('radiogroup', { name: 'Given' }));
    const other = given.getAllByRole('radio').find((b) => b.getAttribute('aria-checked') !== 'true')!;
    await user().click(other);
    expect(edits()).toEqual([{ op: 'promotion.set', rankId: 'straw', promotion: other.textContent }]);
  });

  it('who may not change it sees its gates, its caution and its print', () => {
    open('straw', false);
    expect(screen.getByText(/20 classes/i)).toBeTruthy();
    expect(screen.getByText(/your federation, your insurer and local law come\s+first/)).toBeTruthy();
    expect(screen.getAllByRole('button').map((b) => b.textContent)).toEqual(['Close']);
    expect(screen.getByRole('link', { name: 'Print its sheet' }).getAttribute('href')).toBe(
      '/syllabus/print?rank=straw',
    );
  });
});

describe('the order of conditions', () => {
  const open = (s = syllabus()) => {
    render(
      <ConditionsSheet
        view={viewOf(s)}
        syllabus={s}
        edit={edit}
        does={does as never}
        saved={() => Promise.resolve()}
        leave={leave}
      />,
    );
  };

  it('one comes after another, and need not any more', async () => {
    const s = syllabus();
    open(s);
    await user().click(button('in air need not come after natural stance'));
    await choose('set partner comes after', 'still target');
    expect(edits()).toEqual([
      { op: 'order.set', order: s.order.slice(1) },
      { op: 'order.set', order: [...s.order, { easier: 'still target', harder: 'set partner' }] },
    ]);
  });

  it('offers neither itself nor what it comes after already', async () => {
    open();
    await user().click(screen.getByRole('combobox', { name: 'in air comes after' }));
    expect(screen.getAllByRole('option').map((o) => o.textContent)).toEqual(['still target', 'set partner']);
  });

  it('begins from an order that is common, as far as the school has its conditions', async () => {
    open(syllabus({ order: [] }));
    await choose('Begin from', 'air before target');
    expect(edits()).toEqual([
      {
        op: 'order.set',
        order: expect.arrayContaining([
          { easier: 'natural stance', harder: 'in air' },
          { easier: 'in air', harder: 'still target' },
          { easier: 'in air', harder: 'set partner' },
        ]) as unknown,
      },
    ]);
  });

  it('another is named by the school, with what it takes: a partner is nobody’s at home', async () => {
    open();
    await user().click(button('Add a condition'));
    await user().click(screen.getByLabelText('It is called'));
    await user().paste('in knee-deep water');
    await user().click(radio('with a partner'));
    await user().click(button('Save it'));
    await waitFor(() => {
      expect(server.sent).toMatchObject([
        {
          name: 'condition.save',
          input: { name: 'in knee-deep water', partner: true, home: false, attacker: 'set', defender: 'set' },
        },
      ]);
    });
    expect(await screen.findByRole('heading', { name: 'What comes before what?' })).toBeTruthy();
  });
});

describe('versions', () => {
  const [old, now] = [
    { id: 'old', title: 'The first', from: '2025-01-10', followers: 3 },
    { id: 'now', title: 'With forms', from: '2026-04-01', followers: 0 },
  ] as unknown as SyllabusView['versions'];
  const view = viewOf(syllabus(), { versions: [old!, now!], over: { id: 'now', title: 'With forms' } as never });

  it('stand from the newest, with what each changed and whether it counts yet', () => {
    render(<VersionsSheet view={view} version={() => 3} does={does as never} leave={leave} />);
    const lines = screen.getAllByRole('listitem').map((l) => l.textContent);
    expect(lines[0]).toMatch(/^With forms from 1 April 2026, followed by none; it does not count yet|^With forms/);
    expect(lines[0]).toContain('it does not count yet');
    expect(lines[1]).toContain('The first from 10 January 2025, followed by three');
    expect(screen.getByRole('link', { name: 'What it changed' }).getAttribute('href')).toBe(
      '/syllabus/compare?was=old&now=now',
    );
  });

  it('a draft is thrown away only when told twice', async () => {
    render(<VersionsSheet view={view} version={() => 7} does={does as never} leave={leave} />);
    await user().click(button('Throw the draft away'));
    expect(does).not.toHaveBeenCalled();
    expect(screen.getByText(/is lost: 3 of them\. Nobody’s verdict changes\./)).toBeTruthy();
    await user().click(button('Keep it'));
    await user().click(button('Throw the draft away'));
    await user().click(button('Throw it away'));
    expect(does).toHaveBeenCalledExactlyOnceWith('syllabus.discard', { version: 7 });
  });

  it('publishing says what is different and whom it touches, and sends the day as people type it', async () => {
    server.views = {
      syllabusCompare: { differences: [{}, {}], touched: [{ name: 'Kofi Adlam' }] },
    };
    render(<PublishSheet view={view} version={() => 7} does={does as never} leave={leave} />);
    expect(await screen.findByText(/^Two differences to “With forms”\./)).toBeTruthy();
    expect(screen.getByText(/^It would touch one who follows that version: Kofi Adlam\./)).toBeTruthy();
    await user().click(screen.getByLabelText('It is called'));
    await user().paste('Spring, with the staff');
    await user().click(button('Publish it'));
    await waitFor(() => {
      expect(does).toHaveBeenCalledExactlyOnceWith(
        'syllabus.publish',
        expect.objectContaining({ title: 'Spring, with the staff', from: '2026-03-05', version: 7 }),
      );
    });
  });

  it('what cannot be compared just now is said; it can be published all the same', async () => {
    render(<PublishSheet view={view} version={() => 7} does={does as never} leave={leave} />);
    expect(await screen.findByText(/^What is different could not be compared\./)).toBeTruthy();
    expect(button('Publish it')).toHaveProperty('disabled', false);
  });
});
