import { asc } from 'drizzle-orm';
import { readFileSync } from 'node:fs';
import { v7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { storedThing } from '../../../contracts/stored/thing';
import { inSchool } from '../../connection';
import { openSchool } from '../../openSchool';
import { thing } from '../../tables';
import { makeDatabase, type TestDatabase } from '../../testing/database';
import { insertAll } from './insertAll';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());

it('rows written as one text are those that Drizzle writes one by one: documents, moments, defaults', async () => {
  const [schoolId, head] = [v7(), v7()];
  const sample: unknown = JSON.parse(readFileSync('src/contracts/stored/samples/thing.2.json', 'utf8'));
  const staff = storedThing.upgrade(sample);
  const rows: (typeof thing.$inferInsert)[] = [
    { schoolId, id: v7(), thing: { ...staff, about: 'a “quote”, a \\ and ümlauts' }, changedBy: head },
    { schoolId, id: v7(), position: 2, thing: staff, changedAt: new Date('2026-03-02T18:40:00Z'), changedBy: null },
    { schoolId, id: v7(), position: 3, thing: staff, changedBy: null },
  ];
  await inSchool(t.db, schoolId, async (tx) => {
    await openSchool(
      tx,
      { id: schoolId, name: 'Empty', timeZone: 'UTC', head: { id: head, name: 'Head' }, ranks: [] },
      v7,
    );
    await insertAll(tx, thing, rows);
    await insertAll(tx, thing, []);
    await tx.insert(thing).values(rows.map((r) => ({ ...r, id: v7() })));
  });
  const all = await inSchool(t.db, schoolId, (tx) => tx.select().from(thing).orderBy(asc(thing.id)));
  const [together, one] = [all.slice(0, 3), all.slice(3)].map((some) => some.map(({ id: _id, ...row }) => row));
  expect(together).toEqual(one);
  expect(together!.map((r) => [r.position, r.version, r.thing])).toEqual([
    [0, 1, rows[0]!.thing],
    [2, 1, staff],
    [3, 1, staff],
  ]);
  expect(together![1]!.changedAt).toEqual(rows[1]!.changedAt);
});
