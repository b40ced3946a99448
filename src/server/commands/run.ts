import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import * as v from 'valibot';
import { COMMANDS, envelope, readInput, type CommandName } from '../../contracts/commands';
import { unsound } from '../../contracts/sound';
import { inSchool, literal, throughSchool, type Database, type Transaction } from '../../data/connection';
import { history } from '../../data/tables';
import type { SignedIn } from '../auth/auth';
import { constraintOf, passing } from '../http/fault';
import { Refusal } from '../http/problem';
import { readWho, whoQuestion, type Known, type Watch, type Who, type WhoRow } from '../who';
import type { Runs } from './command';
import { peopleCommands } from './people';
import { evidenceCommands } from './evidence';
import { guidanceCommands } from './guidance';
import { sequenceCommands } from './sequences';
import { bundleCommands } from './bundle';
import { syllabusCommands } from './syllabus';
import { techniqueCommands } from './techniques';

const RUNS: Runs<CommandName> = {
  ...techniqueCommands,
  ...sequenceCommands,
  ...syllabusCommands,
  ...bundleCommands,
  ...peopleCommands,
  ...evidenceCommands,
  ...guidanceCommands,
};

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
const digestOf = (name: CommandName, input: unknown): string =>
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
): Promise<unknown> {
  const outer = readInput(envelope, body);
  if (!outer.ok) throw new Refusal(422, outer.errors[0]?.message ?? 'This is no command.', outer.errors);
  const { id, at, name } = outer.value;
  const amiss = unsound(outer.value.input, name === 'bundle.import' ? MOST_VALUES_OF_A_SCHOOL : undefined);
  if (amiss[0]) throw new Refusal(422, amiss[0].message, amiss);
  const command = COMMANDS[name];
  const digest = digestOf(name, outer.value.input);
  return throughSchool<WhoRow, unknown>(db, me.schoolId, {
    question: whoQuestion(me, id),
    work: async (tx, rows) => {
      const { who, known } = readWho(rows, me, now);
      if (known) return { value: answerAgain(known, me, digest), parting: null };
      if (!(command.may as readonly string[]).includes(who.role))
        throw new Refusal(403, `${roleName(who.role)} may not do this.`);
      const input = readInput(command.input as v.GenericSchema, outer.value.input);
      if (!input.ok) throw new Refusal(422, input.errors[0]?.message ?? 'Something here is wrong.', input.errors);
      const run = RUNS[name] as (tx: Transaction, who: Who, input: unknown) => Promise<unknown>;
      const answer = (await run(tx, watch ? { ...who, watch } : who, input.value)) ?? {};
      return {
        value: answer,
        parting: historyLine({ id, name, at, digest }, who, withoutSecrets(input.value), answer),
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

/** The line of the history that is written as the transaction is committed. */
const historyLine = (
  command: { id: string; name: string; at: string; digest: string },
  who: Who,
  input: unknown,
  answer: unknown,
): string =>
  `insert into history (school_id, id, command, by, made_at, digest, input, answer) values (${[
    who.schoolId,
    command.id,
    command.name,
    who.personId,
    command.at,
    command.digest,
    JSON.stringify(input),
    JSON.stringify(answer),
  ]
    .map(literal)
    .join(', ')})`;

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

const GONE: Record<string, string> = {
  look_student: 'This student is not on the roll.',
  look_technique: 'This technique is not in the library.',
  look_sequence: 'This sequence is not in the library.',
  look_condition: 'This condition is not one of the school’s.',
  look_replaces: 'The look to be replaced is not known.',
  mark_point: 'A point of this look is not in the library.',
};

/** Turns a broken foreign key into words; anything else stays a fault of ours. */
function refusalOf(error: unknown): unknown {
  const c = constraintOf(error);
  if (c === null) return error;
  if (GONE[c]) return new Refusal(409, GONE[c]);
  if (c.endsWith('_fk')) return new Refusal(409, 'This names something that is not there, or is still in use.');
  if (c.endsWith('_pk')) return new Refusal(409, 'This has been made already.');
  return error;
}
