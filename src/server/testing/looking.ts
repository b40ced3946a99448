import { v7 } from 'uuid';
import type { TestDatabase } from '../../data/testing/database';
import { runView } from '../views/run';
import { aLook, aRequirement, askingForTheForm, DAY, NOW, type SmallSchool } from './school';

/** Looks at the one student of a small school, and what their page says of it; every showing is a minute later. */
export function lookingSteps(at: () => TestDatabase) {
  let minute = 0;
  return {
    page: (s: SmallSchool, id = s.student) => runView(at().db, s.as.head, 'student', { id }, NOW),
    seen: (s: SmallSchool, day: string, held: number, more: Partial<Parameters<typeof aLook>[1]> = {}) =>
      (['left', 'right'] as const).map((side) =>
        s.send(
          'instructor',
          'look.record',
          aLook(s, { day, side, marks: [{ pointId: s.points.seen, kind: 'seen', held, of: 5 }], ...more }),
        ),
      ),
    /** The form asked for: three showings on one day, on one side. */
    askForTheForm: async (s: SmallSchool, more: Partial<Parameters<typeof aRequirement>[0]> = {}) => {
      const edits = askingForTheForm(s, v7(), {
        ...more,
        standard: {
          share: 0.8,
          criticalShare: 0.9,
          repetitions: 3,
          days: 1,
          sides: 'one',
          freshDays: 60,
          mayFallShort: 0,
        },
      });
      await s.send('head', 'syllabus.change', { version: null, edits });
      const id = v7();
      await s.send('head', 'syllabus.publish', { id, version: 1, title: 'With the form', from: DAY });
      await s.send('head', 'syllabus.follow', { versionId: id, studentIds: [s.student] });
    },
    showing: (s: SmallSchool, counts: string, more: object = {}) =>
      s.send('instructor', 'look.record', {
        ...aLook(s, { techniqueId: null, side: 'none', purpose: 'show', marks: [] }),
        at: new Date(NOW.getTime() + 60_000 * (minute += 1)).toISOString(),
        sequence: { id: s.sequence, from: 1, to: 2, ofCounts: 2, counts, slips: [] },
        ...more,
      }),
  };
}
