import { fireEvent, render } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { layoutFloor, traceFloor } from '../../core';
import { written } from '../../core/sequence/testing/builders';
import { Floor } from './Floor';

const seq = written('punch R\npunch L\nstep L, front stance\nstep R, front stance');
const plan = layoutFloor(seq, traceFloor(seq, { stature: 1.7 }));
const show = (lit: number | null, on: { over?: () => void; pick?: () => void } = {}) =>
  render(<Floor plan={plan} title="the floor" lit={lit} onOver={on.over} onPick={on.pick} />).container;
const numbers = (of: HTMLElement) => [...of.querySelectorAll('.numbers text')].map((t) => t.textContent);

describe('the floor from above', () => {
  it('has the numbers of all counts, those of one place together', () => {
    const floor = show(null);
    expect(numbers(floor)).toContain('1, 2');
    expect(floor.querySelector('.lit')).toBeNull();
  });

  it('of a lit count shows its own number, and none that would lie under it; the others stay', () => {
    const floor = show(0);
    expect([...floor.querySelectorAll('.lit text')].map((t) => t.textContent)).toEqual(['1']);
    expect(numbers(floor)).not.toContain('1, 2');
    expect(numbers(floor)).toContain('4');
    expect(floor.querySelector('svg')?.classList).toContain('lights');
  });

  it('tells what is pointed at and what is chosen', () => {
    const [over, pick] = [vi.fn(), vi.fn()];
    const counts = show(null, { over, pick }).querySelectorAll('svg > g:not(.numbers)');
    fireEvent.click(counts[2]!);
    expect(pick.mock.calls).toEqual([[1]]);
    fireEvent.pointerEnter(counts[3]!);
    fireEvent.pointerLeave(counts[3]!);
    expect(over.mock.calls.at(-1)).toEqual([null]);
  });
});
