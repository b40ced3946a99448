import { afterAll, beforeAll, expect, it } from 'vitest';
import { v7 } from 'uuid';
import type { FirstStep } from '../../contracts/views/firstSteps';
import type { Role } from '../../contracts/role';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { aLook, DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from './run';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Steps');
});
afterAll(() => t.drop());

const shell = (who: Role) => runView(t.db, s.as[who], 'shell', {}, NOW);
const done = async (): Promise<FirstStep[]> =>
  Object.keys((await shell('head')).firstSteps?.done ?? { verdict: null }) as FirstStep[];

it('a step is done when the thing exists, however it came, and all are gone with the first verdict', async () => {
  expect((await done()).sort()).toEqual(['publish', 'roll', 'stance', 'way']);
  // Only the head can take all of them.
  expect((await shell('instructor')).firstSteps).toBeNull();
  const strike = {
    name: 'Reed strike',
    kind: 'strike' as const,
    summary: '',
    sided: true,
    stanceId: null,
    stepId: null,
  };
  const point = { how: '', why: '', kind: 'seen' as const, unit: null, accepted: null, wanted: null, slips: [] };
  const points = ['Palm up', 'Hip square'].map((name) => ({
    ...point,
    id: v7(),
    name,
    critical: false,
    bodyPart: 'hips' as const,
  }));
  await s.send('instructor', 'technique.save', { id: v7(), ...strike, points });
  await s.send('instructor', 'class.record', { id: v7(), day: DAY, minutes: 60, present: [s.student] });
  const { firstSteps } = await shell('head');
  expect(firstSteps!.points).toEqual(['Hip square', 'Palm up']);
  expect(firstSteps!.done.technique!.what).toBe('Reed strike');
  expect(firstSteps!.done.class!.what).toBe('1');
  expect(await done()).not.toContain('look');
  await s.send('instructor', 'look.record', aLook(s));
  expect((await shell('head')).firstSteps).toBeNull();
  // In the guide they can still be read.
  const all = await runView(t.db, s.as.head, 'firstSteps', {}, NOW);
  expect(all.done.verdict!.what).toBe('Steps other');
  expect(all.student!.id).toBe(s.student);
});
