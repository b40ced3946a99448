import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import type { CommandDraft, CommandName } from '../../contracts/commands';
import type { TechniqueInput } from '../../contracts/technique';
import { addDays } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { Refusal } from '../http/problem';
import { goodInputs } from '../testing/inputs';
import { aLook, DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';
import { runCommand } from './run';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Record');
});
afterAll(() => t.drop());

const refused = <N extends CommandName>(name: N, input: CommandDraft<N>, who: 'head' | 'instructor' = 'head') =>
  s.send(who, name, input).then(
    () => {
      throw new Error(`${name} was taken`);
    },
    (e: unknown) => {
      if (e instanceof Refusal) return e;
      throw e;
    },
  );
const seen = (held: number) => [{ pointId: s.points.seen, kind: 'seen' as const, held, of: 5 }];

describe('a class', () => {
  it('is put right by its teachers as long as the school allows, and by the head at any time', async () => {
    const day = addDays(DAY, -5);
    const held = { id: v7(), day, minutes: 60, taught: [], present: [s.student] };
    const away = { ...held, present: [] };
    await s.send('instructor', 'class.record', held);
    await s.send('head', 'school.set', { classDays: 4 });
    expect((await refused('class.record', away, 'instructor')).title).toMatch(/After 4 days only a head instructor/);
    await s.send('head', 'class.record', away);
    await s.send('head', 'school.set', { classDays: 5 });
    await s.send('instructor', 'class.record', held);
    // A new one is taken however late it comes.
    await s.send('head', 'school.set', { classDays: 0 });
    await s.send('instructor', 'class.record', { ...held, id: v7() });
    expect((await refused('school.set', { classDays: 1 }, 'instructor')).status).toBe(403);
  });
});

describe('a look', () => {
  it('is corrected once; who comes second is shown the first correction, and may let theirs stand instead', async () => {
    const look = aLook(s, { marks: seen(3) });
    await s.send('instructor', 'look.record', look);
    const first = aLook(s, { marks: seen(5), replaces: look.id });
    await s.send('instructor', 'look.record', first);
    const second = aLook(s, { marks: seen(1), replaces: look.id });
    const told = await refused('look.record', second);
    expect(told.status).toBe(409);
    expect(told.title).toBe('Record instructor corrected this look at 12:00 today: rear heel 5 of 5.');
    expect(told.more.mends).toEqual([{ say: 'Let mine stand instead', set: { replaces: first.id } }]);
    await s.send('head', 'look.record', { ...second, ...told.more.mends![0]!.set });
    // Two at the same moment: one of them is told by the database.
    const both = await Promise.allSettled(
      [4, 2].map((held) => s.send('head', 'look.record', aLook(s, { marks: seen(held), replaces: second.id }))),
    );
    expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected']);
  });

  it('corrects only a look of the same student and item', async () => {
    const look = aLook(s);
    await s.send('instructor', 'look.record', look);
    const others = [
      aLook(s, { studentId: s.as.student.personId, replaces: look.id }),
      aLook(s, {
        techniqueId: null,
        sequence: { id: s.sequence, from: 1, to: 2, ofCounts: 2, counts: 'HH|UUU', slips: [] },
        marks: [],
        replaces: look.id,
      }),
    ];
    for (const other of others)
      expect((await refused('look.record', other)).title).toContain('another student or another item');
    const never = await refused('look.record', aLook(s, { replaces: v7() }));
    expect(never.title).toBe('The look that this one corrects was never taken.');
    expect(never.more.mends).toEqual([{ say: 'Take it as a look of its own', set: { replaces: null } }]);
  });

  it('is of a student who was on the roll that day', async () => {
    const gone = v7();
    await s.send('head', 'student.add', { ...goodInputs(s)['student.add'](), id: gone, name: 'Gone Pupil' });
    await t.owner.query(`update person set left_on = '2026-03-01' where id = $1`, [gone]);
    const of = async (studentId: string) => (await refused('look.record', aLook(s, { studentId }))).title;
    expect(await of(s.as.instructor.personId)).toBe('Record instructor is not on the roll as a student.');
    expect(await of(s.as.guardian.personId)).toBe('Record guardian is not on the roll as a student.');
    expect(await of(gone)).toBe('Gone Pupil left the school on 1 March. Take them back on the roll first.');
    // What was seen before the day and comes late is taken.
    await s.send('instructor', 'look.record', aLook(s, { studentId: gone, day: '2026-02-27' }));
    for (const name of ['student.promote', 'outcome.record', 'focus.give', 'pause.begin', 'consent.record'] as const)
      expect((await refused(name, { ...goodInputs(s)[name](), studentId: gone })).title).toContain('left the school');
  });

  it('says who told what was felt, and only somebody of the school can have', async () => {
    const felt = (toldBy: string) =>
      aLook(s, { marks: [{ pointId: s.points.felt, kind: 'felt', held: 1, of: 1, toldBy }] });
    await s.send('instructor', 'look.record', felt(s.as.student.personId));
    expect((await refused('look.record', felt(v7()))).title).toBe('Whoever told this is not in the school.');
  });

  it('of a form says who felt what at which count, held or not', async () => {
    const told = (toldBy: string | null, held = true) =>
      aLook(s, {
        techniqueId: null,
        side: 'none',
        purpose: 'show',
        marks: [],
        sequence: {
          id: s.sequence,
          from: 1,
          to: 2,
          ofCounts: 2,
          counts: 'HU|UUU',
          slips: [{ count: 1, pointId: null, what: 'stands firm, felt', toldBy, held }],
        },
      });
    const look = told(s.as.student.personId);
    await s.send('instructor', 'look.record', look);
    const shown = async (id: string) => {
      const { showings } = await runView(t.db, s.as.head, 'earlierShowings', { sequenceId: s.sequence }, NOW);
      return showings.find((x) => x.id === id)?.slips;
    };
    expect(await shown(look.id)).toEqual(look.sequence!.slips);
    // It was somebody else's showing: what was told goes with it.
    const moved = { id: v7(), lookId: look.id, studentId: s.as.student.personId, reason: 'the wrong name' };
    await s.send('instructor', 'look.move', moved);
    expect(await shown(moved.id)).toEqual(look.sequence!.slips);
    expect(await shown(look.id)).toBeUndefined();
    expect((await refused('look.record', told(v7()))).title).toBe('Whoever told this is not in the school.');
    // Who only watched names what slipped, and never that something felt right.
    await expect(s.send('instructor', 'look.record', told(null))).rejects.toMatchObject({ status: 422 });
    await s.send('instructor', 'look.record', told(null, false));
  });

  it('of which a point is gone is taken with the others, and it is said which was not', async () => {
    const gone = v7();
    const look = aLook(s, { marks: [...seen(4), { pointId: gone, kind: 'seen', held: 1, of: 1 }] });
    expect(await s.send('instructor', 'look.record', look)).toEqual({ notTaken: [gone] });
    const { rows } = await t.owner.query('select point_id from mark where look_id = $1', [look.id]);
    expect(rows).toEqual([{ point_id: s.points.seen }]);
  });

  it('with a partner nobody knows can be sent without', async () => {
    const look = aLook(s, { partnerId: v7() });
    const told = await refused('look.record', look);
    expect(told.more.mends).toEqual([{ say: 'Send it without the partner', set: { partnerId: null } }]);
    await s.send('instructor', 'look.record', { ...look, ...told.more.mends![0]!.set });
  });

  it('of a tablet whose clock is days off can be taken as of the server’s time', async () => {
    const made = { day: '2026-03-02', at: '2026-03-02T11:30:00Z' };
    const body = (more: object) => ({
      id: v7(),
      at: made.at,
      sent: '2026-03-02T12:00:00Z',
      name: 'look.record',
      input: aLook(s, { ...made, ...more }),
    });
    const told = await runCommand(t.db, s.as.instructor, body({}), NOW).then(
      () => null,
      (e: unknown) => e as Refusal,
    );
    expect(told?.title).toBe('The clock of this device is wrong by 3 days: this is dated 2 March. Set the clock.');
    const [mend] = told!.more.mends!;
    expect(mend).toEqual({
      say: 'Take it as of the server’s time, 11:30 today',
      set: { day: DAY, at: '2026-03-05T11:30:00.000Z' },
    });
    const mended = body(mend!.set);
    await runCommand(t.db, s.as.instructor, { ...mended, sent: NOW.toISOString() }, NOW);
    // What corrects it was written by the same clock, which is right by now: only its date before the other tells.
    const late = aLook(s, { ...made, replaces: mended.input.id });
    const before = await refused('look.record', late);
    expect(before.title).toMatch(/^This corrects a look of 11:30 today and is dated before it, 2 March/);
    await s.send('instructor', 'look.record', { ...late, ...before.more.mends![0]!.set });
  });
});

describe('a belt', () => {
  it('is given by what it is, however it and its neighbours are called', async () => {
    const [plain, accented] = [v7(), v7()];
    for (const [id, name] of [
      [plain, 'Brun belt'],
      [accented, 'Brün belt'],
    ] as const)
      await s.send('head', 'rank.save', { ...goodInputs(s)['rank.save'](), id, name });
    const id = v7();
    await s.send('head', 'student.add', { ...goodInputs(s)['student.add'](), id, rankId: accented });
    const { rows } = await t.owner.query('select rank_id from rank_held where person_id = $1', [id]);
    expect(rows).toEqual([{ rank_id: accented }]);
    const unknown = await refused('student.add', { ...goodInputs(s)['student.add'](), rankId: v7() });
    expect(unknown.title).toBe('This belt is not there any more.');
    await s.send('head', 'rank.remove', { id: plain });
  });
});

describe('what several people edit', () => {
  const block = (): TechniqueInput => ({
    id: v7(),
    name: `Block ${v7().slice(-6)}`,
    kind: 'block',
    summary: 'turns a blow aside',
    sided: true,
    stanceId: null,
    stepId: null,
    points: [],
  });
  it('the second save is shown what stands, and nothing of the first is lost', async () => {
    const mine = block();
    await s.send('instructor', 'technique.save', mine);
    const theirs = { ...mine, summary: 'theirs', version: 1 };
    await s.send('head', 'technique.save', theirs);
    const told = await refused('technique.save', { ...mine, summary: 'mine', version: 1 }, 'instructor');
    expect(told.status).toBe(409);
    expect(told.title).toBe(
      `${mine.name} was changed meanwhile by Record head. Nothing was written over; see both and choose.`,
    );
    expect(told.more.meanwhile).toMatchObject({
      version: 2,
      by: 'Record head',
      now: { summary: 'theirs', points: [] },
    });
    await s.send('instructor', 'technique.save', { ...mine, summary: 'mine', version: 2 });
  });

  it('holds for belts, conditions, halls, students, rooms, teachers and guardians alike', async () => {
    const cases: [CommandName, object, object][] = [
      ['rank.save', goodInputs(s)['rank.save'](), { name: 'Another belt' }],
      ['condition.save', goodInputs(s)['condition.save'](), { name: 'another condition' }],
      ['hall.save', goodInputs(s)['hall.save'](), { width: 12 }],
      ['teacher.save', goodInputs(s)['teacher.save'](), { name: 'Another Teacher' }],
      ['guardian.save', { ...goodInputs(s)['guardian.save'](), id: v7() }, { name: 'Another Guardian' }],
    ];
    for (const [name, input, change] of cases) {
      await s.send('head', name, input);
      await s.send('head', name, { ...input, ...change, version: 1 });
      const told = await refused(name, { ...input, version: 1 });
      expect([name, told.status]).toEqual([name, 409]);
      expect(told.more.meanwhile).toMatchObject({ version: 2, now: change });
      await s.send('head', name, { ...input, version: 2 });
    }
    const { rows } = await t.owner.query<{ version: number }>('select version from person where id = $1', [s.student]);
    const { version } = rows[0]!;
    await s.send('head', 'student.change', { id: s.student, name: 'New Name', born: '1990-01-01', version });
    const late = await refused('student.room', { id: s.student, roomWidth: 3, roomDepth: 3, stature: 170, version });
    expect(late.more.meanwhile?.now).toMatchObject({ id: s.student });
  });

  it('a save that names a point of another technique is refused', async () => {
    const { rows } = await t.owner.query<{ name: string }>('select name from technique where id = $1', [s.stance]);
    const point = {
      id: s.points.seen,
      name: 'stolen',
      how: '',
      why: '',
      kind: 'seen' as const,
      bodyPart: 'feet' as const,
      critical: false,
      unit: null,
      accepted: null,
      wanted: null,
      slips: [],
    };
    const told = await refused('technique.save', { ...block(), points: [point] });
    expect(told.title).toBe(`“stolen” is a point of ${rows[0]!.name}. Write a new point instead.`);
  });

  it('nothing stands on itself, however long the way round', async () => {
    const [a, b, c] = [block(), block(), block()].map((x) => ({ ...x, kind: 'stance' as const })) as [
      TechniqueInput,
      TechniqueInput,
      TechniqueInput,
    ];
    await s.send('head', 'technique.save', a);
    await s.send('head', 'technique.save', { ...b, stanceId: a.id });
    await s.send('head', 'technique.save', { ...c, stanceId: b.id });
    const told = await refused('technique.save', { ...a, stanceId: c.id });
    expect(told.title).toContain('nothing can stand on itself');
    expect((await refused('technique.save', { ...a, stanceId: v7() })).title).toBe(
      'This technique is not in the library.',
    );
  });
});
