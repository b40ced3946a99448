import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { NO_DETAIL } from '../../contracts/stored/technique';
import type { TechniqueInput } from '../../contracts/technique';
import type { PointShown, TechniqueLine, TechniquesView, TechniqueView } from '../../contracts/views';
import { idFor } from '../../kit/testing/ids';
import { smallServer } from '../../kit/testing/smallServer';
import TechniqueForm from './TechniqueForm';
import TechniquePage from './TechniquePage';
import Techniques from './Techniques';

let server: ReturnType<typeof smallServer>;
beforeEach(() => {
  server = smallServer();
  localStorage.clear();
});
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const cloth = { colour: '#D8B24A', second: null, stripe: null, bars: 0 };
const straw = { id: idFor('straw'), name: 'Straw', cloth };

describe('what is taught', () => {
  const line = (name: string, more: Partial<TechniqueLine> = {}): TechniqueLine => ({
    id: idFor(name),
    name,
    kind: 'kick',
    retired: false,
    sided: true,
    stanceId: null,
    points: 3,
    critical: 0,
    hurts: false,
    usedBy: [],
    terms: [],
    ...more,
  });
  const view: TechniquesView = {
    ranks: [straw],
    techniques: [
      line('Front kick', { critical: 2, hurts: true, usedBy: [straw.id], terms: ['前蹴り'] }),
      line('Back stance', { kind: 'stance', points: 0 }),
      line('Roundhouse kick'),
      line('Old sweep', { retired: true }),
    ],
  };
  const names = () => screen.getAllByRole('listitem').map((l) => within(l).getByRole('link').textContent);

  it('stands by kind, with its points, what is critical, what can hurt and who asks for it', () => {
    render(<Techniques view={view} />);
    expect(screen.getByText(/^3 techniques in use/)).toBeTruthy();
    expect(screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent)).toEqual(['Stances', 'Kicks']);
    const kick = screen.getByRole('link', { name: 'Front kick' }).closest('li')!;
    expect(kick.textContent).toContain('3 points, 2 critical');
    expect(within(kick).getByText('can hurt')).toBeTruthy();
    expect(within(kick).getByRole('img', { name: /Straw/ })).toBeTruthy();
    expect(screen.getByText('no points yet')).toBeTruthy();
  });

  it('is found by any part of any of its names, in any script, also what is retired', async () => {
    const user = userEvent.setup({ delay: null });
    render(<Techniques view={view} />);
    const find = screen.getByRole('textbox');
    await user.type(find, 'HOUSE');
    expect(names()).toEqual(['Roundhouse kick']);
    await user.clear(find);
    await user.type(find, '前');
    expect(names()).toEqual(['Front kick']);
    await user.clear(find);
    await user.type(find, 'sweep');
    expect(screen.getByText('No technique of this name.')).toBeTruthy();
    await user.click(screen.getByRole('radio', { name: 'retired' }));
    expect(names()).toEqual(['Old sweep']);
  });

  it('an empty library says what is a good beginning; what cannot be taken out says why', async () => {
    const user = userEvent.setup({ delay: null });
    const { rerender } = render(<Techniques view={{ ranks: [], techniques: [] }} />);
    expect(screen.getByText(/The library is empty/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /Take out/ })).toBeNull();
    rerender(<Techniques view={view} />);
    await user.click(button('Take out as text'));
    expect((await screen.findByRole('alert')).textContent).toBe('The database cannot be reached just now.');
  });
});

const point = (name: string, more: Partial<PointShown> = {}): PointShown => ({
  id: idFor(name),
  name,
  how: `how ${name} is right`,
  why: '',
  kind: 'seen',
  bodyPart: 'feet',
  critical: false,
  unit: null,
  accepted: null,
  wanted: null,
  measuredBy: null,
  slips: [],
  from: null,
  ...more,
});

describe('a technique’s page', () => {
  const base = point('Base foot', {
    kind: 'measured',
    unit: '°',
    accepted: { lo: 90, hi: 180 },
    wanted: { lo: 120, hi: 150 },
    critical: true,
    why: 'The hip is free',
    slips: [
      {
        id: idFor('slip'),
        looksLike: 'Toes point ahead',
        cause: 'Too late',
        cue: 'Turn before you lift',
        hurts: 'self',
        hurtsHow: 'the knee twists',
      },
    ],
  });
  const heel = point('Rear heel', { from: { id: idFor('front stance'), name: 'Front stance' } });
  const view = (more: Partial<TechniqueView['technique']> = {}): TechniqueView => ({
    technique: {
      id: idFor('roundhouse'),
      name: 'Roundhouse kick',
      kind: 'kick',
      summary: 'Over the hip, not over the knee.',
      sided: true,
      stanceId: idFor('front stance'),
      stepId: null,
      retired: false,
      version: 3,
      changedOn: '2026-02-01',
      changedBy: 'Maren Holt',
      detail: NO_DETAIL,
      ...more,
    },
    points: [heel, base],
    others: [],
    suggested: [],
    stanceShown: null,
    sequences: [],
    usedBy: [],
    stances: [],
    steps: [],
    lately: { [base.id]: { held: 2, of: 3, values: [120, 135, 60] } },
  });
  const sheet = () => screen.getByRole('heading', { level: 2, name: /^\d / }).closest('section')!;

  it('asks what makes it right, and opens at what is critical, with its ranges, cue and whom it can hurt', () => {
    render(<TechniquePage view={view()} mayChange />);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('What makes a roundhouse kick right?');
    expect(screen.getByText(/Two points, one of them critical; one from front stance/)).toBeTruthy();
    const text = sheet().textContent;
    expect(text).toContain('2 Base foot');
    expect(text).toContain('Accepted 90 to 180°, wanted 120 to 150°.');
    // By hand: of 120, 135 and 60 two lie between 90 and 180.
    expect(text).toContain('Of the last 3 measures 2 were accepted.');
    expect(text).toContain('“Turn before you lift”');
    expect(text).toContain('Can hurt oneself: the knee twists.');
  });

  it('up and down go along the staff; a point of the stance says where it is written', async () => {
    const user = userEvent.setup({ delay: null });
    render(<TechniquePage view={view()} mayChange />);
    button(/Base foot/).focus();
    await user.keyboard('{ArrowDown}');
    expect(sheet().textContent).toContain('From Front stance: marks count there too.');
    expect(document.activeElement).toBe(button(/Rear heel/));
    await user.keyboard('{ArrowDown}');
    expect(sheet().textContent).toContain('1 Rear heel');
  });

  it('whoever may not change it is offered nothing to change', () => {
    render(<TechniquePage view={view()} mayChange={false} />);
    expect(screen.queryByRole('link', { name: 'Change it' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Retire this technique' })).toBeNull();
    expect(screen.getByRole('link', { name: 'Sweep a point' })).toBeTruthy();
  });

  it('what is not retired after all says why', async () => {
    const user = userEvent.setup({ delay: null });
    server.refuse = { status: 409, title: 'Straw asks for it.' };
    render(<TechniquePage view={view()} mayChange />);
    await user.click(button('Retire this technique'));
    expect(await screen.findByText('Straw asks for it.')).toBeTruthy();
    expect(server.sent).toMatchObject([{ name: 'technique.retire', input: { retired: true } }]);
  });
});

describe('writing a technique', () => {
  const start = (more: Partial<TechniqueInput> = {}): TechniqueInput => ({
    id: idFor('cat stance'),
    name: 'Cat stance',
    kind: 'stance',
    summary: '',
    sided: true,
    stanceId: null,
    stepId: null,
    points: [],
    detail: NO_DETAIL,
    ...more,
  });
  const open = (more: Partial<Parameters<typeof TechniqueForm>[0]> = {}) => {
    render(<TechniqueForm start={start()} stances={[]} steps={[]} others={[]} isNew={false} version={2} {...more} />);
    return userEvent.setup({ delay: null });
  };
  const field = (name: string) => screen.getByLabelText(name);

  it('a measured point asks for its ranges; what is wrong is said at its field, and nothing is sent', async () => {
    const user = open();
    await user.click(button('Add a point'));
    await user.click(button('Save it'));
    expect(await screen.findByText('Some fields need a look; each says what is wrong.')).toBeTruthy();
    expect(server.sent).toEqual([]);
    await user.type(field('What one looks at'), 'Weight behind');
    await user.click(screen.getByRole('combobox', { name: 'How it is known' }));
    await user.click(screen.getByRole('option', { name: 'measured' }));
    await user.type(field('Accepted from'), '80');
    await user.click(button('Save it'));
    expect(await screen.findAllByText(/range has two numbers|A unit is missing|unit/i)).not.toEqual([]);
    expect(server.sent).toEqual([]);
  });

  it('points are moved along the body, slips added and left out', async () => {
    const points = ['Rear knee', 'Front foot'].map((name) => {
      const { from: _, ...p } = point(name);
      return { ...p, slips: [] };
    });
    const user = open({ start: start({ points }) });
    const names = () => screen.getAllByRole('heading', { level: 2, name: /^\d / }).map((h) => h.textContent);
    expect(names()).toEqual(['1 Rear knee', '2 Front foot']);
    expect(button('Move point 2 up the body')).toHaveProperty('disabled', true);
    await user.click(button('Move point 1 up the body'));
    expect(names()).toEqual(['1 Front foot', '2 Rear knee']);
    await user.click(screen.getAllByRole('button', { name: 'Add a slip' })[0]!);
    expect(field('Slip 1 looks like')).toBeTruthy();
    await user.click(button('leave this slip out'));
    expect(screen.queryByLabelText('Slip 1 looks like')).toBeNull();
    await user.click(button('Leave out point 1'));
    expect(names()).toEqual(['1 Rear knee']);
  });

  it('what was typed and not saved is there again, and can be put aside', async () => {
    const user = open();
    await user.type(field('In one sentence'), 'Light in front.');
    cleanup();
    const again = open();
    expect(await screen.findByText(/Here is what you typed last time/)).toBeTruthy();
    expect(field('In one sentence')).toHaveProperty('value', 'Light in front.');
    await again.click(button('Begin from what is saved'));
    expect(field('In one sentence')).toHaveProperty('value', '');
    expect(screen.queryByText(/Here is what you typed/)).toBeNull();
  });

  it('a refusal stands at its field, and what was typed stays', async () => {
    const user = open();
    server.refuse = {
      status: 422,
      title: 'A technique of this name is there already.',
      more: { errors: [{ path: 'name', message: 'Cat stance is there already.' }] },
    };
    await user.type(field('In one sentence'), 'Light in front.');
    await user.click(button('Save it'));
    expect(await screen.findByText('Cat stance is there already.')).toBeTruthy();
    expect(field('In one sentence')).toHaveProperty('value', 'Light in front.');
    expect(server.sent).toMatchObject([{ name: 'technique.save', input: { summary: 'Light in front.', version: 2 } }]);
  });
});
