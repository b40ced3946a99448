import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { COMMANDS, type CommandName } from '../contracts/commands';
import type { Role } from '../contracts/role';
import { VIEWS, type ViewName } from '../contracts/views';
import { makeDatabase, type TestDatabase } from '../data/testing/database';
import { Refusal } from './http/problem';
import { goodInputs, practised } from './testing/inputs';
import { aLook, DAY, NOW, smallSchool, type SmallSchool } from './testing/school';
import { runView } from './views/run';

let t: TestDatabase;
let home: SmallSchool;
let away: SmallSchool;

beforeAll(async () => {
  t = await makeDatabase();
  home = await smallSchool(t, 'Home');
  away = await smallSchool(t, 'Away');
});
afterAll(() => t.drop());

const ROLES: readonly Role[] = ['head', 'instructor', 'examiner', 'student', 'guardian'];

// The written matrix: h head, i instructor, e examiner, s student (about another one), g guardian (of that one). Changing a right means changing this line too.
const MAY_SEND: Record<CommandName, string> = {
  'technique.save': 'hi',
  'technique.retire': 'hi',
  'technique.merge': 'h',
  'sequence.save': 'hi',
  'sequence.derive': 'hi',
  'sequence.retire': 'hi',
  'sequence.waive': 'hi',
  'sequence.import': 'hi',
  'thing.save': 'hi',
  'thing.remove': 'h',
  'hall.save': 'h',
  'hall.remove': 'h',
  'rank.save': 'h',
  'rank.order': 'h',
  'rank.remove': 'h',
  'condition.save': 'h',
  'condition.remove': 'h',
  'syllabus.change': 'h',
  'syllabus.put': 'h',
  'syllabus.publish': 'h',
  'syllabus.discard': 'h',
  'syllabus.follow': 'h',
  'bundle.import': 'h',
  'student.add': 'h',
  'student.change': 'h',
  'student.import': 'h',
  'student.importBack': 'h',
  'student.leave': 'h',
  'student.promote': 'h',
  'consent.record': 'hg', // a student for themselves, in its own test
  'pictures.agree': 'hg', // the same
  'injury.record': 'hi',
  'adaptation.write': 'h',
  'override.set': 'h',
  'look.record': 'hi',
  'look.mend': 'hi',
  'look.move': 'hi',
  'record.strike': 'hi', // and practice by whose it is, below
  'class.record': 'hi',
  'classPlan.save': 'hi',
  'classPlan.remove': 'hi',
  'class.run': 'hi',
  'class.close': 'hi',
  'cycle.save': 'hi',
  'cycle.remove': 'h',
  'calendar.open': 'h',
  'calendar.close': 'h',
  'classNote.add': 'hi',
  'classNote.remove': 'hi',
  'guest.add': 'hi',
  'guest.remove': 'hi',
  'pairs.record': 'hi',
  'partners.say': 'hi',
  'partners.end': 'hi', // what they said themselves; the head anything
  'felt.record': '', // of oneself, or of somebody one was in class with, below
  'focus.give': 'hi',
  'practice.record': 'g', // and a student their own, below
  'load.record': 'hig', // and a student their own, in its own test
  'load.allow': 'h',
  'load.agree': 'hg',
  'loadRule.set': 'h',
  'post.save': 'hi',
  'post.remove': 'h',
  'pause.begin': 'hi',
  'pause.end': 'hi',
  'incident.record': 'hi',
  'outcome.record': 'h',
  'grading.save': 'h',
  'grading.put': 'hi',
  'grading.say': 'g', // a student for themselves, in its own test
  'grading.out': 'h',
  'sheet.write': 'hie',
  'sheet.handIn': 'hie',
  'grading.decide': 'h',
  'grading.close': 'h',
  'runSheet.save': 'hi',
  'grading.letOut': 'h',
  'certificate.give': 'h',
  'certificate.back': 'h',
  'signingKey.renew': 'h',
  'gradingDay.set': 'h',
  'school.set': 'h',
  'student.room': 'hig',
  'guardian.save': 'h',
  'teacher.save': 'h',
  'access.give': 'h',
  'access.take': 'h',
};
const MAY_SEE: Record<ViewName, string> = {
  shell: 'hiesg',
  techniques: 'hi',
  technique: 'hi',
  library: 'hi',
  sequences: 'hi',
  sequence: 'hi',
  syllabus: 'hi',
  syllabusCompare: 'hi',
  syllabusFollow: 'hi',
  syllabusSheet: 'hi',
  bundle: 'hi',
  roll: 'hi',
  readiness: 'hi',
  chances: 'hi',
  everybody: 'hi',
  student: 'hig', // and a student their own, below
  forecast: 'hig',
  studentLooks: 'hig',
  home: 'hig',
  wards: 'g',
  missed: 'hi',
  calibration: 'h',
  incidents: 'hi',
  classes: 'hi',
  classRun: 'hi',
  store: 'hi',
  load: 'hig', // and a student their own, in its own test
  striking: 'hi',
  posts: 'hi',
  cycle: 'hi',
  cycleAsked: 'hi',
  catchUp: 'hi',
  lookKit: 'hi',
  earlierMarks: 'hi',
  earlierShowings: 'hi',
  people: 'h',
  school: 'h',
  firstSteps: 'h',
  imports: 'h',
  gradings: 'hie',
  gradingHistory: 'hi',
  grading: 'hi',
  examine: 'hie',
  panel: 'hie',
  paperSheet: 'hi',
  runSheet: 'hi',
  certificate: 'hig', // and a student their own, below
};

const seeing = (s: SmallSchool): Record<ViewName, object> => ({
  shell: {},
  techniques: {},
  classRun: { id: s.plan },
  cycle: { id: s.cycle },
  cycleAsked: {},
  catchUp: {},
  store: {},
  load: { id: s.student },
  striking: {},
  posts: {},
  technique: { id: s.stance },
  library: {},
  sequences: {},
  sequence: { id: s.sequence },
  syllabus: {},
  syllabusCompare: { was: s.published, now: s.published },
  syllabusFollow: { id: s.published },
  syllabusSheet: { rankId: s.ranks[1]! },
  bundle: { versionId: s.published },
  roll: {},
  readiness: { rankId: s.ranks[0]! },
  chances: {},
  everybody: {},
  student: { id: s.student },
  forecast: { id: s.student },
  studentLooks: { id: s.student },
  home: { id: s.student },
  wards: {},
  missed: {},
  calibration: {},
  incidents: {},
  classes: {},
  lookKit: {},
  earlierMarks: { techniqueId: s.stance },
  earlierShowings: { sequenceId: s.sequence },
  people: {},
  school: {},
  firstSteps: {},
  imports: {},
  gradings: {},
  gradingHistory: {},
  grading: { id: s.grading },
  examine: { id: s.grading },
  panel: { id: s.grading },
  paperSheet: { id: s.grading },
  runSheet: { id: s.grading },
  certificate: { id: s.certificate },
});

const statusOf = (work: Promise<unknown>): Promise<number> =>
  work.then(
    () => 200,
    (e: unknown) => {
      if (e instanceof Refusal) return e.status;
      throw e;
    },
  );
const letters = (role: Role) => role.charAt(0);
/** All that stands in a school's tables, in one text. */
async function everything(schoolId: string): Promise<string> {
  const tables = await t.owner.query<{ name: string }>(
    `select table_name as name from information_schema.columns where table_schema = 'public' and column_name = 'school_id' order by 1`,
  );
  const parts = await Promise.all(
    tables.rows.map((r) =>
      t.owner.query<{ all: string | null }>(
        `select string_agg(x::text, chr(10) order by x::text) as all from ${r.name} x where school_id = $1`,
        [schoolId],
      ),
    ),
  );
  return parts.map((p, i) => `${tables.rows[i]!.name}: ${p.rows[0]!.all}`).join('\n');
}

/** What somebody who may is told where the input of these tests can be right and still cannot be done; else 200. */
const ANSWERS: Partial<Record<CommandName, readonly number[]>> = {
  // The technique that shall go is not there.
  'technique.merge': [404],
  // Belts that are there are left out of the order.
  'rank.order': [409],
  // No such list came in.
  'student.importBack': [404],
  // No such look is on record.
  'look.mend': [404],
  'look.move': [404],
  'record.strike': [404],
  // Nothing of theirs is on record, or no such plan.
  'classPlan.remove': [404],
  'cycle.remove': [404],
  'thing.remove': [404],
  'post.remove': [404],
  'calendar.close': [404],
  'classNote.remove': [404],
  'guest.remove': [404],
  'partners.end': [404],
  // That the belt was passed is on record already.
  'outcome.record': [200, 409],
  // Of age: nobody is asked.
  'load.agree': [409],
  // No pause was begun.
  'pause.end': [422],
  // It is let out with the closing, above.
  'grading.letOut': [409],
  // It has its certificate already.
  'certificate.give': [409],
  // The grading was closed, above.
  'runSheet.save': [409],
  // No such certificate was given.
  'certificate.back': [404],
  // From before there was a draft: done where none is begun yet, else somebody was quicker.
  'syllabus.put': [200, 409],
  'syllabus.publish': [200, 409],
  'syllabus.discard': [200, 409],
};
/** Views that name a thing by its id: another school's is not there. The rest show the school that asks. */
const NOT_THERE: readonly ViewName[] = [
  'classRun',
  'cycle',
  'technique',
  'sequence',
  'syllabusCompare',
  'syllabusFollow',
  'bundle',
  'syllabusSheet',
  'readiness',
  'student',
  'studentLooks',
  'forecast',
  'home',
  'load',
  'grading',
  'examine',
  'paperSheet',
  'panel',
  'certificate',
  'runSheet',
];

describe('who may do what', () => {
  const commands = Object.keys(COMMANDS) as CommandName[];

  it.each(commands.flatMap((c) => ROLES.map((r) => [c, r] as const)))('%s as %s', async (command, role) => {
    const input = goodInputs(home)[command]();
    const before = role === 'head' || role === 'instructor' ? '' : await everything(home.id);
    const status = await statusOf(home.send(role, command, input));
    if (MAY_SEND[command].includes(letters(role))) expect(ANSWERS[command] ?? [200]).toContain(status);
    else {
      expect(status).toBe(403);
      if (before !== '') expect(await everything(home.id)).toBe(before);
    }
  });

  it.each(commands)('%s about another school’s things changes nothing there', async (command) => {
    const before = await everything(home.id);
    // Whatever the answer, no row of the other school may be touched, and a thing named by id is not found there.
    const status = await statusOf(away.send('head', command, goodInputs(home)[command]()));
    expect(await everything(home.id)).toBe(before);
    const makesNew: CommandName[] = [
      'sequence.save',
      'sequence.import',
      'classPlan.save',
      'cycle.save',
      'calendar.open',
      'classNote.add',
      'guest.add',
      'hall.save',
      'thing.save',
      'hall.remove',
      'rank.save',
      'rank.remove',
      'condition.save',
      'condition.remove',
      'syllabus.discard',
      'bundle.import',
      'teacher.save',
      'gradingDay.set',
      'signingKey.renew',
      'school.set',
      'loadRule.set',
      'post.save',
    ];
    if (!makesNew.includes(command)) expect(status).toBeGreaterThanOrEqual(400);
  });

  it.each((Object.keys(VIEWS) as ViewName[]).flatMap((v) => ROLES.map((r) => [v, r] as const)))(
    'view %s as %s',
    async (view, role) => {
      const status = await statusOf(runView(t.db, home.as[role], view, seeing(home)[view], NOW));
      expect(status).toBe(MAY_SEE[view].includes(letters(role)) ? 200 : 403);
    },
  );

  it.each(Object.keys(VIEWS) as ViewName[])('view %s shows nothing of another school', async (view) => {
    const may: readonly Role[] = VIEWS[view].may;
    const shown = await runView(
      t.db,
      away.as[may.includes('head') ? 'head' : 'guardian'],
      view,
      seeing(home)[view],
      NOW,
    ).catch((e: unknown) => {
      if (e instanceof Refusal && e.status === 404) return null;
      throw e;
    });
    expect(shown === null).toBe(NOT_THERE.includes(view));
    const text = JSON.stringify(shown);
    expect(text).not.toMatch(/Home/);
    for (const id of [home.student, home.stance, home.as.head.personId, ...home.ranks]) expect(text).not.toContain(id);
  });

  it('a student sees their own page and no other, and no note of a teacher', async () => {
    await home.send(
      'instructor',
      'look.record',
      aLook(home, { studentId: home.as.student.personId, note: 'for teachers only' }),
    );
    const own = await runView(t.db, home.as.student, 'student', { id: home.as.student.personId }, NOW);
    expect(own.student.name).toBe('Home pupil');
    expect(own.may).toEqual({ decide: false, look: false, log: true });
    expect(JSON.stringify(own)).not.toContain('for teachers only');
    for (const view of ['student', 'forecast', 'studentLooks', 'home'] as const) {
      expect(await statusOf(runView(t.db, home.as.student, view, { id: home.student }, NOW))).toBe(403);
      expect(await statusOf(runView(t.db, home.as.student, view, { id: home.as.student.personId }, NOW))).toBe(200);
      expect(await statusOf(runView(t.db, home.as.guardian, view, { id: home.as.student.personId }, NOW))).toBe(403);
    }
  });

  it('a student writes their own practice and what they felt, a guardian that of their child, nobody that of others', async () => {
    const me = home.as.student.personId;
    expect(await statusOf(home.send('student', 'practice.record', practised(me)))).toBe(200);
    expect(await statusOf(home.send('guardian', 'practice.record', practised(me)))).toBe(403);
    const felt = { ...goodInputs(home)['felt.record'](), studentId: me };
    expect(await statusOf(home.send('student', 'felt.record', felt))).toBe(200);
    const seen = { ...goodInputs(home)['felt.record'](), studentId: me, pointId: home.points.seen };
    expect(await statusOf(home.send('student', 'felt.record', seen))).toBe(409);
    // As the receiver: only of somebody who was watched in class with one, or with one as their named partner.
    const other = goodInputs(home)['felt.record']();
    expect(await statusOf(home.send('student', 'felt.record', other))).toBe(403);
    await home.send('instructor', 'class.record', { id: v7(), day: DAY, minutes: 60, present: [me, home.student] });
    // Their own page asks for what was watched: their own work, and a partner's where they can have been the receiver.
    const withPartner = home.conditions.get('set partner')!;
    await home.send('instructor', 'look.record', aLook(home, { studentId: home.student, conditionId: withPartner }));
    await home.send('instructor', 'look.record', aLook(home, { studentId: me }));
    await home.send('instructor', 'look.record', aLook(home, { studentId: me, side: 'right' }));
    const asked = async () =>
      (await runView(t.db, home.as.student, 'student', { id: me }, NOW)).feltAsked.map((f) => [
        f.studentId,
        f.side,
        f.point,
        f.sure,
      ]);
    // Of their own left they have told today: that is not asked again.
    expect(await asked()).toEqual([
      [me, 'right', 'stands firm', true],
      [home.student, 'left', 'stands firm', false],
    ]);
    expect(await statusOf(home.send('student', 'felt.record', { ...other, id: v7() }))).toBe(200);
    expect(await asked()).toEqual([[me, 'right', 'stands firm', true]]);
    expect((await runView(t.db, home.as.head, 'student', { id: me }, NOW)).feltAsked).toEqual([]);
  });

  it('whoever was named as the partner is asked, and nobody else of the class', async () => {
    const s = await smallSchool(t, 'Pair');
    const me = s.as.student.personId;
    const pair = { conditionId: s.conditions.get('set partner')! };
    await s.send('instructor', 'class.record', { id: v7(), day: DAY, minutes: 60, present: [me, s.student] });
    const asked = async () => (await runView(t.db, s.as.student, 'student', { id: me }, NOW)).feltAsked;
    await s.send('instructor', 'look.record', aLook(s, { ...pair, partnerId: s.as.instructor.personId }));
    expect(await asked()).toEqual([]);
    const felt = goodInputs(s)['felt.record']();
    expect(await statusOf(s.send('student', 'felt.record', felt))).toBe(403);
    await s.send('instructor', 'look.record', aLook(s, { ...pair, partnerId: me }));
    expect(await asked()).toMatchObject([{ studentId: s.student, sure: true, point: 'stands firm' }]);
    expect(await statusOf(s.send('student', 'felt.record', { ...felt, id: v7() }))).toBe(200);
    const own = aLook(s, { ...pair, partnerId: s.student });
    expect(await statusOf(s.send('instructor', 'look.record', own))).toBe(422);
  });

  it('somebody who left, or whose sign-in was taken, gets nothing', async () => {
    const s = await smallSchool(t, 'Leaving');
    await s.send('head', 'student.leave', { id: s.as.student.personId, left: true });
    expect(await statusOf(runView(t.db, s.as.student, 'shell', {}, NOW))).toBe(403);
    await s.send('head', 'access.take', { personId: s.as.instructor.personId, why: '' });
    expect(await statusOf(s.send('instructor', 'look.record', aLook(s)))).toBe(403);
  });
});
