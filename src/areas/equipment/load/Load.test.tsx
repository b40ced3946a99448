import { render as show, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { LoadView, StrikingView } from '../../../contracts/views';
import { addDays, ALL_FINE, LOAD_AS_DELIVERED, nextLoad, walkLoad } from '../../../core';
import { doneAs, shown } from '../../../kit/testing/server';
import LoadPage from './LoadPage';
import StrikingPage from './StrikingPage';
import { entry, loadView, TODAY } from './testing/load';

afterEach(() => vi.unstubAllGlobals());

const today = TODAY;
const viewOf = loadView;
/** What is sent, and what the page is answered when it is read again. */
function answering(view: LoadView) {
  const sent: { name: string; input: unknown }[] = [];
  vi.stubGlobal(
    'fetch',
    vi.fn((path: string, { body }: { body: string }) => {
      const said = JSON.parse(body) as { id: string; name: string; input: unknown };
      const command = path === '/api/commands';
      if (command) sent.push({ name: said.name, input: said.input });
      return Promise.resolve(command ? doneAs(said.id) : shown(view));
    }),
  );
  return sent;
}

describe('how many strikes', () => {
  it('begins with twenty, and all fine is one press', async () => {
    const sent = answering(viewOf());
    show(<LoadPage view={viewOf()} />);
    expect(screen.getByText('Right 20; left 20.')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Say what the hands say' }));
    await userEvent.click(screen.getByRole('button', { name: 'All fine: write it down' }));
    expect(sent[0]).toMatchObject({
      name: 'load.record',
      input: {
        day: today,
        place: 'hall',
        done: [
          { blow: 'straight', side: 'right', count: 20, said: ALL_FINE },
          { blow: 'straight', side: 'left', count: 20, said: ALL_FINE },
        ],
      },
    });
  });

  it('a hand that says something stops alone; the rest counts as fine; what is no number is not sent', async () => {
    const sent = answering(viewOf());
    show(<LoadPage view={viewOf()} />);
    await userEvent.click(screen.getByRole('button', { name: 'Say what the hands say' }));
    const right = screen.getByLabelText('How many, right hand');
    await userEvent.clear(right);
    await userEvent.type(right, 'many');
    await userEvent.click(
      within(screen.getByRole('radiogroup', { name: 'skin, left hand' })).getByRole('radio', { name: 'open' }),
    );
    expect(screen.getByText(/It stops this limb, about two weeks/)).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    expect(screen.getByText(/How many with the right hand\? A whole number/)).toBeTruthy();
    expect(sent).toEqual([]);
    await userEvent.clear(right);
    await userEvent.type(right, '25');
    expect(screen.getByText('20 are allowed: more is kept, and gives no growth.')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    expect(sent[0]!.input).toMatchObject({
      done: [
        { side: 'right', count: 25, said: null },
        { side: 'left', count: 20, said: { ...ALL_FINE, skin: 'open' } },
      ],
    });
  });

  it('says what stops a hand and what ends it; only the head lifts it, with a reason', async () => {
    const entries = [entry(7, 'left', 20, { joints: 'pain' }), entry(7, 'right', 20, {})];
    const sent = answering(viewOf({ entries }));
    const { unmount } = show(
      <LoadPage view={viewOf({ entries, can: { lift: false, agree: false, strike: false } })} />,
    );
    expect(screen.getByText('Right 20; left none: pain in the left hand.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /Lift it/ })).toBeNull();
    unmount();
    show(<LoadPage view={viewOf({ entries })} />);
    await userEvent.click(screen.getByRole('button', { name: 'Lift it for the left hand' }));
    await userEvent.type(screen.getByLabelText('Because'), 'The doctor has seen it.');
    await userEvent.click(screen.getByRole('button', { name: 'Lift it' }));
    expect(sent[0]).toMatchObject({
      name: 'load.allow',
      input: { ladder: 'hand', side: 'left', what: 'lifted', reason: 'The doctor has seen it.' },
    });
  });

  it('too young: no number, soft targets, and what hands say is still taken', async () => {
    const young = viewOf({ may: { may: false, why: 'age', from: '2030-05-01' }, minor: true });
    const sent = answering(young);
    show(<LoadPage view={young} />);
    expect(screen.getAllByText(/Soft targets only: from 16 years on, 1 May 2030/).length).toBeGreaterThan(0);
    await userEvent.click(screen.getByRole('button', { name: 'Say what the hands say' }));
    expect(screen.getByLabelText<HTMLInputElement>('How many, right hand').disabled).toBe(true);
    await userEvent.click(screen.getByRole('button', { name: 'All fine: write it down' }));
    expect(sent[0]!.input).toMatchObject({ done: [{ count: 0 }, { count: 0 }] });
  });
});

it('everybody who strikes stands with the next number, and who may not with why', () => {
  const entries = [entry(3, 'right', 20, {}), entry(3, 'left', 20, { skin: 'open' })];
  const next = (['right', 'left'] as const).map((side) =>
    nextLoad(walkLoad(entries, [], LOAD_AS_DELIVERED, 'hand', side, today), LOAD_AS_DELIVERED, today),
  );
  const rank = { id: 'r', name: 'Amber', cloth: { colour: '#CC8800', second: null, stripe: null, bars: 0 } };
  const view: StrikingView = {
    today,
    rule: LOAD_AS_DELIVERED,
    head: true,
    students: [
      { id: 'a', name: 'Aiko Dunmore', age: 36, rank, may: { may: true }, next, last: addDays(today, -3) },
      { id: 'g', name: 'Greta Holm', age: 16, rank, may: { may: false, why: 'guardian' }, next: [], last: null },
    ],
  };
  show(<StrikingPage view={view} />);
  expect(screen.getByText('Right 20; left none: skin of the left hand open, until 23 March.')).toBeTruthy();
  expect(screen.getByText(/The guardian is asked first/)).toBeTruthy();
  expect(screen.getByText('1 student may; 1 student with one side only.')).toBeTruthy();
});
