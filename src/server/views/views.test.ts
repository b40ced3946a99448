import { v7 } from 'uuid';
import { upon } from '../../contracts/kit';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { answerInWords, READINESS, type GateVerdict } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { aLook, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from './run';

let t: TestDatabase;
let s: SmallSchool;
const people: Record<string, string> = {};

/** Looks at all three points on both sides, one look a day and side. */
async function watch(name: string, days: readonly string[], held: number) {
  for (const day of days)
    for (const side of ['left', 'right'] as const)
      await s.send(
        'instructor',
        'look.record',
        aLook(s, {
          studentId: people[name]!,
          day,
          side,
          marks: [
            { pointId: s.points.seen, kind: 'seen', held, of: 5 },
            { pointId: s.points.measured, kind: 'measured', values: [60, 60, 60, 60, 60] },
            { pointId: s.points.felt, kind: 'felt', held: 5, of: 5 },
          ],
        }),
      );
}

beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Hall');
  for (const name of ['Ready', 'Gated', 'Almost', 'Slipping', 'New']) {
    people[name] = v7();
    const since = name === 'Gated' ? '2026-03-04' : '2025-06-01';
    await s.send('head', 'student.add', { id: people[name], name, born: null, rankId: s.ranks[0]!, since });
  }
  const days = ['2026-03-01', '2026-03-03'];
  await watch('Ready', days, 5);
  await watch('Gated', days, 5);
  await watch('Almost', days.slice(1), 5);
  await watch('Slipping', days, 1);
  const here = ['Ready', 'Almost', 'Slipping', 'New'].map((n) => people[n]!);
  for (let i = 1; i <= 7; i += 1)
    await s.send('head', 'class.record', { id: v7(), day: `2026-02-0${i}`, minutes: 90, present: here });
});
afterAll(() => t.drop());

describe('who is ready', () => {
  it('sorts everybody with the belt by what is missing, reasons to hand', async () => {
    const view = await runView(t.db, s.as.instructor, 'readiness', { rankId: s.ranks[0]! }, NOW);
    expect(view.next?.name).toBe('Straw');
    const row = (name: string) => view.rows.find((r) => r.name === name)!;
    expect(row('Ready')).toMatchObject({ words: ['met'], gates: ['met'], group: 'nothing missing', looks: 4 });
    expect(row('Gated')).toMatchObject({ words: ['met'], gates: ['short'], group: 'only a gate is shut' });
    expect(row('Almost')).toMatchObject({ words: ['close'], group: 'a look may settle it' });
    expect(row('Slipping')).toMatchObject({ words: ['short'], group: 'one thing slips' });
    expect(row('New')).toMatchObject({ words: ['unseen'], looks: 0 });
    const places = view.rows.map((r) => READINESS.indexOf(r.group));
    expect(places).toEqual([...places].sort((a, b) => a - b));
  });

  it('has nobody to judge at the highest belt, and says so', async () => {
    const view = await runView(t.db, s.as.head, 'readiness', { rankId: s.ranks[1]! }, NOW);
    expect([view.next, view.rows, view.requirements]).toEqual([null, [], []]);
  });
});

describe('the mat', () => {
  it('gets people, items and what is asked, and each student’s adaptations', async () => {
    await s.send('head', 'adaptation.write', {
      id: v7(),
      studentId: people['New']!,
      pointId: s.points.felt,
      from: '2026-03-01',
      range: null,
      share: null,
      waived: true,
      reason: 'cannot yet',
    });
    await s.send('head', 'adaptation.write', {
      id: v7(),
      studentId: people['New']!,
      pointId: s.points.measured,
      from: '2026-03-01',
      range: { lo: 40, hi: 70 },
      share: null,
      waived: false,
      reason: 'old knee',
    });
    const { kit } = upon(null, await runView(t.db, s.as.instructor, 'lookKit', {}, NOW))!;
    const me = kit.students.find((x) => x.name === 'New')!;
    expect(me.waived).toEqual([s.points.felt]);
    expect(me.adapted).toEqual({ [s.points.measured]: { range: { lo: 40, hi: 70 }, share: null } });
    expect(me.lastHere).toBe('2026-02-07');
    expect(kit.techniques.map((x) => x.points.map((p) => p.name))).toEqual([['rear heel', 'weight', 'stands firm']]);
    expect(kit.asked).toHaveLength(1);
  });

  it('shows the newest five marks of each person, point and side, without what was corrected', async () => {
    const id = people['New']!;
    const looks = Array.from({ length: 7 }, (_, i) =>
      aLook(s, {
        studentId: id,
        at: new Date(NOW.getTime() + i * 1000).toISOString(),
        marks: [{ pointId: s.points.seen, kind: 'seen', held: i, of: 7 }],
      }),
    );
    for (const l of looks) await s.send('instructor', 'look.record', l);
    await s.send('instructor', 'look.record', aLook(s, { studentId: id, replaces: looks[6]!.id, marks: [] }));
    const view = await runView(t.db, s.as.instructor, 'earlierMarks', { techniqueId: s.stance }, NOW);
    const mine = view.marks.filter((m) => m.studentId === id && m.pointId === s.points.seen);
    expect(mine.map((m) => m.held)).toEqual([5, 4, 3, 2, 1]);
    const measured = view.marks.filter((m) => m.pointId === s.points.measured);
    expect(measured.every((m) => m.held === 5 && m.of === 5)).toBe(true);
  });
});

describe('the library', () => {
  it('tells how a point went lately, and where a technique is asked', async () => {
    const view = await runView(t.db, s.as.instructor, 'technique', { id: s.stance }, NOW);
    expect(view.lately[s.points.measured]?.values).toHaveLength(60);
    expect(view.lately[s.points.felt]).toMatchObject({ held: 70, of: 70 });
    expect(view.usedBy.map((u) => [u.rank.name, u.condition])).toEqual([['Straw', 'in air']]);
    const all = await runView(t.db, s.as.instructor, 'techniques', {}, NOW);
    expect(all.techniques[0]).toMatchObject({ points: 3, critical: 0, usedBy: [s.ranks[1]] });
    const syllabus = await runView(t.db, s.as.instructor, 'syllabus', {}, NOW);
    expect(syllabus.ranks.map((r) => r.wornBy)).toEqual([7, 0]);
  });

  it('shows a stance’s points wherever the stance is used, saying whose they are', async () => {
    const id = v7();
    await s.send('instructor', 'technique.save', {
      id,
      name: 'Punch',
      kind: 'strike',
      summary: '',
      sided: true,
      stanceId: s.stance,
      stepId: null,
      points: [],
    });
    const view = await runView(t.db, s.as.instructor, 'technique', { id }, NOW);
    expect(view.points.map((p) => [p.name, p.from?.name])).toEqual([
      ['rear heel', 'Hall stance'],
      ['weight', 'Hall stance'],
      ['stands firm', 'Hall stance'],
    ]);
  });
});

describe('the answer in one sentence', () => {
  const r = (word: string, name: string) => ({ word, name });
  const gate = (kind: 'hours' | 'age', missing: number | null): GateVerdict => ({
    gate: { id: 'g', kind, amount: 10 },
    word: 'short',
    has: 1,
    missing,
    opens: null,
  });

  it('says what slips, what waits for a look, and what time alone brings', () => {
    expect(answerInWords([r('met', 'Fist')], [])).toBe('Nothing is missing.');
    expect(answerInWords([], [])).toBe('This belt asks for nothing yet.');
    expect(answerInWords([r('short', 'Front kick'), r('unseen', 'Cover')], [gate('hours', 8)])).toBe(
      'Steadier work in front kick; a look at cover; and 8 hours of class.',
    );
    expect(answerInWords([r('stale', 'Fist'), r('unseen', 'Cover')], [gate('age', 1), gate('hours', 0.5)])).toBe(
      'Looks at fist and cover; and 1 year of age and 0.5 hours of class.',
    );
    expect(
      answerInWords(
        ['A', 'B', 'C', 'D'].map((x) => r('short', x)),
        [gate('age', null)],
      ),
    ).toBe('Steadier work in a, b, c and 1 more; and a date of birth.');
  });
});
