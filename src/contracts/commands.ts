import * as v from 'valibot';
import { accessInput } from './access';
import { adaptationInput } from './adaptation';
import { classInput } from './class';
import { calendarOpen, cycleInput } from './cycle';
import { classCloseInput, classNoteInput, classPlanInput, classRunInput, guestInput } from './classPlan';
import { conditionInput } from './condition';
import { consentInput } from './consent';
import { feltInput } from './felt';
import { date, id, instant, line } from './fields';
import { focusInput } from './focus';
import {
  candidateInput,
  candidateOut,
  candidateSay,
  certificateBackInput,
  decisionInput,
  gradingClose,
  gradingInput,
  gradingLetOut,
  sheetHandIn,
  sheetInput,
} from './grading';
import { guardianInput } from './guardian';
import { hallInput } from './hall';
import { thingInput } from './thing';
import { incidentInput } from './incident';
import { injuryInput } from './injury';
import { loadAgreeInput, loadAllowInput, loadInput, loadRuleInput } from './load';
import { lookInput } from './look';
import { outcomeInput } from './outcome';
import { overrideInput } from './override';
import { pairsInput, partnersInput } from './pairs';
import { pauseInput } from './pause';
import { picturesInput } from './pictures';
import { postInput } from './post';
import { practiceInput } from './practice';
import { promotionInput } from './promotion';
import { rankInput } from './rank';
import { type Role } from './role';
import { roomInput } from './room';
import { runSheetInput } from './runSheet';
import { schoolInput } from './school';
import { sequenceDerive, sequenceImport, sequenceSave, sequenceWaive } from './sequence';
import { bundleImport } from './stored/bundle';
import { mendInput, moveInput, strikeInput } from './struck';
import { studentChange, studentInput } from './student';
import { syllabusChange, syllabusFollow, syllabusPublish, syllabusPut } from './syllabus';
import { teacherInput } from './teacher';
import { mergeInput, techniqueInput } from './technique';

const STAFF: readonly Role[] = ['head', 'instructor'];
const HEAD: readonly Role[] = ['head'];
/** Whoever may be asked to examine; to which grading, the grading says. */
const PANEL: readonly Role[] = [...STAFF, 'examiner'];

const only = v.object({ id });
const order = v.object({ ids: v.pipe(v.array(id), v.maxLength(1000)) });

/** Every write there is: what it takes and who may. The only door is `POST /api/commands`. */
export const COMMANDS = {
  'technique.save': { may: STAFF, input: techniqueInput },
  'technique.retire': { may: STAFF, input: v.object({ id, retired: v.boolean() }) },
  'technique.merge': { may: HEAD, input: mergeInput },
  'sequence.save': { may: STAFF, input: sequenceSave },
  'sequence.derive': { may: STAFF, input: sequenceDerive },
  'sequence.retire': { may: STAFF, input: v.object({ id, retired: v.boolean() }) },
  'sequence.waive': { may: STAFF, input: sequenceWaive },
  'sequence.import': { may: STAFF, input: sequenceImport },
  'thing.save': { may: STAFF, input: thingInput },
  'thing.remove': { may: HEAD, input: only },
  'hall.save': { may: HEAD, input: hallInput },
  'hall.remove': { may: HEAD, input: only },
  'rank.save': { may: HEAD, input: rankInput },
  'rank.order': { may: HEAD, input: order },
  'rank.remove': { may: HEAD, input: only },
  'condition.save': { may: HEAD, input: conditionInput },
  'condition.remove': { may: HEAD, input: only },
  'syllabus.change': { may: HEAD, input: syllabusChange },
  'syllabus.put': { may: HEAD, input: syllabusPut },
  'syllabus.publish': { may: HEAD, input: syllabusPublish },
  'syllabus.discard': { may: HEAD, input: v.object({ version: v.nullable(v.number()) }) },
  'bundle.import': { may: HEAD, input: bundleImport },
  'syllabus.follow': { may: HEAD, input: syllabusFollow },
  'student.add': { may: HEAD, input: studentInput },
  'student.change': { may: HEAD, input: studentChange },
  'student.import': {
    may: HEAD,
    input: v.object({
      students: v.pipe(v.array(studentInput), v.minLength(1, 'There is no line to take.'), v.maxLength(2000)),
    }),
  },
  'student.importBack': { may: HEAD, input: only },
  'student.leave': { may: HEAD, input: v.object({ id, left: v.boolean() }) },
  'student.promote': { may: HEAD, input: promotionInput },
  'consent.record': { may: ['head', 'student', 'guardian'], input: consentInput },
  'pictures.agree': { may: ['head', 'student', 'guardian'], input: picturesInput },
  'injury.record': { may: STAFF, input: injuryInput },
  'adaptation.write': { may: HEAD, input: adaptationInput },
  'override.set': { may: HEAD, input: overrideInput },
  'look.record': { may: STAFF, input: lookInput },
  'look.mend': { may: STAFF, input: mendInput },
  'look.move': { may: STAFF, input: moveInput },
  'record.strike': { may: [...STAFF, 'student', 'guardian'], input: strikeInput },
  'class.record': { may: STAFF, input: classInput },
  'classPlan.save': { may: STAFF, input: classPlanInput },
  'classPlan.remove': { may: STAFF, input: only },
  'class.run': { may: STAFF, input: classRunInput },
  'class.close': { may: STAFF, input: classCloseInput },
  'cycle.save': { may: STAFF, input: cycleInput },
  'cycle.remove': { may: HEAD, input: only },
  'calendar.open': { may: HEAD, input: calendarOpen },
  'calendar.close': { may: HEAD, input: only },
  'classNote.add': { may: STAFF, input: classNoteInput },
  'classNote.remove': { may: STAFF, input: only },
  'guest.add': { may: STAFF, input: guestInput },
  'guest.remove': { may: STAFF, input: only },
  'pairs.record': { may: STAFF, input: pairsInput },
  'partners.say': { may: STAFF, input: partnersInput },
  'partners.end': { may: STAFF, input: only },
  'felt.record': { may: ['student'], input: feltInput },
  'focus.give': { may: STAFF, input: focusInput },
  'practice.record': { may: ['student', 'guardian'], input: practiceInput },
  'load.record': { may: [...STAFF, 'student', 'guardian'], input: loadInput },
  'load.allow': { may: HEAD, input: loadAllowInput },
  'load.agree': { may: ['head', 'guardian'], input: loadAgreeInput },
  'loadRule.set': { may: HEAD, input: loadRuleInput },
  'post.save': { may: STAFF, input: postInput },
  'post.remove': { may: HEAD, input: only },
  'pause.begin': { may: STAFF, input: pauseInput },
  'pause.end': { may: STAFF, input: v.object({ id, until: date }) },
  'incident.record': { may: STAFF, input: incidentInput },
  'outcome.record': { may: HEAD, input: outcomeInput },
  'grading.save': { may: HEAD, input: gradingInput },
  'grading.put': { may: STAFF, input: candidateInput },
  'grading.say': { may: ['student', 'guardian'], input: candidateSay },
  'grading.out': { may: HEAD, input: candidateOut },
  'sheet.write': { may: PANEL, input: sheetInput },
  'sheet.handIn': { may: PANEL, input: sheetHandIn },
  'grading.decide': { may: HEAD, input: decisionInput },
  'grading.close': { may: HEAD, input: gradingClose },
  'runSheet.save': { may: STAFF, input: runSheetInput },
  'grading.letOut': { may: HEAD, input: gradingLetOut },
  'certificate.give': { may: HEAD, input: v.object({ heldId: id }) },
  'certificate.back': { may: HEAD, input: certificateBackInput },
  'signingKey.renew': { may: HEAD, input: v.object({}) },
  'gradingDay.set': { may: HEAD, input: v.object({ day: date, graded: v.boolean() }) },
  'school.set': { may: HEAD, input: schoolInput },
  'student.room': { may: [...STAFF, 'student', 'guardian'], input: roomInput },
  'guardian.save': { may: HEAD, input: guardianInput },
  'teacher.save': { may: HEAD, input: teacherInput },
  'access.give': { may: HEAD, input: accessInput },
  'access.take': { may: HEAD, input: v.object({ personId: id, why: line }) },
} as const satisfies Record<string, { may: readonly Role[]; input: v.GenericSchema }>;

export type CommandName = keyof typeof COMMANDS;
/** What the server gets after parsing. */
export type CommandInput<N extends CommandName> = v.InferOutput<(typeof COMMANDS)[N]['input']>;
/** What a screen may send: dates may still be as people write them. */
export type CommandDraft<N extends CommandName> = v.InferInput<(typeof COMMANDS)[N]['input']>;

/** The envelope: an id made on the device, so that a second sending does nothing twice, and when it was done there. */
export const envelope = v.object({
  id,
  at: instant,
  /** The device's clock as it is sent: how far it is off is known from this. */
  sent: v.optional(instant),
  name: v.picklist(Object.keys(COMMANDS) as [CommandName, ...CommandName[]], 'There is no such command.'),
  input: v.unknown(),
});
export type Envelope = v.InferOutput<typeof envelope>;

/** So many commands are taken in one request. */
export const MOST_AT_ONCE = 100;

/** One thing that is wrong with an input, and where: the path of keys to the field. */
export interface FieldError {
  path: string;
  message: string;
}

/** Parses an input at the door; errors name the field and are in the user's words. */
export function readInput<S extends v.GenericSchema>(
  schema: S,
  input: unknown,
): { ok: true; value: v.InferOutput<S> } | { ok: false; errors: FieldError[] } {
  const read = v.safeParse(schema, input);
  if (read.success) return { ok: true, value: read.output };
  const errors = read.issues.map((issue) => ({
    path: issue.path?.map((p) => String(p.key)).join('.') ?? '',
    message: issue.message,
  }));
  return { ok: false, errors };
}

/** A way to mend a refused command: what is said on the button, and the fields of the input that change by it. */
export interface Mend {
  say: string;
  set: Record<string, unknown>;
}

/** What somebody else saved meanwhile: its version, whose, when, and the thing itself in the shape of the input. */
export interface Meanwhile {
  version: number;
  by: string | null;
  at: string;
  now: unknown;
}

/** Problem details after RFC 9457, with the fields that are wrong. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail?: string | undefined;
  /** Which command it is about, as `/commands/<id>`. */
  instance?: string | undefined;
  errors?: FieldError[] | undefined;
  mends?: Mend[] | undefined;
  meanwhile?: Meanwhile | undefined;
}
