import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bettered,
  broken,
  checksOf,
  costOf,
  firstDay,
  groupsOf,
  jobsOf,
  partnersOf,
  PAUSE,
  planOf,
  slackOf,
  type DayCandidate,
  type DaySettings,
  type DayItem,
  type Starts,
} from '.';
import { seeded } from '../units/random';
import { daysOf, group, item, PANEL, settings, short } from './testing/builders';

const who = (id: string, more: Partial<DayCandidate> = {}): DayCandidate => ({
  id,
  name: id,
  age: 30,
  rank: 2,
  to: { id: 'fern', name: 'Fern' },
  rung: 2,
  stature: null,
  rests: [],
  ...more,
});
describe('minutes and turns, by hand', () => {
  const five = ['a', 'b', 'c', 'd', 'e'].map((id) => who(id));
  const tasks = (items: DayItem[], more: Partial<DaySettings> = {}) =>
    groupsOf(five, () => items, 5, { ...settings, ...more })[0]!.tasks;
  it('one line shows both sides five times: a minute to stand, 60 seconds', () => {
    expect(tasks([item('punch')])).toMatchObject([{ minutes: 2, turns: 1, mats: false, thing: null }]);
  });
  it('what stands in one line is called together, and stands once', () => {
    expect(tasks([item('punch'), item('block', { sided: false })])).toMatchObject([
      { label: 'punch, block', items: ['punch', 'block'], minutes: 3 },
    ]);
  });
  it('falls are one by one, on mats where there are some', () => {
    // Five people, both sides, five times six seconds each.
    expect(tasks([item('fall', { falls: true })])).toMatchObject([{ minutes: 6, mats: true }]);
    expect(tasks([item('fall', { falls: true })], { mats: 0 })).toMatchObject([{ mats: false }]);
  });
  it('three shields wanted by five, two owned: three turns, counted', () => {
    expect(tasks([item('kick', { gear: 'shield' })])).toMatchObject([{ turns: 3, count: 2, minutes: 4 }]);
  });
  it('a form of forty counts, two at a time: three turns', () => {
    expect(tasks([item('form', { counts: 40 })])).toMatchObject([{ turns: 3, minutes: 1 + 6 }]);
  });
  it('a long line is parted evenly, and each belt goes by itself', () => {
    const many = [...Array.from({ length: 8 }, (_, i) => who(`f${i}`)), who('l', { to: { id: 'lake', name: 'Lake' } })];
    expect(groupsOf(many, () => [item('punch')], 5, settings).map((g) => [g.belt, g.people.length])).toEqual([
      ['Fern 1', 4],
      ['Fern 2', 4],
      ['Lake', 1],
    ]);
  });
});

const days = daysOf(fc.oneof(short, fc.integer({ min: 20, max: 40 })));

describe('a plan', () => {
  it('never breaks what it reports as kept, on generated days', () => {
    fc.assert(
      fc.property(days, fc.nat(), ({ groups, s, panel }, seed) => {
        const all = jobsOf(groups, s, panel);
        const first = firstDay(all)!;
        expect(broken(all, first)).toBeNull();
        let last: Starts = first;
        const steps = bettered(all, first, seeded(seed), 200);
        for (let step = steps.next(); ; step = steps.next()) {
          expect(costOf(all, step.value)).toBeLessThanOrEqual(costOf(all, last));
          last = step.value;
          expect(broken(all, last)).toBeNull();
          if (step.done) break;
        }
        const plan = planOf(groups, s, panel, last);
        // Nobody looks at two groups at once, no floor holds two.
        for (const a of plan.groups)
          for (const b of plan.groups) {
            if (a.group >= b.group) continue;
            const [la, lb] = [a, b].map((p) => groups.find((g) => g.id === p.group)!.minutes);
            if (a.at >= b.at + lb! || b.at >= a.at + la!) continue;
            expect(a.floor).not.toBe(b.floor);
            expect(a.examiners.filter((e) => b.examiners.includes(e))).toEqual([]);
          }
        for (const p of plan.groups) expect(p.examiners.length).toBeGreaterThanOrEqual(Math.min(s.eyes, panel.length));
      }),
      { numRuns: 60 },
    );
  });

  it('what has begun stays, and nothing else begins before now', () => {
    const groups = [group('a', 10, 4), group('b', 8, 4), group('c', 6, 2)];
    const all = jobsOf(groups, settings, PANEL, { pins: { b: 612 }, now: 625 });
    const found = firstDay(all)!;
    expect(broken(all, found)).toBeNull();
    expect(found['b']).toBe(612);
    expect(Math.min(found['a']!, found['c']!)).toBe(625);
    // Two pinned over each other are found out.
    expect(broken(jobsOf(groups, settings, PANEL, { pins: { a: 612, b: 615 } }), { a: 612, b: 615, c: 640 })).toEqual({
      resource: 'floors',
      at: 615,
    });
  });

  it('a break is for everybody, and neither at once nor at the end of a long day', () => {
    const groups = [group('a', 30, 4), group('b', 30, 4), group('c', 30, 4)];
    const all = jobsOf(groups, { ...settings, pause: 14 }, PANEL);
    const found = firstDay(all)!;
    expect(found[PAUSE]).toBeGreaterThanOrEqual(settings.begins + settings.opening + 30);
    for (const g of groups)
      expect(found[g.id]! + g.minutes <= found[PAUSE]! || found[g.id]! >= found[PAUSE]! + 14).toBe(true);
  });
});

describe('partners', () => {
  const pairsTask = { pairs: true };
  const day = (people: DayCandidate[], others: DayCandidate[] = [], at = { fern: 612, lake: 660 }) => {
    const fern = { ...group('fern', 10, 0, pairsTask), rank: 2, people: people.map((p) => p.id) };
    const lake = { ...group('lake', 10, 0), rank: 3, people: others.map((p) => p.id) };
    const groups = others.length > 0 ? [fern, lake] : [fern];
    const plan = planOf(groups, { ...settings, floors: 2 }, PANEL, at);
    return { groups, plan, paired: partnersOf(groups, plan, [...people, ...others], settings) };
  };

  it('whoever is of one size and one rung works together, a child with a child', () => {
    const people = [who('kid', { age: 12 }), who('grown'), who('girl', { age: 11 }), who('old', { age: 50 })];
    expect(
      day(people)
        .paired[0]!.pairs.map((p) => [p.a, p.b, p.rung])
        .sort(),
    ).toEqual([
      ['grown', 'old', 2],
      ['kid', 'girl', 2],
    ]);
  });

  it('they work at the lower of their rungs, and without consent nobody works with a partner', () => {
    const { paired } = day([
      who('a', { rung: 1 }),
      who('b', { rung: 3 }),
      who('c', { rung: 0 }),
      who('d', { rung: null }),
    ]);
    expect(paired[0]!.pairs).toMatchObject([{ rung: 1 }]);
    expect(paired[0]!.alone).toEqual([
      { id: 'c', why: 'no consent' },
      { id: 'd', why: 'no consent' },
    ]);
  });

  it('an odd one gets somebody of a higher rank who rests before being graded; else they are a three; else they are named', () => {
    const three = [who('a'), who('b'), who('c')];
    const lake = [who('up', { rank: 3, to: { id: 'lake', name: 'Lake' } })];
    expect(day(three, lake).paired[0]!.pairs.find((p) => p.standsIn)).toMatchObject({ b: 'up' });
    // Nine minutes before their own: the hall asks ten.
    const soon = day(three, lake, { fern: 612, lake: 631 });
    expect(soon.paired[0]).toMatchObject({ pairs: [{ c: expect.any(String) as unknown }], alone: [] });
    expect(checksOf(soon.groups, soon.plan, soon.paired, settings, PANEL)[0]).toMatchObject({ kind: 'three' });
    // Nobody to make a pair, so no three either.
    const one = day(three.slice(0, 1), lake, { fern: 612, lake: 631 });
    expect(one.paired[0]!.alone).toMatchObject([{ why: 'nobody is free' }]);
    expect(checksOf(one.groups, one.plan, one.paired, settings, PANEL)[0]).toMatchObject({ kind: 'alone' });
    // Of a lower rank nobody stands in.
    const below = [who('low', { rank: 1, to: { id: 'lake', name: 'Lake' } })];
    expect(day(three, below).paired[0]!.pairs.some((p) => p.standsIn)).toBe(false);
  });

  it('for whom the work rests that day nobody is paired with, and they stand in for nobody', () => {
    const hurt = who('c', { rests: ['fern'] });
    const { paired } = day([who('a'), who('b'), hurt]);
    expect(paired[0]).toMatchObject({ pairs: [{ a: 'a', b: 'b' }], alone: [{ id: 'c', why: 'rests' }] });
    const up = who('up', { rank: 3, to: { id: 'lake', name: 'Lake' }, rests: ['kick'] });
    const odd = day([who('a'), who('b'), who('c')], [up]).paired[0]!;
    expect(odd.pairs.some((p) => p.standsIn)).toBe(false);
  });

  it('a three works at the lowest of its rungs', () => {
    const { pairs } = day([who('a', { rung: 3 }), who('b', { rung: 3 }), who('c', { rung: 1, age: 40 })]).paired[0]!;
    expect(pairs).toEqual([{ a: 'a', b: 'b', c: 'c', rung: 1, standsIn: false }]);
  });

  it('of one age and rung the tall work with the tall', () => {
    const tall = (id: string, stature: number | null) => who(id, { stature });
    const four = [tall('a', 188), tall('b', 158), tall('c', 182), tall('d', 163)];
    expect(
      day(four)
        .paired[0]!.pairs.map((p) => [p.a, p.b])
        .sort(),
    ).toEqual([
      ['a', 'c'],
      ['b', 'd'],
    ]);
  });

  it('pairing is the cheapest there is, against every way to pair', () => {
    const person = fc.record({ age: fc.integer({ min: 7, max: 66 }), rung: fc.integer({ min: 1, max: 4 }) });
    fc.assert(
      fc.property(fc.array(person, { minLength: 2, maxLength: 6 }), (drawn) => {
        const people = drawn.slice(0, drawn.length - (drawn.length % 2)).map((p, i) => who(`p${i}`, p));
        const cost = (a: DayCandidate, b: DayCandidate) =>
          Math.abs(a.rung! - b.rung!) * 2 + Math.abs(a.age! - b.age!) / 5 + (a.age! < 18 !== b.age! < 18 ? 8 : 0);
        const every = (rest: DayCandidate[]): number =>
          rest.length === 0
            ? 0
            : Math.min(...rest.slice(1).map((b, i) => cost(rest[0]!, b) + every(rest.slice(1).toSpliced(i, 1))));
        const byId = new Map(people.map((p) => [p.id, p]));
        const found = day(people).paired[0]!.pairs.reduce((n, p) => n + cost(byId.get(p.a)!, byId.get(p.b)!), 0);
        expect(found).toBeCloseTo(every(people), 9);
      }),
      { numRuns: 60 },
    );
  });
});

it('when it runs late: what can be given up, and by when each has to begin', () => {
  const groups = [group('a', 30, 4), group('b', 30, 4)];
  const s = { ...settings, pause: 14, ends: 750 };
  const plan = planOf(groups, s, PANEL, { a: 612, [PAUSE]: 642, b: 656 });
  expect([plan.panelAt, plan.closingAt, plan.endsAt]).toEqual([686, 712, 722]);
  const slack = slackOf(plan, s);
  // Of the break nine of fourteen, of the panel eleven of twenty-six; 28 minutes are spare anyway.
  expect([slack.pause, slack.panel, slack.spare]).toEqual([9, 11, 28]);
  expect(slack.latest).toEqual({ a: 612 + 28 + 11 + 9, b: 656 + 28 + 11 });
  expect(checksOf(groups, { ...plan, endsAt: 800 }, [], s, PANEL)).toContainEqual({ kind: 'late', minutes: 50 });
  // Two pinned over each other are named before all else.
  const both = { a: 612, [PAUSE]: 642, b: 620 };
  const over = broken(jobsOf(groups, s, PANEL, { pins: both }), both);
  expect(checksOf(groups, planOf(groups, s, PANEL, both), [], s, PANEL, over)[0]).toEqual({
    kind: 'over',
    resource: 'floors',
    at: 620,
  });
  const late = { ...s, comes: { odile: 630 } };
  expect(checksOf(groups, plan, [], late, PANEL)).toEqual([
    { kind: 'not there yet', group: 'a', examiners: ['odile'] },
  ]);
});
