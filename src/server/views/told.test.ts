import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { upon } from '../../contracts/kit';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { lookingSteps } from '../testing/looking';
import { DAY, NOW, smallSchool } from '../testing/school';
import { runView } from './run';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());
const { page } = lookingSteps(() => t);

describe('consent', () => {
  it('keeps everything that was said before', async () => {
    const s = await smallSchool(t, 'Consent');
    const say = (rung: 'slow, soft hands' | null) =>
      s.send('head', 'consent.record', { id: v7(), studentId: s.student, rung, day: DAY, guardian: '' });
    await say('slow, soft hands');
    await say(null);
    expect(await page(s)).toMatchObject({
      consent: { rung: null },
      consentBefore: [{ rung: 'slow, soft hands', day: DAY }],
    });
    const { kit } = upon(null, await runView(t.db, s.as.instructor, 'lookKit', {}, NOW))!;
    expect(kit.students.find((x) => x.id === s.student)!.rung).toBe(0);
  });
});

describe('incidents', () => {
  it('name three parties, add up by drill, and are seen by the head and by who was in charge', async () => {
    const s = await smallSchool(t, 'Hurt');
    const one = {
      day: DAY,
      hurtId: s.student,
      causeId: s.as.student.personId,
      techniqueId: null,
      sequenceId: null,
      doing: 'shield work',
      what: 'turned an ankle',
      done: 'ice',
      head: false,
    };
    await s.send('head', 'incident.record', { ...one, id: v7(), chargeId: s.as.head.personId });
    await s.send('instructor', 'incident.record', { ...one, id: v7(), chargeId: s.as.instructor.personId, head: true });
    await expect(
      s.send('head', 'incident.record', { ...one, id: v7(), chargeId: s.as.head.personId, causeId: s.student }),
    ).rejects.toThrow(/two people/);
    await expect(
      s.send('head', 'incident.record', { ...one, id: v7(), chargeId: s.as.head.personId, doing: '' }),
    ).rejects.toThrow(/what they were doing/);
    const seenBy = (who: 'head' | 'instructor') => runView(t.db, s.as[who], 'incidents', {}, NOW);
    expect((await seenBy('head')).sums).toEqual([{ doing: 'shield work', n: 2, heads: 1, last: DAY }]);
    expect((await seenBy('instructor')).incidents).toHaveLength(1);
    expect((await seenBy('head')).incidents[0]).toMatchObject({ hurt: 'Hurt other', cause: 'Hurt pupil' });
  });
});
