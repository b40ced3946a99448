// The steps of a grading, for tests: each with what is usual in it.
import { v7 } from 'uuid';
import type { CommandDraft } from '../../contracts/commands';
import type { Role } from '../../contracts/role';
import { Refusal } from '../http/problem';
import type { SmallSchool } from './school';

/** What a person is told who tries something: “done”, or why not. */
export const told = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (e: unknown) => (e instanceof Refusal ? e.title : String(e)),
  );

/** At the grading of a school, of its one student, unless something else is said. */
export const gradingSteps = (at: () => SmallSchool) => ({
  write: (who: Role, reps: string, more: Partial<CommandDraft<'sheet.write'>> = {}) =>
    at().send(who, 'sheet.write', {
      id: v7(),
      gradingId: at().grading,
      studentId: at().student,
      requirementId: at().requirement,
      marks: (['left', 'right'] as const).map((side) => ({ pointId: at().points.seen, side, reps })),
      word: null,
      note: '',
      ...more,
    }),
  handIn: (who: Role, gradingId = at().grading) => at().send(who, 'sheet.handIn', { gradingId }),
  decide: (result: CommandDraft<'grading.decide'>['result'], more: Partial<CommandDraft<'grading.decide'>> = {}) =>
    at().send('head', 'grading.decide', {
      gradingId: at().grading,
      studentId: at().student,
      result,
      reason: null,
      again: [],
      againBy: null,
      sentence: 'Your stance stands.',
      ...more,
    }),
  close: (id = at().grading) => at().send('head', 'grading.close', { id }),
});
