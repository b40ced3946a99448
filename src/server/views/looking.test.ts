import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CommandDraft } from '../../contracts/commands';
import { upon } from '../../contracts/kit';
import type { LookKitView } from '../../contracts/views';
import { withNewer } from '../../contracts/views/earlierMarks';
import { addDays } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { aLook, aRequirement, askingForTheForm, DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from './run';

type Edits = CommandDraft<'syllabus.change'>['edits'];
let t: TestDatabase;
let minute = 0;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());

const page = (s: SmallSchool, id = s.student) => runView(t.db, s.as.head, 'student', { id }, NOW);
const seen = (s: SmallSchool, day: string, held: number, more: Partial<Parameters<typeof aLook>[1]> = {}) =>
  (['left', 'right'] as const).map((side) =>
    s.send(
      'instructor',
      'look.record',
      aLook(s, { day, side, marks: [{ pointId: s.points.seen, kind: 'seen', held, of: 5 }], ...more }),
    ),
  );

/** The form asked for: three showings on one day, on one side. */
async function askForTheForm(s: SmallSchool, more: Partial<Parameters<typeof aRequirement>[0]> = {}) {
  const edits = askingForTheForm(s, v7(), {
    ...more,
    standard: { share: 0.8, criticalShare: 0.9, repetitions: 3, days: 1, sides: 'one', freshDays: 60, mayFallShort: 0 },
  });
  await s.send('head', 'syllabus.change', { version: null, edits });
  const id = v7();
  await s.send('head', 'syllabus.publish', { id, version: 1, title: 'With the form', from: DAY });
  await s.send('head', 'syllabus.follow', { versionId: id, studentIds: [s.student] });
}
const showing = (s: SmallSchool, counts: string, more: object = {}) =>
  s.send('instructor', 'look.record', {
    ...aLook(s, { techniqueId: null, side: 'none', purpose: 'show', marks: [] }),
    at: new Date(NOW.getTime() + 60_000 * (minute += 1)).toISOString(),
    sequence: { id: s.sequence, from: 1, to: 2, ofCounts: 2, counts, slips: [] },
    ...more,
  });

describe('a form is looked at count by count', () => {
  it('three clean showings are met; a slip says its count', async () => {
    const s = await smallSchool(t, 'Forms');
    await askForTheForm(s);
    const form = async () => (await page(s)).requirements.find((r) => r.kind === 'form')!;
    expect((await form()).word).toBe('unseen');
    await showing(s, 'HH|HHU');
    await showing(s, 'HS|HHU');
    expect(await form()).toMatchObject({ word: 'close' });
    expect((await form()).reason).toMatch(/^Count 2.* held in 1 of the last 2; needs 3 of 3\.$/);
    for (let i = 0; i < 3; i += 1) await showing(s, 'HH|HHU');
    expect((await form()).word).toBe('met');
    const shown = (await page(s)).looks.map((l) => l.shown);
    expect(shown).toContain('count 2 slipped');
    expect(shown).toContain('without a slip');
    const all = await runView(t.db, s.as.head, 'studentLooks', { id: s.student }, NOW);
    expect(all.looks).toHaveLength(5);
    expect(all.looks[0]!.marks[0]!.point).toBe('counts');
  });

  it('marks of counts are read only as long as the sequence has as many', async () => {
    const s = await smallSchool(t, 'Changed');
    await askForTheForm(s);
    for (let i = 0; i < 3; i += 1) await showing(s, 'HH|HHU');
    const form = async () => (await page(s)).requirements.find((r) => r.kind === 'form')!;
    expect((await form()).word).toBe('met');
    const [row] = (await t.owner.query<{ text: string }>(`select text from sequence where id = $1`, [s.sequence])).rows;
    await s.send('head', 'sequence.save', { id: s.sequence, title: 'Changed form', text: `${row!.text}\npunch L` });
    expect((await form()).word).toBe('unseen');
    // The looks themselves are still there.
    expect((await page(s)).lookCount).toBe(3);
  });

  it('refuses marks that do not fit, a look at nothing or at two things', async () => {
    const s = await smallSchool(t, 'Unfit');
    await expect(showing(s, 'HHH|HHU')).rejects.toThrow(/do not fit/);
    await expect(showing(s, 'HX|HHU')).rejects.toThrow(/no marks of counts/);
    await expect(showing(s, 'HH|HHU', { techniqueId: s.stance })).rejects.toThrow(/one technique or one sequence/);
    await expect(s.send('instructor', 'look.record', { ...aLook(s), techniqueId: null })).rejects.toThrow(
      /one technique/,
    );
  });
});

describe('stage and purpose', () => {
  it('what is asked joined is not shown by counts', async () => {
    const s = await smallSchool(t, 'Stages');
    const edit: Edits[number] = {
      op: 'requirement.put',
      requirement: aRequirement(
        { id: s.requirement, rankId: s.ranks[1]!, threadId: s.thread, stage: 'joined', purpose: 'show' },
        s.conditions,
      ),
    };
    await s.send('head', 'syllabus.change', { version: null, edits: [edit] });
    const id = v7();
    await s.send('head', 'syllabus.publish', { id, version: 1, title: 'Joined', from: DAY });
    await s.send('head', 'syllabus.follow', { versionId: id, studentIds: [s.student] });
    const point = async () => (await page(s)).requirements[0]!.points.find((p) => p.pointId === s.points.seen)!;
    await Promise.all(seen(s, '2026-03-01', 5, { stage: 'by counts', purpose: 'show' }));
    await Promise.all(seen(s, '2026-03-01', 5, { stage: 'joined', purpose: 'study' }));
    expect((await point()).of).toBe(0);
    await Promise.all(seen(s, '2026-03-02', 5, { stage: 'one motion', purpose: 'show' }));
    expect((await point()).of).toBe(5);
  });
});

describe('the one correction', () => {
  it('is the rule’s until a teacher chooses with a reason, and stays until it holds', async () => {
    const s = await smallSchool(t, 'Focus');
    await Promise.all(seen(s, '2026-03-01', 2));
    expect((await page(s)).focus).toMatchObject({ point: 'rear heel', side: 'left', since: null, chosen: false });
    const give = { id: v7(), studentId: s.student, pointId: s.points.seen, side: 'right' as const, day: DAY };
    await expect(s.send('instructor', 'focus.give', { ...give, chosen: true, reason: '' })).rejects.toThrow(/reason/);
    await s.send('instructor', 'focus.give', { ...give, chosen: true, reason: 'The right carries the kick.' });
    const chosen = (await page(s)).focus!;
    expect(chosen).toMatchObject({
      side: 'right',
      since: DAY,
      chosen: true,
      why: 'Chosen: The right carries the kick.',
    });
    expect(chosen.holds).toBe('It stays until it holds 8 of 10 on the right over 2 days.');
    await Promise.all([...seen(s, '2026-03-02', 5), ...seen(s, '2026-03-03', 5)]);
    expect((await page(s)).focus).toBeNull();
  });
});

describe('what the mat takes along', () => {
  it('what is worth a look, the correction, and why work rests', async () => {
    const s = await smallSchool(t, 'Mat');
    await askForTheForm(s);
    await Promise.all(seen(s, '2026-03-01', 4));
    await s.send('head', 'gradingDay.set', { day: addDays(DAY, 30), graded: true });
    const kit = async () => upon(null, await runView(t.db, s.as.instructor, 'lookKit', {}, NOW))!.kit;
    const worths = (k: LookKitView) =>
      k.students.find((x) => x.id === s.student)!.worths.map((w) => ({ ...w, itemKey: k.requirements[w.r]!.itemKey }));
    const first = await kit();
    expect(first.gradingDay).toBe(addDays(DAY, 30));
    expect(first.sequences.map((x) => [x.title, x.at.length])).toEqual([['Mat form', 2]]);
    const mine = worths(first);
    expect(mine.map((w) => w.itemKey).sort()).toEqual([`s:${s.sequence}`, `t:${s.stance}`]);
    expect(mine.every((w) => w.reason !== '' && w.points.length > 0)).toBe(true);
    const pauseId = v7();
    await s.send('instructor', 'pause.begin', {
      id: pauseId,
      studentId: s.student,
      techniqueId: s.stance,
      sequenceId: null,
      habit: 'sways',
      from: DAY,
    });
    const paused = await kit();
    expect(worths(paused).some((w) => w.itemKey === `t:${s.stance}`)).toBe(false);
    expect(paused.students.find((x) => x.id === s.student)).toMatchObject({
      resting: [{ what: 'sways', until: null, pause: true }],
      rests: { [`t:${s.stance}`]: { what: 'sways', until: null, points: null } },
    });
    // Its verdict stays.
    expect((await page(s)).requirements.find((r) => r.kind === 'stance')).toMatchObject({ rests: 'Rests: sways' });
    await expect(s.send('instructor', 'pause.end', { id: pauseId, until: '2026-01-01' })).rejects.toThrow(
      /began later/,
    );
    await s.send('instructor', 'pause.end', { id: pauseId, until: addDays(DAY, -0) });
    await s.send('instructor', 'injury.record', {
      id: v7(),
      studentId: s.student,
      what: 'All training',
      from: DAY,
      until: addDays(DAY, 3),
    });
    expect(worths(await kit())).toEqual([]);
  });

  it('asked again it brings whom somebody looked at since, and nobody else', async () => {
    const s = await smallSchool(t, 'Since');
    const other = s.as.student.personId;
    const ask = (since?: Date) =>
      runView(
        t.db,
        s.as.head,
        'earlierMarks',
        { techniqueId: s.stance, ...(since ? { since: since.toISOString() } : {}) },
        NOW,
      );
    await s.send('instructor', 'look.record', aLook(s));
    const first = await ask();
    expect([first.whose, first.marks.length]).toEqual([null, 1]);
    const later = new Date(Date.now() + 3_600_000);
    expect(await ask(later)).toMatchObject({ whose: [], marks: [] });
    await t.owner.query(`update change set looked_at = looked_at - interval '1 hour' where of = $1`, [s.student]);
    await s.send('instructor', 'look.record', aLook(s, { studentId: other }));
    const second = await ask(new Date(Date.now() - 60_000));
    expect([second.whose, second.marks.map((m) => m.studentId)]).toEqual([[other], [other]]);
    expect(withNewer(first.marks, second)).toEqual((await ask()).marks);
    expect(withNewer(first.marks, { whose: [], marks: [] })).toBe(first.marks);
    expect(withNewer(first.marks, { whose: [s.student], marks: [] })).toEqual([]);
  });

  it('shows what others marked, and by whom', async () => {
    const s = await smallSchool(t, 'Others');
    await Promise.all(seen(s, DAY, 4));
    const asked = { techniqueId: s.stance };
    const by = async (who: 'head' | 'instructor') =>
      (await runView(t.db, s.as[who], 'earlierMarks', asked, NOW)).marks.map((m) => m.by);
    expect(await by('head')).toEqual(['Others instructor', 'Others instructor']);
    expect(await by('instructor')).toEqual([null, null]);
  });
});

describe('what was missed', () => {
  it('is listed for who was away, with points, and ticked off by the next look', async () => {
    const s = await smallSchool(t, 'Missed');
    const day = (n: number) => addDays(DAY, -n);
    await s.send('head', 'class.record', { id: v7(), day: day(10), minutes: 60, present: [s.student] });
    await s.send('head', 'class.record', {
      id: v7(),
      day: day(5),
      minutes: 60,
      present: [],
      taught: [{ technique: s.stance }],
    });
    await s.send('head', 'class.record', { id: v7(), day: day(5), minutes: 60, present: [s.as.student.personId] });
    const missed = async () => {
      const view = await runView(t.db, s.as.instructor, 'missed', {}, NOW);
      const list = view.students.find((x) => x.id === s.student)?.missed ?? [];
      return list.map((m) => ({ ...view.items[m.item]!, day: m.day }));
    };
    // The first class of that day had nobody; the second one tells who was away.
    expect((await missed()).map((m) => m.item)).toEqual([]);
    await Promise.all(seen(s, day(5), 5, { studentId: s.as.student.personId }));
    expect(await missed()).toMatchObject([{ day: day(5), item: 'Missed stance', itemKey: `t:${s.stance}` }]);
    expect((await missed())[0]!.points.length).toBeGreaterThan(0);
    expect((await page(s)).missed).toHaveLength(1);
    // A look that was taken back, or that holds a note only, shows nothing and ticks nothing off.
    const pupil = s.as.student.personId;
    const clean = [{ pointId: s.points.seen, kind: 'seen' as const, held: 5, of: 5 }];
    const wrong = aLook(s, { day: day(2), marks: clean, partnerId: pupil });
    await s.send('instructor', 'look.record', wrong);
    expect(await missed()).toEqual([]);
    await s.send('instructor', 'look.record', aLook(s, { day: day(2), marks: [], replaces: wrong.id }));
    await s.send(
      'instructor',
      'look.record',
      aLook(s, { day: day(1), marks: [], note: 'Limps. Asked him to sit.', partnerId: pupil }),
    );
    expect(await missed()).toHaveLength(1);
    expect((await page(s)).looks[0]).toMatchObject({ note: 'Limps. Asked him to sit.', of: 0 });
    // What the partner felt is no look of a teacher. A look that was taken back names no partner any more.
    await s.send('student', 'felt.record', {
      id: v7(),
      studentId: s.student,
      techniqueId: s.stance,
      pointId: s.points.felt,
      conditionId: s.conditions.get('in air')!,
      side: 'left',
      held: 1,
      of: 1,
    });
    expect(await missed()).toHaveLength(1);
    await Promise.all(seen(s, day(1), 5));
    expect(await missed()).toEqual([]);
  });

  it('names a drill they know, and have room for, in which it comes', async () => {
    const s = await smallSchool(t, 'Drill');
    await askForTheForm(s);
    const day = addDays(DAY, -5);
    await s.send('head', 'class.record', { id: v7(), day: addDays(DAY, -6), minutes: 60, present: [s.student] });
    const away = { id: v7(), day, minutes: 60, present: [s.as.student.personId], taught: [{ technique: s.stance }] };
    await s.send('head', 'class.record', away);
    const drill = async () => (await page(s)).missed.find((m) => m.itemKey === `t:${s.stance}`)?.drill;
    expect(await drill()).toBe('Drill form, five times slowly: it comes at count 1.');
    await s.send('head', 'student.room', { id: s.student, roomWidth: 0.5, roomDepth: 0.5, stature: 180 });
    expect(await drill()).toBe('');
  });
});

describe('the order of the line', () => {
  it('goes to every tablet as the last classes stood, the newest first', async () => {
    const s = await smallSchool(t, 'Stood');
    const [a, b] = [s.student, s.as.student.personId];
    const kit = async () => upon(null, await runView(t.db, s.as.instructor, 'lookKit', {}, NOW))!.kit;
    expect((await kit()).stood).toEqual([]);
    const id = v7();
    await s.send('instructor', 'class.record', { id, day: addDays(DAY, -2), minutes: 60, present: [a, b] });
    await s.send('head', 'class.record', { id: v7(), day: DAY, minutes: 60, present: [b] });
    expect((await kit()).stood).toEqual([[b], [a, b]]);
    await s.send('instructor', 'class.record', { id, day: addDays(DAY, -2), minutes: 60, present: [b, a] });
    expect((await kit()).stood[1]).toEqual([b, a]);
  });
});

describe('a class long ago', () => {
  it('is taken late, but who was there is then changed by the head only', async () => {
    const s = await smallSchool(t, 'LongAgo');
    const [a, b] = [s.student, s.as.student.personId];
    const old = { id: v7(), day: addDays(DAY, -15), minutes: 60 };
    await s.send('instructor', 'class.record', { ...old, present: [a] });
    await expect(s.send('instructor', 'class.record', { ...old, present: [a, b] })).rejects.toThrow(/only a head/);
    // Nor by saying another day.
    await expect(s.send('instructor', 'class.record', { ...old, day: DAY, present: [b] })).rejects.toThrow(
      /only a head/,
    );
    const here = async () =>
      (await t.owner.query<{ id: string }>(`select person_id as id from attendance where class_id = $1`, [old.id]))
        .rows;
    expect((await here()).map((r) => r.id)).toEqual([a]);
    await s.send('head', 'class.record', { ...old, present: [a, b] });
    expect((await here()).length).toBe(2);
    const lately = { id: v7(), day: addDays(DAY, -14), minutes: 60 };
    await s.send('instructor', 'class.record', { ...lately, present: [a] });
    await s.send('instructor', 'class.record', { ...lately, present: [b] });
  });
});

describe('chance, calibration and outcomes', () => {
  it('a chance is shown only from enough looks, with their number', async () => {
    const s = await smallSchool(t, 'Chance');
    await Promise.all(seen(s, '2026-03-01', 5));
    expect(await page(s)).toMatchObject({ chance: null });
    for (let i = 1; i <= 4; i += 1) await Promise.all(seen(s, addDays(DAY, -i), 5));
    const { chance } = await page(s);
    expect(chance).toMatchObject({ correctedBy: 0 });
    expect(chance!.looks).toBeGreaterThanOrEqual(5);
    expect(chance!.lo <= chance!.chance && chance!.chance <= chance!.hi).toBe(true);
    const list = await runView(t.db, s.as.instructor, 'chances', { rankId: s.ranks[0]! }, NOW);
    expect(list.rows.map((r) => r.studentId)).toEqual([s.student]);
    const all = await runView(t.db, s.as.instructor, 'everybody', {}, NOW);
    expect(all.rows.find((r) => r.id === s.student)!.first).not.toBe('');
  });

  it('keeps what was believed on the day of a decision, and says that few decisions say little', async () => {
    const s = await smallSchool(t, 'Decided');
    for (let i = 20; i <= 26; i += 2) await Promise.all(seen(s, addDays(DAY, -i), 5));
    await Promise.all(seen(s, DAY, 0));
    const decide = { studentId: s.student, rankId: s.ranks[1]!, note: '' };
    await s.send('head', 'outcome.record', { ...decide, id: v7(), day: addDays(DAY, -10), passed: true });
    await s.send('head', 'outcome.record', { ...decide, id: v7(), day: addDays(DAY, -40), passed: false });
    const rows = await t.owner.query<{ day: string; chance: number | null }>(
      `select day::text, chance from outcome where school_id = $1 order by day`,
      [s.id],
    );
    // Nobody had been watched forty days ago.
    expect(rows.rows[0]!.chance).toBeNull();
    expect(rows.rows[1]!.chance).not.toBeNull();
    const view = await runView(t.db, s.as.head, 'calibration', {}, NOW);
    expect(view).toMatchObject({ gradings: null, gradingCount: 1, looks: null, forecasts: null });
    expect(view.recent.map((r) => [r.passed, r.words === null])).toEqual([
      [true, false],
      [false, true],
    ]);
    await expect(
      s.send('head', 'outcome.record', { ...decide, id: v7(), day: addDays(DAY, 2), passed: true }),
    ).rejects.toThrow(/not in the future/);
  });
});

describe('what was believed before', () => {
  it('a word of the head does not reach back before the day on which it was said', async () => {
    const s = await smallSchool(t, 'Believed');
    for (let i = 20; i <= 28; i += 2) await Promise.all(seen(s, addDays(DAY, -i), 3));
    const decided = async () => {
      const id = v7();
      await s.send('head', 'outcome.record', {
        id,
        studentId: s.student,
        rankId: s.ranks[1]!,
        day: addDays(DAY, -10),
        passed: false,
        note: '',
      });
      const { rows } = await t.owner.query<{ chance: number }>(`select chance from outcome where id = $1`, [id]);
      return rows[0]!.chance;
    };
    const before = await decided();
    expect(before).toBeGreaterThan(0);
    await s.send('head', 'override.set', {
      id: v7(),
      studentId: s.student,
      requirementId: s.requirement,
      word: 'met',
      reason: 'Seen at the summer camp.',
    });
    expect(await decided()).toBeCloseTo(before, 6);
  });
});

describe('at home', () => {
  it('the sheet fits the room, age and rests, and keeps home hours apart', async () => {
    const s = await smallSchool(t, 'House');
    await askForTheForm(s);
    await Promise.all(seen(s, '2026-03-01', 2));
    const sheet = () => runView(t.db, s.as.guardian, 'home', { id: s.student }, NOW);
    expect((await sheet()).items.map((i) => i.name)).toEqual(['House stance', 'House form']);
    await s.send('guardian', 'student.room', { id: s.student, roomWidth: 0.6, roomDepth: 0.6, stature: 180 });
    const small = (await sheet()).items.find((i) => i.name === 'House form')!;
    expect(small.fit).toMatch(/does not fit|fit your floor/);
    await s.send('guardian', 'student.room', { id: s.student, roomWidth: 6, roomDepth: 6, stature: 180 });
    expect((await sheet()).items.find((i) => i.name === 'House form')!.fit).toBe('All of it fits your floor.');
    await s.send('instructor', 'pause.begin', {
      id: v7(),
      studentId: s.student,
      techniqueId: null,
      sequenceId: s.sequence,
      habit: 'hurries',
      from: DAY,
    });
    expect((await sheet()).left).toEqual([{ name: 'House form', why: 'rests: hurries' }]);
    await s.send('guardian', 'practice.record', {
      id: v7(),
      studentId: s.student,
      day: DAY,
      minutes: 600,
      repetitions: 0,
      strikes: 40,
      hands: 'skin open',
      joints: 'fine',
      what: '',
    });
    const mine = await page(s);
    expect(mine.practice).toMatchObject({ minutes: 600, strikes: 40 });
    expect(mine.gates[0]!.has).toBe('0 of 10 hours of class');
    expect((await sheet()).cautions.join(' ')).toContain('Rests until 2026-03-19: skin of both hands open');
  });
});

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
