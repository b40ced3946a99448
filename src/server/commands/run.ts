import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import * as v from 'valibot';
import { COMMANDS, envelope, readInput, type CommandName } from '../../contracts/commands';
import { unsound } from '../../contracts/sound';
import { inSchool, literal, throughSchool, type Database, type Transaction } from '../../data/connection';
import { history } from '../../data/tables';
import type { SignedIn } from '../auth/auth';
import { codeOf, constraintOf, passing } from '../http/fault';
import { Refusal } from '../http/problem';
import { readWho, whoQuestion, type Known, type Watch, type Who, type WhoRow } from '../who';
import type { Runs } from './command';
import { techniqueCommands } from './technique';
import { sequenceCommands } from './sequence';
import { hallCommands } from './hall';
import { thingCommands } from './thing';
import { rankCommands } from './rank';
import { conditionCommands } from './condition';
import { syllabusCommands } from './syllabus';
import { bundleCommands } from './bundle';
import { studentCommands } from './student';
import { promotionCommands } from './promotion';
import { roomCommands } from './room';
import { consentCommands } from './consent';
import { injuryCommands } from './injury';
import { adaptationCommands } from './adaptation';
import { overrideCommands } from './override';
import { lookCommands } from './look';
import { mendCommands } from './mend';
import { strikeCommands } from './strike';
import { feltCommands } from './felt';
import { classCommands } from './class';
import { classPlanCommands } from './classPlan';
import { cycleCommands } from './cycle';
import { pairsCommands } from './pairs';
import { focusCommands } from './focus';
import { practiceCommands } from './practice';
import { loadCommands } from './load';
import { picturesCommands } from './pictures';
import { postCommands } from './post';
import { pauseCommands } from './pause';
import { incidentCommands } from './incident';
import { gradingCommands } from './grading';
import { sheetCommands } from './sheet';
import { runSheetCommands } from './runSheet';
import { certificateCommands } from './certificate';
import { gradingDayCommands } from './gradingDay';
import { schoolCommands } from './school';
import { guardianCommands } from './guardian';
import { teacherCommands } from './teacher';
import { accessCommands } from './access';
import { touchedBy } from './touches';

/** Every command, by what it is about; each is in the file of that name. */
const RUNS: Runs<CommandName> = {
  ...techniqueCommands,
  ...sequenceCommands,
  ...hallCommands,
  ...thingCommands,
  ...rankCommands,
  ...conditionCommands,
  ...syllabusCommands,
  ...bundleCommands,
  ...studentCommands,
  ...promotionCommands,
  ...roomCommands,
  ...consentCommands,
  ...picturesCommands,
  ...injuryCommands,
  ...adaptationCommands,
  ...overrideCommands,
  ...lookCommands,
  ...mendCommands,
  ...strikeCommands,
  ...feltCommands,
  ...classCommands,
  ...classPlanCommands,
  ...cycleCommands,
  ...pairsCommands,
  ...focusCommands,
  ...practiceCommands,
  ...loadCommands,
  ...postCommands,
  ...pauseCommands,
  ...incidentCommands,
  ...gradingCommands,
  ...sheetCommands,
  ...runSheetCommands,
  ...certificateCommands,
  ...gradingDayCommands,
  ...schoolCommands,
  ...guardianCommands,
  ...teacherCommands,
  ...accessCommands,
};

/** What a command does. */
export const runOf = (name: CommandName) =>
  RUNS[name] as (tx: Transaction, who: Who, input: unknown) => Promise<unknown>;

/** What must not stay in the history: a password that was given once. */
const withoutSecrets = (input: unknown): unknown => {
  if (typeof input !== 'object' || input === null) return input;
  if ('password' in input) return { ...input, password: null };
  // A whole school is in the tables afterwards; the history says that it came, not again what.
  return 'bundle' in input ? { ...input, bundle: null } : input;
};

/** A school that comes whole holds more values than anything else. */
const MOST_VALUES_OF_A_SCHOOL = 4_000_000;

/** What was sent under an id, in a few letters. Passwords do not go in: it could be tried whether one fits. */
export const digestOf = (name: CommandName, input: unknown): string =>
  createHash('sha256')
    .update(JSON.stringify([name, withoutSecrets(input)]))
    .digest('base64url');

/** The answer to a command that was done before; refused if the id stood for something else or somebody else. */
function answerAgain(known: Known, me: SignedIn, digest: string): unknown {
  if (known.by !== me.personId || (known.digest !== null && known.digest !== digest))
    throw new Refusal(409, 'Something else was done under this id already. Nothing was changed.');
  return known.answer;
}

/**
 * The one door for writes. The command is checked, authorised, done and written to the history in one transaction; the
 * same id twice is done once and answered alike, also when both come at the same time or to two servers.
 */
export async function runCommand(
  db: Database,
  me: SignedIn,
  body: unknown,
  now = new Date(),
  watch?: Watch,
  /** Asked before the work is done; refuses whoever sends too much at once. */
  inPace: (who: Who) => Promise<void> = () => Promise.resolve(),
): Promise<unknown> {
  const outer = readInput(envelope, body);
  if (!outer.ok) throw new Refusal(422, outer.errors[0]?.message ?? 'This is no command.', outer.errors);
  const { id, at, name } = outer.value;
  const amiss = unsound(outer.value.input, name === 'bundle.import' ? MOST_VALUES_OF_A_SCHOOL : undefined);
  if (amiss[0]) throw new Refusal(422, amiss[0].message, amiss);
  const digest = digestOf(name, outer.value.input);
  return throughSchool<WhoRow, unknown>(db, me.schoolId, {
    first: whoQuestion(me, id),
    work: async (tx, rows) => {
      const { who, known } = readWho(rows, me, now);
      if (known) return { value: answerAgain(known, me, digest), last: null };
      mustBeAllowed(who, name);
      await inPace(who);
      const input = mustRead(name, outer.value.input);
      const behind = outer.value.sent === undefined ? null : now.getTime() - Date.parse(outer.value.sent);
      const answer = (await runOf(name)(tx, { ...who, behind, ...(watch ? { watch } : {}) }, input)) ?? {};
      return {
        value: answer,
        last: `${changeLine(who.schoolId, touchedBy(name, who.schoolId, input as never))}${historyLines([{ who, id, name, at, digest, input: withoutSecrets(input), answer }])}`,
      };
    },
  }).catch(async (error: unknown) => {
    if (passing(error) !== null) throw error;
    // The same command may have come twice at once: the other one won, this one found its work done, and what was
    // answered there is the answer here too.
    const known = await inSchool(db, me.schoolId, (tx) =>
      tx
        .select({ answer: history.answer, digest: history.digest, by: history.by })
        .from(history)
        .where(eq(history.id, id)),
    );
    if (known[0]) return answerAgain(known[0], me, digest);
    throw refusalOf(error);
  });
}

/** Counts what a command has changed of what is judged. */
const changeLine = (schoolId: string, of: readonly string[]): string =>
  of.length === 0
    ? ''
    : `insert into change (school_id, of) values ${[...of]
        .sort()
        .map((id) => `(${literal(schoolId)}, ${literal(id)})`)
        .join(', ')} on conflict (school_id, of) do update set times = change.times + 1; `;

/** A command that was done, as the history keeps it. */
export interface HistoryLine {
  who: Pick<Who, 'schoolId' | 'personId'>;
  id: string;
  name: string;
  at: string;
  digest: string;
  input: unknown;
  answer: unknown;
}

/** The lines of the history that are written as the transaction is committed. */
export const historyLines = (lines: readonly HistoryLine[]): string =>
  `insert into history (school_id, id, command, by, made_at, digest, input, answer) values ${lines
    .map(
      (c) =>
        `(${[
          c.who.schoolId,
          c.id,
          c.name,
          c.who.personId,
          c.at,
          c.digest,
          JSON.stringify(c.input),
          JSON.stringify(c.answer),
        ]
          .map(literal)
          .join(', ')})`,
    )
    .join(', ')}`;

/** Refuses whoever's role may not send a command. */
export function mustBeAllowed(who: Who, name: CommandName): void {
  if (!(COMMANDS[name].may as readonly string[]).includes(who.role))
    throw new Refusal(403, `${roleName(who.role)} may not do this.`);
}

/** The input of a command as its schema reads it; refused field by field. */
export function mustRead(name: CommandName, input: unknown): unknown {
  const read = readInput(COMMANDS[name].input as v.GenericSchema, input);
  if (!read.ok) throw new Refusal(422, read.errors[0]?.message ?? 'Something here is wrong.', read.errors);
  return read.value;
}

const roleName = (role: Who['role']) =>
  role === 'head'
    ? 'A head instructor'
    : role === 'instructor'
      ? 'An instructor'
      : role === 'examiner'
        ? 'An examiner'
        : role === 'guardian'
          ? 'A guardian'
          : 'A student';

/** Rules that the database keeps where two come at the same moment. */
const REFUSED_BY_THE_DATABASE: Record<string, string> = {
  school_keeps_a_head: 'The school needs a head instructor who can sign in. Make somebody else one first.',
  technique_name: 'There already is a technique of this name.',
  sequence_title: 'There already is a sequence of this title.',
  condition_name: 'There already is a condition of this name.',
  rank_name: 'There already is a belt of this name.',
  hall_name: 'There already is a hall of this name.',
  syllabus_one_draft: 'Somebody began a draft at this very moment. Load the page again and repeat the change.',
  syllabus_from: 'A version counts from that day already.',
  look_replaced_once: 'Somebody else corrected this look at this very moment. Send it again to see how.',
  user_person: 'Somebody else let this person in at this very moment.',
};

const GONE: Record<string, string> = {
  look_student: 'This student is not on the roll.',
  look_technique: 'This technique is not in the library.',
  look_sequence: 'This sequence is not in the library.',
  look_condition: 'This condition is not one of the school’s.',
  mark_point: 'A point of this look is not in the library.',
  mark_told_by: 'Whoever told this is not in the school.',
};

/** Turns a broken foreign key into words; anything else stays a fault of ours. */
export function refusalOf(error: unknown): unknown {
  const c = constraintOf(error);
  if (c === null) return error;
  if (REFUSED_BY_THE_DATABASE[c]) return new Refusal(409, REFUSED_BY_THE_DATABASE[c]);
  if (c === 'look_partner')
    return new Refusal(409, 'The partner of this look is not in the school.', [], {
      mends: [{ say: 'Send it without the partner', set: { partnerId: null } }],
    });
  if (c === 'look_replaces')
    return new Refusal(409, 'The look that this one corrects was never taken.', [], {
      mends: [{ say: 'Take it as a look of its own', set: { replaces: null } }],
    });
  if (codeOf(error) === '23505' && !c.endsWith('_pk'))
    return new Refusal(409, 'Somebody did the same at this very moment. Look at what is there now.');
  if (GONE[c]) return new Refusal(409, GONE[c]);
  if (c.endsWith('_fk')) return new Refusal(409, 'This names something that is not there, or is still in use.');
  if (c.endsWith('_pk')) return new Refusal(409, 'This has been made already.');
  return error;
}
