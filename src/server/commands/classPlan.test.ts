import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import type { LookKitView } from '../../contracts/views';
import { beginRun, onwards, type Run } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import type { SignedIn } from '../auth/auth';
import { aPlan, DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Evening');
});
afterAll(() => t.drop());

const as = (role: 'head' | 'instructor'): SignedIn => s.as[role];
const kit = async (): Promise<LookKitView> => {
  const answer = await runView(t.db, as('instructor'), 'lookKit', {}, NOW);
  return { ...(answer.parts as LookKitView), students: answer.students };
};
const where = (id: string) => runView(t.db, as('instructor'), 'classRun', { id }, NOW);
const T0 = NOW.getTime();
const sendable = (run: Run) => ({ ...run, spent: [...run.spent] });

describe('the plan of a class', () => {
  it('is kept, taken along to the mat, and not written over unseen', async () => {
    const id = v7();
    const plan = aPlan();
    await s.send('instructor', 'classPlan.save', { id, day: DAY, hallId: null, plan });
    expect((await kit()).plans!.find((p) => p.id === id)).toMatchObject({ day: DAY, plan, run: null, version: 1 });
    await s.send('head', 'classPlan.save', { id, day: DAY, hallId: null, plan: { ...plan, minutes: 75 }, version: 1 });
    await expect(
      s.send('instructor', 'classPlan.save', { id, day: DAY, hallId: null, plan, version: 1 }),
    ).rejects.toMatchObject({ status: 409, more: { meanwhile: { version: 2, by: 'Evening head' } } });
  });

  it('stays when its class has begun; before that it may go', async () => {
    const id = v7();
    const plan = aPlan();
    await s.send('instructor', 'classPlan.save', { id, day: DAY, hallId: null, plan });
    await s.send('instructor', 'class.run', { id, run: sendable(beginRun(plan, T0, T0 + 1)) });
    await expect(s.send('instructor', 'classPlan.remove', { id })).rejects.toMatchObject({ status: 409 });
    const other = v7();
    await s.send('instructor', 'classPlan.save', { id: other, day: DAY, hallId: null, plan: aPlan() });
    await s.send('instructor', 'classPlan.remove', { id: other });
    await expect(where(other)).rejects.toMatchObject({ status: 404 });
  });

  it('keeps its clock as the device says that has seen more, whoever tells it last', async () => {
    const id = v7();
    const plan = aPlan();
    await s.send('head', 'classPlan.save', { id, day: DAY, hallId: null, plan });
    const begun = beginRun(plan, T0, T0 + 90 * 60_000);
    const on = onwards(plan, begun, T0 + 60_000);
    await s.send('head', 'class.run', { id, run: sendable(on) });
    await s.send('instructor', 'class.run', { id, run: sendable(begun) });
    expect(await where(id)).toMatchObject({ run: { block: plan.blocks[1]!.id, changes: 2 }, now: T0, closed: false });
    await s.send('head', 'class.close', { id, note: 'Heels better.' });
    expect(await where(id)).toMatchObject({ closed: true });
    expect((await kit()).plans!.find((p) => p.id === id)).toMatchObject({ note: 'Heels better.', closed: true });
  });

  it('loses its hall when the hall goes, and refuses one that is not there', async () => {
    const [hallId, id] = [v7(), v7()];
    await s.send('head', 'hall.save', { id: hallId, name: 'Boat shed', width: 9, depth: 6 });
    await s.send('head', 'classPlan.save', { id, day: DAY, hallId, plan: aPlan() });
    await s.send('head', 'hall.remove', { id: hallId });
    expect((await kit()).plans!.find((p) => p.id === id)!.hallId).toBeNull();
    await expect(s.send('head', 'classPlan.save', { id: v7(), day: DAY, hallId, plan: aPlan() })).rejects.toMatchObject(
      { status: 409 },
    );
  });

  it('says where it is wrong', async () => {
    const plan = aPlan();
    const twice = { ...plan, blocks: [plan.blocks[0]!, plan.blocks[0]!] };
    await expect(
      s.send('head', 'classPlan.save', { id: v7(), day: DAY, hallId: null, plan: twice }),
    ).rejects.toMatchObject({ status: 422 });
  });
});

describe('who worked with whom', () => {
  const agree = (studentId: string, rung: 'slow, soft hands' | 'slow, with checks' | null, guardian = '') =>
    s.send('head', 'consent.record', { id: v7(), studentId, rung, day: DAY, guardian });
  const told = (pair: { rung?: number; first?: string }, day = DAY, blockId = v7()) =>
    s.send('instructor', 'pairs.record', {
      classId: s.plan,
      blockId,
      day,
      round: 1,
      pairs: [{ id: v7(), a: s.student, b: s.as.student.personId, c: null, rung: 1, first: s.student, ...pair }],
    });

  it('is never above anybody’s own yes: not without one, not without the guardian’s, not after a refusal', async () => {
    await expect(told({})).rejects.toMatchObject({ status: 409 });
    await agree(s.student, 'slow, with checks');
    // The other is thirteen: a yes without a guardian does not count.
    await agree(s.as.student.personId, 'slow, soft hands');
    await expect(told({})).rejects.toMatchObject({ status: 409 });
    await agree(s.as.student.personId, 'slow, soft hands', 'Aunt Petra');
    await expect(told({ rung: 2 })).rejects.toMatchObject({
      status: 409,
      message: expect.stringContaining('rung 1') as string,
    });
    await told({ rung: 1 });
    await agree(s.as.student.personId, null);
    await expect(told({ rung: 1 })).rejects.toMatchObject({ status: 409 });
    // Without contact nobody's yes is needed.
    await told({ rung: 0 });
    await agree(s.as.student.personId, 'slow, soft hands', 'Aunt Petra');
  });

  it('keeps apart who is kept apart, and tells a teacher that, not why or by whom', async () => {
    const id = v7();
    await s.send('head', 'partners.say', {
      id,
      a: s.student,
      b: s.as.student.personId,
      kind: 'apart',
      why: 'a quarrel',
    });
    await expect(told({})).rejects.toMatchObject({
      status: 409,
      message: expect.stringContaining('do not work together') as string,
    });
    const seen = await kit();
    expect(seen.pairing!.apart).toEqual([[s.student, s.as.student.personId].sort()]);
    expect(JSON.stringify(seen)).not.toContain('quarrel');
    const page = (role: 'head' | 'instructor') => runView(t.db, s.as[role], 'student', { id: s.student }, NOW);
    expect((await page('instructor')).partners).toMatchObject([{ kind: 'apart', said: null, mine: false }]);
    expect((await page('head')).partners).toMatchObject([{ said: { why: 'a quarrel' }, mine: true }]);
    // Neither the two nor their guardians see it.
    const own = await runView(t.db, s.as.guardian, 'student', { id: s.student }, NOW);
    expect([own.partners, own.classmates]).toEqual([[], []]);
    await expect(s.send('instructor', 'partners.end', { id })).rejects.toMatchObject({ status: 404 });
    await s.send('head', 'partners.end', { id });
    expect((await kit()).pairing!.apart).toEqual([]);
    await told({});
  });

  it('counts as lately from the next evening on, a round that is told again once', async () => {
    const blockId = v7();
    const before = '2026-02-26';
    await agree(s.student, 'slow, with checks');
    await told({ rung: 0 }, before, blockId);
    await told({ rung: 0, first: s.as.student.personId }, before, blockId);
    const { recent, first } = (await kit()).pairing!;
    expect(recent).toEqual([
      {
        a: [s.student, s.as.student.personId].sort()[0],
        b: [s.student, s.as.student.personId].sort()[1],
        times: 1,
        last: before,
      },
    ]);
    expect(first).toEqual({ [s.as.student.personId]: 1 });
  });
});

describe('who came late', () => {
  it('has hours by the minute, and keeps them when another device notes the class', async () => {
    const id = v7();
    await s.send('head', 'classPlan.save', { id, day: DAY, hallId: null, plan: aPlan() });
    const note = (more: object) =>
      s.send('instructor', 'class.record', {
        id,
        day: DAY,
        minutes: 90,
        present: [s.student],
        openedAt: `${DAY}T18:30:00.000Z`,
        joins: true,
        ...more,
      });
    await note({ times: { [s.student]: { came: 18 * 60 + 50, went: null } } });
    await note({});
    const student = await runView(t.db, as('head'), 'student', { id: s.student }, NOW);
    expect(JSON.stringify(student.gates)).toContain('1.2');
  });
});
