import { eq } from 'drizzle-orm';
import * as v from 'valibot';
import { COMMANDS, envelope, readInput, type CommandName } from '../../contracts/commands';
import { inSchool, literal, throughSchool, type Database, type Transaction } from '../../data/connection';
import { history } from '../../data/tables';
import type { SignedIn } from '../auth/auth';
import { Refusal } from '../http/problem';
import { readWho, whoQuestion, type Watch, type Who, type WhoRow } from '../who';
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

/**
 * The one door for writes. The command is checked, authorised, done and written to the history in one transaction; the
 * same id twice is done once and answered alike.
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
  const command = COMMANDS[name];
  return throughSchool<WhoRow, unknown>(db, me.schoolId, {
    question: whoQuestion(me, id),
    work: async (tx, rows) => {
      const { who, known } = readWho(rows, me, now);
      if (!(command.may as readonly string[]).includes(who.role))
        throw new Refusal(403, `${roleName(who.role)} may not do this.`);
      if (known) return { value: known.answer, parting: null };
      const input = readInput(command.input as v.GenericSchema, outer.value.input);
      if (!input.ok) throw new Refusal(422, input.errors[0]?.message ?? 'Something here is wrong.', input.errors);
      const run = RUNS[name] as (tx: Transaction, who: Who, input: unknown) => Promise<unknown>;
      const answer = (await run(tx, watch ? { ...who, watch } : who, input.value)) ?? {};
      return { value: answer, parting: historyLine({ id, name, at }, who, withoutSecrets(input.value), answer) };
    },
  }).catch(async (error: unknown) => {
    // Two sendings at the same time: the other one won, so its answer is ours.
    if (constraintOf(error) !== 'history_school_id_id_pk') throw refusalOf(error);
    return inSchool(db, me.schoolId, async (tx) => {
      const known = await tx.select({ answer: history.answer }).from(history).where(eq(history.id, id));
      return known[0]?.answer ?? {};
    });
  });
}

/** The line of the history that is written as the transaction is committed. */
const historyLine = (
  command: { id: string; name: string; at: string },
  who: Who,
  input: unknown,
  answer: unknown,
): string =>
  `insert into history (school_id, id, command, by, made_at, input, answer) values (${[
    who.schoolId,
    command.id,
    command.name,
    who.personId,
    command.at,
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

export function constraintOf(error: unknown): string | null {
  for (let e: unknown = error; e instanceof Error; e = e.cause) {
    const c = (e as { constraint?: unknown }).constraint;
    if (typeof c === 'string') return c;
  }
  return null;
}

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
