import { render } from '@testing-library/react';
import { expect, it } from 'vitest';
import { quickLabels } from './quickLabels';

/** As a browser has it: whatever in the page says that the element is what it names. */
const slowly = (el: HTMLElement): HTMLLabelElement[] =>
  [...document.querySelectorAll('label')].filter((label) => label.control === el);

it('finds the labels that the window itself finds, wherever they stand and whatever they say', () => {
  render(
    <>
      <label htmlFor="name">Name</label>
      <input id="name" />
      <label htmlFor="name">once more</label>
      <label>
        around <em>the</em> <select aria-label="first" /> <textarea aria-label="second" />
      </label>
      <label htmlFor="name">
        says another than it holds <input id="held" />
      </label>
      <label htmlFor="">
        names nothing <input id="nothing" />
      </label>
      <label htmlFor="secret">Secret</label>
      <input id="secret" type="hidden" />
      <label>
        <input type="hidden" /> the next one <meter value={0.5} /> <button type="button">press</button>
      </label>
      <label htmlFor="text">of what cannot be named</label>
      <p id="text">text</p>
      <label htmlFor="twice">the first of two</label>
      <output id="twice" />
      <progress id="twice" />
    </>,
  );
  const all = [...document.querySelectorAll<HTMLElement>('button, input, meter, output, progress, select, textarea')];
  expect(all.map((el) => quickLabels(el)?.length ?? null)).toEqual([3, 1, 0, 0, 0, null, null, 1, 0, 1, 0]);
  for (const el of all) if (quickLabels(el)) expect(quickLabels(el)).toEqual(slowly(el));
  expect(quickLabels(document.querySelector('p')!)).toBeNull();
  expect((all[0] as HTMLInputElement).labels).toHaveLength(3);
});

it('hears of a label that comes later, and of one that is changed', () => {
  const { rerender } = render(<input id="late" />);
  const field = document.querySelector('input')!;
  expect(quickLabels(field)).toEqual([]);
  rerender(
    <>
      <input id="late" />
      <label htmlFor="late">Late</label>
    </>,
  );
  const now = document.querySelector('input')!;
  expect(quickLabels(now)!.map((l) => l.textContent)).toEqual(['Late']);
  document.querySelector('label')!.htmlFor = 'another';
  expect(quickLabels(now)).toEqual([]);
});
