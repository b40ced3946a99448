import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import * as v from 'valibot';
import { describe, expect, it, vi } from 'vitest';
import { date, line, name, whole } from '../../contracts/fields';
import type { Answer } from '../send';
import {
  CheckField,
  ChoiceField,
  DateField,
  ListField,
  NumberField,
  PickField,
  PickManyField,
  SwitchField,
  TextField,
} from './fields';
import { SheetForm } from './SheetForm';
import { useSheet } from './useSheet';

const KINDS = ['staff', 'hand'] as const;
const schema = v.object({
  name,
  what: line,
  size: v.nullable(whole(1, 9, 'The size')),
  share: v.pipe(v.number('A share is a number.'), v.minValue(0), v.maxValue(1, 'A share is at most 1.')),
  day: v.nullable(date),
  kind: v.nullable(v.picklist(KINDS)),
  free: v.boolean(),
  head: v.boolean(),
  owns: v.nullable(v.array(v.string())),
  whose: v.pipe(v.string('Say whose it is.'), v.nonEmpty('Say whose it is.')),
  others: v.array(v.string()),
});
type Values = Omit<v.InferInput<typeof schema>, 'whose'> & { whose: string | null };
const START: Values = {
  name: 'Reed pole',
  what: '',
  size: 3,
  share: 0.8,
  day: '2026-03-05',
  kind: null,
  free: false,
  head: false,
  owns: null,
  whose: 'a',
  others: [],
};
const PEOPLE = [
  { id: 'a', name: 'Ilse Marrow' },
  { id: 'b', name: 'Bram Oakes' },
];

function open(more: Partial<Values> = {}, answer: Answer = { ok: true, answer: { n: 1 } }) {
  const saving = vi.fn<(draft: unknown, read: unknown) => Answer>(() => answer);
  const done = vi.fn();
  function Form() {
    const sheet = useSheet({ start: { ...START, ...more }, schema, make: (x) => x as never, saving, done });
    return (
      <SheetForm sheet={sheet} title="A thing" saves="Keep it" leave={() => undefined}>
        <TextField name="name" label="Name" />
        <TextField name="what" label="What" lines={2} help="in a few words" />
        <NumberField name="size" label="Size" empty={null} />
        <NumberField name="share" label="Share, in 100" times={100} />
        <DateField name="day" label="Day" none />
        <ChoiceField name="kind" label="Kind" none="any" options={KINDS} />
        <SwitchField
          name="free"
          label="Freedom"
          options={[
            { value: false, word: 'set' },
            { value: true, word: 'free' },
          ]}
        />
        <CheckField name="head" label="The head" />
        <ListField name="owns" label="Owns" none />
        <PickField name="whose" label="Whose" options={PEOPLE} />
        <PickManyField name="others" label="Others" options={PEOPLE} />
      </SheetForm>
    );
  }
  render(<Form />);
  const user = userEvent.setup({ delay: null });
  const save = () => user.click(screen.getByRole('button', { name: 'Keep it' }));
  const type = async (label: string, text: string) => {
    await user.clear(screen.getByLabelText(label));
    if (text !== '') await user.type(screen.getByLabelText(label), text);
  };
  return { user, save, type, saving, done };
}
const sent = (saving: ReturnType<typeof open>['saving']) => saving.mock.calls[0]![0];

describe('a sheet', () => {
  it('sends what stands in it, and hands on what was answered', async () => {
    const { save, saving, done } = open();
    await save();
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(sent(saving)).toEqual(START);
    expect(done.mock.calls[0]![2]).toEqual({ n: 1 });
  });

  it('reads every field as people fill it in', async () => {
    const { user, save, type, saving } = open();
    await type('Name', '  Ferry pole ');
    await type('Size', '7');
    await type('Share, in 100', '62,5');
    await type('Day', '3 April 2026');
    await user.click(screen.getByRole('combobox', { name: 'Kind' }));
    await user.click(screen.getByRole('option', { name: 'staff' }));
    await user.click(screen.getByRole('radio', { name: 'free' }));
    await user.click(screen.getByLabelText('The head'));
    await type('Owns', ' pads, ,target ');
    await user.type(screen.getByLabelText('Whose'), 'Bram');
    await user.click(screen.getByRole('option', { name: 'Bram Oakes' }));
    await user.type(screen.getByLabelText('Others'), 'Ilse');
    await user.click(screen.getByRole('option', { name: 'Ilse Marrow' }));
    await save();
    await waitFor(() => expect(saving).toHaveBeenCalled());
    expect(sent(saving)).toMatchObject({
      size: 7,
      share: 0.625,
      day: '2026-04-03',
      kind: 'staff',
      free: true,
      head: true,
      owns: ['pads', 'target'],
      whose: 'b',
      others: ['a'],
    });
    expect(saving.mock.calls[0]![1]).toMatchObject({ name: 'Ferry pole' });
  });

  it('an empty line is nothing where nothing may stand, and says so where something must', async () => {
    const { save, type, saving } = open();
    await type('Size', '');
    await type('Day', '');
    await type('Owns', '');
    await type('Share, in 100', '');
    await save();
    expect(await screen.findByText(/A share is a number/)).toBeTruthy();
    expect(saving).not.toHaveBeenCalled();
    await type('Share, in 100', '50');
    await save();
    await waitFor(() => expect(saving).toHaveBeenCalled());
    expect(sent(saving)).toMatchObject({ size: null, day: null, owns: null, share: 0.5 });
  });

  it('what is wrong is said at its field, before anything is sent, and goes as it is mended', async () => {
    const { save, type, saving } = open({ name: '', whose: null });
    await type('Size', '12');
    await type('Day', '31 February 2026');
    await save();
    expect(await screen.findByText('The size is at most 9.')).toBeTruthy();
    expect(screen.getByText('A name is missing.')).toBeTruthy();
    expect(screen.getByText('Say whose it is.')).toBeTruthy();
    expect(screen.getByLabelText('Day').getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByRole('alert').textContent).toMatch(/each says what is wrong/);
    expect(saving).not.toHaveBeenCalled();
    await type('Size', '9');
    await waitFor(() => expect(screen.queryByText('The size is at most 9.')).toBeNull());
  });

  it('what is wrong of the whole, or of a part that no field stands for, is said at the foot in its own words', async () => {
    const shape = v.object({
      range: v.pipe(
        v.object({ lo: v.number(), hi: v.number() }),
        v.check((r) => r.lo <= r.hi, 'The range runs from the smaller number to the larger.'),
      ),
      rounds: v.array(
        v.pipe(
          v.object({ held: v.number(), of: v.number() }),
          v.check((r) => r.held <= r.of, 'No more can hold than were done.'),
        ),
      ),
    });
    const saving = vi.fn(() => ({ ok: true as const, answer: {} }));
    function Form() {
      const start = { range: { lo: 1, hi: 3 }, rounds: [{ held: 2, of: 5 }] };
      const sheet = useSheet({ start, schema: shape, saving, done: () => undefined });
      return (
        <SheetForm sheet={sheet} title="A range" saves="Keep it" leave={() => undefined}>
          <NumberField name="range.lo" label="From" />
          <NumberField name="rounds.0.held" label="Held" />
        </SheetForm>
      );
    }
    render(<Form />);
    const user = userEvent.setup({ delay: null });
    const type = async (label: string, text: string) => {
      await user.clear(screen.getByLabelText(label));
      await user.type(screen.getByLabelText(label), text);
      await user.click(screen.getByRole('button', { name: 'Keep it' }));
    };
    await type('From', '9');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/from the smaller number to the larger/));
    await type('From', '2');
    await waitFor(() => expect(saving).toHaveBeenCalledTimes(1));
    await type('Held', '7');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('No more can hold than were done.'));
    expect(saving).toHaveBeenCalledTimes(1);
  });

  it('a refusal stands at its field and at the foot; what was typed stays', async () => {
    const { save, type } = open(
      {},
      {
        ok: false,
        status: 422,
        title: 'There is one of this name.',
        errors: [{ path: 'name', message: 'Taken.' }],
      },
    );
    await type('Name', 'Sluice pole');
    await save();
    expect(await screen.findByText('Taken.')).toBeTruthy();
    expect(screen.getByRole('alert').textContent).toBe('There is one of this name.');
    expect(screen.getByLabelText('Name')).toHaveProperty('value', 'Sluice pole');
  });

  it('the same day typed otherwise is the same day, and is said back in words', async () => {
    const { user, save, type, saving } = open();
    await type('Day', '05.03.2026');
    await user.tab();
    expect(screen.getByLabelText('Day')).toHaveProperty('value', '5 March 2026');
    await save();
    await waitFor(() => expect(saving).toHaveBeenCalled());
    expect(sent(saving)).toMatchObject({ day: '2026-03-05' });
  });
});
