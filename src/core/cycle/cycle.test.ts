import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays } from '../units/plainDate';
import { seeded } from '../units/random';
import { classOn, cycle, largeCycle, MONDAY, row, threeAWeek } from './testing/builders';
import {
  apartBetween,
  brokenIn,
  classesOf,
  eveningOf,
  firstPlan,
  gridNow,
  hadIn,
  helpsFor,
  foundAgain,
  movedIn,
  NO_WEEKS,
  pastOf,
  pinTroubles,
  planCycle,
  problemNow,
  problemOf,
  recordsOf,
  roomOf,
  rowsFrom,
  shortIn,
  UNIT,
  USUAL_RULES,
  usuallyCome,
  weeklyFrom,
  unproven,
  withCell,
  withHad,
  withPlan,
  type Cycle,
  type CycleClass,
  type Past,
  type WorkAsked,
} from '.';

const NOTHING: Past = { from: 0, lost: new Set(), had: () => 0 };
let made = 0;
const newId = () => `new ${(made += 1)}`;
/** As planned at once, without a solver. */
const planned = (c: Cycle, past: Past = NOTHING, known = false): Cycle => {
  const steps = planCycle(problemNow(c, past), {
    solve: null,
    dice: seeded(1),
    clock: () => 0,
    known: known ? gridNow(c, past) : null,
  });
  return withPlan(c, past, steps.next().value);
};
const minutesOf = (c: Cycle, of: (x: { row: string; class: string }) => boolean) =>
  c.cells.filter(of).reduce((n, x) => n + x.minutes, 0);

describe('a first whole plan', () => {
  it('gives each row what it needs where there is room, and leaves out nothing that spacing asks', () => {
    const c = planned(
      cycle(threeAWeek(4), [
        row('stance', { minutes: 90, gap: 3, kind: 'basics' }),
        row('kick', { minutes: 90, least: 10, gap: 4, kind: 'basics' }),
        row('form', { minutes: 120, most: 20, fresh: true }),
        row('pole', { minutes: 80, most: 20, notOn: [1], opens: [{ on: 'form', minutes: 40 }] }),
      ]),
    );
    expect(c.result).toMatchObject({ short: 0, shortAtLeast: 0 });
    expect(minutesOf(c, (x) => x.row === 'pole')).toBe(80);
    // Not on Mondays, and only once forty minutes of the form were had.
    const day = new Map(c.classes.map((x, k) => [x.id, k]));
    const poles = c.cells.filter((x) => x.row === 'pole').map((x) => day.get(x.class)!);
    expect(poles.every((k) => k % 3 !== 0)).toBe(true);
    const before = minutesOf(c, (x) => x.row === 'form' && day.get(x.class)! < Math.min(...poles));
    expect(before).toBeGreaterThanOrEqual(40);
    expect(apartBetween(c, NOTHING).filter((a) => a.row === 'stance')).toEqual([]);
  });

  it('keeps every rule on generated weeks, and says no less short than sums allow', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.integer({ min: 1, max: 30 }),
        fc.integer({ min: 1, max: 8 }),
        (seed, rows, weeks) => {
          const p = problemOf(largeCycle(seeded(seed), rows, weeks), 0, () => 0);
          const grid = firstPlan(p);
          expect(brokenIn(p, grid)).toBeNull();
          const steps = planCycle(p, { solve: null, dice: seeded(1), clock: () => 0 });
          const { short, shortAtLeast } = steps.next().value;
          expect(short).toBe(shortIn(p, grid));
          expect(shortAtLeast).toBeLessThanOrEqual(short);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('two groups at the same time each have the class to themselves', () => {
    const c = planned(
      cycle(
        [classOn(MONDAY, 60)],
        [
          row('all', { minutes: 10, most: 20 }),
          row('low', { minutes: 30, most: 30, group: 0 }),
          row('high', { minutes: 30, most: 30, group: 1 }),
        ],
        { groups: ['to Straw', 'from Amber'] },
      ),
    );
    expect(c.result!.short).toBe(0);
    const evening = eveningOf(c, c.classes[0]!.id, newId)!;
    expect(evening.blocks.map((b) => [b.name, b.minutes])).toEqual([
      ['Opening', 15],
      ['all', 10],
      ['low · high', 30],
      ['Close', 5],
    ]);
    expect(evening.blocks[2]!.who).toBe('to Straw: low; from Amber: high.');
  });

  it('guests, longer openings and days off take room; nothing is planned there', () => {
    const [a, b, c] = [0, 2, 4].map((n) => addDays(MONDAY, n)) as [string, string, string];
    const classes = [
      classOn(a, 60, { guest: { name: 'Odile Farrow', minutes: 25 } }),
      classOn(b, 60, { off: 'hall shut' }),
      classOn(c, 60, { frame: 45 }),
    ];
    expect(classes.map((x) => roomOf(x, USUAL_RULES))).toEqual([15, 0, 15]);
    const made = planned(cycle(classes, [row('kick', { minutes: 60, most: 30 })]));
    expect(made.cells.map((x) => [x.class, x.minutes])).toEqual([
      [`c ${a}`, 15],
      [`c ${c}`, 15],
    ]);
    expect(made.result).toMatchObject({ short: 30, shortAtLeast: 30 });
  });

  it('an empty cycle, one without rows and one that is over are plans', () => {
    expect(planned(cycle([classOn(MONDAY)], [])).result!.short).toBe(0);
    const late = cycle([classOn(MONDAY)], [row('kick')]);
    const past = pastOf(late, new Map(), addDays(MONDAY, 1));
    expect(planned(late, past).result).toMatchObject({ short: 60, shortAtLeast: 60 });
  });
});

describe('pins', () => {
  const classes = threeAWeek(1);
  const kick = row('kick', {
    minutes: 40,
    notOn: [4],
    from: addDays(MONDAY, 1),
    opens: [{ on: 'stance', minutes: 60 }],
  });
  const c = cycle(classes, [kick, row('stance', { minutes: 30 })]);

  it('stay, whatever they go against, and it is named', () => {
    const pinned = [0, 1, 2].reduce((x, k) => withCell(x, 'kick', classes[k]!.id, [10, 15, 80][k]!, true), c);
    const made = planned(pinned);
    expect(classes.map((x) => minutesOf(made, (y) => y.row === 'kick' && y.class === x.id))).toEqual([10, 15, 80]);
    const p = problemNow(made, NOTHING);
    expect(pinTroubles(made, p, gridNow(made, NOTHING)).map((t) => t.why)).toEqual([
      'too early',
      'weekday',
      'before what opens it',
    ]);
    expect(brokenIn(p, gridNow(made, NOTHING))).toBeNull();
  });

  it('of nothing keep a cell empty', () => {
    const free = withCell(cycle(classes, [row('kick', { minutes: 200 })]), 'kick', classes[1]!.id, 0, true);
    expect(minutesOf(planned(free), (x) => x.class === classes[1]!.id)).toBe(0);
  });
});

describe('what is over', () => {
  const classes = threeAWeek(3);
  const item = { item: { technique: 't' }, conditionId: null };
  const c = planned(
    cycle(classes, [
      row('kick', { minutes: 90, items: [item] }),
      row('form', { minutes: 90, items: [{ item: { sequence: 's', part: null }, conditionId: null }] }),
    ]),
  );
  const record = (k: number, more = {}) => ({
    id: classes[k]!.id,
    day: classes[k]!.day,
    taught: [],
    blocks: null,
    ...more,
  });

  it('a class had what its blocks took; without a plan what was planned of what was taught; or all of it', () => {
    const k = classes[0]!.id;
    const blocks = [
      { items: [{ technique: 't' }, { sequence: 's', part: null }], minutes: 21, skipped: false },
      { items: [{ sequence: 's', part: null }], minutes: 10, skipped: true },
      { items: [], minutes: 30, skipped: false },
    ];
    expect([...hadIn(c, k, record(0, { blocks }))]).toEqual([
      ['kick', 10],
      ['form', 10],
    ]);
    expect([...hadIn(c, k, record(0, { taught: [{ technique: 't' }] })).keys()]).toEqual(['kick']);
    expect(hadIn(c, k, record(0)).size).toBe(c.cells.filter((x) => x.class === k).length);
    expect(hadIn(c, k, undefined).size).toBe(0);
    // A pin says what is meant to be, not what was; what was is put right by hand, also where nobody noted the class.
    const had = hadIn(c, k, record(0));
    expect(hadIn(withCell(c, 'kick', k, 60, true), k, record(0, { blocks })).get('kick')).toBe(10);
    expect(hadIn(withHad(c, 'kick', k, 35), k, record(0))).toEqual(new Map([...had, ['kick', 35]]));
    expect([...hadIn(withHad(c, 'form', k, 20), k, undefined)]).toEqual([['form', 20]]);
  });

  it('who is not held is lost; another class of that day counts for it', () => {
    const records = recordsOf(classes, [record(0), { ...record(1), id: 'another' }]);
    const past = pastOf(c, records, classes[3]!.day);
    expect(past.from).toBe(3);
    expect([...past.lost]).toEqual([classes[2]!.id]);
    // Today counts as over once it is held.
    expect(pastOf(c, records, classes[1]!.day).from).toBe(2);
  });

  it('planned again the past stands, what moved is told, and what was lost is short or elsewhere', () => {
    const past = pastOf(c, recordsOf(classes, [record(0), record(1)]), classes[3]!.day);
    const again = {
      ...planned(c, past, true),
      before: { why: 'since it was lost', cells: c.cells },
    };
    const grid = gridNow(again, past);
    expect(grid.map((r) => r.slice(0, 2))).toEqual(gridNow(c, NOTHING).map((r) => r.slice(0, 2)));
    expect(grid.every((r) => r[2] === 0)).toBe(true);
    expect(brokenIn(problemNow(again, past), grid)).toBeNull();
    const moved = movedIn(again, past);
    expect([...moved.cells].every((x) => !classes.slice(0, 3).some((k) => x.endsWith(k.id)))).toBe(true);
    expect(again.result!.short).toBe(0);
    // All that was lost stands elsewhere now; before it was planned again none of it did.
    const lost = minutesOf(c, (x) => x.class === classes[2]!.id);
    expect(lost).toBeGreaterThan(0);
    expect(foundAgain(again, past, classes[2]!.id)).toEqual({ lost, found: lost });
    expect(foundAgain(c, past, classes[2]!.id)).toEqual({ lost, found: 0 });
  });

  it('what is changed by hand is no longer proven', () => {
    expect(c.result!.shortAtLeast).toBe(0);
    expect(unproven(c).result).toEqual({ ...c.result, shortAtLeast: null, apartAtLeast: null });
    expect(unproven({ ...c, result: null }).result).toBeNull();
  });
});

describe('what would help', () => {
  it('is what could be planned and is less short: the shut class, a longer one, less of something', () => {
    const classes = threeAWeek(2).map((c, k) => (k === 4 ? { ...c, off: 'hall shut' } : c));
    const c = planned(
      cycle(classes, [row('kick', { minutes: 170, most: 60 }), row('form', { minutes: 190, most: 60 })]),
    );
    expect(c.result!.short).toBeGreaterThan(0);
    const helps = helpsFor(c, NOTHING, newId);
    expect(helps.map((h) => h.kind)).toEqual(['open', 'longer', 'shorter frame', 'later', 'fewer', 'all fewer']);
    for (const h of helps) expect(planned(h.cycle).result!.short).toBeLessThan(c.result!.short);
    // Where nothing is shut, one class more.
    expect(helpsFor(planned(cycle(threeAWeek(1), [row('kick', { minutes: 900 })])), NOTHING, newId)[0]!.kind).toBe(
      'one more',
    );
  });
});

describe('laying weeks out', () => {
  const weekly = [
    { weekday: 1, starts: 1080, minutes: 75, hallId: null },
    { weekday: 6, starts: 600, minutes: 90, hallId: null },
  ];

  it('puts every class of a week in; laid out anew, what was said of one by hand stays, and so does one put in by hand', () => {
    const to = addDays(MONDAY, 13);
    const first = classesOf(weekly, MONDAY, to, NO_WEEKS, newId);
    expect(first.map((c) => c.day)).toEqual([0, 5, 7, 12].map((n) => addDays(MONDAY, n)));
    const [monday, saturday, second] = first as [CycleClass, CycleClass, CycleClass];
    const classes = [
      monday,
      { ...saturday, off: 'holiday' },
      { ...second, minutes: 85 },
      first[3]!,
      { ...saturday, id: 'extra', day: addDays(MONDAY, 9) },
    ];
    const known = { classes, weekly, isOver: (c: CycleClass) => c.day === MONDAY };
    const anew = [
      { ...weekly[0]!, starts: 1140, minutes: 60 },
      { ...weekly[1]!, minutes: 70 },
    ];
    const again = classesOf(anew, MONDAY, to, known, newId);
    expect(again.map((c) => [c.day, c.starts, c.minutes, c.off])).toEqual([
      [MONDAY, 1080, 75, null],
      [addDays(MONDAY, 5), 600, 70, 'holiday'],
      [addDays(MONDAY, 7), 1140, 85, null],
      [addDays(MONDAY, 9), 600, 90, null],
      [addDays(MONDAY, 12), 600, 70, null],
    ]);
    expect(again.slice(1, 3).map((c) => c.id)).toEqual([saturday.id, second.id]);
    // Weeks without Saturdays have none, but for the one that was put in.
    const without = classesOf([weekly[0]!], MONDAY, to, known, newId);
    expect(without.map((c) => c.day)).toEqual([0, 7, 9].map((n) => addDays(MONDAY, n)));
  });

  it('knows the days of a school from its last weeks, and who comes', () => {
    const today = addDays(MONDAY, 60);
    const held = Array.from({ length: 10 }, (_, w) => ({
      day: addDays(MONDAY, 7 * w - 3),
      starts: w === 7 ? 1110 : null,
      minutes: 90,
      hallId: null,
      people: w,
    })).filter((c) => c.day <= today);
    expect(weeklyFrom(held, today, 1080)).toEqual([{ weekday: 5, starts: 1110, minutes: 90, hallId: null }]);
    const [friday] = usuallyCome(held, today);
    expect(friday).toMatchObject({ weekday: 5 });
    expect(friday!.low).toBeLessThanOrEqual(friday!.middle);
    expect(friday!.middle).toBeLessThanOrEqual(friday!.high);
  });

  it('makes rows of what is asked: minutes by the rule of thumb, what goes first opens the rest, what nobody may is left out', () => {
    const ask = (key: string, more: Partial<WorkAsked> = {}): WorkAsked => ({
      key,
      item: { technique: key },
      conditionId: null,
      name: key,
      condition: 'in air',
      group: 'Basics',
      sided: false,
      points: 4,
      counts: 0,
      partner: false,
      gear: null,
      heavy: false,
      weapon: false,
      people: 10,
      open: 5,
      fresh: true,
      mayNot: 0,
      refused: null,
      after: [],
      caution: '',
      ...more,
    });
    const rows = rowsFrom(
      [
        ask('stance'),
        ask('kick', { after: ['stance'], sided: true, fresh: false }),
        ask('cut', { refused: 'It fits no hall.' }),
      ],
      { perPoint: 25, perCount: 15 },
      20,
      newId,
    );
    // Four points of 25 minutes, open for half; what is not new takes a quarter.
    expect(rows.map((r) => [r.name, r.minutes, r.least])).toEqual([
      ['stance', 50, 5],
      ['kick', 15, 10],
    ]);
    expect(rows[1]!.opens).toEqual([{ on: rows[0]!.id, minutes: 25 }]);
    expect(rows.every((r) => r.minutes % UNIT === 0)).toBe(true);
  });
});
