import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { addDays } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { gradingSteps, told } from '../testing/grading';
import { DAY, NOW, smallSchool, usualRule, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
});
beforeEach(async () => {
  s = await smallSchool(t, `Midterm ${v7().slice(-6)}`);
});
afterAll(() => t.drop());

const { write, handIn, decide, close } = gradingSteps(() => s);
const page = () => runView(t.db, s.as.head, 'student', { id: s.student }, NOW);

describe('other kinds of grading', () => {
  it('a midterm shows its items alone, is not aimed at, and gives no belt and no certificate', async () => {
    const [id, item] = [v7(), `t:${s.stance}`];
    const made = { id, title: 'Midterm', hallId: null, panel: [s.as.head.personId], rule: usualRule(), answerBy: DAY };
    await s.send('head', 'grading.save', { ...made, day: addDays(DAY, 20), items: [item] });
    const aimedAt = async () =>
      (await t.owner.query('select day::text from grading_day where school_id = $1 order by day', [s.id])).rows.map(
        (r: { day: string }) => r.day,
      );
    expect(await aimedAt()).not.toContain(addDays(DAY, 20));
    expect((await runView(t.db, s.as.head, 'gradings', {}, NOW)).items.map((i) => i.id)).toContain(item);
    await s.send('head', 'grading.put', { gradingId: id, studentId: s.student, rankId: s.ranks[1]!, reason: null });
    // Gates are for belts.
    const { candidates } = await runView(t.db, s.as.head, 'grading', { id }, NOW);
    expect(candidates).toMatchObject([{ asked: 1, shut: [], chance: null }]);
    expect((await page()).invited).toMatchObject([{ midterm: false }, { midterm: true, answerBy: DAY }]);
    await s.send('head', 'grading.save', { ...made, day: addDays(DAY, -1), items: [`t:${v7()}`], version: 1 });
    expect((await runView(t.db, s.as.head, 'examine', { id }, NOW)).candidates[0]!.items).toEqual([]);
    await s.send('head', 'grading.save', { ...made, day: addDays(DAY, -1), items: [item], version: 2 });
    await write('head', 'HHHHH', { gradingId: id });
    await handIn('head', id);
    await decide('the belt', { gradingId: id, sentence: 'It stands.' });
    await close(id);
    const after = await page();
    expect([after.student.rank.id, after.certificates.length]).toEqual([s.ranks[0], 1]);
    expect(after.graded).toMatchObject({ midterm: true, result: 'the belt', sentence: 'It stands.' });
    expect((await runView(t.db, s.as.head, 'studentLooks', { id: s.student }, NOW)).looks).toHaveLength(2);
    const history = await runView(t.db, s.as.head, 'gradingHistory', {}, NOW);
    expect([history.gradings, history.belts]).toMatchObject([[{ midterm: true, went: 1, passed: 1 }], []]);
  });

  it('a grading that moves to another day takes along what looks aim at', async () => {
    const id = v7();
    const made = { id, title: 'Moves', hallId: null, panel: [s.as.head.personId], rule: usualRule(), items: null };
    const on = (day: string, version?: number) =>
      s.send('head', 'grading.save', { ...made, answerBy: null, day, ...(version ? { version } : {}) });
    await on(addDays(DAY, 30));
    await on(addDays(DAY, 37), 1);
    const { rows } = await t.owner.query<{ day: string }>(
      'select day::text from grading_day where school_id = $1 and day >= $2',
      [s.id, DAY],
    );
    expect(rows.map((r) => r.day)).toEqual([addDays(DAY, 37)]);
  });

  it('marks out of ten are read as words, and measures come into the record as measures', async () => {
    const id = v7();
    const rule = { ...usualRule(), scale: { outOf: 10, stands: 7, nearly: 5 } };
    const made = { id, title: 'In marks', day: addDays(DAY, -1), hallId: null, panel: [s.as.head.personId] };
    await s.send('head', 'grading.save', { ...made, rule, items: null, answerBy: null });
    await s.send('head', 'grading.put', { gradingId: id, studentId: s.student, rankId: s.ranks[1]!, reason: null });
    const { candidates: asked, scale } = await runView(t.db, s.as.head, 'examine', { id }, NOW);
    expect(scale).toEqual(rule.scale);
    const measured = asked[0]!.items[0]!.points.find((p) => p.id === s.points.measured)!.measured!;
    const value = measured.accepted.lo;
    const marks = [
      { pointId: s.points.measured, side: 'left' as const, reps: 'HHU', values: [value, value, null] },
      { pointId: s.points.measured, side: 'right' as const, reps: 'HHH', values: [value, null, value] },
    ];
    expect(await told(write('head', 'HHHHH', { gradingId: id, mark: 11 }))).toBe('Marks go from 0 to 10 here.');
    expect(await told(write('head', 'HHHHH', { mark: 7 }))).toBe('This grading goes by words, not by marks.');
    await write('head', '', { gradingId: id, mark: 6, marks });
    await handIn('head', id);
    const { candidates } = await runView(t.db, s.as.head, 'panel', { id }, NOW);
    expect(candidates[0]!.rule.items.map((i) => i.word)).toEqual(['nearly']);
    expect(candidates[0]!.tallies).toMatchObject([{ mark: 6, held: 5, seen: 5 }]);
    await decide('the belt, with a note', { gradingId: id });
    await close(id);
    // Measured each time it is a measure; where one was by eye, it was seen.
    const { rows } = await t.owner.query<{ side: string; kind: string; values: number[] | null; held: number }>(
      `select l.side, m.kind, m.values, m.held from look l join mark m on m.look_id = l.id
       where l.student_id = $1 and l.purpose = 'show' order by l.side`,
      [s.student],
    );
    expect(rows).toEqual([
      { side: 'left', kind: 'measured', values: [value, value], held: 0 },
      { side: 'right', kind: 'seen', values: null, held: 3 },
    ]);
  });

  it('what rests on the day, and only then, stands on the sheets and keeps partners away', async () => {
    const injury = { studentId: s.student, from: addDays(DAY, -20) };
    const heel = { ...injury, id: v7(), what: 'left heel', until: addDays(DAY, -2) };
    const rests = async () => {
      const { candidates } = await runView(t.db, s.as.examiner, 'examine', { id: s.grading }, NOW);
      const day = await runView(t.db, s.as.head, 'runSheet', { id: s.grading }, NOW);
      return [candidates[0]!.items[0]!.rests, day.candidates[0]!.rests];
    };
    // Healed the day before the grading.
    await s.send('head', 'injury.record', heel);
    expect(await rests()).toEqual([null, []]);
    await s.send('head', 'injury.record', { ...heel, id: v7(), until: DAY });
    const [part, whole] = await rests();
    expect(part).toMatchObject({ points: [s.points.seen], said: expect.stringContaining('left heel') as unknown });
    expect(whole).toEqual([]);
    await s.send('head', 'injury.record', { ...injury, id: v7(), what: 'no training', until: DAY });
    expect((await rests())[1]).toEqual([s.requirement]);
  });
});
