import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { upon } from '../../contracts/kit';
import type { LookKitView } from '../../contracts/views';
import { withNewer } from '../../contracts/views/earlierMarks';
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

describe('the one correction', () => {
  it('is the rule’s until a teacher chooses with a reason, and stays until it holds', async () => {
    const s = await smallSchool(t, 'Focus');
    await Promise.all(seen(s, '2026-03-01', 2));
    expect((await page(s)).focus).toMatchObject({ point: 'rear heel', side: 'left', since: null, chosen: false });
    const give = { id: v7(), studentId: s.student, pointId: s.points.seen, side: 'right' as const, day: DAY };
    await expect(s.send('instructor', 'focus.give', { ...give, chosen: true, reason: '' })).rejects.toThrow(/reason/);
    await s.send('instructor', 'focus.give', { ...give, chosen: true, reason: 'The right carries the kick.' });
    const chosen = (await page(s)).focus!;
    expect(chosen).toMatchObject({
      side: 'right',
      since: DAY,
      chosen: true,
      why: 'Chosen: The right carries the kick.',
    });
    expect(chosen.holds).toBe('It stays until it holds 8 of 10 on the right over 2 days.');
    await Promise.all([...seen(s, '2026-03-02', 5), ...seen(s, '2026-03-03', 5)]);
    expect((await page(s)).focus).toBeNull();
  });
});

describe('what the mat takes along', () => {
  it('what is worth a look, the correction, and why work rests', async () => {
    const s = await smallSchool(t, 'Mat');
    await askForTheForm(s);
    await Promise.all(seen(s, '2026-03-01', 4));
    await s.send('head', 'gradingDay.set', { day: addDays(DAY, 30), graded: true });
    const kit = async () => upon(null, await runView(t.db, s.as.instructor, 'lookKit', {}, NOW))!.kit;
    const worths = (k: LookKitView) =>
      k.students.find((x) => x.id === s.student)!.worths.map((w) => ({ ...w, itemKey: k.requirements[w.r]!.itemKey }));
    const first = await kit();
    expect(first.gradingDay).toBe(addDays(DAY, 30));
    expect(first.sequences.map((x) => [x.title, x.at.length])).toEqual([['Mat form', 2]]);
    const mine = worths(first);
    expect(mine.map((w) => w.itemKey).sort()).toEqual([`s:${s.sequence}`, `t:${s.stance}`]);
    expect(mine.every((w) => w.reason !== '' && w.points.length > 0)).toBe(true);
    const pauseId = v7();
    await s.send('instructor', 'pause.begin', {
      id: pauseId,
      studentId: s.student,
      techniqueId: s.stance,
      sequenceId: null,
      habit: 'sways',
      from: DAY,
    });
    const paused = await kit();
    expect(worths(paused).some((w) => w.itemKey === `t:${s.stance}`)).toBe(false);
    expect(paused.students.find((x) => x.id === s.student)).toMatchObject({
      resting: [{ what: 'sways', until: null, pause: true }],
      rests: { [`t:${s.stance}`]: { what: 'sways', until: null, points: null } },
    });
    // Its verdict stays.
    expect((await page(s)).requirements.find((r) => r.kind === 'stance')).toMatchObject({ rests: 'Rests: sways' });
    await expect(s.send('instructor', 'pause.end', { id: pauseId, until: '2026-01-01' })).rejects.toThrow(
      /began later/,
    );
    await s.send('instructor', 'pause.end', { id: pauseId, until: addDays(DAY, -0) });
    await s.send('instructor', 'injury.record', {
      id: v7(),
      studentId: s.student,
      what: 'All training',
      from: DAY,
      until: addDays(DAY, 3),
    });
    expect(worths(await kit())).toEqual([]);
  });

  it('asked again it brings whom somebody looked at since, and nobody else', async () => {
    const s = await smallSchool(t, 'Since');
    const other = s.as.student.personId;
    const ask = (since?: Date) =>
      runView(
        t.db,
        s.as.head,
        'earlierMarks',
        { techniqueId: s.stance, ...(since ? { since: since.toISOString() } : {}) },
        NOW,
      );
    await s.send('instructor', 'look.record', aLook(s));
    const first = await ask();
    expect([first.whose, first.marks.length]).toEqual([null, 1]);
    const later = new Date(Date.now() + 3_600_000);
    expect(await ask(later)).toMatchObject({ whose: [], marks: [] });
    await t.owner.query(`update change set looked_at = looked_at - interval '1 hour' where of = $1`, [s.student]);
    await s.send('instructor', 'look.record', aLook(s, { studentId: other }));
    const second = await ask(new Date(Date.now() - 60_000));
    expect([second.whose, second.marks.map((m) => m.studentId)]).toEqual([[other], [other]]);
    expect(withNewer(first.marks, second)).toEqual((await ask()).marks);
    expect(withNewer(first.marks, { whose: [], marks: [] })).toBe(first.marks);
    expect(withNewer(first.marks, { whose: [s.student], marks: [] })).toEqual([]);
  });

  it('shows what others marked, and by whom', async () => {
    const s = await smallSchool(t, 'Others');
    await Promise.all(seen(s, DAY, 4));
    const asked = { techniqueId: s.stance };
    const by = async (who: 'head' | 'instructor') =>
      (await runView(t.db, s.as[who], 'earlierMarks', asked, NOW)).marks.map((m) => m.by);
    expect(await by('head')).toEqual(['Others instructor', 'Others instructor']);
    expect(await by('instructor')).toEqual([null, null]);
  });
});

describe('the order of the line', () => {
  it('goes to every tablet as the last classes stood, the newest first', async () => {
    const s = await smallSchool(t, 'Stood');
    const [a, b] = [s.student, s.as.student.personId];
    const kit = async () => upon(null, await runView(t.db, s.as.instructor, 'lookKit', {}, NOW))!.kit;
    expect((await kit()).stood).toEqual([]);
    const id = v7();
    await s.send('instructor', 'class.record', { id, day: addDays(DAY, -2), minutes: 60, present: [a, b] });
    await s.send('head', 'class.record', { id: v7(), day: DAY, minutes: 60, present: [b] });
    expect((await kit()).stood).toEqual([[b], [a, b]]);
    await s.send('instructor', 'class.record', { id, day: addDays(DAY, -2), minutes: 60, present: [b, a] });
    expect((await kit()).stood[1]).toEqual([b, a]);
  });
});
