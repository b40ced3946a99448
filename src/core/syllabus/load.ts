import type { Group, ItemFacts } from './facts';
import { GROUPS } from './facts';
import { isWhole, itemKey, wholeOf } from './item';
import type { Syllabus } from './syllabus';

/** What one rank asks, and how much of it is new. */
export interface RankLoad {
  rankId: string;
  requirements: number;
  /** Items tested here for the first time, and tested again. */
  fresh: number;
  again: number;
  points: number;
  counts: number;
  /** Minutes of class that the new work takes by the school's rule of thumb; work done again takes a quarter. */
  minutes: number;
  byGroup: Record<Group, { points: number; counts: number; minutes: number }>;
  /** Minutes the rank gives: from its gate of hours, or of classes of 75 minutes; null: it has none. */
  given: number | null;
}

const AGAIN = 0.25;
const CLASS_MINUTES = 75;

/**
 * The load of every rank, in the order given. A part already tested makes the whole cheaper by its counts; a point is
 * learned once, in whatever item it comes first: that of a stance is no new work in the next kick that stands in it.
 */
export function loadOf(
  s: Syllabus,
  ranks: readonly string[],
  factsOf: (key: string) => ItemFacts | undefined,
): RankLoad[] {
  const items = new Map(s.threads.map((t) => [t.id, t.item]));
  const tested = new Map<string, number>();
  const knownPoints = new Set<string>();
  return ranks.map((rankId) => {
    const asked = [...new Set(s.requirements.filter((r) => r.rankId === rankId).map((r) => r.threadId))];
    const byGroup = Object.fromEntries(
      GROUPS.map((g) => [g, { points: 0, counts: 0, minutes: 0 }]),
    ) as RankLoad['byGroup'];
    let [fresh, again] = [0, 0];
    const learned = new Map<string, number>();
    const [newHere, againHere] = [new Set<string>(), new Set<string>()];
    for (const id of asked) {
      const item = items.get(id);
      const f = item && factsOf(itemKey(item));
      if (!item || !f) continue;
      const key = itemKey(item);
      const known = tested.has(key);
      if (known) again += 1;
      else fresh += 1;
      const had = isWhole(item) ? (tested.get(`parts ${itemKey(wholeOf(item))}`) ?? 0) : 0;
      const counts = Math.max(0, f.counts - had);
      // The points of a sequence are those of its techniques, learned with them: only its counts are new work.
      const points = f.counts > 0 ? [] : f.pointIds.filter((p) => !newHere.has(p) && !againHere.has(p));
      const unknown = points.filter((p) => !knownPoints.has(p));
      const g = byGroup[f.group];
      if (known) {
        for (const p of points) againHere.add(p);
        g.minutes += AGAIN * (points.length * s.limits.minutesPerPoint + counts * s.limits.minutesPerCount);
      } else {
        for (const p of unknown) newHere.add(p);
        g.points += unknown.length;
        g.counts += counts;
        g.minutes += unknown.length * s.limits.minutesPerPoint + counts * s.limits.minutesPerCount;
      }
      learned.set(key, f.counts);
      if (!isWhole(item)) learned.set(`parts ${itemKey(wholeOf(item))}`, (had || 0) + f.counts);
    }
    for (const p of [...newHere, ...againHere]) knownPoints.add(p);
    for (const [k, n] of learned) tested.set(k, (k.startsWith('parts ') ? (tested.get(k) ?? 0) : 0) + n);
    const sum = (of: 'points' | 'counts' | 'minutes') => GROUPS.reduce((n, g) => n + byGroup[g][of], 0);
    const gate = (kind: string) => s.gates.find((x) => x.rankId === rankId && x.kind === kind)?.amount;
    const [hours, classes] = [gate('hours'), gate('classes')];
    return {
      rankId,
      requirements: s.requirements.filter((r) => r.rankId === rankId).length,
      fresh,
      again,
      points: sum('points'),
      counts: sum('counts'),
      minutes: Math.round(sum('minutes')),
      byGroup,
      given: hours !== undefined ? hours * 60 : classes !== undefined ? classes * CLASS_MINUTES : null,
    };
  });
}
