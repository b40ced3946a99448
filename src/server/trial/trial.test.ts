import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import type { Followed, Tried } from '../../contracts/trial';
import { ROLES, type Role } from '../../contracts/role';
import { addDays } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { Refusal } from '../http/problem';
import { aLook, DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';
import { tryCommand } from './trial';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Trial');
});
afterAll(() => t.drop());

const tried = (name: Tried, input: object, who: Role = 'head'): Promise<Followed> =>
  tryCommand(t.db, s.as[who], { name, input }, NOW);
const page = (id = s.student) => runView(t.db, s.as.head, 'student', { id }, NOW);
const strike = (kind: string, id: string, studentId: string | null = s.student) => ({
  kind,
  id,
  studentId,
  reason: 'it was not so',
});
/** Just enough days on both sides of everything asked, held. */
async function showEverything(studentId: string) {
  const looks = [];
  for (const back of [3, 1])
    for (const side of ['left', 'right'] as const) {
      const marks = [
        { pointId: s.points.seen, kind: 'seen' as const, held: 5, of: 5 },
        { pointId: s.points.measured, kind: 'measured' as const, values: [60, 60, 60, 60, 60] },
        { pointId: s.points.felt, kind: 'felt' as const, held: 5, of: 5 },
      ];
      const day = addDays(DAY, -back);
      const look = aLook(s, { studentId, marks, side, day, at: `${day}T18:00:00.000Z` });
      await s.send('instructor', 'look.record', look);
      looks.push(look);
    }
  return looks;
}

describe('what would follow', () => {
  it('is what does follow, word for word, and nothing is changed by asking', async () => {
    const looks = await showEverything(s.student);
    const before = await page();
    const last = looks.at(-1)!;
    const rows = async () => (await t.owner.query('select count(*)::int as n from look')).rows as unknown;
    const [written, input] = [await rows(), strike('look', last.id)];
    const { students, told } = await tried('record.strike', input);
    expect(told).toBe('Trial instructor');
    expect(await rows()).toEqual(written);
    expect(await page()).toEqual(before);
    await s.send('head', 'record.strike', input as never);
    const after = await page();
    const [was, now] = [before.requirements[0]!, after.requirements[0]!];
    expect(was.word).not.toBe(now.word);
    expect(students).toMatchObject([
      { id: s.student, verdicts: [{ item: was.name, was: was.word, now: now.word }], belt: null, looksStay: null },
    ]);
  });

  it('a belt goes back with the list it asks; looks since stay and are counted', async () => {
    const other = s.as.student.personId;
    const given = { id: v7(), studentId: other, rankId: s.ranks[1]!, day: addDays(DAY, -4), note: '' };
    await s.send('head', 'student.promote', given);
    await s.send('instructor', 'look.record', aLook(s, { studentId: other }));
    const { students } = await tried('record.strike', strike('promotion', given.id, other));
    expect(students).toMatchObject([
      { belt: { was: 'Straw', now: 'White' }, asked: { was: null, now: 'Straw' }, looksStay: 1, verdicts: [] },
    ]);
    expect((await page(other)).student.rank.name).toBe('Straw');
  });

  it('a class takes its hours from everybody who came', async () => {
    const id = v7();
    const both = [s.student, s.as.student.personId];
    await s.send('instructor', 'class.record', { id, day: DAY, minutes: 90, present: both });
    const { students } = await tried('record.strike', strike('class', id, null));
    expect(students.map((x) => x.id).sort()).toEqual([...both].sort());
    const one = students.find((x) => x.id === s.student)!;
    const gate = (await page()).gates.find((g) => g.id === s.gate)!;
    expect(one.gates.map((g) => g.was)).toContain(gate.has);
  });

  it('a look that was somebody else’s: both are told of', async () => {
    const wrong = aLook(s);
    await s.send('head', 'look.record', wrong);
    const other = s.as.student.personId;
    const { students, told } = await tried('look.move', {
      id: v7(),
      lookId: wrong.id,
      studentId: other,
      reason: 'not her',
    });
    expect(students.map((x) => x.id)).toEqual([s.student, other]);
    // It is the head's own.
    expect(told).toBeNull();
  });

  it('is refused as the command is: to whom, of what, and in which words', async () => {
    const look = aLook(s);
    await s.send('head', 'look.record', look);
    const refused = (work: Promise<unknown>) =>
      work.then(
        () => 'done',
        (e: unknown) => (e instanceof Refusal ? e.status : String(e)),
      );
    const by: Partial<Record<Role, unknown>> = {};
    for (const role of ROLES) by[role] = await refused(tried('record.strike', strike('look', look.id), role));
    expect(by).toEqual({ head: 'done', instructor: 403, examiner: 403, student: 403, guardian: 403 });
    expect(await refused(tried('record.strike', strike('look', v7())))).toBe(404);
    expect(await refused(tried('access.give' as Tried, {}))).toBe(422);
    const away = await smallSchool(t, 'Elsewhere');
    const from = tryCommand(t.db, away.as.head, { name: 'record.strike', input: strike('look', look.id) }, NOW);
    expect(await refused(from)).toBe(404);
  });
});

it('whoever took a look is told that another put it right', async () => {
  const look = aLook(s);
  await s.send('instructor', 'look.record', look);
  await s.send('head', 'record.strike', { ...strike('look', look.id), reason: 'not her' } as never);
  const mine = await runView(t.db, s.as.instructor, 'classes', {}, NOW);
  const told = mine.putRight.find((p) => p.id === look.id);
  expect(told).toMatchObject({ studentId: s.student, reason: 'not her', by: 'Trial head' });
  expect((await runView(t.db, s.as.instructor, 'shell', {}, NOW)).putRight).toBe(mine.putRight.length);
  expect((await runView(t.db, s.as.head, 'classes', {}, NOW)).putRight).toEqual([]);
});
