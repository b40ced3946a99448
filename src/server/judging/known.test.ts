// What is kept between two questions against what is read anew, after everything that can change it.
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CommandDraft } from '../../contracts/commands';
import { upon } from '../../contracts/kit';
import type { ViewInput, ViewName, ViewResults } from '../../contracts/views';
import { addDays } from '../../core';
import { inSchool, throughSchool, type Transaction } from '../../data/connection';
import { standingsAstray } from '../../data/queries/standings';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { aLook, askingForTheForm, DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { everybodyView } from '../views/everybody';
import { lookKitView } from '../views/lookKit';
import { missedView } from '../views/missed';
import { readinessView } from '../views/readiness';
import { rollView } from '../views/roll';
import { runView } from '../views/run';
import { studentView } from '../views/student';
import { readWho, whoQuestion, type Who, type WhoRow } from '../who';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());

/** In a transaction that may write nothing is kept, and nothing that was kept is believed. */
const anew = <T>(s: SmallSchool, view: (tx: Transaction, who: Who) => Promise<T>): Promise<T> =>
  throughSchool<WhoRow, T>(t.db, s.id, {
    first: whoQuestion(s.as.head),
    work: async (tx, rows) => ({ value: await view(tx, readWho(rows, s.as.head, NOW).who), last: null }),
  });
const kept = <N extends ViewName>(s: SmallSchool, name: N, input: ViewInput<N>): Promise<ViewResults[N]> =>
  runView(t.db, s.as.head, name, input, NOW);

/** Chances and worths rest on what the school believed this morning: they are not compared here. */
const plain = (x: unknown): unknown =>
  JSON.parse(JSON.stringify(x, (key, value: unknown) => (['chance', 'worths'].includes(key) ? undefined : value)));

async function all(s: SmallSchool) {
  const rankId = s.ranks[0]!;
  const id = s.student;
  const ours = {
    roll: await kept(s, 'roll', {}),
    readiness: await kept(s, 'readiness', { rankId }),
    everybody: await kept(s, 'everybody', {}),
    missed: await kept(s, 'missed', {}),
    student: await kept(s, 'student', { id }),
    kit: upon(null, await kept(s, 'lookKit', {}))!.kit,
  };
  const fresh = {
    roll: await anew(s, rollView),
    readiness: await anew(s, (tx, who) => readinessView(tx, who, { rankId })),
    everybody: await anew(s, everybodyView),
    missed: await anew(s, missedView),
    student: await anew(s, (tx, who) => studentView(tx, who, { id })),
    kit: upon(null, await anew(s, (tx, who) => lookKitView(tx, who, {})))!.kit,
  };
  return [plain(ours), plain(fresh)] as const;
}

describe('what is kept of a school', () => {
  it('is what would be read anew, whatever has happened since', async () => {
    const s = await smallSchool(t, 'Kept');
    const mark = (held: number): CommandDraft<'look.record'>['marks'] => [
      { pointId: s.points.seen, kind: 'seen', held, of: 5 },
    ];
    const [first, classId, rank] = [v7(), v7(), s.ranks[1]!];
    const stance = (accepted: { lo: number; hi: number }): CommandDraft<'technique.save'> => ({
      id: s.stance,
      name: 'Kept stance',
      kind: 'stance' as const,
      summary: '',
      sided: true,
      stanceId: null,
      stepId: null,
      points: [
        { id: s.points.seen, name: 'rear heel', kind: 'seen' as const, bodyPart: 'feet' as const, ...BLANK },
        {
          id: s.points.measured,
          name: 'weight',
          kind: 'measured' as const,
          bodyPart: 'hips' as const,
          ...BLANK,
          unit: '%',
          accepted,
        },
        { id: s.points.felt, name: 'stands firm', kind: 'felt' as const, bodyPart: 'trunk' as const, ...BLANK },
      ],
    });
    let draft = 0;
    const changed = async (answer: Promise<unknown>) => {
      draft = ((await answer) as { version: number }).version;
    };
    const happenings: [string, () => Promise<unknown>][] = [
      ['a look', () => s.send('instructor', 'look.record', aLook(s, { id: first, marks: mark(5) }))],
      ['its correction', () => s.send('instructor', 'look.record', aLook(s, { replaces: first, marks: mark(2) }))],
      [
        'a look that came late',
        () => s.send('instructor', 'look.record', aLook(s, { day: addDays(DAY, -9), marks: mark(4) })),
      ],
      [
        'a measure',
        () =>
          s.send(
            'instructor',
            'look.record',
            aLook(s, { marks: [{ pointId: s.points.measured, kind: 'measured', values: [45, 60] }] }),
          ),
      ],
      [
        'an adapted range',
        () =>
          s.send('head', 'adaptation.write', {
            id: v7(),
            studentId: s.student,
            pointId: s.points.measured,
            from: DAY,
            range: { lo: 40, hi: 50 },
            share: null,
            waived: false,
            reason: 'old knee',
          }),
      ],
      [
        'a class',
        () =>
          s.send('instructor', 'class.record', {
            id: classId,
            day: addDays(DAY, -1),
            minutes: 90,
            taught: [],
            present: [s.student],
          }),
      ],
      [
        'the same class without anybody',
        () =>
          s.send('instructor', 'class.record', {
            id: classId,
            day: addDays(DAY, -1),
            minutes: 60,
            taught: [{ technique: s.stance }],
            present: [s.as.student.personId],
          }),
      ],
      [
        'a word of the head',
        () =>
          s.send('head', 'override.set', {
            id: v7(),
            studentId: s.student,
            requirementId: s.requirement,
            word: 'met',
            reason: 'seen elsewhere',
          }),
      ],
      [
        'an injury',
        () =>
          s.send('instructor', 'injury.record', {
            id: v7(),
            studentId: s.student,
            what: 'Knee',
            from: DAY,
            until: addDays(DAY, 9),
          }),
      ],
      [
        'a pause',
        () =>
          s.send('instructor', 'pause.begin', {
            id: v7(),
            studentId: s.student,
            techniqueId: s.stance,
            sequenceId: null,
            habit: 'sways',
            from: DAY,
          }),
      ],
      ['another range of the point', () => s.send('head', 'technique.save', stance({ lo: 10, hi: 44 }))],
      [
        'the form asked in the draft',
        () =>
          changed(
            s.send('head', 'syllabus.change', {
              version: null,
              edits: askingForTheForm(s, v7()),
            }),
          ),
      ],
      [
        'the draft published',
        () => s.send('head', 'syllabus.publish', { id: v7(), version: draft, title: 'Second', from: DAY }),
      ],
      [
        'a showing',
        () =>
          s.send(
            'instructor',
            'look.record',
            aLook(s, {
              techniqueId: null,
              side: 'none',
              marks: [],
              sequence: { id: s.sequence, from: 1, to: 2, ofCounts: 2, counts: 'HS|HHU', slips: [] },
            }),
          ),
      ],
      [
        'the form with a count more',
        () =>
          s.send('head', 'sequence.save', {
            id: s.sequence,
            title: 'Kept form',
            text: 'stand Kept stance L\npunch R\npunch L',
          }),
      ],
      [
        'a new belt',
        () =>
          s.send('head', 'student.promote', {
            id: v7(),
            studentId: s.student,
            rankId: rank,
            day: DAY,
            note: '',
          }),
      ],
      [
        'somebody new',
        () =>
          s.send('head', 'student.add', {
            id: v7(),
            name: 'New',
            born: null,
            rankId: s.ranks[0]!,
            since: DAY,
          }),
      ],
      [
        'a look that is struck',
        async () => {
          const wrong = aLook(s, { marks: mark(1) });
          await s.send('head', 'look.record', wrong);
          await s.send('head', 'record.strike', { id: wrong.id, kind: 'look', studentId: s.student, reason: 'not so' });
          const other = aLook(s, { marks: mark(3) });
          await s.send('head', 'look.record', other);
          return s.send('head', 'look.mend', {
            id: v7(),
            lookId: other.id,
            side: 'left',
            marks: mark(4),
            reason: 'both saw',
          });
        },
      ],
      [
        'a class that is struck',
        () => s.send('head', 'record.strike', { id: classId, kind: 'class', studentId: null, reason: 'hall was shut' }),
      ],
      ['somebody leaves', () => s.send('head', 'student.leave', { id: s.as.student.personId, left: true })],
    ];
    let before = await all(s);
    expect(before[0]).toEqual(before[1]);
    for (const [what, happens] of happenings) {
      await happens();
      const now = await all(s);
      expect(now[0], what).toEqual(now[1]);
      // Each of them changes something that is seen, or it would prove nothing.
      if (!QUIET.includes(what)) expect(now[1], `${what} changes nothing`).not.toEqual(before[1]);
      before = now;
    }
    expect(await inSchool(t.db, s.id, standingsAstray)).toEqual([]);
  });
});

const BLANK = { how: '', why: '', critical: false, unit: null, accepted: null, wanted: null, slips: [] };
/** A draft is judged by nobody. */
const QUIET = ['the form asked in the draft'];
