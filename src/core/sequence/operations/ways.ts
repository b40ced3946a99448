import { isAdvancing, type Power, type Sequence, type Step, type Turn } from '../move';

/** All turns in one way: by swing, or across. In place stays in place. */
export const turnsBy = (seq: Sequence, by: Exclude<Turn['by'], 'pivot'>): Sequence => ({
  ...seq,
  moves: seq.moves.map((m) => ({
    ...m,
    step: m.step.turn && m.step.turn.by !== 'pivot' ? { ...m.step, turn: { ...m.step.turn, by } } : m.step,
  })),
});

/** A way of power for counts that turn, that go forward, and that stand. */
export interface PowerByKind {
  turning?: Power | undefined;
  advancing?: Power | undefined;
  standing?: Power | undefined;
}

const kindOf = (s: Step): keyof PowerByKind => (s.turn ? 'turning' : isAdvancing(s) ? 'advancing' : 'standing');

/** Counts that do something get the way of their kind; those whose kind has none stay as they are. */
export const powerByKind = (seq: Sequence, ways: PowerByKind): Sequence => ({
  ...seq,
  moves: seq.moves.map((m) => {
    const way = ways[kindOf(m.step)];
    return way && m.step.actions.length > 0 ? { ...m, step: { ...m.step, powers: [way] } } : m;
  }),
});
