import { afterAll, beforeAll, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { Refusal } from '../http/problem';
import { DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Lists');
});
afterAll(() => t.drop());

const lists = async () => (await runView(t.db, s.as.head, 'imports', {}, NOW)).lists;
const names = async () => (await runView(t.db, s.as.head, 'roll', {}, NOW)).students.map((x) => x.name);
const take = async (...all: string[]) => {
  const students = all.map((name) => ({ id: v7(), name, born: '2012-01-01', rankId: s.ranks[0]!, since: DAY }));
  const id = v7();
  await s.send('head', 'student.import', { students }, id);
  return { id, students };
};
const back = (id: string) =>
  s.send('head', 'student.importBack', { id }).then(
    () => 'back',
    (e: unknown) => (e instanceof Refusal ? e.title : String(e)),
  );

it('a list goes off the roll as a whole, keeps nobody’s name, and can be taken in again', async () => {
  const before = await names();
  const { id } = await take('Thea Brook', 'Ole Fenn');
  expect((await lists())[0]).toMatchObject({ id, taken: 2, stay: 2, touched: [], first: ['Ole Fenn', 'Thea Brook'] });
  expect(await back(id)).toBe('back');
  expect(await names()).toEqual(before);
  const { rows } = await t.owner.query(`select name from person where name in ('Thea Brook', 'Ole Fenn')`);
  expect(rows).toEqual([]);
  expect((await lists())[0]).toMatchObject({ id, taken: 2, stay: 0 });
  expect(await back(id)).toBe('This list was taken back already.');
  await take('Thea Brook', 'Ole Fenn');
  expect(await names()).toEqual(expect.arrayContaining(['Thea Brook', 'Ole Fenn']));
  // Nothing of it is left where people are let in, or where who left is named.
  const roll = await runView(t.db, s.as.head, 'roll', {}, NOW);
  expect(roll.leftLately).toEqual([]);
});

it('stays as soon as there is anything more of anybody, whatever it is', async () => {
  const added: [string, (studentId: string) => Promise<unknown>][] = [
    ['a class', (x) => s.send('head', 'class.record', { id: v7(), day: DAY, minutes: 60, present: [x] })],
    [
      'consent',
      (x) => s.send('head', 'consent.record', { id: v7(), studentId: x, rung: null, day: DAY, guardian: '' }),
    ],
    [
      'a belt',
      (x) => s.send('head', 'student.promote', { id: v7(), studentId: x, rankId: s.ranks[1]!, day: DAY, note: '' }),
    ],
    ['a name', (x) => s.send('head', 'student.change', { id: x, name: `Other ${x}`, born: null })],
    ['a guardian', (x) => s.send('head', 'guardian.save', { id: v7(), name: 'Rosalind Pike', studentIds: [x] })],
  ];
  for (const [what, add] of added) {
    const { id, students } = await take(`With ${what}`, `Without ${what}`);
    await add(students[0]!.id);
    expect([what, await back(id)]).toEqual([what, expect.stringMatching(/^Something was added to .* since\. Nothing/)]);
    expect(await names()).toContain(`Without ${what}`);
  }
});
