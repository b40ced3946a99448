import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { LookWritten } from '../../../contracts/look';
import { parseSequence } from '../../../core';
import { drop, openNow, readOpen } from '../../../kit/deviceQueue/deviceQueue';
import FormCard from './FormCard';
import { CONDITION, HEEL, kitOf, sequence, student } from '../../../kit/mat/testing/kit';

beforeEach(async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
  for (const c of await readOpen()) await drop(c.id);
});

const read = parseSequence(
  [
    'title: Short Walk',
    'step R, front stance, punch R mid',
    'step L, front stance, punch L mid',
    'step R, front stance, punch R mid',
  ].join('\n'),
);
const body = read.ok ? read.value : null;
const ilse = student(1, 'Ilse Marrow');
const nell = student(2, 'Nell Okafor');
function open(who = ilse, of = body!) {
  const walk = sequence(of, {
    points: [{ id: HEEL.id, name: HEEL.name, cue: '', kind: 'seen', critical: true }],
    at: [[], [0], []],
  });
  const on = { next: vi.fn(), end: vi.fn(), looked: vi.fn() };
  const view = render(
    <FormCard
      kit={kitOf({ students: [who], sequences: [walk] })}
      student={who}
      following={null}
      line={[who, nell]}
      item={{ key: `s:${walk.id}`, name: walk.title, group: 'form', technique: null, sequence: walk, part: null }}
      conditionId={CONDITION}
      leftHanded={false}
      onItem={vi.fn()}
      onLooked={on.looked}
      onNext={on.next}
      onEnd={on.end}
    />,
  );
  return { ...on, ...view, user: userEvent.setup({ delay: null }) };
}
const showing = () => openNow().map((c) => c.input as LookWritten)[0]?.sequence ?? null;

describe('a form, count by count', () => {
  it('is read to begin with', () => expect(read).toMatchObject({ ok: true }));

  it('a tap on a count slipped there, a point names it, and the rest held closes it', async () => {
    const { user } = open();
    await user.click(screen.getByRole('button', { name: /^Count 2, .*not seen/ }));
    await waitFor(() => expect(showing()?.counts).toMatch(/^USU/));
    await user.click(screen.getByRole('checkbox', { name: 'Heel down critical' }));
    await user.click(screen.getByRole('button', { name: 'The rest held' }));
    await waitFor(() => expect(showing()?.counts).toMatch(/^HSH/));
    expect(showing()).toMatchObject({
      from: 1,
      to: 3,
      ofCounts: 3,
      slips: [{ count: 2, pointId: HEEL.id, what: 'Heel down', toldBy: null, held: false }],
    });
  });

  it('keys move and mark, and undo takes one step back', async () => {
    const { user } = open();
    await user.keyboard('hsh');
    // Held moves on, slipped stays: the third key took the slip at the second count back.
    await waitFor(() => expect(showing()?.counts).toMatch(/^HHU/));
    await user.click(screen.getByRole('button', { name: /^Undo/ }));
    await waitFor(() => expect(showing()?.counts).toMatch(/^HSU/));
  });

  it('goes on where it was left, with its note', async () => {
    const first = open();
    await first.user.click(screen.getByRole('button', { name: /^Count 3, / }));
    await first.user.click(screen.getByRole('button', { name: 'Note' }));
    await first.user.type(screen.getByLabelText('Note'), 'tired');
    await waitFor(() => expect(openNow()[0]?.input).toMatchObject({ note: 'tired' }));
    first.unmount();
    const again = open();
    expect(screen.getByRole('button', { name: /^Count 3, .*slipped/ })).toBeTruthy();
    await again.user.click(screen.getByRole('button', { name: 'End' }));
    await waitFor(() => expect(again.end).toHaveBeenCalled());
    expect(again.looked).toHaveBeenCalled();
    expect(openNow()).toEqual([]);
  });

  it('what rests for somebody is asked about once, and nothing can be marked before', async () => {
    const rest = { what: 'left knee', until: '2026-03-20', points: null };
    const { user, next } = open(student(1, 'Ilse Marrow', { rests: { [`s:${sequence(body!).id}`]: rest } }));
    expect(screen.getByText(/Rests until 20 March: left knee\./)).toBeTruthy();
    await user.keyboard('hs');
    expect(screen.getByRole('button', { name: 'The rest held' })).toHaveProperty('disabled', true);
    expect(showing()).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Pass over' }));
    await waitFor(() => expect(next).toHaveBeenCalled());
    await user.click(screen.getByRole('button', { name: 'Look at Ilse all the same' }));
    await user.click(screen.getByRole('button', { name: 'The rest held' }));
    await waitFor(() => expect(showing()?.counts).toMatch(/^HHH/));
  });

  it('what the form has looked at of its own at a place can be named there; what is felt is told by whoever felt it', async () => {
    const own = parseSequence(
      'title: Short Walk\nstep R, punch R\n! (felt) not pulled off the spot\n!> eyes first\nstep L, punch L\nstep R',
    );
    const { user } = open(ilse, own.ok ? own.value : body!);
    await user.click(screen.getByRole('checkbox', { name: 'Eyes first, before the next' }));
    const eyes = { count: 1, pointId: null, what: 'eyes first, before the next', toldBy: null, held: false };
    await waitFor(() => expect(showing()?.slips).toEqual([eyes]));
    // Whoever only watches cannot say it: the tablet goes to who felt it, and keys do nothing meanwhile.
    const felt = (told: string) => screen.getByRole('button', { name: `Not pulled off the spot, felt: ${told}` });
    await user.click(felt('who felt it says'));
    expect(screen.getByRole('heading', { name: 'Not pulled off the spot' })).toBeTruthy();
    await user.keyboard('h');
    await user.click(screen.getByRole('combobox', { name: 'Who answers?' }));
    await user.click(screen.getByRole('option', { name: 'Nell Okafor' }));
    await user.click(screen.getByRole('button', { name: 'Yes' }));
    const told = { count: 1, pointId: null, what: 'not pulled off the spot, felt', toldBy: nell.id };
    await waitFor(() => expect(showing()?.slips).toEqual([eyes, { ...told, held: true }]));
    expect(showing()?.counts).toMatch(/^SUU/);
    // The last word counts; the one who does it is asked first.
    await user.click(felt('told, held'));
    await user.click(screen.getByRole('button', { name: 'No' }));
    await waitFor(() => expect(showing()?.slips).toEqual([eyes, { ...told, toldBy: ilse.id, held: false }]));
    await user.click(felt('told, slipped'));
    await user.click(screen.getByRole('button', { name: 'I could not tell' }));
    await user.click(screen.getByRole('button', { name: /^Undo/ }));
    await waitFor(() => expect(showing()?.slips).toEqual([eyes, { ...told, held: true }]));
    await user.click(screen.getByRole('button', { name: /^Count 2, / }));
    expect(screen.queryByRole('checkbox', { name: /spot/ })).toBeNull();
  });

  it('what is looked at under some conditions alone is asked for there, and not under another', async () => {
    const under = (name: string) =>
      parseSequence(`title: Short Walk\nstep R, punch R\n! (only ${name}) reach\n! eyes ahead\nstep L`);
    const here = kitOf({}).conditions.find((c) => c.id === CONDITION)!.name;
    for (const [name, asked] of [
      [here.toUpperCase(), true],
      ['another', false],
    ] as const) {
      const own = under(name);
      const { unmount } = open(ilse, own.ok ? own.value : body!);
      expect(await screen.findByRole('checkbox', { name: 'Eyes ahead' })).toBeTruthy();
      expect(screen.queryByRole('checkbox', { name: 'Reach' }) !== null).toBe(asked);
      unmount();
    }
  });

  it('a drill for two keeps whose part was watched', async () => {
    const drill = parseSequence(
      'title: Pads\nkind: partner drill\ncue left pad | punch R\ncue kick | front kick L\n- | punch L',
    );
    const { user } = open(ilse, drill.ok ? drill.value : body!);
    // The holder only shows: the striker is watched unless somebody says otherwise.
    expect(screen.getByText(/^Punch right/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'The rest held' }));
    await waitFor(() => expect(showing()?.lane).toBe('B'));
    await user.click(screen.getByRole('radio', { name: 'the holder' }));
    await waitFor(() => expect(showing()?.lane).toBe('A'));
  });
});
