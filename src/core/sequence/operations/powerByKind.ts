import * as v from 'valibot';
import { ok } from '../../units/result';
import { listInWords } from '../../words/speak';
import { isAdvancing, POWERS, type Power, type Sequence, type Step } from '../move';
import type { OperationKind } from './kind';
import { POWER_SAID } from './saidOf';

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

export interface PowerByKindOperation {
  op: 'power by kind';
  ways: PowerByKind;
}
export const powerByKindKind: OperationKind<PowerByKindOperation> = {
  op: 'power by kind',
  shape: () =>
    v.object({
      op: v.literal('power by kind'),
      ways: v.pipe(
        v.object({
          turning: v.optional(v.picklist(POWERS)),
          advancing: v.optional(v.picklist(POWERS)),
          standing: v.optional(v.picklist(POWERS)),
        }),
        v.check(
          (ways) => Object.values(ways).some((way) => way !== undefined),
          'Say a way of power for one kind at least.',
        ),
      ),
    }),
  apply: (seq, o) => ok(powerByKind(seq, o.ways)),
  words: (o) =>
    listInWords(
      (['turning', 'advancing', 'standing'] as const).flatMap((kind) => {
        const way = o.ways[kind];
        return way ? [`${kind} counts by ${POWER_SAID[way]}`] : [];
      }),
    ),
};
