import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Forecast as Found } from '../../../core';
import { refusedAs, shown } from '../../../kit/testing/server';
import type { ForecastAsked, ForecastSaid } from '../../../workers/forecast';
import { Forecast } from './Forecast';

/** A worker that says what the test lets it say. */
class Hand {
  static made: Hand[] = [];
  onmessage: ((e: MessageEvent<ForecastSaid>) => void) | null = null;
  onerror: (() => void) | null = null;
  asked: ForecastAsked | null = null;
  ended = false;
  constructor() {
    Hand.made.push(this);
  }
  postMessage(asked: ForecastAsked) {
    this.asked = asked;
  }
  terminate() {
    this.ended = true;
  }
  say(data: ForecastSaid) {
    act(() => this.onmessage?.(new MessageEvent('message', { data })));
  }
}
let input: unknown = {};
let status = 200;
beforeEach(() => {
  Hand.made = [];
  [input, status] = [{}, 200];
  vi.stubGlobal('Worker', Hand);
  vi.stubGlobal('fetch', () =>
    Promise.resolve(status === 200 ? shown({ name: 'Ilse', rank: 'Straw', input }) : refusedAs(status, 'no')),
  );
});
const found = (more: Partial<Found> = {}): Found => ({
  silent: null,
  from: '2026-04-10',
  median: '2026-04-24',
  to: '2026-05-08',
  byGrading: 0.42,
  decides: { kind: 'requirement', id: 'r', name: 'front kick', share: 0.7, habit: null },
  changes: [],
  aside: [],
  ...more,
});
const open = (name = 'Ilse', gradingDay: string | null = '2026-05-01') => {
  render(<Forecast studentId="ilse" today="2026-03-05" gradingDay={gradingDay} name={name} />);
  return userEvent.setup({ delay: null });
};
const working = async () => {
  await screen.findByText(/Trying out/);
  return Hand.made.at(-1)!;
};

describe('when a belt may be met', () => {
  it('shows how far it is, then the range, what decides it, and the chance by the grading', async () => {
    open();
    const hand = await working();
    expect(hand.asked!.seed).toBe('ilse 2026-03-05');
    hand.say({ done: 0.37 });
    expect(screen.getByText(/37 in 100/)).toBeTruthy();
    hand.say({ forecast: found() });
    expect(screen.getByText('8 times in 10 between 10 April 2026 and 8 May 2026.')).toBeTruthy();
    expect(screen.getByText(/By the grading about 4 in 10\. Front kick decides it in 7 of 10 tries\./)).toBeTruthy();
    expect(screen.getByText(/a guide, not a promise/)).toBeTruthy();
  });

  it('can be stopped, which ends the work, and tried again', async () => {
    const user = open();
    const hand = await working();
    await user.click(screen.getByRole('button', { name: 'Stop' }));
    expect(hand.ended).toBe(true);
    expect(screen.getByText(/Stopped\./)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Try again' }));
    expect((await working()) === hand).toBe(false);
  });

  it('a habit of more than a year says that this is a rule of thumb', async () => {
    open();
    const habit = 'dropping the guard';
    (await working()).say({ forecast: found({ decides: { ...found().decides!, habit } }) });
    expect(screen.getByText(/Dropping the guard is a habit of more than a year: .* as a rule of thumb/)).toBeTruthy();
  });

  it('says what would change it, and what changes little', async () => {
    open();
    (await working()).say({
      forecast: found({
        changes: [
          { what: 'one more class a week', median: '2026-04-03', byGrading: 0.6 },
          { what: 'more looks', median: '2026-04-23', byGrading: 0.42 },
        ],
      }),
    });
    const said = screen.getByText('What would change it:').parentElement!.textContent;
    expect(said).toBe(
      'What would change it: one more class a week brings it about 3 weeks nearer, by the grading about 6 in 10; more looks at what decides it changes little.',
    );
  });

  it.each([
    ['too few looks', 'Ilse', 'Fewer than eight looks: too little to say when.'],
    ['may never end', 'Ilse', /No range: as Ilse comes and is watched now/],
    ['may never end', 'you', /No range: as you come and are watched now/],
  ] as const)('gives no range where %s, in the words of who reads (%s)', async (silent, name, words) => {
    open(name);
    (await working()).say({ forecast: found({ silent, from: null, median: null, to: null, decides: null }) });
    expect(screen.getByText(words)).toBeTruthy();
  });

  it('leaves the end open where more than one try in ten takes over two years', async () => {
    open();
    (await working()).say({ forecast: found({ to: null }) });
    expect(
      screen.getByText(
        '9 times in 10 after 10 April 2026, half of the tries by 24 April 2026; more than 1 in 10 take over two years.',
      ),
    ).toBeTruthy();
  });

  it('says so at the last belt, where the server gives no answer, and where the work breaks', async () => {
    input = null;
    open();
    expect(await screen.findByText('Nothing is asked yet.')).toBeTruthy();
    status = 503;
    open('Bram');
    expect(await screen.findByText(/could not be tried out\. no/)).toBeTruthy();
    [input, status] = [{}, 200];
    open('Noor');
    const hand = await working();
    act(() => hand.onerror?.());
    expect(screen.getAllByText(/could not be tried out/)).toHaveLength(2);
  });
});
