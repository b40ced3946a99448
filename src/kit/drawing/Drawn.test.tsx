import { render } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { label, shape, svgOf, type Primitive } from '../../core';
import { Drawn } from './Drawn';
import { onScreen } from './tones';

const foot = shape('M0 0L4 4', { stroke: 'ink' });
const name = (text: string) => label(10, 20, text, 12);

/** What stands in the page, as the browser writes it. */
const asText = (primitives: readonly Primitive[]) => {
  const host = document.createElementNS('http://www.w3.org/2000/svg', 'g');
  host.innerHTML = svgOf(primitives, onScreen);
  return host.innerHTML;
};

function draw(first: readonly Primitive[]) {
  const made = render(
    <svg>
      <Drawn primitives={first} />
    </svg>,
  );
  const host = made.container.querySelector('g')!;
  return {
    host,
    again: (next: readonly Primitive[]) => {
      made.rerender(
        <svg>
          <Drawn primitives={next} />
        </svg>,
      );
    },
  };
}

describe('what is drawn', () => {
  it('is written as it is: shapes, names, signs that a page would take for its own', () => {
    const all = [foot, name('Sluice <3 & "reeds"')];
    const { host } = draw(all);
    expect(host.innerHTML).toBe(asText(all));
    expect(host.querySelector('text')!.textContent).toBe('Sluice <3 & "reeds"');
  });

  it('only what differs is written anew', () => {
    const { host, again } = draw([foot, name('low block')]);
    const [kept] = host.children;
    again([foot, name('inner block')]);
    expect(host.children[0]).toBe(kept);
    expect(host.innerHTML).toBe(asText([foot, name('inner block')]));
    expect(host.children[1]!.namespaceURI).toBe('http://www.w3.org/2000/svg');
  });

  it('more parts, fewer, none, and back', () => {
    const { host, again } = draw([foot]);
    for (const next of [[foot, name('a'), foot], [name('b')], [], [foot, name('a')]]) {
      again(next);
      expect(host.innerHTML).toBe(asText(next));
    }
  });
});
