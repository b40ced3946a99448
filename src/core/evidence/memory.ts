import type { Entry } from './entry';

/** Two years before the newest look at a point are remembered whole, */
export const REMEMBERED_DAYS = 730;
/** and further back as much as the strictest standard may look at: so many repetitions, on so many days. */
export const REMEMBERED_REPETITIONS = 200;
export const REMEMBERED_ON_DAYS = 30;

const kindOf = (e: Entry) => `${e.conditionId} ${e.purpose ?? ''} ${e.stage ?? ''}`;

/**
 * What can still matter of what was seen at one point on one side: of each condition, purpose and stage apart, the two
 * years before its newest day, and older days as far as they are needed to make two hundred repetitions on thirty days.
 * It depends on what was seen alone, not on when it arrived nor on today.
 *
 * @param entries newest first; the same list comes back where all of it matters
 */
export function remembered(entries: readonly Entry[]): readonly Entry[] {
  const last = entries.at(-1);
  if (!last || entries.length <= REMEMBERED_ON_DAYS || entries[0]!.day - last.day <= REMEMBERED_DAYS) return entries;
  const seen = new Map<string, { newest: number; day: number; days: number; before: number; on: number }>();
  return entries.filter((e) => {
    const kind = kindOf(e);
    const known = seen.get(kind);
    if (!known) {
      seen.set(kind, { newest: e.day, day: e.day, days: 0, before: 0, on: e.of });
      return true;
    }
    if (e.day !== known.day) {
      known.days += 1;
      known.before += known.on;
      known.on = 0;
      known.day = e.day;
    }
    known.on += e.of;
    return (
      known.newest - e.day <= REMEMBERED_DAYS ||
      known.before < REMEMBERED_REPETITIONS ||
      known.days < REMEMBERED_ON_DAYS
    );
  });
}
