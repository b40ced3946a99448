import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Followed } from '../../../contracts/trial';
import type { StudentView } from '../../../contracts/views';
import { idFor } from '../../../kit/testing/ids';
import { doneAs, idIn, refusedAs, shown } from '../../../kit/testing/server';
import { forStudent, need, pageOf } from '../testing/student';
import Student from './Student';

/** The server in small: what was asked and sent, and what it answers to commands. */
let sent: { name: string; input: Record<string, unknown> }[] = [];
let answer: { status: number; body: unknown } = { status: 200, body: {} };
let fresh: StudentView | null = null;
let followed: Followed = { students: [], told: null };
beforeEach(() => {
  sent = [];
  answer = { status: 200, body: {} };
  fresh = null;
  followed = { students: [], told: null };
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    if (path.startsWith('/api/views/'))
      return Promise.resolve(fresh ? shown(fresh) : refusedAs(503, 'The database cannot be reached just now.'));
    if (path === '/api/trial') return Promise.resolve(shown(followed));
    sent.push(JSON.parse(init?.body as string) as (typeof sent)[number]);
    const { status, body } = answer;
    return Promise.resolve(
      status === 200 ? doneAs(idIn(init), body) : refusedAs(status, 'no', body as object, idIn(init)),
    );
  });
});
const open = (view: StudentView) => {
  render(<Student view={view} />);
  return userEvent.setup({ delay: null });
};
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const heading = () => screen.getByRole('heading', { level: 1 }).textContent;

describe('a student’s page', () => {
  it('asks its question of whoever reads it', () => {
    const { rerender } = render(<Student key="1" view={pageOf()} />);
    expect(heading()).toBe('What does Ilse need for Straw belt?');
    rerender(<Student key="2" view={forStudent()} />);
    expect(heading()).toBe('What do you need for Straw belt?');
    expect(screen.getByRole('heading', { name: 'Besides the work' })).toBeTruthy();
    rerender(<Student key="3" view={forStudent({ reader: 'guardian' })} />);
    expect(heading()).toBe('What does Ilse need for Straw belt?');
  });

  it('shows a student nothing to decide by, and lets them write their practice', () => {
    open(forStudent());
    for (const name of ['Record a promotion', 'Adapt a point', 'Choose another', 'Lay work off', 'Record consent'])
      expect(screen.queryByRole('button', { name })).toBeNull();
    expect(screen.queryByRole('link', { name: /^Look at/ })).toBeNull();
    expect(button('Write down practice')).toBeTruthy();
  });

  it('opens the working behind a word: every point, what it needs, what would change it', async () => {
    const user = open(pageOf());
    await user.click(button(/Front stance/));
    const working = screen.getByRole('heading', { level: 2, name: 'Front stance' }).closest('section')!;
    expect(within(working).getByText('5 of 9')).toBeTruthy();
    expect(within(working).getByText(/critical/)).toBeTruthy();
    expect(working.textContent).toMatch(/What would change it: two clean looks of 5 repetitions/);
    await user.click(button('close'));
    expect(screen.queryByText(/What would change it/)).toBeNull();
  });

  it('the one thing with its reason, and all slips one tap away', async () => {
    const user = open(pageOf());
    const one = screen.getByRole('heading', { name: 'One thing to work on' }).closest('section')!;
    expect(one.textContent).toMatch(/since 20 February 2026/);
    expect(one.textContent).toMatch(/Can hurt: the knee twists\. It can hurt, so it comes first\./);
    expect(within(one).queryByText('Hip square, left')).toBeNull();
    await user.click(button('All 2 slips'));
    expect(within(one).getByText('Hip square, left')).toBeTruthy();
  });

  it('says where nothing is in force or asked, and what to do', () => {
    const bare = { requirements: [], gates: [], focus: null };
    const { rerender } = render(<Student key="1" view={pageOf({ ...bare, follows: null })} />);
    expect(screen.getByRole('link', { name: 'Publish the draft' })).toBeTruthy();
    rerender(<Student key="2" view={pageOf(bare)} />);
    expect(screen.getByRole('link', { name: 'Say what Straw asks' })).toBeTruthy();
    expect(screen.getByText(/Nobody has watched yet/)).toBeTruthy();
  });

  it('what faded since earlier belts and what was missed stand with what to do about them', () => {
    const rank = pageOf().student.rank;
    open(
      pageOf({
        faded: [{ rank, item: 'Low block', itemKey: 't:low block', reason: 'Held well, but last seen 11 March.' }],
        missed: [
          {
            day: '2026-03-01',
            item: 'Cover',
            itemKey: 't:cover',
            condition: 'in air',
            points: [{ name: 'Elbows in', cue: 'Close the door.' }],
            version: 'Ten on each side.',
            drill: 'Reeds, five times slowly: it comes at count 3.',
          },
        ],
      }),
    );
    expect(screen.getByRole('link', { name: 'look' }).getAttribute('href')).toBe(
      `/look?student=${idFor('ilse')}&item=t%3Alow%20block`,
    );
    expect(screen.getByText(/Elbows in: “Close the door\.” Ten on each side\. Or in a drill: Reeds/)).toBeTruthy();
    expect(screen.getByText('The next look at Ilse ticks each off.')).toBeTruthy();
  });
});

describe('what is decided and written on it', () => {
  it('says with whom somebody never works, by whom for the head, and ends what one said oneself', async () => {
    const said = { by: 'Idris Vane', why: 'a quarrel', day: '2026-02-10' };
    const user = open(
      pageOf({
        partners: [
          { id: idFor('p1'), other: 'Bram Oakes', kind: 'apart', said, mine: true },
          { id: idFor('p2'), other: 'Noor Saltby', kind: 'together', said: null, mine: false },
        ],
        classmates: [{ id: idFor('bram'), name: 'Bram Oakes' }],
      }),
    );
    const list = screen.getByRole('heading', { name: 'Partners' }).closest('section')!;
    expect(list.textContent).toContain('Never with Bram Oakes, Idris Vane, 10 February 2026: a quarrel');
    expect(list.textContent).toContain('Likes to work with Noor Saltby');
    expect(within(list).getAllByRole('button', { name: 'It ends' })).toHaveLength(1);
    await user.click(within(list).getByRole('button', { name: 'It ends' }));
    expect(sent).toMatchObject([{ name: 'partners.end', input: { id: idFor('p1') } }]);
    await user.click(within(list).getByRole('button', { name: 'Say with whom' }));
    expect(button('Record it')).toHaveProperty('disabled', true);
  });

  it('a refused decision says why at its field, and what was typed stays', async () => {
    answer = {
      status: 422,
      body: { title: 'A reason is needed.', errors: [{ path: 'reason', message: 'A reason is needed: it is kept.' }] },
    };
    const user = open(pageOf());
    await user.click(button('Choose another'));
    expect(button('Let it be the one')).toHaveProperty('disabled', true);
    await user.click(screen.getByRole('combobox', { name: 'Work on' }));
    await user.click(screen.getByRole('option', { name: 'Hip square, left: 5 of 9' }));
    await user.type(screen.getByLabelText('Why this one?'), 'x');
    await user.click(button('Let it be the one'));
    expect(await screen.findByText('A reason is needed: it is kept with the choice.')).toBeTruthy();
    expect(sent).toEqual([]);
    await user.type(screen.getByLabelText('Why this one?'), 'yz');
    await user.click(button('Let it be the one'));
    expect(await screen.findByText('A reason is needed: it is kept.')).toBeTruthy();
    expect(screen.getByRole('alert').textContent).toBe('A reason is needed.');
    expect(screen.getByLabelText('Why this one?')).toHaveProperty('value', 'xyz');
    expect(sent).toMatchObject([{ name: 'focus.give', input: { pointId: idFor('hip'), side: 'left', chosen: true } }]);
  });

  it('a decision that was taken shows the page as it is now', async () => {
    fresh = pageOf({ answer: 'Nothing is missing.' });
    const user = open(pageOf());
    await user.click(button('Record a promotion'));
    expect(screen.getByLabelText('On')).toHaveProperty('value', '5 March 2026');
    expect(screen.getByText(/Not met yet: Front stance; 6 of 10 hours of class\. You decide/)).toBeTruthy();
    await user.click(button('Record it'));
    expect(await screen.findByText('Nothing is missing.')).toBeTruthy();
    expect(screen.queryByRole('heading', { name: 'Record a promotion' })).toBeNull();
    expect(sent).toMatchObject([
      { name: 'student.promote', input: { studentId: idFor('ilse'), rankId: idFor('rank-Straw') } },
    ]);
  });

  it('without a network nothing typed is lost', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    const user = open(forStudent());
    await user.click(button('Write down practice'));
    await user.type(screen.getByLabelText('What, in a few words'), 'heels');
    await user.click(button('Write it down'));
    // The place where it is said stands there before anything is said in it.
    await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/What you typed stays here/));
    expect(screen.getByLabelText('What, in a few words')).toHaveProperty('value', 'heels');
  });

  it('hands and joints that hurt are answered at once, before anything is sent', async () => {
    const user = open(forStudent());
    await user.click(button('Write down practice'));
    await user.click(screen.getByRole('combobox', { name: 'Hands' }));
    await user.click(screen.getByRole('option', { name: 'skin open' }));
    expect(screen.getByText(/no striking until it has healed/)).toBeTruthy();
    await user.click(screen.getByRole('combobox', { name: 'Joints' }));
    await user.click(screen.getByRole('option', { name: 'pain' }));
    expect(screen.getByText(/ask a doctor or physiotherapist/)).toBeTruthy();
    expect(sent).toEqual([]);
  });

  it('work is laid off until a habit is gone, and taken up again', async () => {
    fresh = pageOf({
      pauses: [{ id: idFor('pause'), item: 'Front stance', habit: 'leaning', from: '2026-03-05', until: null }],
    });
    const user = open(pageOf());
    await user.click(button('Lay work off'));
    await user.click(screen.getByRole('combobox', { name: 'Which work?' }));
    await user.click(screen.getByRole('option', { name: 'Front stance' }));
    await user.type(screen.getByLabelText('Until which habit is gone?'), 'leaning');
    await user.click(button('Lay it off'));
    await user.click(await screen.findByRole('button', { name: 'Take it up again' }));
    await waitFor(() => expect(sent.map((c) => c.name)).toEqual(['pause.begin', 'pause.end']));
    expect(sent[0]!.input).toMatchObject({ techniqueId: idFor('Front stance'), sequenceId: null, habit: 'leaning' });
    expect(sent[1]!.input).toEqual({ id: idFor('pause'), until: '2026-03-05' });
  });

  it('consent of a minor asks for the guardian, and its refusal for nothing', async () => {
    fresh = pageOf();
    const user = open(pageOf());
    await user.click(button('Record consent'));
    const sheet = () => within(screen.getByRole('form', { name: 'Consent to contact' }));
    expect(sheet().queryByLabelText('Guardian who agrees')).toBeNull();
    await user.click(sheet().getByRole('combobox', { name: 'Agrees to, at most' }));
    await user.click(screen.getAllByRole('option')[1]!);
    expect(sheet().getByLabelText('Guardian who agrees')).toBeTruthy();
    await user.click(sheet().getByRole('combobox', { name: 'Agrees to, at most' }));
    await user.click(screen.getByRole('option', { name: 'no contact' }));
    await user.click(button('Record it'));
    await waitFor(() => expect(sent).toMatchObject([{ input: { rung: null, guardian: '' } }]));
  });

  it('a student says how far contact may go up to what the guardian agreed to, and that it ends', async () => {
    const because = 'Your guardian has agreed to slow, soft hands: for more, they say so first.';
    fresh = forStudent();
    const user = open(forStudent({ consentSaid: { most: 1, asksGuardian: false, because, minor: true } }));
    await user.click(button('Say how far contact may go'));
    expect(screen.getByText(because)).toBeTruthy();
    await user.click(screen.getByRole('combobox', { name: 'Agrees to, at most' }));
    expect(screen.getAllByRole('option').map((o) => o.textContent)).toEqual(['no contact', 'slow, soft hands']);
    await user.click(screen.getByRole('option', { name: 'slow, soft hands' }));
    expect(screen.queryByLabelText('Guardian who agrees')).toBeNull();
    await user.click(button('Record it'));
    await waitFor(() =>
      expect(sent).toMatchObject([{ name: 'consent.record', input: { rung: 'slow, soft hands', guardian: '' } }]),
    );
  });

  it('who is put forward says yes or no on their own page, and reads what was decided afterwards', async () => {
    const to = pageOf().next!;
    const invited = {
      gradingId: idFor('winter'),
      day: '2026-04-04',
      midterm: false,
      answerBy: null,
      to,
      yes: null,
      out: null,
    };
    fresh = forStudent({ invited: [{ ...invited, yes: true }] });
    const user = open(forStudent({ invited: [invited] }));
    await user.click(button('I come'));
    expect(await screen.findByText(/said yes/)).toBeTruthy();
    expect(button('I come')).toHaveProperty('disabled', true);
    expect(sent).toMatchObject([{ name: 'grading.say', input: { gradingId: idFor('winter'), yes: true } }]);
    open(
      pageOf({
        graded: {
          midterm: false,
          day: '2026-02-01',
          to,
          result: 'part again',
          sentence: 'Well done.',
          again: ['Cover'],
          againBy: '2026-03-20',
        },
      }),
    );
    expect(screen.getByRole('region', { name: 'The last grading' }).textContent).toMatch(
      /part again.*Again: Cover, by 20 March 2026\.Well done\./,
    );
  });

  it('the room at home is read with a comma as well', async () => {
    fresh = forStudent();
    const user = open(forStudent());
    await user.click(button('Room at home'));
    await user.type(screen.getByLabelText('Width in metres'), '2,5');
    await user.click(button('Keep it'));
    await waitFor(() => expect(sent).toMatchObject([{ input: { roomWidth: 2.5, roomDepth: null } }]));
  });
});

describe('what was felt', () => {
  const asked = (point: string, sure: boolean): StudentView['feltAsked'][number] => ({
    studentId: idFor(sure ? 'ilse' : 'bram'),
    whose: sure ? null : 'Bram Oakes',
    sure,
    techniqueId: 't',
    technique: 'Pulling hand',
    pointId: point,
    point,
    conditionId: 'c',
    condition: 'set partner',
    side: 'left',
    day: '2026-03-04',
  });
  it('is asked of what is certainly theirs; what may be is one tap away', async () => {
    const user = open(forStudent({ feltAsked: [asked('On the spot', true), asked('Moved the partner', false)] }));
    expect(screen.queryByText('Moved the partner')).toBeNull();
    await user.click(button('Somebody else’s work on me'));
    expect(screen.getByText(/Bram Oakes’s work on you, if it was you/)).toBeTruthy();
    await user.click(screen.getAllByRole('button', { name: 'It was not' })[0]!);
    await waitFor(() => expect(sent).toMatchObject([{ name: 'felt.record', input: { held: 0, of: 1 } }]));
    expect(screen.queryByText('On the spot')).toBeNull();
  });
});

describe('the rows of a belt', () => {
  it('stand by kind, and say first that work rests', () => {
    open(
      pageOf({
        requirements: [
          need('Front kick', { kind: 'kick', rests: 'Rests until 20 March: no kicks' }),
          need('Short Walk', {
            kind: 'form',
            override: { word: 'met', reason: 'Seen at camp', by: 'Maren', day: '2026-03-01' },
          }),
        ],
      }),
    );
    const row = (name: RegExp) => button(name).textContent;
    expect(screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent)).toEqual(
      expect.arrayContaining(['Kicks', 'Forms and combinations']),
    );
    expect(row(/Front kick/)).toMatch(/Rests until 20 March: no kicks\. Rear heel held/);
    expect(row(/Short Walk/)).toMatch(/The head’s word: Seen at camp/);
  });

  it('an entry is struck from where it is shown, with why, and what follows is said', async () => {
    const held = [
      { id: idFor('straw'), rank: pageOf().next!, since: '2026-03-01', note: '' },
      { id: idFor('white'), rank: pageOf().student.rank, since: '2025-06-01', note: '' },
    ];
    const wearing = pageOf({ held, student: { ...pageOf().student, rank: pageOf().next! } });
    const still = { verdicts: [], gates: [], focus: null, chance: null };
    const ilse = { ...still, id: idFor('ilse'), name: 'Ilse Marrow' };
    const back = { belt: { was: 'Straw', now: 'White' }, asked: { was: 'Amber', now: 'Straw' }, looksStay: 5 };
    followed = { students: [{ ...ilse, ...back }], told: null };
    const user = open(wearing);
    await user.click(button('Strike: Straw, given 1 March 2026'));
    const sheet = screen.getByRole('form', { name: 'Strike it' });
    expect(sheet.textContent).toMatch(/The belt before is worn again/);
    expect(await within(sheet).findByText('5 looks since that day.')).toBeTruthy();
    expect(sheet.textContent).toMatch(/goes backBelt Straw → White.*The list asked Amber → Straw.*yours to do/);
    await user.click(within(sheet).getByRole('button', { name: 'Strike it' }));
    expect(await screen.findByText('Say why: it is kept with it.')).toBeTruthy();
    expect(sent).toEqual([]);
    await user.type(within(sheet).getByLabelText('Because'), 'the next candidate’s line');
    fresh = pageOf({ requirements: [need('Front stance', { word: 'met' })] });
    await user.click(within(sheet).getByRole('button', { name: 'Strike it' }));
    await waitFor(() =>
      expect(screen.getByText('What follows:').parentElement!.textContent).toMatch(
        /What follows: White is worn; Front stance was short and is met\./,
      ),
    );
    expect(sent).toMatchObject([
      { name: 'record.strike', input: { kind: 'promotion', id: idFor('straw'), reason: 'the next candidate’s line' } },
    ]);
  });

  it('a student strikes their own practice and nothing else', () => {
    const list = [
      { id: 'p', day: '2026-03-01', minutes: 20, repetitions: 0, strikes: 0, hands: 'fine', joints: 'fine', what: '' },
    ] as StudentView['practice']['list'];
    open(forStudent({ practice: { ...pageOf().practice, entries: 1, list } }));
    expect(screen.getAllByRole('button', { name: /^Strike/ })).toHaveLength(1);
    expect(button('Strike: 20 minutes, 1 March 2026')).toBeTruthy();
  });
});
