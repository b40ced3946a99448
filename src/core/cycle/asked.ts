import type { BlockItem, BlockPairs } from '../tonight/plan';
import type { Group } from '../syllabus/facts';
import { UNIT, type CycleRow, type Heaviness } from './model';

/** An item in a condition that somebody who comes is asked for by their next belt, and how much of it is open. */
export interface WorkAsked extends BlockItem {
  /** The item and the condition. */
  key: string;
  name: string;
  condition: string;
  group: Group;
  sided: boolean;
  /** What is looked at, and counts of a sequence. */
  points: number;
  counts: number;
  partner: boolean;
  gear: string | null;
  heavy: boolean;
  weapon: boolean;
  /** How many of those who usually come are asked it, and how many do not hold it yet. */
  people: number;
  open: number;
  /** Nobody of them has been seen at it. */
  fresh: boolean;
  /** How many of them may not do it: too young, no consent, nothing on record. */
  mayNot: number;
  /** Why nobody may; null: somebody may. */
  refused: string | null;
  /** What has to be there before, by key. */
  after: readonly string[];
  caution: string;
}

/** What is not new takes a quarter of the time; nothing is shorter than this in all. */
const AGAIN = 0.25;
const AT_LEAST = 10;
/** Half of what an item needs opens what hangs on it. */
const OPENS = 0.5;

const KINDS: Record<Group, CycleRow['kind']> = {
  Basics: 'basics',
  Forms: 'forms',
  Combinations: 'basics',
  Equipment: 'equipment',
  Partner: 'partner',
};

const heavinessOf = (a: WorkAsked): Heaviness => (a.heavy ? 'heavy' : a.weapon ? 'light' : 'middling');

const pairsOf = (a: WorkAsked): BlockPairs | null =>
  a.partner
    ? { kind: 'drill', rung: 0, answers: false, rounds: 2 }
    : a.gear === 'pads'
      ? { kind: 'holding', rung: 0, answers: false, rounds: 2 }
      : null;

/** Minutes of class that the open work of an item takes by the school's rule of thumb, for those who come. */
export const minutesFor = (a: WorkAsked, rule: { perPoint: number; perCount: number }): number => {
  const whole = a.counts > 0 ? a.counts * rule.perCount : a.points * rule.perPoint;
  const share = a.people === 0 ? 0 : a.open / a.people;
  const worked = whole * (a.fresh ? 1 : AGAIN) * Math.max(share, AGAIN);
  return Math.max(AT_LEAST, Math.round(worked / UNIT) * UNIT);
};

/**
 * Rows of a cycle from what is asked: minutes by the rule of thumb, stretches and gaps that fit them, what goes before what.
 * What nobody may do is left out. `classes`: how many there are.
 */
export function rowsFrom(
  asked: readonly WorkAsked[],
  rule: { perPoint: number; perCount: number },
  classes: number,
  newId: () => string,
): CycleRow[] {
  const may = asked.filter((a) => a.refused === null);
  const ids = new Map(may.map((a) => [a.key, newId()]));
  const minutes = new Map(may.map((a) => [a.key, minutesFor(a, rule)]));
  const twice = new Set(may.map((a) => a.name).filter((n, i, all) => all.indexOf(n) !== i));
  return may.map((a) => {
    const need = minutes.get(a.key)!;
    const least = a.sided ? 2 * UNIT : UNIT;
    const most = Math.max(least, a.counts > 0 || a.partner ? 20 : 15);
    const times = Math.max(1, Math.ceil(need / most));
    return {
      id: ids.get(a.key)!,
      name: twice.has(a.name) ? `${a.name}, ${a.condition}` : a.name,
      items: [{ item: a.item, conditionId: a.conditionId }],
      minutes: Math.max(need, least),
      least,
      most,
      gap: Math.max(2, Math.min(8, Math.ceil(classes / times))),
      from: null,
      notOn: [],
      fresh: a.fresh,
      kind: a.weapon ? 'weapons' : KINDS[a.group],
      pairs: pairsOf(a),
      how: a.condition === '' ? '' : `${a.condition[0]!.toUpperCase()}${a.condition.slice(1)}.`,
      things: a.gear ?? '',
      caution: a.caution,
      heaviness: heavinessOf(a),
      group: null,
      opens: a.after.flatMap((k) => {
        const on = ids.get(k);
        const half = Math.round(((minutes.get(k) ?? 0) * OPENS) / UNIT) * UNIT;
        return on === undefined || half === 0 ? [] : [{ on, minutes: half }];
      }),
    };
  });
}
