import { act } from '@testing-library/react';
import { useState } from 'react';
import { hydrateRoot, type Root } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { runInHead } from '../testing/inHead';
import { EARLY_TYPING } from './earlyTyping';

const said = vi.fn<(all: object) => void>();

/** A form as those of the house: what stands in a field is React’s. */
function Form() {
  const [words, setWords] = useState('as it was');
  const [lines, setLines] = useState('');
  const [ticked, setTicked] = useState(false);
  const [side, setSide] = useState('left');
  const [belt, setBelt] = useState('white');
  return (
    <form>
      <input id="words" value={words} onChange={(e) => setWords(e.target.value)} />
      <textarea id="lines" value={lines} onChange={(e) => setLines(e.target.value)} />
      <input id="ticked" type="checkbox" checked={ticked} onChange={(e) => setTicked(e.target.checked)} />
      {['left', 'right'].map((s) => (
        <input key={s} id={s} type="radio" name="side" checked={side === s} onChange={() => setSide(s)} />
      ))}
      <select id="belt" value={belt} onChange={(e) => setBelt(e.target.value)}>
        <option>white</option>
        <option>straw</option>
      </select>
      <button type="button" onClick={() => said({ words, lines, ticked, side, belt })}>
        Say
      </button>
    </form>
  );
}

const $ = <T extends HTMLElement = HTMLInputElement>(id: string) => document.getElementById(id) as T;
const type = (id: string, value: string) => {
  const field = $<HTMLTextAreaElement>(id);
  field.value = value;
  field.dispatchEvent(new Event('input', { bubbles: true }));
};
let root: Root | null = null;
const island = () => document.querySelector('astro-island')!;
/** As the page does it: React is told, and goes to work when it can. */
const wake = () =>
  act(() => {
    root = hydrateRoot(island(), <Form />);
    island().removeAttribute('ssr');
    island().dispatchEvent(new CustomEvent('astro:hydrate'));
  });
const say = () => act(() => document.querySelector('button')!.click());

describe('what is entered before the page has woken up', () => {
  beforeAll(() => runInHead(EARLY_TYPING));
  const open = () => {
    said.mockClear();
    document.body.innerHTML = `<astro-island ssr>${renderToString(<Form />)}</astro-island>`;
  };
  afterEach(() => {
    act(() => root?.unmount());
    root = null;
    document.body.replaceChildren();
  });

  it('is there afterwards, and the form knows of it', () => {
    open();
    type('words', 'typed');
    type('words', 'typed early');
    type('lines', 'two\nlines');
    $('ticked').click();
    for (const side of ['right', 'left', 'right']) $(side).click();
    $<HTMLSelectElement>('belt').value = 'straw';
    $('belt').dispatchEvent(new Event('input', { bubbles: true }));
    wake();
    say();
    const all = { words: 'typed early', lines: 'two\nlines', ticked: true, side: 'right', belt: 'straw' };
    expect(said).toHaveBeenCalledExactlyOnceWith(all);
    expect([$('words').value, $('ticked').checked, $('right').checked]).toEqual(['typed early', true, true]);
  });

  it('without it, all of it would be gone', () => {
    open();
    const field = $('words');
    field.value = 'typed early';
    wake();
    say();
    expect(said).toHaveBeenCalledExactlyOnceWith(expect.objectContaining({ words: 'as it was' }));
  });

  it('goes on where the caret was, and a tick that was taken back stays back', () => {
    open();
    $('words').focus();
    type('words', 'typed early');
    $('words').setSelectionRange(2, 4);
    $('ticked').click();
    $('ticked').click();
    wake();
    expect([$('words').selectionStart, $('words').selectionEnd]).toEqual([2, 4]);
    say();
    expect(said).toHaveBeenCalledExactlyOnceWith(expect.objectContaining({ words: 'typed early', ticked: false }));
  });

  it('is entered before what was pressed meanwhile is done', () => {
    open();
    const order: string[] = [];
    island().addEventListener('astro:hydrate', () => order.push($('words').value));
    type('words', 'typed early');
    wake();
    expect(order).toEqual(['typed early']);
  });

  it('leaves alone what is awake, and what is gone by then', () => {
    open();
    type('words', 'typed early');
    const field = $('words');
    field.remove();
    const heard = vi.fn();
    field.addEventListener('input', heard);
    island().removeAttribute('ssr');
    island().dispatchEvent(new CustomEvent('astro:hydrate'));
    type('lines', 'awake');
    $('lines').addEventListener('input', heard);
    island().dispatchEvent(new CustomEvent('astro:hydrate'));
    expect(heard).not.toHaveBeenCalled();
  });
});
