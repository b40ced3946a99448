import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import type { CommandDraft } from '../../contracts/commands';
import type { Role } from '../../contracts/role';
import { addDays } from '../../core';
import { inSchool } from '../../data/connection';
import { standingsAstray } from '../../data/queries/standings';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { Refusal } from '../http/problem';
import { aLook, DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Strike');
});
afterAll(() => t.drop());

const page = (id = s.student) => runView(t.db, s.as.head, 'student', { id }, NOW);
const looksOf = (id = s.student) => runView(t.db, s.as.head, 'studentLooks', { id }, NOW);
const strike = (kind: CommandDraft<'record.strike'>['kind'], id: string, who: Role = 'head') =>
  s.send(who, 'record.strike', { kind, id, studentId: kind === 'class' ? null : s.student, reason: 'it was not so' });
const refusal = async (work: Promise<unknown>): Promise<string> => {
  const e = await work.then(
    () => null,
    (error: unknown) => error,
  );
  if (e instanceof Refusal) return e.title;
  throw new Error(`expected a refusal, got ${String(e)}`);
};
const seen = (held: number) => [{ pointId: s.points.seen, kind: 'seen' as const, held, of: 5 }];
const onLeft = async (id = s.student) => {
  const p = (await page(id)).requirements[0]!.points.find((x) => x.pointId === s.points.seen && x.side === 'left')!;
  return [p.held, p.of];
};

describe('what is struck of the record', () => {
  it('a look counts no longer; it stays readable with who struck it and why, and is struck once', async () => {
    const wrong = aLook(s, { marks: seen(0) });
    await s.send('instructor', 'look.record', wrong);
    expect(await onLeft()).toEqual([0, 5]);
    await strike('look', wrong.id, 'instructor');
    expect(await onLeft()).toEqual([0, 0]);
    const { looks, struck } = await looksOf();
    expect(looks.find((l) => l.id === wrong.id)).toMatchObject({ replaced: true, mends: false });
    expect(struck).toMatchObject([{ kind: 'look', reason: 'it was not so', by: 'Strike instructor', day: DAY }]);
    expect(struck[0]!.says).toMatch(/^Strike stance, left, 5 March, Strike instructor$/);
    expect(await refusal(strike('look', wrong.id))).toMatch(/struck it meanwhile/);
    // The student sees the page without it, and nothing of why.
    const own = await runView(t.db, s.as.guardian, 'studentLooks', { id: s.student }, NOW);
    expect(own.struck).toEqual([]);
  });

  it('marks are put right on the same day and hour; another teacher’s only by the head', async () => {
    const wrong = aLook(s, { marks: seen(5) });
    await s.send('head', 'look.record', wrong);
    const mend = (who: Role, more: Partial<CommandDraft<'look.mend'>> = {}) =>
      s.send(who, 'look.mend', {
        id: v7(),
        lookId: wrong.id,
        side: 'left',
        marks: seen(3),
        reason: 'we both saw it',
        ...more,
      });
    expect(await refusal(mend('instructor'))).toMatch(/another teacher’s/);
    expect(await refusal(mend('head', { reason: '' }))).toMatch(/./);
    await mend('head');
    expect(await onLeft()).toEqual([3, 5]);
    const { looks } = await looksOf();
    expect(looks.filter((l) => !l.replaced && l.marks.length > 0)).toMatchObject([{ day: wrong.day, mends: true }]);
    // A corrected measure takes the place of the first, it is not added.
    const measured = aLook(s, { marks: [{ pointId: s.points.measured, kind: 'measured', values: [10] }] });
    await s.send('head', 'look.record', measured);
    const values = [{ pointId: s.points.measured, kind: 'measured' as const, values: [60] }];
    await s.send('head', 'look.mend', {
      id: v7(),
      lookId: measured.id,
      side: 'left',
      marks: values,
      reason: 'misread',
    });
    const point = (await page()).requirements[0]!.points.find(
      (x) => x.pointId === s.points.measured && x.side === 'left',
    )!;
    expect([point.held, point.of]).toEqual([1, 1]);
  });

  it('a look of somebody else goes over to them, with its day', async () => {
    const other = s.as.student.personId;
    const wrong = aLook(s, { marks: seen(4), day: addDays(DAY, -1) });
    await s.send('head', 'look.record', wrong);
    const before = await onLeft();
    await s.send('head', 'look.move', { id: v7(), lookId: wrong.id, studentId: other, reason: 'the next in line' });
    expect(await onLeft(other)).toEqual([4, 5]);
    expect((await onLeft())[1]).toBe(before[1]! - 5);
    expect((await looksOf()).struck[0]!.reason).toBe('the next in line (it was Strike pupil)');
    expect((await looksOf(other)).looks[0]).toMatchObject({ day: addDays(DAY, -1), replaced: false });
    expect(await inSchool(t.db, s.id, standingsAstray)).toEqual([]);
  });

  it('a look that was entered on a later day says on which, and counts for the day on which it was seen', async () => {
    const late = aLook(s, { marks: seen(4), day: addDays(DAY, -3), at: `${DAY}T19:00:00.000Z` });
    await s.send('head', 'look.record', late);
    const one = (await looksOf()).looks.find((l) => l.id === late.id)!;
    expect(one).toMatchObject({ day: addDays(DAY, -3), later: DAY });
    const sameDay = aLook(s, { marks: seen(4), day: DAY, at: `${DAY}T19:00:00.000Z` });
    await s.send('head', 'look.record', sameDay);
    expect((await looksOf()).looks.find((l) => l.id === sameDay.id)).toMatchObject({ later: null });
  });

  it('a promotion of the wrong person goes back with the decision by which it was given, in whichever order', async () => {
    const given = { id: v7(), studentId: s.student, rankId: s.ranks[1]!, day: DAY, note: '' };
    await s.send('head', 'student.promote', given);
    const after = await page();
    expect([after.student.rank.name, after.decisions.map((d) => d.passed)]).toEqual(['Straw', [true]]);
    expect(await refusal(strike('promotion', given.id, 'instructor'))).toMatch(/Only a head/);
    await strike('promotion', given.id);
    const back = await page();
    expect([back.student.rank.name, back.next?.name, back.decisions, back.held.length]).toEqual([
      'White',
      'Straw',
      [],
      1,
    ]);
    expect(back.requirements.length).toBeGreaterThan(0);
    // By the decision: the belt comes with it, and goes with it.
    const decided = { ...given, id: v7(), passed: true };
    await s.send('head', 'outcome.record', decided);
    expect((await page()).student.rank.name).toBe('Straw');
    expect(await refusal(s.send('head', 'outcome.record', { ...decided, id: v7() }))).toMatch(/on record already/);
    await strike('decision', decided.id);
    expect((await page()).student.rank.name).toBe('White');
    const { results } = await runView(t.db, s.as.head, 'calibration', {}, NOW).then((v) => ({
      results: JSON.stringify(v),
    }));
    expect(results).not.toContain(decided.id);
    // The only belt somebody has is not struck.
    expect(await refusal(strike('promotion', back.held[0]!.id))).toMatch(/the only one on record/);
  });

  it('what did not pass is struck by itself; adaptation and consent give way to what stood before', async () => {
    const failed = { id: v7(), studentId: s.student, rankId: s.ranks[1]!, day: DAY, passed: false, note: '' };
    await s.send('head', 'outcome.record', failed);
    await strike('decision', failed.id);
    expect((await page()).decisions).toEqual([]);

    const [first, second] = [v7(), v7()];
    const agree = (id: string, rung: 'slow, soft hands' | null, day: string) =>
      s.send('head', 'consent.record', { id, studentId: s.student, rung, day, guardian: '' });
    await agree(first, 'slow, soft hands', addDays(DAY, -30));
    await agree(second, null, DAY);
    expect((await page()).consent).toMatchObject({ id: second, rung: null });
    await strike('consent', second);
    expect((await page()).consent).toMatchObject({ id: first, rung: 'slow, soft hands' });

    const own = { id: v7(), studentId: s.student, pointId: s.points.seen, from: DAY, range: null, share: null };
    await s.send('head', 'adaptation.write', { ...own, waived: true, reason: 'old injury' });
    expect((await page()).adaptations).toHaveLength(1);
    await strike('adaptation', own.id);
    expect((await page()).adaptations).toEqual([]);
    expect((await looksOf()).struck.map((x) => x.kind)).toEqual(
      expect.arrayContaining(['decision', 'consent', 'adaptation', 'promotion', 'look']),
    );
  });

  it('a class takes its hours back, and cannot be noted over afterwards', async () => {
    const id = v7();
    const held = { id, day: addDays(DAY, -2), minutes: 90, present: [s.student] };
    await s.send('instructor', 'class.record', held);
    const here = async () =>
      (await runView(t.db, s.as.head, 'roll', {}, NOW)).students.find((x) => x.id === s.student)!;
    expect((await here()).lastHere).toBe(held.day);
    await strike('class', id, 'instructor');
    expect((await here()).lastHere).not.toBe(held.day);
    expect(await refusal(s.send('instructor', 'class.record', held))).toBe(
      'This was struck: “it was not so”. Note it anew if it was right.',
    );
    // Of long ago only by the head.
    const old = { ...held, id: v7(), day: addDays(DAY, -200) };
    await s.send('instructor', 'class.record', old);
    expect(await refusal(strike('class', old.id, 'instructor'))).toMatch(/only a head instructor/);
    await strike('class', old.id);
  });

  it('practice is struck by whose it is, and by no other student', async () => {
    const entry = {
      id: v7(),
      studentId: s.student,
      day: DAY,
      minutes: 20,
      repetitions: 0,
      strikes: 0,
      hands: 'fine' as const,
      joints: 'fine' as const,
      what: '',
    };
    await s.send('guardian', 'practice.record', entry);
    expect(await refusal(strike('practice', entry.id, 'student'))).toMatch(/./);
    expect(await refusal(strike('practice', entry.id, 'instructor'))).toMatch(/./);
    expect((await page()).practice.list).toHaveLength(1);
    await strike('practice', entry.id, 'guardian');
    expect((await page()).practice.list).toEqual([]);
    expect(await refusal(strike('practice', entry.id, 'guardian'))).toMatch(/was struck already/);
  });

  it('another school’s things are not there to be struck', async () => {
    const away = await smallSchool(t, 'Away');
    const mine = aLook(s, { marks: seen(2) });
    await s.send('head', 'look.record', mine);
    const before = await onLeft();
    const cross = { kind: 'look' as const, id: mine.id, studentId: s.student, reason: 'from outside' };
    expect(await refusal(away.send('head', 'record.strike', cross))).toBe('There is no such look.');
    expect(await onLeft()).toEqual(before);
  });
});
