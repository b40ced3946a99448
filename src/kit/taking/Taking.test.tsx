import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { whatStays, type Reading, type Took } from './line';
import { Taking } from './Taking';
import { useSource } from './useTaking';

/** A list of numbers, a line each: even ones come in, seven is here already, all others stay out. */
const read = (source: string): Reading<{ n: number }> => ({
  wrong: source === '?' ? 'This cannot be read.' : '',
  lines: source
    .split('\n')
    .filter((l) => l !== '' && l !== '?')
    .map((l) => {
      const n = Number(l);
      return {
        name: `Number ${l}`,
        takes: n % 2 === 0 ? { n } : null,
        isHere: n === 7,
        said: n % 2 === 0 ? 'new' : n === 7 ? 'is here' : 'stays out: odd',
        source: l,
      };
    }),
});
let asked: number[][] = [];
let answer: (
  list: { n: number }[],
  progress: (n: number) => void,
  stopped: () => boolean,
) => Promise<Took<{ n: number }>>;
const inbox = () => screen.getByLabelText<HTMLTextAreaElement>('Numbers');

function Numbers({ keptAs }: { keptAs?: string }) {
  const source = useSource({ most: 100, ...(keptAs ? { keptAs } : {}) });
  const reading = read(source.source);
  return (
    <Taking
      title="Which numbers?"
      sub="One a line."
      back={{ href: '/', word: 'Back' }}
      source={source}
      label="Numbers"
      accept=".txt"
      by={{
        reading,
        take: (list, progress, stopped) => {
          asked.push(list.map((x) => x.n));
          return answer(list, progress, stopped);
        },
        stays: (taken) => whatStays(source.source, reading.lines, taken, '\n'),
      }}
      said={(n) => `${n} taken.`}
    />
  );
}
const open = (keptAs?: string) => {
  const { unmount } = render(<Numbers {...(keptAs ? { keptAs } : {})} />);
  return { user: userEvent.setup({ delay: null, applyAccept: false }), unmount };
};
const upload = (user: ReturnType<typeof userEvent.setup>, ...bytes: BlobPart[]) =>
  user.upload(document.querySelector<HTMLInputElement>('input[type=file]')!, new File(bytes, 'list.txt'));

beforeEach(() => {
  asked = [];
  localStorage.clear();
  answer = (list) => Promise.resolve({ taken: list, wrong: '' });
});

describe('a list is taken in', () => {
  it('says of every line what will happen; the good ones go, what stays out is kept, what is here is not asked again', async () => {
    const { user } = open();
    await user.type(inbox(), '2\n3\n4\n7');
    expect(screen.getByText('2 will be taken, 1 will not')).toBeTruthy();
    expect(screen.getByText('stays out: odd')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Take the 2 good ones' }));
    expect(asked).toEqual([[2, 4]]);
    expect(screen.getByRole('status').textContent).toBe('2 taken. What could not be taken is still here.');
    expect(inbox().value).toBe('3');
    expect(screen.getByRole('button', { name: 'Take the good ones' })).toHaveProperty('disabled', true);
  });

  it('what was refused stays with its reason, and so does all after it', async () => {
    answer = (list) => Promise.resolve({ taken: list.slice(0, 1), wrong: 'Four: not today.' });
    const { user } = open();
    await user.type(inbox(), '2\n4\n6');
    await user.click(screen.getByRole('button', { name: 'Take the 3 good ones' }));
    await screen.findByText('Four: not today.');
    expect(inbox().value).toBe('4\n6');
    await user.type(inbox(), '0');
    expect(screen.getByRole('alert').textContent).toBe('');
  });

  it('says how far it is and can be stopped: what was taken is gone from the list, the rest stays', async () => {
    let go = () => {};
    answer = async (list, progress, stopped) => {
      const taken = [];
      for (const one of list) {
        if (stopped()) break;
        progress(taken.length + 1);
        await new Promise<void>((r) => (go = r));
        taken.push(one);
      }
      return { taken, wrong: '' };
    };
    const { user } = open();
    await user.type(inbox(), '2\n4\n6');
    await user.click(screen.getByRole('button', { name: 'Take the 3 good ones' }));
    expect(screen.getByRole('button', { name: '1 of 3' })).toHaveProperty('disabled', true);
    await user.click(screen.getByRole('button', { name: 'Stop' }));
    go();
    expect(await screen.findByText(/^1 taken\./)).toBeTruthy();
    expect(inbox().value).toBe('4\n6');
  });

  it('a source that cannot be read at all says so', async () => {
    const { user } = open();
    await user.type(inbox(), '?');
    expect(screen.getByRole('alert').textContent).toBe('This cannot be read.');
  });
});

describe('a file', () => {
  it('that is too large, empty or no text is refused and what was typed stays', async () => {
    const { user } = open();
    await user.type(inbox(), '3');
    await upload(user, new Uint8Array(101));
    await waitFor(() =>
      expect(screen.getByRole('alert').textContent).toMatch(/^list\.txt has .* MB; at most .* are taken at once\.$/),
    );
    await upload(user, new Uint8Array([0x50, 0x4b, 3, 4]));
    expect(await screen.findByText(/this is not a text file/)).toBeTruthy();
    expect(inbox().value).toBe('3');
    await upload(user, ' \n');
    expect(await screen.findByText('list.txt is empty.')).toBeTruthy();
  });

  it('whose letters can be meant in two ways is offered in both', async () => {
    const { user } = open();
    // "Řehák" as Central European bytes: 0xd8 and 0xe1 are letters of Western European, too.
    await upload(user, new Uint8Array([0xd8, 0x65, 0x68, 0xe1, 0x6b]));
    const before = await screen.findByDisplayValue(/hák/);
    const first = (before as HTMLTextAreaElement).value;
    await user.click(screen.getByRole('combobox', { name: 'Letters of this file read as' }));
    const other = screen.getAllByRole('option').find((o) => o.getAttribute('aria-selected') !== 'true')!;
    await user.click(other);
    expect(inbox().value).not.toBe(first);
    expect([first, inbox().value].sort()).toEqual(['Øehák', 'Řehák'].sort());
  });

  it('is remembered on the device until it is taken, where that was asked for', async () => {
    const first = open('numbers');
    await first.user.type(inbox(), '3\n2');
    first.unmount();
    const { user } = open('numbers');
    expect(inbox().value).toBe('3\n2');
    await user.click(screen.getByRole('button', { name: 'Take the 1 good one' }));
    expect(localStorage.getItem('numbers')).toBe('3');
    await user.click(screen.getByRole('button', { name: 'Clear the list' }));
    expect(localStorage.getItem('numbers')).toBe(null);
  });
});
