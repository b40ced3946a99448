import { v7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { upon } from '../../contracts/kit';
import { addDays } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { practised } from '../testing/inputs';
import { aRequirement, DAY, NOW, smallSchool } from '../testing/school';
import { runView } from './run';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());

// Broken skin stops striking for two weeks (F 47): common practice, no source.
it('open skin rests striking on anything, on the page, worth a look, on the mat and at home, until it has healed', async () => {
  const s = await smallSchool(t, 'Skin');
  const [punch, thread, version] = [v7(), v7(), v7()];
  const point = {
    id: v7(),
    name: 'wrist',
    how: '',
    why: '',
    critical: false,
    unit: null,
    accepted: null,
    wanted: null,
  };
  await s.send('head', 'technique.save', {
    id: punch,
    name: 'Reed punch',
    kind: 'strike',
    summary: '',
    sided: true,
    stanceId: null,
    stepId: null,
    points: [{ ...point, slips: [], kind: 'seen', bodyPart: 'hand' }],
  });
  const asked = (condition: string) => ({
    op: 'requirement.put' as const,
    requirement: aRequirement(
      { id: v7(), rankId: s.ranks[1]!, threadId: thread, conditionId: s.conditions.get(condition)! },
      s.conditions,
    ),
  });
  await s.send('head', 'syllabus.change', {
    version: null,
    edits: [
      {
        op: 'thread.put',
        thread: { id: thread, item: { technique: punch }, introduced: s.ranks[0]!, until: null, informal: false },
      },
      asked('still target'),
      asked('in air'),
    ],
  });
  await s.send('head', 'syllabus.publish', { id: version, version: 1, title: 'With a target', from: DAY });
  await s.send('head', 'syllabus.follow', { versionId: version, studentIds: [s.student] });

  const everywhere = async (now: Date) => {
    const page = await runView(t.db, s.as.head, 'student', { id: s.student }, now);
    const { kit } = upon(null, await runView(t.db, s.as.instructor, 'lookKit', {}, now))!;
    const own = kit.students.find((x) => x.id === s.student)!;
    const home = await runView(t.db, s.as.guardian, 'home', { id: s.student }, now);
    const worth = own.worths.map((w) => kit.requirements[w.r]!).filter((r) => r.itemKey === `t:${punch}`);
    return {
      page: page.requirements.filter((r) => r.rests !== null).map((r) => r.condition),
      mat: Object.keys(own.rests),
      worth: worth.map((r) => r.conditionId).sort(),
      home: home.left.filter((l) => l.why.startsWith('rests')).map((l) => l.name),
    };
  };
  const [air, target] = [s.conditions.get('in air')!, s.conditions.get('still target')!];
  expect(await everywhere(NOW)).toEqual({ page: [], mat: [], worth: [air, target].sort(), home: [] });
  await s.send('guardian', 'practice.record', { ...practised(s.student), hands: 'skin open' });
  const resting = await everywhere(NOW);
  expect(resting.page).toEqual(['still target']);
  expect(resting.worth).toEqual([air]);
  expect(resting.mat).toContain(`t:${punch}@${target}`);
  expect(resting.mat).not.toContain(`t:${punch}`);
  expect(resting.home).toEqual(['Reed punch']);
  const healed = new Date(`${addDays(DAY, 14)}T12:00:00Z`);
  expect(await everywhere(healed)).toMatchObject({ page: [], mat: [], home: [] });
});
