import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { GradingHistoryView, GradingShown, GradingsView } from '../../contracts/views';
import { USUAL_RULE } from '../../core';
import { idFor } from '../../kit/testing/ids';
import { leaving } from '../../kit/testing/leaving';
import { smallServer } from '../../kit/testing/smallServer';
import Gradings from './Gradings';
import History from './History';

const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };
const straw = { id: idFor('straw'), name: 'Straw', cloth };
const winter: GradingShown = {
  id: idFor('winter'),
  title: 'Winter grading',
  day: '2026-04-04',
  closed: false,
  midterm: false,
  candidates: 7,
  mine: 'no',
};
const maren = { id: idFor('maren'), name: 'Maren Holt', role: 'head' };
const view = (more: Partial<GradingsView> = {}): GradingsView => ({
  gradings: [winter],
  teachers: [maren],
  halls: [],
  items: [],
  usual: USUAL_RULE,
  alone: null,
  me: maren.id,
  today: '2026-03-05',
  may: { decide: true },
  ...more,
});
let assign = vi.fn();
let server: ReturnType<typeof smallServer>;
beforeEach(() => {
  assign = leaving();
  server = smallServer();
});
const user = userEvent.setup({ delay: null });
const button = (name: string) => screen.getByRole('button', { name });
const hrefs = () => screen.getAllByRole('link').map((a) => a.getAttribute('href'));

describe('which gradings there are', () => {
  it('each with what is to be done at it; an own sheet as long as it is open', () => {
    const list = [
      { ...winter, mine: 'open' as const },
      { ...winter, id: idFor('small'), title: 'A midterm', midterm: true, candidates: 1, mine: 'handed in' as const },
      { ...winter, id: idFor('past'), title: 'Autumn grading', closed: true, mine: 'handed in' as const },
    ];
    render(<Gradings view={view({ gradings: list })} />);
    expect(screen.getAllByRole('listitem').map((li) => li.textContent)).toEqual([
      'Winter grading, 4 April 2026 7 candidatesYour sheetThe panel',
      'A midterm, 4 April 2026 1 candidate, a midtermYour sheet, handed inThe panel',
      'Autumn grading, 4 April 2026 7 candidates, closedThe panel',
    ]);
  });

  it('an examiner sees their sheets and nothing that leads elsewhere', () => {
    const examiner = { teachers: [], may: { decide: false } };
    const { unmount } = render(<Gradings view={view({ ...examiner, gradings: [{ ...winter, mine: 'open' }] })} />);
    expect(hrefs()).toEqual([`/gradings/${winter.id}/examine`]);
    expect(screen.queryByRole('button')).toBeNull();
    unmount();
    render(<Gradings view={view({ ...examiner, gradings: [] })} />);
    expect(screen.getByText('You are on no panel just now.')).toBeTruthy();
  });

  it('the head makes one and is led to it; whoever only teaches cannot', async () => {
    const { unmount } = render(<Gradings view={view({ may: { decide: false }, gradings: [] })} />);
    expect(screen.getByText('None yet.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Make a grading' })).toBeNull();
    unmount();
    render(<Gradings view={view()} />);
    await user.click(button('Make a grading'));
    await user.clear(screen.getByLabelText('Called'));
    await user.click(screen.getByLabelText('Called'));
    await user.paste('Spring grading');
    await user.click(button('Keep it'));
    await waitFor(() => expect(assign).toHaveBeenCalledOnce());
    const [{ name, input }] = server.sent as [(typeof server.sent)[number]];
    expect([name, input]).toMatchObject([
      'grading.save',
      { title: 'Spring grading', day: '2026-03-05', panel: [maren.id], items: null },
    ]);
    expect(assign).toHaveBeenCalledWith(`/gradings/${String(input['id'])}`);
  });

  it('somebody alone is put on it at once; where that is refused, it is said and nobody is led away', async () => {
    const alone = { id: idFor('ilse'), name: 'Ilse Marrow', to: straw };
    const { unmount } = render(<Gradings view={view({ alone })} />);
    expect(screen.getByLabelText('Called')).toHaveProperty('value', 'Ilse Marrow to Straw');
    await user.click(button('Keep it'));
    await waitFor(() => expect(assign).toHaveBeenCalledOnce());
    expect(server.sent.map((s) => s.name)).toEqual(['grading.save', 'grading.put']);
    expect(server.sent[1]!.input).toMatchObject({ studentId: alone.id, rankId: straw.id, reason: null });
    unmount();
    assign.mockClear();
    // The grading is made, but they cannot be put on it.
    Object.defineProperty(server, 'refuse', {
      get: () => (server.sent.at(-1)!.name === 'grading.put' ? { status: 409, title: 'Ilse Marrow has left.' } : null),
    });
    render(<Gradings view={view({ alone })} />);
    await user.click(button('Keep it'));
    expect(await screen.findByText('Ilse Marrow has left.')).toBeTruthy();
    expect(assign).not.toHaveBeenCalled();
    await user.click(button('Leave it'));
    expect(screen.queryByLabelText('Called')).toBeNull();
  });
});

describe('what gradings fall by', () => {
  const past = { id: idFor('past'), title: 'Autumn grading', day: '2025-10-04', midterm: false, went: 7, passed: 5 };
  const history = (more: Partial<GradingHistoryView> = {}): GradingHistoryView => ({
    gradings: [past, { ...past, id: idFor('small'), title: 'A midterm', midterm: true, went: 1, passed: 1 }],
    belts: [
      {
        to: straw,
        went: 7,
        passed: 5,
        items: [
          { name: 'Front kick', stood: 4, of: 7 },
          { name: 'Sluice', stood: 3, of: 4 },
        ],
      },
    ],
    ...more,
  });

  it('is said in a hundred only from five on', () => {
    render(<History view={history()} />);
    expect(screen.getByRole('heading', { name: /Straw: 5 of 7 got it$/ })).toBeTruthy();
    // By hand: 4 of 7 are 57 in a hundred.
    expect(screen.getAllByRole('row').map((r) => [...r.querySelectorAll('td')].map((td) => td.textContent))).toEqual([
      [],
      ['Front kick', '4 of 7', '57'],
      ['Sluice', '3 of 4', 'too few'],
    ]);
    expect(screen.getAllByRole('listitem').map((li) => li.textContent)).toEqual([
      'Autumn grading, 4 October 2025: 5 of 7 candidates',
      'A midterm, 4 October 2025: 1 of 1 candidate, a midterm',
    ]);
  });

  it('before any is let out, says so', () => {
    render(<History view={history({ gradings: [], belts: [] })} />);
    expect(screen.getByText('No grading is let out yet.')).toBeTruthy();
    expect(screen.queryByRole('table')).toBeNull();
  });
});
