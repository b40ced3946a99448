import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { Refusal } from '../http/problem';
import { aLook, DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Hall');
});
afterAll(() => t.drop());

const count = async (table: string) =>
  Number(
    (await t.owner.query<{ n: string }>(`select count(*) as n from ${table} where school_id = $1`, [s.id])).rows[0]!.n,
  );
const refused = async (work: Promise<unknown>): Promise<Refusal> => {
  const error = await work.then(
    () => null,
    (e: unknown) => e,
  );
  if (error instanceof Refusal) return error;
  throw new Error(`expected a refusal, got ${String(error)}`);
};
const page = (id = s.student, on = NOW) => runView(t.db, s.as.head, 'student', { id }, on);

describe('the door for writes', () => {
  it('does the same id once and answers the same, also when both come at once', async () => {
    const before = await count('look');
    const input = aLook(s);
    const id = v7();
    const answers = await Promise.all([1, 2, 3].map(() => s.send('instructor', 'look.record', input, id)));
    expect(new Set(answers.map((a) => JSON.stringify(a))).size).toBe(1);
    await s.send('instructor', 'look.record', input, id);
    expect(await count('look')).toBe(before + 1);
  });

  it('writes who did what and when to the history, without passwords', async () => {
    await s.send('head', 'access.give', {
      personId: s.student,
      email: 'other@example.org',
      password: 'never-in-the-history',
    });
    const { rows } = await t.owner.query<{ command: string; by: string; input: { password: string | null } }>(
      `select command, by, input from history where school_id = $1 order by done_at desc limit 1`,
      [s.id],
    );
    expect(rows[0]).toMatchObject({
      command: 'access.give',
      by: s.as.head.personId,
      input: { email: 'other@example.org', password: null },
    });
    const all = await t.owner.query<{ all: string }>(`select string_agg(h::text, '') as all from history h`);
    expect(all.rows[0]!.all).not.toContain('never-in-the-history');
  });

  it('undoes everything of a refused command and leaves no history', async () => {
    const [looks, done] = [await count('look'), await count('history')];
    const wrong = aLook(s, { marks: [{ pointId: v7(), kind: 'seen', held: 1, of: 1 }] });
    expect((await refused(s.send('instructor', 'look.record', wrong))).status).toBe(409);
    expect([await count('look'), await count('history')]).toEqual([looks, done]);
  });

  it.each([
    [
      'more held than done',
      { marks: [{ pointId: '', kind: 'seen' as const, held: 6, of: 5 }] },
      'No more can hold than were done.',
    ],
    ['a day that is not', { day: '31 Feb 2026' }, 'February has no 31st.'],
    [
      'a look from the future',
      { day: '2027-01-01' },
      'The clock of this device is wrong: this is dated 1 January 2027. Set the clock.',
    ],
    ['somebody who is not on the roll', { studentId: v7() }, 'This student is not on the roll.'],
  ])('refuses %s in words', async (_, change, words) => {
    const input = aLook(s, change);
    for (const m of input.marks) if (m.pointId === '') m.pointId = s.points.seen;
    expect((await refused(s.send('instructor', 'look.record', input))).title).toBe(words);
  });

  it('refuses a mark of another kind than its point', async () => {
    const wrong = aLook(s, { marks: [{ pointId: s.points.measured, kind: 'counted', held: 1, of: 1 }] });
    expect((await refused(s.send('instructor', 'look.record', wrong))).title).toContain('not in the library any more');
  });

  it('takes a mark by eye at a measured point, which counts as it was seen and says so', async () => {
    const fresh = v7();
    const at = { name: 'Eye Reed', born: '4 May 2010', rankId: s.ranks[0]!, since: '2025-06-01' };
    await s.send('head', 'student.add', { id: fresh, ...at });
    const marks = [{ pointId: s.points.measured, kind: 'seen' as const, held: 3, of: 5 }];
    await s.send('instructor', 'look.record', aLook(s, { studentId: fresh, marks }));
    const point = (await page(fresh)).requirements[0]!.points.find(
      (p) => p.pointId === s.points.measured && p.side === 'left',
    )!;
    expect(point).toMatchObject({ held: 3, of: 5 });
    const { looks } = await runView(t.db, s.as.head, 'studentLooks', { id: fresh }, NOW);
    expect(looks[0]!.marks[0]!.words).toBe('3 of 5, by eye');
  });
});

describe('from marks to the page', () => {
  const days = ['2026-03-01', '2026-03-03'];
  const marks = [
    { pointId: '', kind: 'seen' as const, held: 5, of: 5 },
    { pointId: '', kind: 'measured' as const, values: [55, 60, 60, 62, 75] },
    { pointId: '', kind: 'felt' as const, held: 5, of: 5 },
  ];
  const full = () => marks.map((m, i) => ({ ...m, pointId: [s.points.seen, s.points.measured, s.points.felt][i]! }));

  it('meets a requirement, and a correction takes its look away', async () => {
    const fresh = v7();
    await s.send('head', 'student.add', {
      id: fresh,
      name: 'Nell Reed',
      born: '4 May 2010',
      rankId: s.ranks[0]!,
      since: '2025-06-01',
    });
    expect((await page(fresh)).requirements[0]).toMatchObject({ word: 'unseen', reason: 'Nobody has watched it yet.' });
    const ids: string[] = [];
    for (const day of days)
      for (const side of ['left', 'right'] as const) {
        const look = aLook(s, { studentId: fresh, day, side, marks: full() });
        ids.push(look.id);
        await s.send('instructor', 'look.record', look);
      }
    const met = (await page(fresh)).requirements[0]!;
    expect(met).toMatchObject({ word: 'met', reason: 'Thinnest: weight, 8 of 10 left, 8 of 10 right, over two days.' });
    expect(met.points.filter((p) => p.name === 'weight').map((p) => `${p.held} of ${p.of}`)).toEqual([
      '8 of 10',
      '8 of 10',
    ]);

    await s.send(
      'instructor',
      'look.record',
      aLook(s, {
        studentId: fresh,
        day: days[1]!,
        side: 'left',
        replaces: ids[2]!,
        marks: [{ pointId: s.points.seen, kind: 'seen', held: 1, of: 5 }],
      }),
    );
    expect((await page(fresh)).requirements[0]!.word).toBe('short');
    expect((await page(fresh, new Date('2026-06-30T12:00:00Z'))).requirements[0]!.word).toBe('short');
  });

  it('lets an adapted range and the head’s word count, each with its reason', async () => {
    const fresh = v7();
    await s.send('head', 'student.add', {
      id: fresh,
      name: 'Tove Alder',
      born: null,
      rankId: s.ranks[0]!,
      since: '2025-06-01',
    });
    for (const day of days)
      for (const side of ['left', 'right'] as const)
        await s.send(
          'instructor',
          'look.record',
          aLook(s, {
            studentId: fresh,
            day,
            side,
            marks: full().map((m) => (m.kind === 'measured' ? { ...m, values: [44, 45, 46, 47, 60] } : m)),
          }),
        );
    expect((await page(fresh)).requirements[0]!.word).toBe('short');
    await s.send('head', 'adaptation.write', {
      id: v7(),
      studentId: fresh,
      pointId: s.points.measured,
      from: DAY,
      range: { lo: 40, hi: 70 },
      share: null,
      waived: false,
      reason: 'Old knee.',
    });
    expect((await page(fresh)).requirements[0]!.word).toBe('met');
    await s.send('head', 'override.set', {
      id: v7(),
      studentId: fresh,
      requirementId: s.requirement,
      word: 'short',
      reason: 'Not in the line.',
    });
    expect((await page(fresh)).requirements[0]).toMatchObject({
      word: 'short',
      computed: 'met',
      override: { reason: 'Not in the line.', by: 'Hall head' },
    });
    await s.send('head', 'override.set', {
      id: v7(),
      studentId: fresh,
      requirementId: s.requirement,
      word: null,
      reason: 'Seen again.',
    });
    expect((await page(fresh)).requirements[0]).toMatchObject({ word: 'met', override: null });
  });

  it('counts classes and hours from the belt’s day, and a promotion starts the next belt', async () => {
    const fresh = v7();
    await s.send('head', 'student.add', {
      id: fresh,
      name: 'Idris Pole',
      born: '1980-01-01',
      rankId: s.ranks[0]!,
      since: '2026-02-01',
    });
    for (const [day, minutes] of [
      ['2026-01-20', 600],
      ['2026-02-10', 90],
      ['2026-02-17', 60],
    ] as const)
      await s.send('instructor', 'class.record', { id: v7(), day, minutes, present: [fresh] });
    expect((await page(fresh)).gates[0]).toMatchObject({ word: 'short', has: '2.5 of 10 hours of class' });
    await s.send('head', 'student.promote', {
      id: v7(),
      studentId: fresh,
      rankId: s.ranks[1]!,
      day: DAY,
      note: 'at the grading',
    });
    const after = await page(fresh);
    expect(after.student.rank.name).toBe('Straw');
    expect(after.next?.name).not.toBe('Straw');
    expect(after.held.map((h) => h.rank.name)).toEqual(['Straw', 'White']);
    expect(
      (
        await refused(
          s.send('head', 'student.promote', {
            id: v7(),
            studentId: fresh,
            rankId: s.ranks[0]!,
            day: '2026-01-01',
            note: '',
          }),
        )
      ).title,
    ).toContain('given later');
  });

  it('keeps marks of a point that is taken out, but asks for it no more', async () => {
    const before = await count('mark');
    const view = await runView(t.db, s.as.head, 'technique', { id: s.stance }, NOW);
    const { id, name, kind, summary, sided, stanceId, stepId } = view.technique;
    const points = view.points.map(({ from: _from, ...p }) => ({ ...p, slips: [] }));
    const changed = (
      await refused(
        s.send('head', 'technique.save', {
          id,
          name,
          kind,
          summary,
          sided,
          stanceId,
          stepId,
          points: points.map((p) => (p.id === s.points.seen ? { ...p, kind: 'felt' as const } : p)),
        }),
      )
    ).errors[0];
    expect(changed).toMatchObject({ path: 'points.0.kind' });
    await s.send('head', 'technique.save', {
      id,
      name,
      kind,
      summary,
      sided,
      stanceId,
      stepId,
      points: points.filter((p) => p.id !== s.points.felt),
    });
    expect(await count('mark')).toBe(before);
    expect((await runView(t.db, s.as.head, 'technique', { id: s.stance }, NOW)).points.map((p) => p.id)).not.toContain(
      s.points.felt,
    );
  });

  it('takes a list whole or not at all', async () => {
    const before = await count('person');
    const line = (name: string) => ({ id: v7(), name, born: null, rankId: s.ranks[0]!, since: DAY });
    const bad = await refused(s.send('head', 'student.import', { students: [line('Mo Rush'), line('Mo Rush')] }));
    expect(bad.errors).toEqual([{ path: 'students.1', message: 'Mo Rush already stands on line 1.' }]);
    expect(await count('person')).toBe(before);
    await s.send('head', 'student.import', { students: [line('Mo Rush'), line('Ada Sluice')] });
    expect(await count('person')).toBe(before + 2);
  });
});
