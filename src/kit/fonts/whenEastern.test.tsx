import { afterEach, describe, expect, it, vi } from 'vitest';
import { whenEastern } from './whenEastern';

const bring = vi.fn();
const onPage = (html: string) => {
  document.body.innerHTML = html;
  whenEastern(document, bring);
};
const moment = () => new Promise((done) => setTimeout(done));
afterEach(() => {
  bring.mockClear();
  document.body.innerHTML = '';
});

describe('the fonts of the east', () => {
  it.each([
    ['in the text', '<td>森 Hana Sluiter</td>'],
    ['in a field', '<input value="김 도윤">'],
    ['as what a field hints at', '<textarea placeholder="カタカナ"></textarea>'],
  ])('come where such a sign stands %s', (_, html) => {
    onPage(html);
    expect(bring).toHaveBeenCalledTimes(1);
  });

  it('do not come otherwise, and come once when a sign is put there or typed', async () => {
    onPage('<main><input><p>Łucja Sedge</p></main>');
    await moment();
    expect(bring).not.toHaveBeenCalled();
    const field = document.querySelector('input')!;
    field.value = 'ひ';
    field.dispatchEvent(new Event('input', { bubbles: true }));
    expect(bring).toHaveBeenCalledTimes(1);
    document.querySelector('p')!.textContent = '漢';
    await moment();
    expect(bring).toHaveBeenCalledTimes(1);
  });

  it.each([
    ['an element that is added', () => document.querySelector('main')!.insertAdjacentHTML('beforeend', '<b>一</b>')],
    ['a text that changes', () => void (document.querySelector('p')!.firstChild!.nodeValue = '十')],
    ['a field that is filled', () => document.querySelector('input')!.setAttribute('value', '三')],
  ])('come with %s', async (_, change) => {
    onPage('<main><input><p>one</p></main>');
    change();
    await moment();
    expect(bring).toHaveBeenCalledTimes(1);
  });
});
