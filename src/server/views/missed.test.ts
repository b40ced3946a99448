import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addDays } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { lookingSteps } from '../testing/looking';
import { aLook, DAY, NOW, smallSchool } from '../testing/school';
import { runView } from './run';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());
const { page, seen, askForTheForm } = lookingSteps(() => t);

describe('what was missed', () => {
  it('is listed for who was away, with points, and ticked off by the next look', async () => {
    const s = await smallSchool(t, 'Missed');
    const day = (n: number) => addDays(DAY, -n);
    await s.send('head', 'class.record', { id: v7(), day: day(10), minutes: 60, present: [s.student] });
    await s.send('head', 'class.record', {
      id: v7(),
      day: day(5),
      minutes: 60,
      present: [],
      taught: [{ technique: s.stance }],
    });
    await s.send('head', 'class.record', { id: v7(), day: day(5), minutes: 60, present: [s.as.student.personId] });
    const missed = async () => {
      const view = await runView(t.db, s.as.instructor, 'missed', {}, NOW);
      const list = view.students.find((x) => x.id === s.student)?.missed ?? [];
      return list.map((m) => ({ ...view.items[m.item]!, day: m.day }));
    };
    // The first class of that day had nobody; the second one tells who was away.
    expect((await missed()).map((m) => m.item)).toEqual([]);
    await Promise.all(seen(s, day(5), 5, { studentId: s.as.student.personId }));
    expect(await missed()).toMatchObject([{ day: day(5), item: 'Missed stance', itemKey: `t:${s.stance}` }]);
    expect((await missed())[0]!.points.length).toBeGreaterThan(0);
    expect((await page(s)).missed).toHaveLength(1);
    // A look that was taken back, or that holds a note only, shows nothing and ticks nothing off.
    const pupil = s.as.student.personId;
    const clean = [{ pointId: s.points.seen, kind: 'seen' as const, held: 5, of: 5 }];
    const wrong = aLook(s, { day: day(2), marks: clean, partnerId: pupil });
    await s.send('instructor', 'look.record', wrong);
    expect(await missed()).toEqual([]);
    await s.send('instructor', 'look.record', aLook(s, { day: day(2), marks: [], replaces: wrong.id }));
    await s.send(
      'instructor',
      'look.record',
      aLook(s, { day: day(1), marks: [], note: 'Limps. Asked him to sit.', partnerId: pupil }),
    );
    expect(await missed()).toHaveLength(1);
    expect((await page(s)).looks[0]).toMatchObject({ note: 'Limps. Asked him to sit.', of: 0 });
    // What the partner felt is no look of a teacher. A look that was taken back names no partner any more.
    await s.send('student', 'felt.record', {
      id: v7(),
      studentId: s.student,
      techniqueId: s.stance,
      pointId: s.points.felt,
      conditionId: s.conditions.get('in air')!,
      side: 'left',
      held: 1,
      of: 1,
    });
    expect(await missed()).toHaveLength(1);
    await Promise.all(seen(s, day(1), 5));
    expect(await missed()).toEqual([]);
  });

  it('names a drill they know, and have room for, in which it comes', async () => {
    const s = await smallSchool(t, 'Drill');
    await askForTheForm(s);
    const day = addDays(DAY, -5);
    await s.send('head', 'class.record', { id: v7(), day: addDays(DAY, -6), minutes: 60, present: [s.student] });
    const away = { id: v7(), day, minutes: 60, present: [s.as.student.personId], taught: [{ technique: s.stance }] };
    await s.send('head', 'class.record', away);
    const drill = async () => (await page(s)).missed.find((m) => m.itemKey === `t:${s.stance}`)?.drill;
    expect(await drill()).toBe('Drill form, five times slowly: it comes at count 1.');
    await s.send('head', 'student.room', { id: s.student, roomWidth: 0.5, roomDepth: 0.5, stature: 180 });
    expect(await drill()).toBe('');
  });
});

describe('at home', () => {
  it('the sheet fits the room, age and rests, and keeps home hours apart', async () => {
    const s = await smallSchool(t, 'House');
    await askForTheForm(s);
    await Promise.all(seen(s, '2026-03-01', 2));
    const sheet = () => runView(t.db, s.as.guardian, 'home', { id: s.student }, NOW);
    expect((await sheet()).items.map((i) => i.name)).toEqual(['House stance', 'House form']);
    await s.send('guardian', 'student.room', { id: s.student, roomWidth: 0.6, roomDepth: 0.6, stature: 180 });
    const small = (await sheet()).items.find((i) => i.name === 'House form')!;
    expect(small.fit).toMatch(/does not fit|fit your floor/);
    await s.send('guardian', 'student.room', { id: s.student, roomWidth: 6, roomDepth: 6, stature: 180 });
    expect((await sheet()).items.find((i) => i.name === 'House form')!.fit).toBe('All of it fits your floor.');
    await s.send('instructor', 'pause.begin', {
      id: v7(),
      studentId: s.student,
      techniqueId: null,
      sequenceId: s.sequence,
      habit: 'hurries',
      from: DAY,
    });
    expect((await sheet()).left).toEqual([{ name: 'House form', why: 'rests: hurries' }]);
    await s.send('guardian', 'practice.record', {
      id: v7(),
      studentId: s.student,
      day: DAY,
      minutes: 600,
      repetitions: 0,
      strikes: 40,
      hands: 'skin open',
      joints: 'fine',
      what: '',
    });
    const mine = await page(s);
    expect(mine.practice).toMatchObject({ minutes: 600, strikes: 40 });
    expect(mine.gates[0]!.has).toBe('0 of 10 hours of class');
    expect((await sheet()).cautions.join(' ')).toContain('Rests until 2026-03-19: skin of both hands open');
  });
});

describe('a class long ago', () => {
  it('is taken late, but who was there is then changed by the head only', async () => {
    const s = await smallSchool(t, 'LongAgo');
    const [a, b] = [s.student, s.as.student.personId];
    const old = { id: v7(), day: addDays(DAY, -15), minutes: 60 };
    await s.send('instructor', 'class.record', { ...old, present: [a] });
    await expect(s.send('instructor', 'class.record', { ...old, present: [a, b] })).rejects.toThrow(/only a head/);
    // Nor by saying another day.
    await expect(s.send('instructor', 'class.record', { ...old, day: DAY, present: [b] })).rejects.toThrow(
      /only a head/,
    );
    const here = async () =>
      (await t.owner.query<{ id: string }>(`select person_id as id from attendance where class_id = $1`, [old.id]))
        .rows;
    expect((await here()).map((r) => r.id)).toEqual([a]);
    await s.send('head', 'class.record', { ...old, present: [a, b] });
    expect((await here()).length).toBe(2);
    const lately = { id: v7(), day: addDays(DAY, -14), minutes: 60 };
    await s.send('instructor', 'class.record', { ...lately, present: [a] });
    await s.send('instructor', 'class.record', { ...lately, present: [b] });
  });
});
