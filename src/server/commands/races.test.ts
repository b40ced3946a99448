import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CommandDraft, CommandName } from '../../contracts/commands';
import type { Role } from '../../contracts/role';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { Refusal } from '../http/problem';
import { goodInputs } from '../testing/inputs';
import { DAY, smallSchool, type SmallSchool } from '../testing/school';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Race');
});
afterAll(() => t.drop());

/** Sends all at once; "done", or the words of the refusal. Anything else is a fault. */
const atOnce = <N extends CommandName>(who: Role, name: N, inputs: CommandDraft<N>[]) =>
  Promise.all(
    inputs.map((input) =>
      s.send(who, name, input).then(
        () => 'done',
        (e: unknown) => {
          if (e instanceof Refusal) return e.title;
          throw e;
        },
      ),
    ),
  );
const times = <T>(n: number, make: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => make(i));
const done = (answers: readonly string[]) => answers.filter((a) => a === 'done').length;
const rows = async (text: string, values: unknown[] = []): Promise<unknown[]> =>
  (await t.owner.query<object>(text, values)).rows;

describe('many at the same moment', () => {
  it('two heads who take each other’s rights: one of them stays, and the other is told', async () => {
    const other = v7();
    await s.send('head', 'teacher.save', { id: other, name: 'Second head', role: 'head' });
    await s.send('head', 'access.give', {
      personId: other,
      email: `${other}@example.org`,
      password: 'nine geese ashore',
    });
    const found = await rows('select user_id from person where id = $1', [other]);
    s.as.examiner = { ...s.as.head, personId: other, userId: (found[0] as { user_id: string }).user_id };
    const [a, b] = await Promise.all([
      atOnce('head', 'teacher.save', [{ id: other, name: 'Second head', role: 'examiner' }]),
      atOnce('examiner', 'teacher.save', [{ id: s.as.head.personId, name: 'Race head', role: 'examiner' }]),
    ]);
    expect(done([...a, ...b])).toBe(1);
    const heads = await rows(`select id from person where school_id = $1 and role = 'head'`, [s.id]);
    expect(heads).toHaveLength(1);
    await t.owner.query(`update person set role = 'head' where id = any($1)`, [[other, s.as.head.personId]]);
    const both = await Promise.all([
      atOnce('head', 'access.take', [{ personId: other, why: '' }]),
      atOnce('examiner', 'access.take', [{ personId: s.as.head.personId, why: '' }]),
    ]);
    expect(done(both.flat())).toBe(1);
    const left = await rows(
      `select user_id from person where school_id = $1 and role = 'head' and user_id is not null`,
      [s.id],
    );
    expect(left).toHaveLength(1);
    await t.owner.query('update person set user_id = $2 where id = $1', [s.as.head.personId, s.as.head.userId]);
  });

  it('the same list from three tabs adds its five students once', async () => {
    const list = () => ({
      students: times(5, (i) => ({ id: v7(), name: `Listed ${i}`, born: null, rankId: s.ranks[0]!, since: DAY })),
    });
    expect(done(await atOnce('head', 'student.import', times(3, list)))).toBe(1);
    expect(await rows(`select 1 from person where name like 'Listed %'`)).toHaveLength(5);
  });

  it('twelve promotions to the same belt give it once', async () => {
    const answers = await atOnce(
      'head',
      'student.promote',
      times(12, () => goodInputs(s)['student.promote']()),
    );
    expect(done(answers)).toBe(1);
    expect(answers.find((a) => a !== 'done')).toBe('The student wears this belt already.');
    expect(await rows('select 1 from rank_held where person_id = $1', [s.student])).toHaveLength(2);
  });

  it('first drafts, begun at once, are one draft, and whoever was second is told', async () => {
    const gate = (i: number) => ({
      version: null,
      edits: [
        { op: 'gate.put' as const, gate: { id: v7(), rankId: s.ranks[0]!, kind: 'age' as const, amount: 6 + i } },
      ],
    });
    const answers = await atOnce('head', 'syllabus.change', times(6, gate));
    expect(done(answers)).toBe(1);
    expect(await rows(`select 1 from syllabus_version where school_id = $1 and state = 'draft'`, [s.id])).toHaveLength(
      1,
    );
  });

  it.each([
    ['technique.save', () => ({ ...goodInputs(s)['technique.save'](), id: v7(), name: 'Twin block' })],
    ['sequence.save', () => ({ id: v7(), title: 'Twin form', text: 'punch R' })],
    ['condition.save', () => ({ ...goodInputs(s)['condition.save'](), id: v7(), name: 'Twin condition' })],
    ['rank.save', () => ({ ...goodInputs(s)['rank.save'](), id: v7(), name: 'Twin belt' })],
    ['hall.save', () => ({ ...goodInputs(s)['hall.save'](), id: v7(), name: 'Twin hall' })],
  ] as const)('%s: a name is given once, and the others are told in words', async (name, make) => {
    const answers = await atOnce('head', name, times(8, make as () => never));
    expect(done(answers)).toBe(1);
    for (const a of answers) if (a !== 'done') expect(a).toMatch(/There already is a/);
  });

  it('one person let in three times has one sign-in, which is the one the school knows', async () => {
    const person = s.as.student.personId;
    await t.owner.query('update person set user_id = null where id = $1', [person]);
    await t.owner.query('delete from auth."user" where person_id = $1', [person]);
    const answers = await atOnce(
      'head',
      'access.give',
      times(3, (i) => ({ personId: person, email: `three${i}@example.org`, password: 'nine geese ashore' })),
    );
    expect(done(answers)).toBeGreaterThan(0);
    const users = await rows('select id from auth."user" where person_id = $1', [person]);
    expect(users).toHaveLength(1);
    expect(await rows('select user_id from person where id = $1', [person])).toEqual([
      { user_id: (users[0] as { id: string }).id },
    ]);
  });
});
