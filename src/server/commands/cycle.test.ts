import { createHash } from 'node:crypto';
import ICAL from 'ical.js';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { addDays, instantAt, itemKey, timeOfDayIn } from '../../core';
import { openPool } from '../../data/connection';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { calendarBehind } from '../calendar/feed';
import { calendarFile } from '../calendar/ical';
import { aCycle, aPlan, DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
let authPool: ReturnType<typeof openPool>;
let [s, away]: [SmallSchool, SmallSchool] = [] as never;
beforeAll(async () => {
  t = await makeDatabase();
  authPool = openPool(t.authUrl, 2);
  s = await smallSchool(t, 'Weeks');
  away = await smallSchool(t, 'Away');
});
afterAll(async () => {
  await authPool.end();
  await t.drop();
});

const weeks = () => aCycle(s.stance, s.conditions.get('in air')!);
const see = (id: string) => runView(t.db, s.as.head, 'cycle', { id }, NOW);

describe('weeks to a day', () => {
  it('are kept whole, and not written over unseen', async () => {
    const id = v7();
    const cycle = weeks();
    await s.send('instructor', 'cycle.save', { id, cycle });
    expect((await see(id)).shown).toEqual({ id, cycle, version: 1 });
    await s.send('head', 'cycle.save', { id, cycle: { ...cycle, name: 'Midterm' }, version: 1 });
    await expect(s.send('instructor', 'cycle.save', { id, cycle, version: 1 })).rejects.toMatchObject({
      status: 409,
      more: { meanwhile: { version: 2, by: 'Weeks head' } },
    });
    expect((await see(id)).all.map((c) => c.name)).toContain('Midterm');
    await s.send('head', 'cycle.remove', { id });
    await expect(see(id)).rejects.toMatchObject({ status: 404 });
  });

  it('refuse what no plan can be, at its field', async () => {
    const cycle = weeks();
    const amiss = async (change: object) => {
      const said = await s
        .send('head', 'cycle.save', { id: v7(), cycle: { ...cycle, ...change } })
        .catch((e: unknown) => e);
      return (said as { errors: { path: string }[] }).errors.map((e) => e.path);
    };
    expect(await amiss({ day: cycle.from })).toContain('cycle.day');
    expect(await amiss({ groups: [] })).toEqual(['cycle.groups']);
    expect(await amiss({ classes: [cycle.classes[0]!, cycle.classes[0]!] })).toContain('cycle.classes');
    expect(await amiss({ rows: [{ ...cycle.rows[0]!, least: 25 }] })).toEqual(['cycle.rows.0.most']);
  });

  it('know what their classes had: by the blocks of the evening, whichever was skipped, and what the mat takes along', async () => {
    const id = v7();
    const cycle = { ...weeks(), day: addDays(DAY, 19) };
    const [today] = cycle.classes;
    await s.send('head', 'cycle.save', { id, cycle });
    const answer = await runView(t.db, s.as.instructor, 'lookKit', {}, NOW);
    const mine = answer.parts.weeks![DAY]!;
    // The evenings after it can be laid out too.
    expect(Object.keys(answer.parts.weeks!)).toEqual(
      cycle.classes.map((c) => c.day).filter((d) => d <= addDays(DAY, 13)),
    );
    expect(mine.cycle.classes.map((c) => c.id)).toEqual([today!.id]);
    expect(mine.cycle.rows[0]!.fresh).toBe(true);
    const plan = aPlan();
    plan.blocks[0]!.items = [{ item: { technique: s.stance }, conditionId: null }];
    await s.send('head', 'classPlan.save', { id: today!.id, day: DAY, hallId: null, plan });
    await s.send('head', 'class.record', { id: today!.id, day: DAY, minutes: 90, present: [s.student], taught: [] });
    const [record] = (await see(id)).records.filter((r) => r.id === today!.id);
    expect(record!.blocks!.map((b) => [b.items.map(itemKey), b.minutes])).toEqual([
      [[`t:${s.stance}`], plan.blocks[0]!.minutes],
      [[], plan.blocks[1]!.minutes],
    ]);
    const sheet = await runView(t.db, s.as.instructor, 'catchUp', {}, NOW);
    expect(sheet.classes).toEqual([{ day: DAY, minutes: 90, people: 1 }]);
    const [item] = sheet.items;
    expect(item).toMatchObject({ itemKey: `t:${s.stance}`, days: [DAY] });
    expect(item!.points.length).toBeGreaterThan(0);
    // Nobody of those who were there is named in it.
    expect(JSON.stringify(sheet)).not.toContain(s.student);
  });

  it('ask what next belts ask of those who come, and leave out what none of them may do', async () => {
    const { asked, ranks, people } = await runView(t.db, s.as.head, 'cycleAsked', {}, NOW);
    expect(people).toBe(1);
    const mine = asked.find((a) => 'technique' in a.item && a.item.technique === s.stance)!;
    expect(mine).toMatchObject({ people: 1, mayNot: 0, refused: null });
    expect(ranks[asked.indexOf(mine)]).toEqual([s.ranks[1]]);
  });
});

describe('a calendar', () => {
  const open = async (school: SmallSchool) => {
    const secret = createHash('sha256').update(v7()).digest('hex').slice(0, 48);
    const id = v7();
    await school.send('head', 'calendar.open', {
      id,
      name: 'phone',
      hash: createHash('sha256').update(secret).digest('hex'),
    });
    return { id, secret };
  };
  const asked = (secret: string) => calendarBehind(t.db, authPool, secret, NOW);

  it('is behind its secret alone, shows its own school, and is gone when it is taken back', async () => {
    const mine = await open(s);
    const theirs = await open(away);
    expect(await asked(mine.secret)).toContain('Weeks');
    expect(await asked(mine.secret)).not.toContain('Away');
    expect(await asked(theirs.secret)).toContain('Away');
    for (const wrong of ['', mine.secret.slice(1), `${mine.secret}0`, mine.secret.replace(/./g, '0')])
      expect(await asked(wrong)).toBeNull();
    // Another school can neither see nor take back an address that is not its own.
    await expect(away.send('head', 'calendar.close', { id: mine.id })).rejects.toMatchObject({ status: 404 });
    expect((await runView(t.db, s.as.head, 'cycle', {}, NOW)).addresses!.map((a) => a.id)).toEqual([mine.id]);
    expect((await runView(t.db, s.as.instructor, 'cycle', {}, NOW)).addresses).toBeNull();
    await s.send('head', 'calendar.close', { id: mine.id });
    expect(await asked(mine.secret)).toBeNull();
    // The secret itself stands nowhere: neither in tables nor in the history.
    const { rows } = await t.owner.query<{ all: string | null }>(
      'select string_agg(x::text, chr(10)) as all from history x',
    );
    expect(rows[0]!.all).not.toContain(mine.secret);
  });

  const ownZone = process.env['TZ'];
  afterEach(() => {
    if (ownZone === undefined) delete process.env['TZ'];
    else process.env['TZ'] = ownZone;
  });

  it.each(['UTC', 'America/New_York', 'Pacific/Auckland'])(
    'has every class at its hour in the school’s zone, through the changes of the clock, on a machine in %s (RFC 5545, read by ical.js)',
    (machine) => {
      process.env['TZ'] = machine;
      for (const [timeZone, from] of [
        ['Europe/London', '2026-03-23'],
        ['Europe/London', '2026-10-19'],
        ['America/New_York', '2026-03-02'],
        ['Australia/Lord_Howe', '2026-04-01'],
        ['UTC', '2026-03-23'],
        ['Asia/Kathmandu', '2026-12-28'],
      ] as const) {
        const made = weeks();
        const classes = Array.from({ length: 21 }, (_, n) => ({
          ...made.classes[0]!,
          id: v7(),
          day: addDays(from, n),
          starts: 18 * 60 + 30,
          off: n === 3 ? 'snow; no "heating", and\nmore' : null,
        }));
        const cycle = {
          ...made,
          classes,
          from,
          day: addDays(from, 30),
          cells: made.cells.map((c, n) => ({ ...c, class: classes[n]!.id })),
        };
        const file = calendarFile({
          school: 'Causeway Hall; the marsh, at the sluice door where the boats are laid up in winter',
          timeZone,
          halls: new Map(),
          cycles: [{ id: v7(), cycle: cycle, changedAt: NOW }],
        });
        // Lines are folded at 75 octets.
        expect(file.split('\r\n').every((l) => Buffer.byteLength(l) <= 75)).toBe(true);
        const read = new ICAL.Component(ICAL.parse(file) as unknown[]);
        const zone = new ICAL.Timezone(read.getFirstSubcomponent('vtimezone')!);
        const events = read.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
        for (const c of classes) {
          const e = events.find((x) => x.uid === `${c.id}@stavewright`)!;
          const start = e.startDate;
          start.zone = zone;
          const at = start.toJSDate().getTime();
          expect(at).toBe(instantAt(timeZone, c.day, c.starts));
          expect(timeOfDayIn(timeZone, at)).toBe(c.starts);
          expect(e.duration.toSeconds()).toBe(c.minutes * 60);
        }
        const off = events.find((x) => x.uid === `${classes[3]!.id}@stavewright`)!;
        expect(off.component.getFirstPropertyValue('status')).toBe('CANCELLED');
        expect(off.description).toBe('Snow; no "heating", and\nmore');
        expect(events.find((x) => x.uid === `${classes[0]!.id}@stavewright`)!.description).toBe('Stance, 20 minutes');
        const day = events.find((x) => x.startDate.isDate)!;
        expect(day.startDate.toString()).toBe(addDays(from, 30));
        // Asked again, the same events by the same ids.
        expect(new Set(events.map((e) => e.uid)).size).toBe(events.length);
      }
    },
  );
});
