import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { readSequence, type Finding, type Recipe, type Sequence } from '../../core';
import { idFor } from '../../kit/testing/ids';
import { smallServer } from '../../kit/testing/smallServer';
import { Checks } from './Checks';
import { Derive } from './Derive';
import { wordsNamed } from './testing/words';

let server: ReturnType<typeof smallServer>;
beforeEach(() => {
  server = smallServer();
});
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const words = wordsNamed('low block', 'stepping punch', 'rising block', 'front kick', 'front stance');
const written = (text: string): Sequence => {
  const read = readSequence(text);
  expect(read.problems).toEqual([]);
  return read.sequence;
};
const parent = {
  id: idFor('first'),
  title: 'First Causeway',
  body: written('step L, front stance, low block L\nstep R, front stance, stepping punch R\nrising block L'),
};
const other = { id: idFor('sluice'), title: 'Sluice', counts: 2, sections: [] };
const open = (existing: Parameters<typeof Derive>[0]['existing'] = null) => {
  render(<Derive parent={parent} others={[other]} words={words} existing={existing} leave={() => undefined} />);
  return userEvent.setup({ delay: null });
};
const lines = () => {
  const shown = screen.getByRole('status');
  return within(shown)
    .queryAllByRole('listitem')
    .map((l) => l.textContent);
};
const choose = async (user: ReturnType<typeof userEvent.setup>, box: string | RegExp, word: string | RegExp, n = 0) => {
  await user.click(screen.getAllByRole('combobox', { name: box })[n]!);
  await user.click(screen.getByRole('option', { name: word }));
};

describe('a new one by a recipe', () => {
  it('shows what it would make before it is made, and is sent with its title', async () => {
    const user = open();
    await choose(user, 'First', 'The other side');
    expect(lines()).toEqual([
      'step R, front stance, low block R',
      'step L, front stance, stepping punch L',
      'rising block R',
    ]);
    expect(button('Make it')).toHaveProperty('disabled', true);
    await user.type(screen.getByLabelText('Title'), 'The other side');
    await user.click(button('Make it'));
    expect(server.sent).toMatchObject([
      {
        name: 'sequence.derive',
        input: { parentId: parent.id, title: 'The other side', recipe: [{ op: 'mirror' }] },
      },
    ]);
  });

  it('step follows step, and one can be taken out', async () => {
    const user = open();
    await choose(user, 'First', 'The other side');
    await user.click(button('Add a step'));
    // Mirrored twice it is the first again.
    expect(lines()[0]).toBe('step L, front stance, low block L');
    await user.click(screen.getAllByRole('button', { name: 'Take this step out' })[1]!);
    expect(lines()[0]).toBe('step R, front stance, low block R');
    expect(screen.queryByRole('button', { name: 'Take this step out' })).toBeNull();
  });

  it('says what is missing in a step, and makes nothing until it is there', async () => {
    const user = open();
    await user.type(screen.getByLabelText('Title'), 'With a kick');
    await choose(user, 'At each', 'technique named…');
    expect(button('Make it')).toHaveProperty('disabled', true);
    await user.type(screen.getByLabelText('Named'), 'stepping punch');
    await user.clear(screen.getByLabelText('This count'));
    await user.type(screen.getByLabelText('This count'), 'front kick R, out');
    expect(lines()).toEqual([
      'step L, front stance, low block L',
      'front kick R, out',
      'step R, front stance, stepping punch R',
      'rising block L',
    ]);
    expect(button('Make it')).toHaveProperty('disabled', false);
    await user.clear(screen.getByLabelText('This count'));
    await user.type(screen.getByLabelText('This count'), 'front kick R, sideways and');
    expect(button('Make it')).toHaveProperty('disabled', true);
  });

  it('what another sequence gives is asked for; without it, it says why', async () => {
    const user = open();
    await choose(user, 'First', 'Follow with another');
    await choose(user, 'Followed by', /^Sluice/);
    expect((await screen.findByRole('alert')).textContent).toBe('The database cannot be reached just now.');
    expect(lines()).toEqual([]);
  });

  it('a recipe that is there is taken up as it stands, and followed anew; a refusal keeps it', async () => {
    const recipe: Recipe = [{ op: 'repeat', times: 2 }];
    const user = open({ id: idFor('twice'), title: 'Twice', recipe });
    expect(screen.getByRole('heading', { name: 'How Twice comes from First Causeway' })).toBeTruthy();
    expect(lines()).toHaveLength(6);
    const times = screen.getByLabelText('Times');
    await user.clear(times);
    await user.type(times, '3');
    expect(within(screen.getByRole('status')).getByText('and 1 more')).toBeTruthy();
    server.refuse = { status: 409, title: 'First Causeway was changed meanwhile.' };
    await user.click(button('Follow this recipe'));
    expect(await screen.findByText('First Causeway was changed meanwhile.')).toBeTruthy();
    expect(times).toHaveProperty('value', '3');
  });
});

describe('checks', () => {
  const finding = (key: string, more: Partial<Finding> = {}): Finding =>
    ({ key, check: 'balance', ok: false, text: `${key} is not in balance`, counts: [], ...more }) as Finding;
  const show = (findings: Finding[], more: Partial<Parameters<typeof Checks>[0]> = {}) => {
    const picked: number[] = [];
    const waived: [string, string | null][] = [];
    render(
      <Checks
        findings={findings}
        waivers={[]}
        onPick={(i) => picked.push(i)}
        onWaive={(key, reason) => {
          waived.push([key, reason]);
          return Promise.resolve(null);
        }}
        {...more}
      />,
    );
    return { user: userEvent.setup({ delay: null }), picked, waived };
  };

  it('what to look at comes first, what holds last, and a count is gone to', async () => {
    const { user, picked } = show([
      finding('closed', { ok: true, text: 'It ends where it began' }),
      finding('left', { counts: [3, 5] }),
    ]);
    expect(screen.getByRole('heading', { name: 'Checks 1 to look at' })).toBeTruthy();
    expect(screen.getAllByRole('listitem').map((l) => l.textContent)).toEqual([
      expect.stringContaining('left is not in balance'),
      expect.stringContaining('It ends where it began'),
    ]);
    await user.click(button('left is not in balance'));
    expect(picked).toEqual([2]);
  });

  it('is waived with a reason, others of its kind with it where one says so', async () => {
    const { user, waived } = show([finding('left'), finding('right'), finding('room', { check: 'room' as never })]);
    await user.click(button('Waive: left is not in balance'));
    await user.type(screen.getByRole('textbox'), 'locked to one side');
    await user.click(screen.getByRole('checkbox'));
    await user.click(screen.getByRole('button', { name: /^Waive$/ }));
    expect(waived).toEqual([
      ['left', 'locked to one side'],
      ['right', 'locked to one side'],
    ]);
  });

  it('what was waived says by whom, when and why, and is taken back; a failure is said', async () => {
    const { user } = show([finding('left')], {
      waivers: [{ key: 'left', reason: 'locked to one side', by: 'Maren Holt', day: '2026-02-01' }] as never,
      onWaive: () => Promise.resolve('No network just now.'),
    });
    expect(screen.getByText(/Waived by Maren Holt, 1 February 2026: locked to one side/)).toBeTruthy();
    expect(screen.getByRole('heading', { name: 'Checks nothing to look at' })).toBeTruthy();
    await user.click(button('take back'));
    expect((await screen.findByRole('alert')).textContent).toBe('No network just now.');
  });
});
