import type { Block } from '../../core';
import { usePageKeys } from '../../kit/keys';
import { roving } from '../../kit/roving';

/** What keys do in the plan; each is told the block that has the focus. */
export interface BlockKeys {
  blocks: readonly Block[];
  focusOn: (id: string) => void;
  /** To another place, from 0. */
  move: (block: Block, to: number) => void;
  minutes: (block: Block, by: number) => void;
  undo: () => void;
}

/** Arrows, Home and End choose a block, Alt and arrows move it, + and − change its minutes, Ctrl+Z takes the last change back. */
export function useBlockKeys({ blocks, focusOn, move, minutes, undo }: BlockKeys): void {
  usePageKeys((e) => {
    if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z') {
      e.preventDefault();
      return undo();
    }
    const id = e.target instanceof HTMLElement ? e.target.closest<HTMLElement>('[data-block]')?.dataset['block'] : null;
    const at = blocks.findIndex((b) => b.id === id);
    const block = blocks[at];
    if (e.ctrlKey || e.metaKey || !block) return;
    if (e.altKey) {
      const to = at + (e.key === 'ArrowUp' ? -1 : e.key === 'ArrowDown' ? 1 : 0);
      if (to === at) return;
      e.preventDefault();
      if (blocks[to]) move(block, to);
      return;
    }
    const list = { rows: blocks.length };
    if (roving(e, { row: at, column: 0 }, list, (to) => focusOn(blocks[to.row]!.id))) return;
    if (e.key === '+' || e.key === '=') minutes(block, 1);
    else if (e.key === '-' || e.key === '−') minutes(block, -1);
    else return;
    e.preventDefault();
  });
}
