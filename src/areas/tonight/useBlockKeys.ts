import { usePageKeys } from '../../kit/keys';

/** What keys do on a block that has the focus of the plan. */
export interface BlockKeys {
  select: (by: 1 | -1) => void;
  move: (by: 1 | -1) => void;
  minutes: (by: number) => void;
  undo: () => void;
}

/** Arrows choose a block, Alt and arrows move it, + and − change its minutes, Ctrl+Z takes the last change back. */
export function useBlockKeys(k: BlockKeys): void {
  usePageKeys((e) => {
    if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z') {
      e.preventDefault();
      return k.undo();
    }
    const onBlock = e.target instanceof HTMLElement && e.target.closest('.plan-blocks') !== null;
    if (e.ctrlKey || e.metaKey || !onBlock) return;
    const by = e.key === 'ArrowUp' ? -1 : e.key === 'ArrowDown' ? 1 : 0;
    if (by !== 0) {
      e.preventDefault();
      return e.altKey ? k.move(by) : k.select(by);
    }
    if (e.altKey) return;
    if (e.key === '+' || e.key === '=') k.minutes(1);
    else if (e.key === '-' || e.key === '−') k.minutes(-1);
    else return;
    e.preventDefault();
  });
}
