import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { SequenceView } from '../../contracts/views';
import { parseSequence, type Sequence } from '../../core';
import { shown } from '../../kit/testing/server';
import Beside from './Beside';
import { Known } from './Known';

const read = (text: string): Sequence => {
  const made = parseSequence(text);
  if (!made.ok) throw new Error(JSON.stringify(made.error));
  return made.value;
};
const walk = read(
  'title: Short Walk\nstep L, front stance, punch L\nstep R, front stance, punch R\n~ Reed House: step R, front stance, punch R high\ndraw R',
);
const other = read('title: Long Walk\nstep L, front stance, punch L\nstep R, front stance, low block R\ndraw R\nduck');
const viewOf = (body: Sequence): SequenceView =>
  ({
    sequence: { id: 'a', title: body.about.title, body },
    others: [{ id: 'b', title: 'Long Walk', counts: 4, sections: [] }],
    words: [],
    alike: [],
  }) as unknown as SequenceView;
beforeEach(() => {
  vi.stubGlobal('fetch', () => Promise.resolve(shown({ ...viewOf(other), sequence: { id: 'b', body: other } })));
});

describe('a form beside another', () => {
  it('lies first beside the way of the first other school, count by count', async () => {
    render(<Beside view={viewOf(walk)} asked={{}} />);
    expect(screen.getByText(/Two of three counts are the same/)).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: '2: another height' }));
    expect(document.querySelectorAll('.col.lit')).toHaveLength(2);
  });
  it('is fetched where another is chosen, and the address keeps it', async () => {
    const address = vi.spyOn(window.history, 'replaceState');
    render(<Beside view={viewOf(walk)} asked={{}} />);
    await userEvent.click(screen.getByLabelText('Below'));
    await userEvent.click(await screen.findByRole('option', { name: 'Long Walk' }));
    await waitFor(() => {
      expect(screen.getByText(/beside Long Walk\. Two of four counts are the same/)).toBeTruthy();
      expect(screen.getByText('2: another technique')).toBeTruthy();
      expect(screen.getByText('4 there: only there')).toBeTruthy();
      expect(address).toHaveBeenLastCalledWith(null, '', '?with=b');
    });
  });
  it('says so where the other cannot be fetched', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    render(<Beside view={viewOf(walk)} asked={{ with: 'b' }} />);
    await waitFor(() => expect(screen.getByRole('alert').textContent).not.toBe(''));
  });
  it('a sequence without another way is the same throughout', () => {
    render(<Beside view={viewOf(other)} asked={{}} />);
    expect(screen.getByText('They are the same in every count.')).toBeTruthy();
  });
});

describe('what is known of a form', () => {
  it('its other names, who passed it on, and what tells it apart', () => {
    const about = read('also: Reed House: Mill gate\nhanded on by: Odo\nhanded on by: Brae\npunch R').about;
    render(<Known id="a" about={about} alike={[{ id: 'b', title: 'Long Walk', count: 2 }]} />);
    expect(screen.getByText(/Also “Mill gate” at Reed House\. Handed on by Odo, before that by Brae\./)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Long Walk' }).getAttribute('href')).toBe('/sequences/a/beside?with=b');
  });
  it('is nothing where nothing is', () => {
    const { container } = render(<Known id="a" about={walk.about} alike={[]} />);
    expect(container.textContent).toBe('');
  });
});
