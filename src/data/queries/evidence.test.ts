import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addDays, gatherEvidence, rangesFor, type Evidence, type Look, type Side } from '../../core';
import { inSchool } from '../connection';
import { generateDemo } from '../demo/generate';
import { writeSchool } from '../demo/write/school';
import { makeDatabase, type TestDatabase } from '../testing/database';
import { readAttendance, readEvidence } from './evidence';
import { recordLooks } from './recordLooks';
import { restandAll, standingsAstray } from './standings';

const TODAY = '2026-03-05';
const made = generateDemo(TODAY, 3);
const some = made.students.slice(0, 6);
const mine = made.looks.filter((l) => some.some((s) => s.id === l.studentId));
// Corrections among them, as happen: a look replaced by another, and that one by a third.
for (let i = 0; i + 2 < 60; i += 3) {
  const [a, b, c] = [mine[i]!, mine[i + 1]!, mine[i + 2]!];
  if (a.studentId === b.studentId) b.replaces = a.id;
  if (b.studentId === c.studentId) c.replaces = b.id;
}
const schoolId = v7();
const ranges = rangesFor(
  made.techniques.flatMap((t) => t.points),
  new Map(),
);
let t: TestDatabase;

beforeAll(async () => {
  t = await makeDatabase();
  await inSchool(t.db, schoolId, (tx) => writeSchool(tx, schoolId, 'Evidence', { ...made, looks: mine }));
});
afterAll(() => t.drop());

const heldOf = (l: Look) => (l.marks[0] as { held: number }).held;

/** Everything that the judgement reads of evidence, in a form that can be compared. */
const plain = (evidence: Evidence) =>
  [...evidence]
    .map(([point, sides]) => [
      point,
      (['left', 'right', 'none'] as Side[]).map((s) => sides[s].map((e) => [e.day, e.at, e.conditionId, e.held, e.of])),
    ])
    .sort((a, b) => String(a[0]).localeCompare(String(b[0])));

describe('evidence from the database', () => {
  it('is what the core gathers from the same looks, for one student and for all', async () => {
    const all = await inSchool(t.db, schoolId, (tx) => readEvidence(tx, (_, point) => ranges.get(point)));
    for (const s of some) {
      const looks = mine.filter((l) => l.studentId === s.id);
      const ours = plain(gatherEvidence(looks, ranges));
      expect(ours.length).toBeGreaterThan(5);
      expect(plain(all.get(s.id)!)).toEqual(ours);
      const one = await inSchool(t.db, schoolId, (tx) => readEvidence(tx, (_, point) => ranges.get(point), [s.id]));
      expect([...one.keys()]).toEqual([s.id]);
      expect(plain(one.get(s.id)!)).toEqual(ours);
    }
  });

  it('forgets what cannot matter any more, and says so alike whether it was laid on look by look or made anew', async () => {
    const [student, technique] = [
      some[0]!.id,
      made.techniques.find((x) => x.sided && x.points.some((p) => p.kind === 'seen'))!,
    ];
    const pointId = technique.points.find((p) => p.kind === 'seen')!.id;
    const day = (i: number) => addDays(TODAY, -3000 + 30 * i);
    const looks = Array.from({ length: 100 }, (_, i): Look => ({
      id: v7(),
      techniqueId: technique.id,
      day: day(i),
      at: Date.parse(`${day(i)}T18:00:00Z`),
      conditionId: made.conditions[0]!.id,
      side: 'left',
      purpose: 'study',
      replaces: null,
      marks: [{ pointId, kind: 'seen', held: i % 11, of: 10 }],
    }));
    const read = async () => {
      const all = await inSchool(t.db, schoolId, (tx) => readEvidence(tx, (_, p) => ranges.get(p), [student]));
      return all
        .get(student)!
        .get(pointId)!
        .left.filter((e) => e.purpose === 'study');
    };
    for (const l of looks)
      await inSchool(t.db, schoolId, (tx) =>
        recordLooks(tx, schoolId, [
          {
            id: l.id,
            by: made.teachers[0]!.id,
            student_id: student,
            technique_id: l.techniqueId,
            condition_id: l.conditionId,
            day: l.day,
            at: new Date(l.at).toISOString(),
            side: l.side,
            purpose: l.purpose,
            marks: [{ point_id: pointId, kind: 'seen', held: heldOf(l), of: 10 }],
          },
        ]),
      );
    const expected = gatherEvidence(looks, ranges).get(pointId)!.left;
    expect(expected.length).toBeLessThan(40);
    expect(await read()).toEqual(expected);
    const length = await t.owner.query<{ n: number }>(
      `select length(entries) as n from standing where student_id = $1 and of = $2 and purpose = 'study'`,
      [student, pointId],
    );
    expect(length.rows[0]!.n).toBeLessThan(80 * 30);
    expect(await inSchool(t.db, schoolId, standingsAstray)).toEqual([]);
    await inSchool(t.db, schoolId, restandAll);
    expect(await read()).toEqual(expected);
  });

  it('judges a measured value by the range of the student asked', async () => {
    const narrow = await inSchool(t.db, schoolId, (tx) => readEvidence(tx, () => ({ lo: 1e9, hi: 2e9 })));
    const values = [...narrow.values()].flatMap((evidence) =>
      [...evidence].flatMap(([point, sides]) =>
        ranges.has(point) ? [...sides.left, ...sides.right, ...sides.none] : [],
      ),
    );
    expect(values.length).toBeGreaterThan(100);
    expect(values.filter((e) => e.held !== 0)).toEqual([]);
  });

  it('counts the classes everybody was in', async () => {
    const attendance = await inSchool(t.db, schoolId, (tx) => readAttendance(tx));
    for (const s of some) {
      const mineOnly = made.classes.filter((c) => c.present.includes(s.id));
      const read = attendance.get(s.id)!;
      expect(read).toHaveLength(mineOnly.length);
      expect(read.reduce((n, c) => n + c.minutes, 0)).toBe(mineOnly.reduce((n, c) => n + c.minutes, 0));
    }
  });
});
