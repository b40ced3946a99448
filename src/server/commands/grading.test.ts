import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import type { Role } from '../../contracts/role';
import { addDays } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { gradingSteps, told } from '../testing/grading';
import { askingForTheForm, DAY, NOW, smallSchool, usualRule, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
});
beforeEach(async () => {
  s = await smallSchool(t, `Panel ${v7().slice(-6)}`);
});
afterAll(() => t.drop());

const { write, handIn, decide, close } = gradingSteps(() => s);
const PANEL = ['head', 'instructor', 'examiner'] as const;
const page = () => runView(t.db, s.as.head, 'student', { id: s.student }, NOW);
const panel = (who: Role = 'head') => runView(t.db, s.as[who], 'panel', { id: s.grading }, NOW);

describe('a grading', () => {
  it('goes from three sheets by the rule to a belt, and every mark becomes a look of who saw it', async () => {
    for (const who of PANEL) await write(who, who === 'examiner' ? 'HHHHS' : 'HHHHH');
    expect((await panel()).seen).toBeNull();
    expect(await told(decide('the belt'))).toMatch(/have not handed in yet\.$/);
    for (const who of PANEL) await handIn(who);
    const { seen, candidates } = await panel();
    // By hand: on two sides five repetitions, of each three pairs; at the last of each the examiner stands apart.
    expect([seen!.all.same, seen!.all.pairs, seen!.all.slips]).toEqual([26, 30, 2]);
    expect(seen!.shifts.find((x) => x.name.endsWith('examiner'))!.shift).toBeLessThan(0);
    expect(candidates[0]!.rule).toMatchObject({ outcome: 'the belt', short: 0 });
    expect(candidates[0]!.tallies.map((x) => [x.held, x.seen]).sort()).toEqual([
      [10, 10],
      [10, 10],
      [8, 10],
    ]);
    expect(await told(close())).toMatch(/nothing is decided yet/);
    await decide('the belt');
    await close();
    const after = await page();
    expect(after.student.rank.id).toBe(s.ranks[1]);
    expect(after.decisions).toMatchObject([{ passed: true, note: 'Your stance stands.' }]);
    const { looks } = await runView(t.db, s.as.head, 'studentLooks', { id: s.student }, NOW);
    expect(looks.map((l) => [l.purpose, l.day, l.side])).toHaveLength(6);
    expect(new Set(looks.map((l) => `${l.purpose} ${l.day}`))).toEqual(new Set([`show ${addDays(DAY, -1)}`]));
    expect(new Set(looks.map((l) => l.by)).size).toBe(3);
    // Closed: nothing of it changes any more.
    const late = [
      () => write('head', 'SSSSS', { reason: 'late' }),
      () => decide('held over', { reason: 'not so' }),
      () => close(),
    ];
    for (const work of late) expect(await told(work())).toMatch(/is closed: nothing of it changes/);
  });

  it('student and guardian read nothing of it before it is let out, and their own result and certificate after', async () => {
    for (const who of PANEL) await write(who, 'HHHHH');
    for (const who of PANEL) await handIn(who);
    await decide('the belt');
    await s.send('head', 'grading.close', { id: s.grading, letOut: false });
    const read = (who: Role) => runView(t.db, s.as[who], 'student', { id: s.student }, NOW);
    const before = await read('guardian');
    expect([before.graded, before.student.rank.name, before.certificates.length]).toEqual([null, 'White', 1]);
    const looks = await runView(t.db, s.as.guardian, 'studentLooks', { id: s.student }, NOW);
    expect(JSON.stringify(looks)).not.toContain('examiner');
    // Frozen meanwhile.
    expect(await told(decide('held over', { reason: 'I have slept on it' }))).toMatch(/is closed/);
    expect(await told(write('examiner', 'SSSSS', { reason: 'I was wrong' }))).toMatch(/is closed/);
    expect(await told(s.send('instructor', 'grading.letOut', { id: s.grading }))).not.toBe('done');
    await s.send('head', 'grading.letOut', { id: s.grading });
    const after = await read('guardian');
    expect([after.graded?.result, after.student.rank.name]).toEqual(['the belt', 'Straw']);
    expect(after.certificates.map((c) => c.to.name)).toEqual(['Straw', 'White']);
    expect(await runView(t.db, s.as.guardian, 'certificate', { id: after.certificates[0]!.id }, NOW)).toMatchObject({
      items: [{ condition: 'in air' }],
      panel: expect.arrayContaining([expect.objectContaining({ role: 'examiner' })]) as unknown,
      belts: [{ since: '2025-06-01' }, { since: addDays(DAY, -1) }],
    });
    expect(await told(s.send('head', 'grading.letOut', { id: s.grading }))).toMatch(/let out already/);
    // Nothing slipped: there is nothing to work on from it.
    expect((await t.owner.query('select 1 from focus_given where student_id = $1', [s.student])).rowCount).toBe(0);
  });

  it('another result than the rule’s needs its reason; a part again says which part, and gives no belt', async () => {
    for (const who of PANEL) await write(who, 'HHSSS');
    for (const who of PANEL) await handIn(who);
    expect((await panel()).candidates[0]!.rule.outcome).toBe('the belt, with a note');
    expect(await told(decide('part again'))).toBe('Say why it is not as the rule says.');
    expect(await told(decide('part again', { reason: 'the heel' }))).toBe('Say what is shown again.');
    expect(await told(decide('part again', { reason: 'the heel', again: [v7()] }))).toMatch(/does not ask for that/);
    await decide('part again', { reason: 'the heel', again: [s.requirement], againBy: addDays(DAY, 30) });
    expect((await panel()).candidates[0]!.decided).toMatchObject({
      result: 'part again',
      byRule: 'the belt, with a note',
      again: [s.requirement],
    });
    // Nobody is told before it is closed; then whose it is reads it.
    const own = () => runView(t.db, s.as.guardian, 'student', { id: s.student }, NOW);
    expect((await own()).graded).toBeNull();
    await close();
    expect((await own()).graded).toMatchObject({
      result: 'part again',
      sentence: 'Your stance stands.',
      again: [expect.stringContaining('stance')],
      againBy: addDays(DAY, 30),
    });
    const after = await page();
    expect([after.student.rank.id, after.decisions.map((d) => d.passed)]).toEqual([s.ranks[0], [false]]);
  });

  it('is read over the years once it is let out: who passed, and what stood least', async () => {
    const history = () => runView(t.db, s.as.instructor, 'gradingHistory', {}, NOW);
    for (const who of PANEL) await write(who, 'HHSSS');
    for (const who of PANEL) await handIn(who);
    await decide('part again', { again: [s.requirement], reason: 'It was the heel' });
    await s.send('head', 'grading.close', { id: s.grading, letOut: false });
    expect(await history()).toEqual({ gradings: [], belts: [] });
    await s.send('head', 'grading.letOut', { id: s.grading });
    expect(await history()).toMatchObject({
      gradings: [{ went: 1, passed: 0 }],
      belts: [{ to: { name: 'Straw' }, went: 1, passed: 0, items: [{ stood: 0, of: 1 }] }],
    });
  });

  it('a sheet on paper is typed in by a teacher, marked as such, never beside one that is written on a device', async () => {
    const of = s.as.examiner.personId;
    const paper = await runView(t.db, s.as.instructor, 'paperSheet', { id: s.grading }, NOW);
    expect(paper.candidates[0]!.items[0]!.line).toBeNull();
    const read = (who: Role) => runView(t.db, s.as[who], 'examine', { id: s.grading, of }, NOW);
    expect((await read('instructor')).typedFor).toMatchObject({ id: of });
    await write('instructor', 'HHHHS', { examinerId: of });
    expect((await read('head')).candidates[0]!.items[0]!.line!.marks[0]).toMatchObject({ reps: 'HHHHS' });
    // An examiner types in for nobody; and where somebody writes themself, nobody types in for them.
    expect(await told(write('examiner', 'HHHHH', { examinerId: s.as.head.personId }))).toMatch(
      /^Only teachers type in/,
    );
    await write('head', 'HHHHH');
    expect(await told(write('instructor', 'SSSSS', { examinerId: s.as.head.personId }))).toMatch(
      /a device of their own/,
    );
    expect(
      await told(runView(t.db, s.as.instructor, 'examine', { id: s.grading, of: s.as.head.personId }, NOW)),
    ).toMatch(/a device of their own/);
    // Whoever typed it in closes it; of what somebody wrote themself only the head does.
    await s.send('instructor', 'sheet.handIn', { gradingId: s.grading, examinerId: of });
    expect(
      await told(s.send('instructor', 'sheet.handIn', { gradingId: s.grading, examinerId: s.as.head.personId })),
    ).toMatch(/^Only a head/);
    await write('instructor', 'HHHHH');
    for (const who of ['head', 'instructor'] as const) await handIn(who);
    const { candidates } = await panel();
    expect(candidates[0]!.tallies.map((x) => [x.examiner === of, x.typed])).toEqual(
      expect.arrayContaining([
        [true, true],
        [false, false],
      ]) as unknown,
    );
  });

  it('what slipped becomes the one thing to work on, the same that the sentence names', async () => {
    for (const who of PANEL) await write(who, 'HHHHS');
    for (const who of PANEL) await handIn(who);
    await decide('the belt');
    await close();
    const { rows } = await t.owner.query<{ point: string; reason: string }>(
      'select point_id as point, reason from focus_given where student_id = $1',
      [s.student],
    );
    expect(rows).toEqual([{ point: s.points.seen, reason: expect.stringMatching(/^From the grading of/) as string }]);
  });

  it('a form is followed count by count, and becomes a showing of the record', async () => {
    const thread = v7();
    const change = { version: null, edits: askingForTheForm(s, thread) };
    const { version } = (await s.send('head', 'syllabus.change', change)) as { version: number };
    const id = v7();
    await s.send('head', 'syllabus.publish', { id, version, title: 'With the form', from: '2025-05-01' });
    // How others do a count stands beside it under the condition that is asked, and no other.
    const { rows: kept } = await t.owner.query<{ title: string; text: string; version: number }>(
      'select title, text, version from sequence where id = $1',
      [s.sequence],
    );
    const text = `${kept[0]!.text}\n~ Brae (only IN AIR): punch L\n~ Reed House (only still target): kick R\n~ Sluice: punch R`;
    await s.send('head', 'sequence.save', { ...kept[0]!, id: s.sequence, text });
    const sheet = await runView(t.db, s.as.examiner, 'examine', { id: s.grading }, NOW);
    const form = sheet.candidates[0]!.items.find((i) => i.form)!;
    expect(form.points.map((p) => p.id.split('#')[1])).toEqual(['1', '2', 'rhythm', 'line']);
    expect([form.repetitions, form.sided]).toEqual([1, false]);
    expect(form.points[1]!.variants.map((x) => x.school)).toEqual(['Brae', 'Sluice']);
    for (const who of PANEL) {
      await write(who, 'HHHHH');
      await write(who, 'H', {
        requirementId: form.requirementId,
        marks: form.points.map((p, i) => ({
          pointId: p.id,
          side: 'none',
          reps: i === 1 && who === 'examiner' ? 'S' : 'H',
        })),
      });
      await handIn(who);
    }
    const { seen, candidates } = await panel();
    expect(candidates[0]!.rule.outcome).toBe('the belt');
    expect(seen!.splits[0]!.point).toMatch(/^count 2/);
    await decide('the belt');
    await close();
    const { rows } = await t.owner.query<{ counts: string; of_counts: number; purpose: string }>(
      'select counts, of_counts, purpose from look where student_id = $1 and sequence_id is not null order by counts',
      [s.student],
    );
    expect(rows).toEqual([
      { counts: 'HH|HHU', of_counts: 2, purpose: 'show' },
      { counts: 'HH|HHU', of_counts: 2, purpose: 'show' },
      { counts: 'HS|HHU', of_counts: 2, purpose: 'show' },
    ]);
  });

  it('what is waived for somebody is not on the sheet, and slips of it decide nothing', async () => {
    const own = { id: v7(), studentId: s.student, pointId: s.points.seen, from: addDays(DAY, -30), range: null };
    await s.send('head', 'adaptation.write', { ...own, share: null, waived: true, reason: 'hip' });
    const sheet = await runView(t.db, s.as.examiner, 'examine', { id: s.grading }, NOW);
    expect(sheet.candidates[0]!.items[0]!.points.map((p) => p.id)).toEqual([s.points.measured, s.points.felt]);
    const marks = [
      { pointId: s.points.seen, side: 'left' as const, reps: 'SSSSS' },
      { pointId: s.points.measured, side: 'left' as const, reps: 'HHHHH' },
    ];
    for (const who of PANEL) await write(who, '', { marks });
    for (const who of PANEL) await handIn(who);
    expect((await panel()).candidates[0]!.rule.outcome).toBe('the belt');
  });

  it('a sheet is its examiner’s own: nobody reads it before all are in, and handed in it changes only with why', async () => {
    await write('examiner', 'HHHHH', { note: 'arms swing' });
    await write('examiner', 'HHHHS', { note: 'arms swing' });
    const mine = await runView(t.db, s.as.examiner, 'examine', { id: s.grading }, NOW);
    expect(mine.candidates[0]!.items[0]!.line).toMatchObject({ note: 'arms swing', marks: [{ reps: 'HHHHS' }, {}] });
    const other = await runView(t.db, s.as.instructor, 'examine', { id: s.grading }, NOW);
    expect(JSON.stringify(other)).not.toContain('arms swing');
    expect(other.candidates[0]!.items[0]!.line).toBeNull();
    await handIn('examiner');
    expect(await told(handIn('examiner'))).toMatch(/handed in already/);
    expect(await told(write('examiner', 'SSSSS'))).toMatch(/needs its reason/);
    await write('examiner', 'HHSSS', { reason: 'it was the other foot' });
    // Who cannot hand in any more does not hold up the rest: a head closes their sheet as it is, and nobody else.
    const forThem = { gradingId: s.grading, examinerId: s.as.instructor.personId };
    expect(await told(s.send('examiner', 'sheet.handIn', forThem))).toMatch(/Only a head/);
    const waiting = await panel('examiner');
    expect([waiting.seen, waiting.candidates]).toEqual([null, []]);
    expect(waiting.panel.map((p) => p.handedIn).sort()).toEqual([false, false, true]);
    await s.send('head', 'sheet.handIn', forThem);
    expect((await panel()).panel.map((p) => p.handedIn).sort()).toEqual([false, true, true]);
  });

  it('an examiner sees only gradings they are invited to, and nothing else of the school', async () => {
    const id = v7();
    const more = { title: 'Closed house', day: DAY, hallId: null, rule: usualRule(), items: null, answerBy: null };
    await s.send('head', 'grading.save', { id, panel: [s.as.head.personId], ...more });
    const seen = await runView(t.db, s.as.examiner, 'gradings', {}, NOW);
    expect(seen.gradings.map((g) => g.id)).toEqual([s.grading]);
    expect([seen.teachers, seen.halls]).toEqual([[], []]);
    const at = { gradingId: id };
    expect(await told(runView(t.db, s.as.examiner, 'examine', { id }, NOW))).toMatch(/not on the panel/);
    expect(await told(runView(t.db, s.as.examiner, 'panel', { id }, NOW))).toMatch(/head and the panel/);
    expect(await told(s.send('examiner', 'sheet.handIn', at))).toMatch(/not on the panel/);
    expect(await told(runView(t.db, s.as.examiner, 'grading', { id: s.grading }, NOW))).toMatch(/not for you/);
  });

  it('who goes up is put forward, says yes or no themself, and can be out; against what is missing only by the head', async () => {
    const pupil = s.as.student.personId;
    const put = { gradingId: s.grading, studentId: pupil, rankId: s.ranks[1]!, reason: null };
    expect(await told(s.send('student', 'grading.say', { gradingId: s.grading, studentId: pupil, yes: true }))).toMatch(
      /not put forward/,
    );
    expect(await told(s.send('instructor', 'grading.put', { ...put, reason: 'early' }))).toMatch(/Only a head/);
    await s.send('instructor', 'grading.put', put);
    await s.send('student', 'grading.say', { gradingId: s.grading, studentId: pupil, yes: true });
    expect(
      await told(s.send('student', 'grading.say', { gradingId: s.grading, studentId: s.student, yes: true })),
    ).toMatch(/another student/);
    await s.send('guardian', 'grading.say', { gradingId: s.grading, studentId: s.student, yes: false });
    await s.send('head', 'grading.put', { ...put, reason: 'a month early, and ready' });
    const { candidates, others } = await runView(t.db, s.as.instructor, 'grading', { id: s.grading }, NOW);
    const by = new Map(candidates.map((c) => [c.id, c]));
    expect(by.get(pupil)).toMatchObject({ yes: true, exception: 'a month early, and ready', met: 0, asked: 1 });
    expect(by.get(s.student)).toMatchObject({
      yes: false,
      out: null,
      shut: [expect.stringContaining('0 of 10 hours')],
    });
    expect(others).toEqual([]);
    await s.send('head', 'grading.out', { gradingId: s.grading, studentId: pupil, reason: 'wrist' });
    expect(
      await told(
        s.send('head', 'grading.decide', {
          gradingId: s.grading,
          studentId: pupil,
          result: 'held over',
          reason: 'x y z',
          again: [],
          againBy: null,
          sentence: '',
        }),
      ),
    ).toMatch(/is out/);
    const sheet = await runView(t.db, s.as.examiner, 'examine', { id: s.grading }, NOW);
    expect(sheet.candidates.map((c) => c.id)).toEqual([s.student]);
  });
});
