import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CommandDraft } from '../../contracts/commands';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { lookingSteps } from '../testing/looking';
import { aLook, aRequirement, DAY, NOW, smallSchool } from '../testing/school';
import { runView } from './run';

type Edits = CommandDraft<'syllabus.change'>['edits'];
let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());
const { page, seen, askForTheForm, showing } = lookingSteps(() => t);

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

  it('what was named at a count that is no point of the library is read with the look, and who felt it', async () => {
    const s = await smallSchool(t, 'Named');
    await askForTheForm(s);
    const own = { count: 1, pointId: null };
    const slips = [
      { ...own, what: 'eyes first', toldBy: null, held: false },
      { ...own, what: 'stands firm, felt', toldBy: s.student, held: true },
    ];
    const sequence = { id: s.sequence, from: 1, to: 2, ofCounts: 2, counts: 'SH|HHU', slips };
    await showing(s, sequence.counts, { sequence });
    const [look] = (await runView(t.db, s.as.head, 'studentLooks', { id: s.student }, NOW)).looks;
    expect(look!.marks.map((m) => [m.point, m.words, m.felt])).toEqual([
      ['counts', 'count 1 slipped', null],
      ['eyes first:', 'slipped at count 1', null],
      ['stands firm, felt:', 'held at count 1', expect.any(String)],
    ]);
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
