import type { CommandInput, CommandName } from '../../contracts/commands';
import { DRAFT } from '../../data/tables';

/**
 * What each command changes of what is judged: the school as a whole, the draft of its syllabus, some people, or nothing.
 * Where a command says so itself as it writes, it is `self`.
 */
type Touch<N extends CommandName> = 'school' | 'draft' | 'nothing' | 'self' | ((input: CommandInput<N>) => string[]);

const student = (input: { studentId: string }) => [input.studentId];

const TOUCHES: { [N in CommandName]: Touch<N> } = {
  'technique.save': 'school',
  'technique.retire': 'school',
  'technique.merge': 'school',
  'sequence.save': 'school',
  'sequence.derive': 'school',
  'sequence.retire': 'school',
  'sequence.waive': 'nothing',
  'sequence.import': 'school',
  'thing.save': 'nothing',
  'thing.remove': 'nothing',
  'hall.save': 'nothing',
  'hall.remove': 'nothing',
  'rank.save': 'school',
  'rank.order': 'school',
  'rank.remove': 'school',
  'condition.save': 'school',
  'condition.remove': 'school',
  'syllabus.change': 'draft',
  'syllabus.put': 'draft',
  'syllabus.publish': 'school',
  'syllabus.discard': 'draft',
  'syllabus.follow': 'school',
  'bundle.import': 'school',
  'student.add': 'nothing',
  'student.change': 'nothing',
  'student.import': 'nothing',
  'student.importBack': 'nothing',
  'student.leave': 'nothing',
  'student.promote': 'nothing',
  'student.room': 'nothing',
  'consent.record': student,
  'injury.record': student,
  'adaptation.write': student,
  'override.set': student,
  'look.record': 'self',
  'look.mend': 'self',
  'look.move': 'self',
  'record.strike': ({ studentId }) => (studentId === null ? [] : [studentId]),
  'felt.record': 'self',
  'class.record': 'self',
  'classPlan.save': 'nothing',
  'classPlan.remove': 'nothing',
  'class.run': 'nothing',
  'class.close': 'nothing',
  'cycle.save': 'nothing',
  'cycle.remove': 'nothing',
  'calendar.open': 'nothing',
  'calendar.close': 'nothing',
  'classNote.add': 'nothing',
  'classNote.remove': 'nothing',
  'guest.add': 'nothing',
  'guest.remove': 'nothing',
  'pairs.record': 'nothing',
  'partners.say': 'nothing',
  'partners.end': 'nothing',
  'focus.give': 'nothing',
  'practice.record': 'nothing',
  'load.record': 'nothing',
  'load.allow': 'nothing',
  'load.agree': 'nothing',
  'loadRule.set': 'nothing',
  'pause.begin': 'nothing',
  'pause.end': 'nothing',
  'incident.record': 'nothing',
  'outcome.record': 'nothing',
  'grading.save': 'nothing',
  'grading.put': 'nothing',
  'grading.say': 'nothing',
  'grading.out': 'nothing',
  'sheet.write': 'nothing',
  'sheet.handIn': 'nothing',
  'grading.decide': 'nothing',
  'grading.close': 'self',
  'runSheet.save': 'nothing',
  'grading.letOut': 'self',
  'certificate.give': 'nothing',
  'certificate.back': 'nothing',
  'signingKey.renew': 'nothing',
  'gradingDay.set': 'nothing',
  'school.set': 'nothing',
  'guardian.save': 'nothing',
  'teacher.save': 'nothing',
  'access.give': 'nothing',
  'access.take': 'nothing',
};

/** The ids under which a command's change is counted. */
export function touchedBy<N extends CommandName>(name: N, schoolId: string, input: CommandInput<N>): string[] {
  const touch = TOUCHES[name];
  if (typeof touch === 'function') return touch(input);
  return touch === 'school' ? [schoolId] : touch === 'draft' ? [DRAFT] : [];
}
