import type { Move } from '../move';

/** Moves under one heading of the main sectioning. */
export const withSection = (moves: readonly Move[], name: string): Move[] =>
  moves.map((m, i) => ({
    ...m,
    begins: [...(i === 0 ? [{ sectioning: 1, name }] : []), ...m.begins.filter((b) => b.sectioning !== 1)],
  }));
