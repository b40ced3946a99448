import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { runInHead } from '../testing/inHead';
import { EARLY_PRESSES } from './earlyPress';

// The page as the server sends it: one island that sleeps, one that is awake.
const page = `
  <astro-island ssr id="asleep">
    <button id="open">Open</button><button id="other"><span id="inner">Other</span></button>
    <a href="#x" id="link"><span role="button" id="in-link">Go</span></a>
    <p id="text">Words</p><input type="file" id="file" />
  </astro-island>
  <astro-island id="awake"><button id="now">Now</button></astro-island>`;
const $ = (id: string) => document.getElementById(id)!;
const wake = () => {
  $('asleep').removeAttribute('ssr');
  $('asleep').dispatchEvent(new CustomEvent('astro:hydrate'));
};

describe('a press before the page has woken up', () => {
  beforeAll(() => runInHead(EARLY_PRESSES));
  beforeEach(() => void (document.body.innerHTML = page));
  // Others draw on the same page after it.
  afterEach(() => document.body.replaceChildren());

  it('is done once the island is awake, and not before', () => {
    const opened = vi.fn();
    $('open').click();
    $('open').addEventListener('click', opened);
    expect($('open').getAttribute('aria-busy')).toBe('true');
    wake();
    expect(opened).toHaveBeenCalledOnce();
    expect($('open').hasAttribute('aria-busy')).toBe(false);
  });

  it('is done once however often one pressed, and the last choice counts', () => {
    const [opened, other] = [vi.fn(), vi.fn()];
    for (const id of ['open', 'open', 'inner']) $(id).click();
    $('open').addEventListener('click', opened);
    $('other').addEventListener('click', other);
    expect($('open').hasAttribute('aria-busy')).toBe(false);
    wake();
    expect(opened).not.toHaveBeenCalled();
    expect(other).toHaveBeenCalledOnce();
  });

  it('opens a list to choose from, which opens as it is pressed', () => {
    const opened = vi.fn();
    const list = $('other');
    list.setAttribute('role', 'combobox');
    list.click();
    list.addEventListener('mousedown', opened);
    wake();
    expect(opened).toHaveBeenCalledOnce();
  });

  it('is forgotten if the button is gone by then', () => {
    const opened = vi.fn();
    const button = $('open');
    button.click();
    button.addEventListener('click', opened);
    button.remove();
    wake();
    expect(opened).not.toHaveBeenCalled();
  });

  it('takes a file that was chosen meanwhile', () => {
    const taken = vi.fn();
    const chosen = () => $('file').dispatchEvent(new Event('change', { bubbles: true }));
    chosen();
    $('file').addEventListener('change', taken);
    wake();
    expect(taken).toHaveBeenCalledOnce();
    // Whatever is chosen afterwards is taken by the page itself.
    chosen();
    expect(taken).toHaveBeenCalledTimes(2);
  });

  it('leaves alone what is awake, what is a link, and what is only text', () => {
    const pressed = vi.fn();
    for (const id of ['now', 'in-link', 'text']) {
      $(id).addEventListener('click', pressed);
      $(id).click();
    }
    expect(pressed).toHaveBeenCalledTimes(3);
  });
});
