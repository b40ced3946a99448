import { v7 } from 'uuid';
import {
  addDays,
  EMPTY_ROW,
  eveningOf,
  gridNow,
  inTime,
  pastOf,
  planCycle,
  problemNow,
  recordsOf,
  roomOf,
  seeded,
  UNIT,
  USUAL_RULES,
  weekdayOf,
  withPlan,
  type BlockItem,
  type ClassPlan,
  type ClassRecord,
  type Cycle,
  type CycleClass,
  type CycleRow,
  type Past,
  type PlainDate,
} from '../../../core';
import type { Transaction } from '../../connection';
import { condition, cycle, hall, sequence } from '../../tables';
import { dice } from '../dice';
import { DEMO_SCHOOL_ID as schoolId, type DemoSchool } from '../generate';
import { USUAL_HALL } from '../hall';

/** Weeks before today in which these began. */
const WEEKS_BEFORE = 6;
const WEEKLY = [
  { weekday: 1, starts: 18 * 60 + 30, minutes: 75 },
  { weekday: 3, starts: 18 * 60 + 30, minutes: 90 },
  { weekday: 6, starts: 10 * 60, minutes: 90 },
];
/** Minutes that were free before a class was lost. */
const SPARE = 30;

interface Wanted {
  name: string;
  items: readonly BlockItem[];
  /** Of all that is needed. */
  share: number;
  more?: Partial<CycleRow>;
}

/** Shares of an invented hall, with what hangs on what. */
function rowsOf(wanted: readonly Wanted[], minutes: number): CycleRow[] {
  const all = wanted.reduce((n, w) => n + w.share, 0);
  const rows = wanted.map((w): CycleRow => ({
    ...EMPTY_ROW,
    id: v7(),
    name: w.name,
    items: w.items,
    minutes: Math.floor((w.share / all) * (minutes / UNIT)) * UNIT,
    kind: 'basics',
    ...w.more,
  }));
  // What rounding left goes to the largest.
  const left = minutes - rows.reduce((n, r) => n + r.minutes, 0);
  return rows.map((r) => (r.name === 'Second Causeway' ? { ...r, minutes: r.minutes + left } : r));
}

const STOP = 'Slow, soft hands. Either may stop at any time and gives no reason.';

/** The weeks to the next grading: some are over, one class of them was lost, and it was planned again since. */
export async function writeCycle(
  tx: Transaction,
  made: DemoSchool,
  today: PlainDate,
): Promise<{ tonight: string; plans: Map<string, ClassPlan> }> {
  const d = dice(61);
  const by = made.teachers[0]!.id;
  const sequences = new Map(
    (await tx.select({ id: sequence.id, title: sequence.title }).from(sequence)).map((s) => [s.title, s.id]),
  );
  const conditions = new Map(
    (await tx.select({ id: condition.id, name: condition.name }).from(condition)).map((c) => [c.name, c.id]),
  );
  const halls = await tx.select({ id: hall.id, name: hall.name }).from(hall);
  const hallId = halls.find((h) => h.name === USUAL_HALL)?.id ?? null;
  const technique = (name: string, under: string): BlockItem => ({
    item: { technique: made.techniques.find((t) => t.name === name)!.id },
    conditionId: conditions.get(under) ?? null,
  });
  const form = (title: string, under = 'in air'): BlockItem => ({
    item: { sequence: sequences.get(title)!, part: null },
    conditionId: conditions.get(under) ?? null,
  });
  const from = addDays(today, -7 * WEEKS_BEFORE);
  const day = made.nextGradingDay;
  const tonight = v7();
  const over = made.classes.filter((c) => c.day >= from);
  const lostDay = [9, 8, 10, 11, 7].map((n) => addDays(today, -n)).find((x) => !over.some((c) => c.day === x))!;
  const plain = { hallId, off: null, guest: null, frame: null };
  const toCome: CycleClass[] = [];
  for (let at = addDays(today, 1); at < day; at = addDays(at, 1)) {
    const w = WEEKLY.find((x) => x.weekday === weekdayOf(at));
    const shut = /-12-2[3-9]|-12-3|-08-1/.test(at);
    if (w)
      toCome.push({
        ...plain,
        id: v7(),
        day: at,
        starts: w.starts,
        minutes: w.minutes,
        off: shut ? 'hall shut' : null,
      });
  }
  const classes = [
    ...over.map((c) => ({ ...plain, id: c.id, day: c.day, starts: 18 * 60 + 30, minutes: c.minutes })),
    { ...plain, id: v7(), day: lostDay, starts: 18 * 60 + 30, minutes: 90 },
    { ...plain, id: tonight, day: today, starts: 18 * 60 + 30, minutes: 90 },
    ...toCome,
  ].sort(inTime);
  const room = classes.reduce((n, c) => n + roomOf(c, USUAL_RULES), 0);
  const rows = rowsOf(
    [
      { name: 'Front stance, stepping', items: [technique('Front stance', 'in air')], share: 150, more: { gap: 4 } },
      {
        name: 'Low and rising block',
        items: [technique('Low block', 'in air'), technique('Rising block', 'in air')],
        share: 140,
        more: { gap: 5, heaviness: 'light' },
      },
      { name: 'Stepping punch', items: [technique('Stepping punch', 'in air')], share: 145 },
      {
        name: 'Front kick',
        items: [technique('Front kick', 'in air')],
        share: 165,
        more: { least: 10, heaviness: 'heavy' },
      },
      {
        name: 'Reverse punch, pads',
        items: [technique('Reverse punch', 'still target')],
        share: 130,
        more: {
          least: 10,
          gap: 5,
          kind: 'equipment',
          fresh: true,
          things: 'pads',
          pairs: { kind: 'holding', rung: 0, answers: false, rounds: 2 },
        },
      },
      {
        name: 'First Causeway',
        items: [form('First Causeway')],
        share: 170,
        more: { least: 10, most: 20, kind: 'forms' },
      },
      {
        name: 'Second Causeway',
        items: [form('Second Causeway')],
        share: 220,
        more: { least: 10, most: 20, gap: 4, kind: 'forms', fresh: true },
      },
      {
        name: 'Sluice',
        items: [form('Sluice')],
        share: 150,
        more: { least: 10, most: 20, gap: 5, kind: 'forms', notOn: [1] },
      },
      {
        name: 'Four quarters, known order',
        items: [form('Four quarters', 'set partner')],
        share: 150,
        more: {
          least: 10,
          kind: 'partner',
          how: 'Known order, slowly, both sides.',
          things: 'gloves from the pegs',
          caution: STOP,
          pairs: { kind: 'contact', rung: 2, answers: false, rounds: 3 },
        },
      },
      {
        name: 'Four quarters, at random',
        items: [form('Four quarters', 'attacker set, defender free')],
        share: 80,
        more: {
          least: 5,
          kind: 'partner',
          fresh: true,
          heaviness: 'heavy',
          how: 'Any quarter on call; only who has the answers defends.',
          things: 'gloves from the pegs',
          caution: STOP,
          pairs: { kind: 'contact', rung: 2, answers: true, rounds: 2 },
        },
      },
      {
        name: 'Ferry Pole',
        items: [form('Ferry Pole')],
        share: 170,
        more: {
          least: 15,
          most: 20,
          gap: 5,
          kind: 'weapons',
          heaviness: 'light',
          notOn: [1],
          things: 'staffs from the rack by the sluice door',
          caution: 'Two staff lengths between people.',
        },
      },
      {
        name: 'Falls and rolls',
        items: [technique('Side fall', 'in air'), technique('Forward roll', 'in air')],
        share: 110,
        more: { least: 10, gap: 6, kind: 'other', heaviness: 'heavy', things: 'mats' },
      },
    ],
    Math.floor((room - SPARE) / UNIT) * UNIT,
  );
  const id = (name: string) => rows.find((r) => r.name === name)!.id;
  const opens: Record<string, [string, number]> = {
    'Stepping punch': ['Front stance, stepping', 20],
    'Reverse punch, pads': ['Stepping punch', 40],
    'Second Causeway': ['First Causeway', 60],
    'Four quarters, at random': ['Four quarters, known order', 60],
  };
  const tied = rows.map((r) => {
    const on = opens[r.name];
    return on ? { ...r, opens: [{ on: id(on[0]), minutes: on[1] }] } : r;
  });
  const begun: Cycle = {
    name: 'Winter grading',
    end: 'grading',
    from,
    day,
    ranks: made.ranks.slice(1, 5).map((r) => r.id),
    groups: ['all'],
    weekly: WEEKLY.map((w) => ({ ...w, hallId })),
    classes,
    rows: tied,
    cells: [],
    righted: [],
    rules: USUAL_RULES,
    before: null,
    result: null,
  };
  const nothing: Past = { from: 0, lost: new Set(), had: () => 0 };
  const planned = planAlone(begun, nothing, null);
  const held = new Map(over.map((c) => [c.id, c]));
  const plans = new Map(
    classes.flatMap((c) => {
      const plan = held.has(c.id) ? eveningOf(planned, c.id, v7) : null;
      return plan ? [[c.id, plan] as const] : [];
    }),
  );
  // Some of the last classes is promised already: it stays.
  const pins = new Set(
    planned.cells
      .filter((c) => toCome.slice(-4).some((x) => x.id === c.class) && d.chance(0.3))
      .slice(0, 3)
      .map((c) => `${c.row} ${c.class}`),
  );
  const lost: Cycle = {
    ...planned,
    classes: classes.map((c) =>
      c.day === lostDay && !held.has(c.id) && c.id !== tonight ? { ...c, off: 'water in the hall' } : c,
    ),
    cells: planned.cells.map((c) => ({ ...c, pinned: pins.has(`${c.row} ${c.class}`) })),
  };
  const records: ClassRecord[] = over.map((c) => ({
    id: c.id,
    day: c.day,
    taught: [],
    blocks: plans
      .get(c.id)!
      .blocks.map((b) => ({ items: b.items.map((i) => i.item), minutes: b.minutes, skipped: false })),
  }));
  const past = pastOf(lost, recordsOf(lost.classes, records), today);
  const again = planAlone(lost, past, 'since a class was lost');
  await tx.insert(cycle).values({ schoolId, id: v7(), from, day, cycle: again, changedBy: by });
  return { tonight, plans };
}

/** Planned without the solver, so that it is the same every time; `why` it is planned again. */
function planAlone(c: Cycle, past: Past, why: string | null): Cycle {
  const known = why === null ? null : gridNow(c, past);
  const steps = planCycle(problemNow(c, past), { solve: null, dice: seeded(1), clock: () => 0, known });
  return withPlan(c, past, steps.next().value, { why });
}
