import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addDays } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { lookingSteps } from '../testing/looking';
import { DAY, NOW, smallSchool } from '../testing/school';
import { runView } from './run';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());
const { page, seen } = lookingSteps(() => t);

describe('chance, calibration and outcomes', () => {
  it('a chance is shown only from enough looks, with their number', async () => {
    const s = await smallSchool(t, 'Chance');
    await Promise.all(seen(s, '2026-03-01', 5));
    expect(await page(s)).toMatchObject({ chance: null });
    for (let i = 1; i <= 4; i += 1) await Promise.all(seen(s, addDays(DAY, -i), 5));
    const { chance } = await page(s);
    expect(chance).toMatchObject({ correctedBy: 0 });
    expect(chance!.looks).toBeGreaterThanOrEqual(5);
    expect(chance!.lo <= chance!.chance && chance!.chance <= chance!.hi).toBe(true);
    const list = await runView(t.db, s.as.instructor, 'chances', { rankId: s.ranks[0]! }, NOW);
    expect(list.rows.map((r) => r.studentId)).toEqual([s.student]);
    const all = await runView(t.db, s.as.instructor, 'everybody', {}, NOW);
    expect(all.rows.find((r) => r.id === s.student)!.first).not.toBe('');
  });

  it('keeps what was believed on the day of a decision, and says that few decisions say little', async () => {
    const s = await smallSchool(t, 'Decided');
    for (let i = 20; i <= 26; i += 2) await Promise.all(seen(s, addDays(DAY, -i), 5));
    await Promise.all(seen(s, DAY, 0));
    const decide = { studentId: s.student, rankId: s.ranks[1]!, note: '' };
    await s.send('head', 'outcome.record', { ...decide, id: v7(), day: addDays(DAY, -10), passed: true });
    await s.send('head', 'outcome.record', { ...decide, id: v7(), day: addDays(DAY, -40), passed: false });
    const rows = await t.owner.query<{ day: string; chance: number | null }>(
      `select day::text, chance from outcome where school_id = $1 order by day`,
      [s.id],
    );
    // Nobody had been watched forty days ago.
    expect(rows.rows[0]!.chance).toBeNull();
    expect(rows.rows[1]!.chance).not.toBeNull();
    const view = await runView(t.db, s.as.head, 'calibration', {}, NOW);
    expect(view).toMatchObject({ gradings: null, gradingCount: 1, looks: null, forecasts: null });
    expect(view.recent.map((r) => [r.passed, r.words === null])).toEqual([
      [true, false],
      [false, true],
    ]);
    await expect(
      s.send('head', 'outcome.record', { ...decide, id: v7(), day: addDays(DAY, 2), passed: true }),
    ).rejects.toThrow(/not in the future/);
  });
});

describe('what was believed before', () => {
  it('a word of the head does not reach back before the day on which it was said', async () => {
    const s = await smallSchool(t, 'Believed');
    for (let i = 20; i <= 28; i += 2) await Promise.all(seen(s, addDays(DAY, -i), 3));
    const decided = async () => {
      const id = v7();
      await s.send('head', 'outcome.record', {
        id,
        studentId: s.student,
        rankId: s.ranks[1]!,
        day: addDays(DAY, -10),
        passed: false,
        note: '',
      });
      const { rows } = await t.owner.query<{ chance: number }>(`select chance from outcome where id = $1`, [id]);
      return rows[0]!.chance;
    };
    const before = await decided();
    expect(before).toBeGreaterThan(0);
    await s.send('head', 'override.set', {
      id: v7(),
      studentId: s.student,
      requirementId: s.requirement,
      word: 'met',
      reason: 'Seen at the summer camp.',
    });
    expect(await decided()).toBeCloseTo(before, 6);
  });
});
