import { fireEvent, render, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { EMPTY_BLOCK, type Block } from '../../core';
import { useBlockKeys } from './useBlockKeys';

const blocks = ['Warm-up', 'Basics', 'Close'].map((name): Block => ({ ...EMPTY_BLOCK, id: name, name, minutes: 10 }));
const [move, minutes, undo] = [vi.fn(), vi.fn(), vi.fn()];

function Plan() {
  const focusOn = (id: string) => document.querySelector<HTMLElement>(`[data-block="${id}"]`)?.focus();
  useBlockKeys({ blocks, focusOn, move, minutes, undo });
  return (
    <>
      {blocks.map((b) => (
        <button key={b.id} data-block={b.id}>
          {b.name}
        </button>
      ))}
      <button>elsewhere</button>
      <input aria-label="a note" />
    </>
  );
}

const on = (name: string) => screen.getByRole('button', { name });
/** Presses a key where the focus is; whether the page was left to do what it does with it. */
const press = (key: string, more: object = {}) => fireEvent.keyDown(document.activeElement!, { key, ...more });

beforeEach(() => {
  for (const f of [move, minutes, undo]) f.mockReset();
  render(<Plan />);
});

describe('keys in the plan of an evening', () => {
  it('arrows go from block to block and stay at the ends, which Home and End reach', () => {
    on('Basics').focus();
    const at = ['ArrowDown', 'ArrowDown', 'ArrowUp', 'Home', 'ArrowUp', 'End'].map((key) => {
      expect(press(key)).toBe(false);
      return document.activeElement!.textContent;
    });
    expect(at).toEqual(['Close', 'Close', 'Basics', 'Warm-up', 'Warm-up', 'Close']);
    expect(move).not.toHaveBeenCalled();
  });

  it('with Alt the block goes, and not past the ends', () => {
    on('Warm-up').focus();
    press('ArrowUp', { altKey: true });
    expect(move).not.toHaveBeenCalled();
    press('ArrowDown', { altKey: true });
    expect(move.mock.calls).toEqual([[blocks[0], 1]]);
    on('Close').focus();
    press('ArrowDown', { altKey: true });
    press('ArrowUp', { altKey: true });
    expect(move.mock.calls.slice(1)).toEqual([[blocks[2], 1]]);
    expect(press('Home', { altKey: true })).toBe(true);
  });

  it('+ and − give and take a minute, with and without the shift of a keyboard', () => {
    on('Basics').focus();
    for (const key of ['+', '=', '-', '−']) press(key);
    expect(minutes.mock.calls).toEqual([1, 1, -1, -1].map((by) => [blocks[1], by]));
    press('+', { altKey: true });
    press('-', { ctrlKey: true });
    expect(minutes).toHaveBeenCalledTimes(4);
  });

  it('the last change is taken back from wherever one is', () => {
    on('elsewhere').focus();
    expect(press('z', { ctrlKey: true })).toBe(false);
    press('Z', { metaKey: true });
    expect(undo).toHaveBeenCalledTimes(2);
  });

  it('and elsewhere keys stay what they are', () => {
    on('elsewhere').focus();
    for (const key of ['ArrowDown', 'End', '+', '-', 'x']) expect(press(key)).toBe(true);
    screen.getByLabelText('a note').focus();
    for (const key of ['ArrowDown', '+', '-']) expect(press(key)).toBe(true);
    expect([move, minutes, undo].flatMap((f) => f.mock.calls)).toEqual([]);
  });
});
