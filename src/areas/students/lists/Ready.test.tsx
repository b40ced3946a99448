import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { ReadinessRow, ReadinessView } from '../../../contracts/views';
import { idFor } from '../../../kit/testing/ids';
import { leaving } from '../../../kit/testing/leaving';
import { smallServer } from '../../../kit/testing/smallServer';
import { need, pageOf } from '../testing/student';
import Ready from './Ready';

const [white, straw] = pageOf().ranks;
const row = (name: string, more: Partial<ReadinessRow> = {}): ReadinessRow => ({
  id: idFor(name),
  name,
  age: 14,
  since: '2025-06-01',
  words: ['met', 'short'],
  gates: ['met'],
  group: 'one thing slips',
  looks: 12,
  ...more,
});
const ilse = row('Ilse Marrow');
const view = (more: Partial<ReadinessView> = {}): ReadinessView => ({
  rank: white!,
  next: straw!,
  ranks: [white!, straw!],
  requirements: [
    { id: idFor('need-Front stance'), name: 'Front stance', condition: 'in air', kind: 'stance' },
    { id: idFor('need-kick'), name: 'A kick whose name is longer than its column', condition: 'in air', kind: 'kick' },
  ],
  gates: [{ id: 'g', rankId: straw!.id, kind: 'hours', amount: 10 }] as unknown as ReadinessView['gates'],
  rows: [
    row('Noor Saltby', { words: ['met', 'met'], group: 'nothing missing', looks: 31 }),
    ilse,
    row('Bram Oakes', { words: ['short', 'short'], gates: ['short'], group: 'more slips' }),
    row('Teo Marsh', { words: ['met', null], group: 'one thing slips' }),
  ],
  ...more,
});

let assign = vi.fn();
let server: ReturnType<typeof smallServer>;
beforeEach(() => {
  assign = leaving();
  server = smallServer();
  server.views['chances'] = { rows: [] };
  const page = pageOf();
  server.views['student'] = pageOf({
    student: { ...page.student, id: ilse.id },
    requirements: [need('Front stance', { reason: 'The heel lifts on the left.' })],
  });
});
const user = userEvent.setup({ delay: null });
const names = () => screen.getAllByRole('rowheader').flatMap((th) => within(th).queryAllByRole('button'));
const person = (name: string) => screen.getByRole('button', { name });
const foot = () => [...document.querySelectorAll('tfoot td.num')].map((td) => td.textContent);

describe('who is ready for the next belt', () => {
  it('stand in groups by what is missing, with how many each requirement and gate stops', async () => {
    render(<Ready view={view()} />);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/^Who is ready for Straw\?/);
    expect(screen.getByText(/^4 students wear White/)).toBeTruthy();
    expect(names().map((b) => b.textContent)).toEqual(['Noor Saltby', 'Teo Marsh', 'Ilse Marrow', 'Bram Oakes']);
    expect(
      screen
        .getAllByRole('rowheader')
        .filter((th) => th.className === 'group')
        .map((th) => th.textContent),
    ).toEqual(['Nothing missingone', 'One thing slipstwo', 'More slipsone']);
    // What a version of the syllabus does not ask of somebody is not met by them either; one gate is shut for one.
    expect(foot()).toEqual(['1', '3', '1']);
    expect(screen.getByRole('columnheader', { name: '10 hours' })).toBeTruthy();
    expect(screen.getByTitle(/^A kick whose name is longer/).textContent).toBe('A kick whose name is…');
    // Whoever is missing something is looked at first, with the reason.
    expect(await screen.findByText('The heel lifts on the left.')).toBeTruthy();
    expect(person('Ilse Marrow').getAttribute('aria-pressed')).toBe('true');
    expect(screen.getByRole('link', { name: 'Look at Ilse' }).getAttribute('href')).toBe(`/look?student=${ilse.id}`);
  });

  it('chances come after the list, and who has too few looks has none', async () => {
    const chance = { chance: 0.8, lo: 0.6, hi: 0.9, words: 'about 8 in 10', looks: 31, correctedBy: 0 };
    server.views['chances'] = { rows: [{ studentId: idFor('Noor Saltby'), ...chance }] };
    render(<Ready view={view()} />);
    expect(screen.getAllByText('…')).toHaveLength(4);
    expect(await screen.findByText(/8 in 10/)).toBeTruthy();
    expect(screen.getAllByText('too few looks')).toHaveLength(3);
  });

  it('by keys: up and down the people, across the requirements, Enter opens the page', async () => {
    render(<Ready view={view()} />);
    person('Ilse Marrow').focus();
    await user.keyboard('{ArrowDown}');
    expect(document.activeElement).toBe(person('Bram Oakes'));
    await user.keyboard('{ArrowUp}{ArrowUp}{ArrowUp}{ArrowUp}');
    expect(document.activeElement).toBe(person('Noor Saltby'));
    await user.keyboard('{ArrowDown}{ArrowDown}');
    await screen.findByText('The heel lifts on the left.');
    // The second requirement is not among what stands in their page: nothing is said of another one.
    await user.keyboard('{ArrowRight}');
    expect(screen.getByText('The heel lifts on the left.')).toBeTruthy();
    await user.keyboard('{ArrowRight}{ArrowRight}');
    expect(screen.queryByText('The heel lifts on the left.')).toBeNull();
    await user.keyboard('{ArrowLeft}');
    expect(screen.getByText('The heel lifts on the left.')).toBeTruthy();
    await user.keyboard('{Enter}');
    expect(assign).toHaveBeenCalledWith(`/students/${ilse.id}`);
  });

  it('where the server cannot say more, the list stands and says so', async () => {
    server.views = {};
    render(<Ready view={view()} />);
    await waitFor(() => expect(screen.getByText('The database cannot be reached just now.')).toBeTruthy());
    expect(names()).toHaveLength(4);
  });
});

describe('a belt', () => {
  it('that nobody wears, that asks nothing, or that is the last, says so', () => {
    const { unmount } = render(<Ready view={view({ rows: [] })} />);
    expect(screen.getByText('Nobody wears White just now.')).toBeTruthy();
    expect(screen.queryByRole('table')).toBeNull();
    unmount();
    const nothing = { requirements: [], gates: [] };
    const alone = row('Ilse Marrow', { words: [], gates: [], group: 'nothing is asked' });
    const asks = render(<Ready view={view({ ...nothing, rows: [alone] })} />);
    expect(screen.getByText(/^Straw asks for nothing yet\./)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Say what it asks' }).getAttribute('href')).toBe(
      `/syllabus?rank=${straw!.id}`,
    );
    asks.unmount();
    render(<Ready view={view({ ...nothing, rank: straw!, next: null, rows: [alone] })} />);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Who wears Straw? ');
    expect(screen.getByRole('link', { name: 'White' })).toBeTruthy();
  });
});
