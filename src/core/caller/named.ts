import { fold } from '../units/fold';
import type { Action, Step } from '../sequence/move';
import { saysHeight, shortName } from '../sequence/spoken';

const HEIGHT = { upper: 'high', middle: 'middle', lower: 'low' } as const;

/** What of each name a caller has to say besides: where counts of one name differ, what tells them apart. */
export type Differences = ReadonlyMap<string, { height: boolean; side: boolean; target: boolean }>;

/** How counts that have a name in common differ, in a lane; `bothSides`: every count is also called on the other side. */
export function differencesIn(steps: readonly Step[], bothSides: boolean): Differences {
  const by = new Map<string, Action[]>();
  for (const s of steps) for (const a of s.actions) by.set(fold(a.name), [...(by.get(fold(a.name)) ?? []), a]);
  return new Map(
    [...by].map(([name, uses]) => {
      const sided = uses.some((a) => a.side === 'left' || a.side === 'right');
      const times = (of: (a: Action) => unknown) => new Set(uses.map(of)).size;
      // A quarter or an arm of the post that differs each time says it alone.
      const byTarget =
        times((a) => a.target) > 1 && times((a) => a.target) === times((a) => `${a.side} ${a.zone} ${a.target}`);
      return [
        name,
        {
          height: !byTarget && times((a) => a.zone) > 1,
          side: (!byTarget && times((a) => a.side) > 1) || (bothSides && sided),
          target: times((a) => a.target) > 1,
        },
      ];
    }),
  );
}

/** A count by its names, with as much more as tells it from others of the same name: “punch left high”. */
export function calledByName(step: Step, differences: Differences): string {
  if (step.actions.length === 0) return shortName(step).join(', ') || 'hold';
  return step.actions
    .map((a) => {
      const d = differences.get(fold(a.name));
      return [
        a.name,
        d?.side && (a.side === 'left' || a.side === 'right') ? a.side : '',
        d?.height && a.zone && !saysHeight(a.name) ? HEIGHT[a.zone] : '',
        d?.target && a.target ? a.target : '',
      ]
        .filter(Boolean)
        .join(' ');
    })
    .join(', ');
}
