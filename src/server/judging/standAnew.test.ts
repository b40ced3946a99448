import { afterAll, beforeAll, expect, it } from 'vitest';
import { inSchool } from '../../data/connection';
import { standingsAstray } from '../../data/queries/standings';
import { standAnew } from '../../data/standAnew';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { aLook, smallSchool } from '../testing/school';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());

it('what was spoiled is counted, and made anew from the looks', async () => {
  const s = await smallSchool(t, 'Spoiled');
  await smallSchool(t, 'Sound');
  for (const held of [3, 4])
    await s.send(
      'instructor',
      'look.record',
      aLook(s, { marks: [{ pointId: s.points.seen, kind: 'seen', held, of: 5 }] }),
    );
  await t.owner.query(`update standing set entries = split_part(entries, ';', 1)`);
  // And of somebody nobody looked at, looks and a class.
  await t.owner.query(`insert into change (school_id, of, looks, last_here) values ($1, $2, 3, '2026-01-01')`, [
    s.id,
    s.as.student.personId,
  ]);
  const said = await standAnew(t.appUrl, t.authUrl);
  expect(said.sort((a, b) => a.name.localeCompare(b.name))).toEqual([
    { name: 'Sound', astray: 0 },
    { name: 'Spoiled', astray: 2 },
  ]);
  expect(await inSchool(t.db, s.id, standingsAstray)).toEqual([]);
});
