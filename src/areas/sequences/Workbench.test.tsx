import { EditorView } from '@codemirror/view';
import { act, cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { storedSequenceDraft } from '../../contracts/stored/sequenceDraft';
import type { SequenceView } from '../../contracts/views';
import { readSequence } from '../../core';
import { dropFromDevice, keepOnDevice, readFromDevice } from '../../kit/onDevice';
import { idFor } from '../../kit/testing/ids';
import { savedText, sequenceView } from '../../kit/testing/sequenceView';
import { smallServer } from '../../kit/testing/smallServer';
import { wordsNamed } from './testing/words';
import Workbench from './Workbench';

const id = idFor('first');
const KEPT = `stavewright.draft.${id}`;
const TEXT = 'step L, front stance, low block L\nstep R, front stance, stepping punch R\nrising block L';
const words = wordsNamed('low block', 'stepping punch', 'rising block', 'front kick', 'front stance');

type Saved = NonNullable<SequenceView['sequence']>;
const saved = (more: Partial<Saved> = {}): Saved =>
  savedText('First Causeway', TEXT, {
    id,
    version: 4,
    changedOn: '2026-10-05',
    changedBy: 'Odile Marchetti-Wren',
    ...more,
  });
const viewOf = (sequence: Saved | null, more: Partial<SequenceView> = {}) => sequenceView(sequence, words, more);

let server: ReturnType<typeof smallServer>;
beforeEach(() => {
  server = smallServer();
  for (const key of [KEPT, 'stavewright.draft.new']) dropFromDevice(key);
  // jsdom measures no text; the editor asks where its letters stand.
  const nowhere = { length: 0, item: () => null, [Symbol.iterator]: [][Symbol.iterator] } as unknown as DOMRectList;
  Range.prototype.getClientRects = () => nowhere;
});

const button = (name: string | RegExp) => screen.getByRole('button', { name });
const editor = () => EditorView.findFromDOM(document.querySelector<HTMLElement>('.cm-editor')!)!;
const written = () => editor().state.doc.toString();
/** As if typed: what stands in the editor becomes this. */
const type = (text: string) => {
  act(() => {
    editor().dispatch({ changes: { from: 0, to: editor().state.doc.length, insert: text } });
  });
};
const open = (view: SequenceView) => {
  render(<Workbench view={view} />);
  return userEvent.setup({ delay: null });
};

describe('a sequence on the bench', () => {
  it('says what it is, who changed it last, and asks to be saved only when it was changed', async () => {
    server.views = { sequence: viewOf(saved({ version: 5 })) };
    const user = open(viewOf(saved()));
    expect(screen.getByText(/three counts, version 4, changed 5 October 2026 by Odile Marchetti-Wren/)).toBeTruthy();
    expect(button('Save')).toHaveProperty('disabled', true);
    type(`${TEXT}, out`);
    await waitFor(() => {
      expect(button('Save')).toHaveProperty('disabled', false);
    });
    await user.click(button('Save'));
    expect(await screen.findByText('Saved.')).toBeTruthy();
    expect(server.sent).toMatchObject([
      { name: 'sequence.save', input: { id, title: 'First Causeway', text: `${TEXT}, out` } },
    ]);
    expect(screen.getByText(/version 5/)).toBeTruthy();
  });

  it('names the first line that cannot be read, and saves it all the same, with how many lines wait', async () => {
    const wrong = `${TEXT}\n"punch R`;
    server.views = { sequence: viewOf(saved({ text: wrong, version: 5 })) };
    const user = open(viewOf(saved()));
    type(wrong);
    expect(await screen.findByText(/^Line 4, place 1: This quote is never closed\./)).toBeTruthy();
    await user.click(button('Save'));
    expect(await screen.findByText('Saved; 1 line cannot be read yet.')).toBeTruthy();
    expect(server.sent[0]!.input).toMatchObject({ text: wrong });
  });

  it('a title is asked for; a refusal says why and loses nothing', async () => {
    const user = open(viewOf(saved()));
    await user.clear(screen.getByLabelText('Title'));
    expect(screen.getByText('It needs a title before it can be saved.')).toBeTruthy();
    expect(button('Save')).toHaveProperty('disabled', true);
    await user.paste('Sluice');
    server.refuse = { status: 409, title: 'There is a “Sluice” already.' };
    await user.click(button('Save'));
    expect(await screen.findByText('There is a “Sluice” already.')).toBeTruthy();
    expect(written()).toBe(TEXT);
    expect(screen.getByLabelText('Title')).toHaveProperty('value', 'Sluice');
  });

  it('saved, and then not read again: it says that it is saved', async () => {
    const user = open(viewOf(saved()));
    type(`${TEXT}, out`);
    await waitFor(() => {
      expect(button('Save')).toHaveProperty('disabled', false);
    });
    await user.click(button('Save'));
    expect(await screen.findByText(/^It is saved, but could not be read again\./)).toBeTruthy();
    expect(server.sent).toHaveLength(1);
  });

  it('goes out of use and comes back', async () => {
    server.views = { sequence: viewOf(saved({ retired: true })) };
    const user = open(viewOf(saved()));
    await user.click(button('Retire it'));
    expect(await screen.findByRole('button', { name: 'Put it back' })).toBeTruthy();
    server.refuse = { status: 409, title: 'Another has taken its title.' };
    await user.click(button('Put it back'));
    expect(await screen.findByText('Another has taken its title.')).toBeTruthy();
    expect(server.sent.map((s) => [s.name, s.input['retired']])).toEqual([
      ['sequence.retire', true],
      ['sequence.retire', false],
    ]);
  });

  it('a finding is waived with a reason, of what is saved only', async () => {
    server.views = {
      sequence: viewOf(saved(), {
        waivers: [{ key: 'closing', reason: 'it ends at the gate', by: 'Maren', day: '2026-11-02' }],
      }),
    };
    const user = open(viewOf(saved()));
    const [first] = screen.getAllByRole('button', { name: /^Waive: / });
    await user.click(first!);
    await user.click(screen.getByLabelText(/reason|may stay/i));
    await user.paste('it ends at the gate');
    await user.click(button('Waive'));
    await waitFor(() => {
      expect(server.sent[0]).toMatchObject({
        name: 'sequence.waive',
        input: { sequenceId: id, reason: 'it ends at the gate' },
      });
    });
    type(`${TEXT}, out`);
    await waitFor(() => {
      expect(screen.queryByRole('button', { name: /^Waive: / })).toBeNull();
    });
  });
});

describe('what was typed and not saved', () => {
  it('is kept on the device a moment later, offered when it is opened again, and taken up with its title', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    try {
      open(viewOf(saved()));
      type(`${TEXT}\ndraw L`);
      await vi.waitFor(() => {
        expect(readFromDevice(KEPT, storedSequenceDraft)).toMatchObject({ text: `${TEXT}\ndraw L`, version: 4 });
      }, 10_000);
    } finally {
      vi.useRealTimers();
    }
    keepOnDevice(KEPT, storedSequenceDraft, {
      title: 'First, longer',
      text: `${TEXT}\ndraw L`,
      version: 4,
      at: '2026-11-20T19:40:00Z',
    });
    cleanup();
    const user = open(viewOf(saved()));
    expect(await screen.findByText(/Text typed here on 20 November 2026 .* was not saved/)).toBeTruthy();
    expect(written()).toBe(TEXT);
    await user.click(button('Take it up'));
    expect(written()).toBe(`${TEXT}\ndraw L`);
    expect(screen.getByLabelText('Title')).toHaveProperty('value', 'First, longer');
    expect(button('Save')).toHaveProperty('disabled', false);
  });

  it('is let go, and is not offered when it says what is saved', async () => {
    const draft = { title: 'First Causeway', version: 4, at: '2026-11-20T19:40:00Z' };
    keepOnDevice(KEPT, storedSequenceDraft, { ...draft, text: 'draw L' });
    const user = open(viewOf(saved()));
    await user.click(await screen.findByRole('button', { name: 'Let it go' }));
    expect(readFromDevice(KEPT, storedSequenceDraft)).toBeNull();
    expect(screen.queryByText(/was not saved/)).toBeNull();
    keepOnDevice(KEPT, storedSequenceDraft, { ...draft, text: TEXT });
    cleanup();
    open(viewOf(saved()));
    await waitFor(() => {
      expect(written()).toBe(TEXT);
    });
    expect(screen.queryByText(/was not saved/)).toBeNull();
  });
});

describe('a new sequence', () => {
  it('begins empty, follows what is typed, and gets its address when it is saved', async () => {
    const user = open(viewOf(null));
    expect(screen.getByRole('heading', { name: 'How does it go?' })).toBeTruthy();
    expect(screen.getByText(/Type the first count at the left/)).toBeTruthy();
    expect(screen.queryByRole('link', { name: 'Call it' })).toBeNull();
    await user.click(screen.getByLabelText('Title'));
    await user.paste('Reed Bed');
    type('kind: combination\nstep L, front stance, low block L');
    expect(await screen.findByText(/^Combination, one count/)).toBeTruthy();
    expect(within(screen.getByRole('list', { name: 'Counts of Reed Bed' })).getAllByRole('listitem')).toHaveLength(1);
    await user.click(button('Save'));
    await waitFor(() => {
      expect(server.sent[0]).toMatchObject({ name: 'sequence.save', input: { title: 'Reed Bed' } });
    });
    const made = server.sent[0]!.input['id'] as string;
    await waitFor(() => {
      expect(window.location.pathname).toBe(`/sequences/${made}`);
    });
  });
});

describe('a derived sequence', () => {
  const parent = { id: idFor('parent'), title: 'First Causeway', body: readSequence(TEXT).sequence };
  const derived = saved({ title: 'Other side', parentId: parent.id, recipe: [{ op: 'mirror' }] as Saved['recipe'] });

  it('says what it is made from, what was changed by hand, and that its recipe cannot be followed any more', () => {
    open(viewOf({ ...derived, trouble: 'Count 9 is not there.' }, { parent, computed: readSequence(TEXT).sequence }));
    expect(screen.getByRole('link', { name: 'First Causeway' })).toHaveProperty(
      'href',
      expect.stringContaining(`/sequences/${parent.id}`),
    );
    expect(screen.getByText('in step with its parent')).toBeTruthy();
    expect(screen.getByText(/The recipe cannot be followed any more: Count 9 is not there\./)).toBeTruthy();
  });

  it('shows its recipe to be changed', async () => {
    const user = open(viewOf(derived, { parent, computed: readSequence(TEXT).sequence }));
    await user.click(button('Change the recipe'));
    expect(screen.getByRole('combobox', { name: 'First' }).textContent).toBe('The other side');
    await user.click(button('Change the recipe'));
    expect(screen.queryByRole('combobox', { name: 'First' })).toBeNull();
  });
});
