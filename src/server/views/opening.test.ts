import { v7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { upon } from '../../contracts/kit';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { aRequirement, DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from './run';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());

/** What one item waits for, as it is asked of the second belt. */
async function asking(s: SmallSchool, opens: ReturnType<typeof aRequirement>['opens']) {
  const edits = [
    {
      op: 'requirement.put' as const,
      requirement: aRequirement({ id: s.requirement, rankId: s.ranks[1]!, threadId: s.thread, opens }, s.conditions),
    },
  ];
  const id = v7();
  await s.send('head', 'syllabus.change', { version: null, edits });
  await s.send('head', 'syllabus.publish', { id, version: 1, title: 'Opens', from: DAY });
  await s.send('head', 'syllabus.follow', { versionId: id, studentIds: [s.student, s.as.student.personId] });
}
const everywhere = async (s: SmallSchool, id: string) => {
  const page = await runView(t.db, s.as.head, 'student', { id }, NOW);
  const { kit } = upon(null, await runView(t.db, s.as.instructor, 'lookKit', {}, NOW))!;
  const home = await runView(t.db, s.as.head, 'home', { id }, NOW).catch(() => null);
  return {
    page: page.requirements.map((r) => r.rests),
    worth: kit.students.find((x) => x.id === id)!.worths.length,
    home: home?.left.map((l) => l.why) ?? [],
  };
};

// Partial access: a single thing may open early or late (F 33); common practice, no source.
it('an item that opens with an age waits for the young and is open to the others', async () => {
  const s = await smallSchool(t, 'Age');
  await asking(s, { kind: 'age', amount: 16 });
  const young = await everywhere(s, s.as.student.personId);
  expect(young.page).toEqual(['Not yet: opens with 16 years of age, on 4 May 2028']);
  expect(young.worth).toBe(0);
  const grown = await everywhere(s, s.student);
  expect(grown.page).toEqual([null]);
  expect(grown.worth).toBeGreaterThan(0);
});

it('one that opens with hours of class says how many are to go', async () => {
  const s = await smallSchool(t, 'Hours');
  await asking(s, { kind: 'hours', amount: 40 });
  const shown = await everywhere(s, s.student);
  expect(shown.page).toEqual(['Not yet: opens with 40 hours of class since the belt below, 40 hours of class to go']);
  expect(shown.home).toEqual(['not yet: opens with 40 hours of class since the belt below, 40 hours of class to go']);
});
