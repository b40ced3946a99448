import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import type { CommandDraft } from '../../contracts/commands';
import { upon } from '../../contracts/kit';
import { addDays } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Evening');
});
afterAll(() => t.drop());

const at = (time: string) => `${DAY}T${time}:00.000Z`;
const classes = async () => (await runView(t.db, s.as.head, 'classes', {}, NOW)).classes.filter((c) => c.day === DAY);
const note = (who: 'head' | 'instructor', more: Partial<CommandDraft<'class.record'>>) =>
  s.send(who, 'class.record', { id: v7(), day: DAY, minutes: null, present: [], joins: true, ...more });

describe('one class for all devices', () => {
  it('two that open one for the same people at the same time open the same; another later is another', async () => {
    const [a, b] = [s.student, s.as.student.personId];
    const first = v7();
    await note('instructor', { id: first, openedAt: at('18:28'), present: [a, b], taught: [{ technique: s.stance }] });
    const other = { id: v7(), openedAt: at('18:40'), present: [b, a] };
    expect(await note('head', other)).toEqual({ id: first });
    // Noted again it stays one, and its minutes stay unless somebody said others.
    expect(await note('head', { ...other, minutes: 75 })).toEqual({ id: first });
    await note('instructor', { id: first, openedAt: at('18:28'), present: [a] });
    expect(await classes()).toMatchObject([
      { id: first, minutes: 75, by: 'Evening instructor', present: [a, b], taught: [{ technique: s.stance }] },
    ]);
    // The same people an hour later are another class.
    await note('instructor', { openedAt: at('19:45'), present: [a, b] });
    expect((await classes()).length).toBe(2);
  });

  it('nobody is taken out by a device that does not know them; who was taken off the line is', async () => {
    const [a, b] = [s.student, s.as.student.personId];
    const id = v7();
    await note('instructor', { id, openedAt: at('08:00'), present: [a] });
    await note('head', { id, present: [b] });
    const here = async () => (await classes()).find((c) => c.id === id)!.present;
    expect(await here()).toEqual([a, b]);
    await note('head', { id, present: [b], gone: [a] });
    expect(await here()).toEqual([b]);
    // From the desk the list is whole.
    await s.send('head', 'class.record', { id, day: DAY, minutes: 60, present: [a] });
    expect(await here()).toEqual([a]);
  });

  it('the mat finds what another device has opened; the list says what was written in afterwards', async () => {
    const kit = upon(null, await runView(t.db, s.as.instructor, 'lookKit', {}, NOW))!.kit;
    expect(kit.classes.map((c) => [c.by, c.opened])).toContainEqual(['Evening instructor', at('18:28')]);
    const day = addDays(DAY, -1);
    await s.send('instructor', 'class.record', { id: v7(), day, minutes: 60, present: [s.student] });
    const view = await runView(t.db, s.as.instructor, 'classes', {}, NOW);
    expect(view.classes.find((c) => c.day === day)).toMatchObject({ opened: null, minutes: 60, mends: true });
    expect(view.items.map((i) => i.name)).toContain('Evening stance');
    // Nothing of it for the mat of today.
    expect(kit.classes.every((c) => c.present.length > 0)).toBe(true);
  });
});
