import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ALL_FINE, LOAD_AS_DELIVERED, type LimbSaid } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { Refusal } from '../http/problem';
import { practised } from '../testing/inputs';
import { DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());

const done = (count: number, side: 'left' | 'right' = 'right', said: Partial<LimbSaid> | null = {}) => ({
  id: v7(),
  blow: 'straight' as const,
  side,
  surface: 'post',
  count,
  said: said && { ...ALL_FINE, ...said },
});
const why = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (e: unknown) => {
      if (e instanceof Refusal) return `${e.status} ${e.message}`;
      throw e;
    },
  );
const bornAt = (s: SmallSchool, born: string) =>
  s.send('head', 'student.change', { id: s.student, name: 'A pupil', born });
const page = (s: SmallSchool, who: 'head' | 'guardian' | 'student' = 'head', id = s.student) =>
  runView(t.db, s.as[who], 'load', { id }, NOW);
const record = (
  s: SmallSchool,
  list: ReturnType<typeof done>[],
  day = DAY,
  who: 'instructor' | 'student' = 'instructor',
) =>
  s.send(who, 'load.record', {
    studentId: who === 'student' ? s.as.student.personId : s.student,
    day,
    place: 'hall',
    done: list,
  });

describe('strikes', () => {
  it('are refused under sixteen, and for a minor until the guardian said yes; what hands say is always taken', async () => {
    const s = await smallSchool(t, 'Young');
    await bornAt(s, '2014-05-01');
    expect(await why(record(s, [done(20)]))).toBe('409 A: Soft targets only: from 16 years on, 1 May 2030.');
    expect(await why(record(s, [done(0, 'right', { skin: 'open' })]))).toBe('done');
    const log = (strikes: number) => why(s.send('guardian', 'practice.record', { ...practised(s.student), strikes }));
    expect(await log(20)).toMatch(/^409 A: Soft targets only/);
    expect(await log(0)).toBe('done');
    await bornAt(s, '2009-05-01');
    expect(await why(record(s, [done(20, 'left')]))).toBe('409 A: The guardian is asked first.');
    await s.send('guardian', 'load.agree', { id: v7(), studentId: s.student, agreed: true, guardian: '' });
    expect((await page(s)).agreed).toMatchObject({ agreed: true, guardian: 'Young guardian' });
    expect(await why(record(s, [done(20, 'left')]))).toBe('done');
    await s.send('guardian', 'load.agree', { id: v7(), studentId: s.student, agreed: false, guardian: '' });
    expect(await why(record(s, [done(20, 'left')]))).toBe('409 A: The guardian is asked first.');
    expect(await why(record(s, [done(1)], '2027-01-01'))).toMatch(/^422 The day is not in the future/);
  });

  it('a student writes down their own and sees their own, nobody another’s; a guardian that of the child', async () => {
    const s = await smallSchool(t, 'Own');
    expect(await why(record(s, [done(20)], DAY, 'student'))).toMatch(/^409|^done/);
    const other = s.send('student', 'load.record', {
      studentId: s.student,
      day: DAY,
      place: 'home',
      done: [done(0)],
    });
    expect(await why(other)).toMatch(/^403/);
    expect(await why(page(s, 'student'))).toMatch(/^403/);
    expect(await why(page(s, 'student', s.as.student.personId))).toBe('done');
    expect((await page(s, 'guardian')).can).toEqual({
      lift: false,
      agree: expect.any(Boolean) as boolean,
      strike: true,
    });
  });

  it('a stop empties tonight’s post, stands on the mat and in the list; the head lifts it with a reason', async () => {
    const s = await smallSchool(t, 'Stop');
    await bornAt(s, '1990-01-01');
    await record(s, [done(20), done(20, 'left')], '2026-03-01');
    const strikes = async () => {
      const kit = await runView(t.db, s.as.instructor, 'lookKit', {}, NOW);
      return kit.students.find((x) => x.id === s.student)!;
    };
    expect((await strikes()).strikes).toEqual({ says: 'Right 20; left 20.', any: true });
    await record(s, [done(0, 'right', { joints: 'pain' }), done(0, 'left', { feeling: 'numb' })], '2026-03-03');
    const stopped = await strikes();
    expect(stopped.strikes).toMatchObject({ any: false });
    expect(stopped.resting.map((r) => [r.what, r.impact])).toEqual([
      ['pain in the right hand', 'hands'],
      ['left hand numb', 'hands'],
    ]);
    const list = await runView(t.db, s.as.instructor, 'striking', {}, NOW);
    expect(list.students.find((x) => x.id === s.student)!.next.every((n) => n.number === 0)).toBe(true);
    for (const side of ['right', 'left'] as const)
      await s.send('head', 'load.allow', {
        id: v7(),
        studentId: s.student,
        ladder: 'hand',
        side,
        what: 'lifted',
        reason: 'a doctor has seen both',
      });
    // It was lifted today, after what was said.
    expect((await strikes()).strikes).toMatchObject({ any: true });
    expect((await page(s)).lifts).toHaveLength(2);
  });

  it('an entry that was wrong is struck; one that stops the work by the head alone', async () => {
    const s = await smallSchool(t, 'Wrong');
    await bornAt(s, '1990-01-01');
    const me = s.as.student.personId;
    const open = done(0, 'right', { skin: 'open' });
    await record(s, [open], DAY, 'student');
    const swollen = done(0, 'left', { swelling: 'swollen' });
    await record(s, [swollen], DAY, 'student');
    const log = { ...practised(me), hands: 'skin open' as const };
    await s.send('student', 'practice.record', log);
    for (const [id, kind] of [
      [swollen.id, 'load'],
      [log.id, 'practice'],
    ] as const)
      expect(
        await why(s.send('student', 'record.strike', { id, kind, studentId: me, reason: 'it is nothing' })),
      ).toMatch(/^403 What stops the work/);
    for (const [id, kind] of [
      [swollen.id, 'load'],
      [log.id, 'practice'],
    ] as const)
      await s.send('head', 'record.strike', { id, kind, studentId: me, reason: 'somebody else’s' });
    const strike = (who: 'student' | 'head') =>
      s.send(who, 'record.strike', { id: open.id, kind: 'load', studentId: me, reason: 'the other hand' });
    expect(await why(strike('student'))).toMatch(/^403 What stops the work/);
    expect(await why(strike('head'))).toBe('done');
    expect((await page(s, 'head', me)).entries).toEqual([]);
  });

  it('the school’s rule is kept within bounds that leave the caution in place', async () => {
    const s = await smallSchool(t, 'Rule');
    const rule = structuredClone(LOAD_AS_DELIVERED);
    await s.send('head', 'loadRule.set', { rule: { ...rule, fromAge: 18, openDays: 21 } });
    expect((await page(s)).rule).toMatchObject({ fromAge: 18, openDays: 21 });
    expect(await why(s.send('head', 'loadRule.set', { rule: { ...rule, openDays: 2 } }))).toMatch(/^422/);
    expect(await why(s.send('head', 'loadRule.set', { rule: { ...rule, fromAge: 9 } }))).toMatch(/^422/);
  });
});
