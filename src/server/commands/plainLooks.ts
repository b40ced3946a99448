// Looks that correct nothing: nearly all that tablets send. Many of them are written down in one transaction.
import * as v from 'valibot';
import { COMMANDS, envelope, readInput, type CommandInput, type Envelope } from '../../contracts/commands';
import { unsound } from '../../contracts/sound';
import { literal, throughSchool, type Database } from '../../data/connection';
import { recordLooks } from '../../data/queries/recordLooks';
import type { SignedIn } from '../auth/auth';
import { readWho, whoQuestion, type WhoRow } from '../who';
import { clockIsRight, lookRow, tellersOf } from './look';
import { digestOf, historyLines, runCommand } from './run';

export type PlainLook = Envelope & { look: CommandInput<'look.record'> };

/** A look with whoever sent it. */
export interface Sent {
  me: SignedIn;
  command: PlainLook;
}

/** Thrown to take back a run in which something was not taken whole; each is then done by itself. */
class NotWhole extends Error {}

/**
 * The command as a look that corrects nothing and was told by nobody else; null: it is another, or there is something
 * wrong with it.
 */
export function plainLook(body: unknown): PlainLook | null {
  const outer = v.safeParse(envelope, body);
  if (!outer.success || outer.output.name !== 'look.record' || unsound(outer.output.input)[0]) return null;
  const look = readInput(COMMANDS['look.record'].input, outer.output.input);
  if (!look.ok || look.value.replaces !== null || tellersOf(look.value).length > 0) return null;
  return { ...outer.output, look: look.value };
}

/** Everybody who sent something, as the school knows them, and whether anything of it was done before. */
const question = (sent: readonly Sent[]): string => {
  const each = [...new Map(sent.map((s) => [s.me.personId, s.me])).values()];
  const done = `select 1 from history d where d.id in (${sent.map((s) => `${literal(s.command.id)}::uuid`).join(', ')})`;
  return each
    .map(
      (me) =>
        `select * from (${whoQuestion(me)}) w, (select ${literal(me.personId)} as person, exists (${done}) as before) x`,
    )
    .join(' union all ');
};

/**
 * Writes looks of one school down in one transaction, each with its line in the history; false, and nothing is written,
 * where not all can be taken as they are.
 */
export async function writeTogether(
  db: Database,
  schoolId: string,
  sent: readonly Sent[],
  now: Date,
): Promise<boolean> {
  try {
    return await throughSchool<WhoRow & { person: string; before: boolean }, boolean>(db, schoolId, {
      first: question(sent),
      work: async (tx, rows) => {
        const of = new Map(rows.map((r) => [r.person, r]));
        const whose = sent.map(({ me, command: c }) => {
          const row = of.get(me.personId);
          const { who } = readWho(row ? [row] : [], me, now);
          if (row!.before || !(COMMANDS['look.record'].may as readonly string[]).includes(who.role))
            throw new NotWhole();
          const behind = c.sent === undefined ? null : now.getTime() - Date.parse(c.sent);
          clockIsRight({ ...who, behind }, c.look.day, c.look.at);
          return who;
        });
        const distinct = (ids: string[]) => new Set(ids).size === ids.length;
        if (!distinct(sent.map((s) => s.command.id)) || !distinct(sent.map((s) => s.command.look.id)))
          throw new NotWhole();
        const looks = sent.map(({ me, command }) => lookRow(command.look, me.personId));
        const marks = new Map((await recordLooks(tx, schoolId, looks)).map((l) => [l.id, l.marks]));
        if (sent.some(({ command: { look } }) => marks.get(look.id) !== look.marks.length)) throw new NotWhole();
        return {
          value: true,
          last: historyLines(
            sent.map(({ command: c }, i) => ({
              who: whose[i]!,
              id: c.id,
              name: c.name,
              at: c.at,
              digest: digestOf(c.name, c.input),
              input: c.look,
              answer: {},
            })),
          ),
        };
      },
    });
  } catch {
    // Whatever it was (a refusal, a point that is gone, a command that came twice): each will say for itself.
    return false;
  }
}

interface Waiting extends Sent {
  now: Date;
  done: (answer: Promise<unknown>) => void;
}

/** So many transactions of looks run at once in a school; what comes meanwhile waits and is written down together. */
const AT_ONCE = 3;
const MOST = 40;

/**
 * Looks that come one by one from many tablets at the same moment. One that comes alone is done at once; while some are
 * being written the others gather, and are written together next, so that a full hall waits less, not more.
 */
export class Gathering {
  private readonly schools = new Map<string, { running: number; waiting: Waiting[] }>();

  constructor(private readonly db: Database) {}

  take(me: SignedIn, command: PlainLook, now: Date): Promise<unknown> {
    return new Promise((resolve) => {
      const school = this.schools.get(me.schoolId) ?? { running: 0, waiting: [] };
      this.schools.set(me.schoolId, school);
      school.waiting.push({ me, command, now, done: resolve });
      this.next(me.schoolId);
    });
  }

  private next(schoolId: string): void {
    const school = this.schools.get(schoolId)!;
    if (school.running >= AT_ONCE) return;
    const some = school.waiting.splice(0, MOST);
    if (some.length === 0) {
      if (school.running === 0) this.schools.delete(schoolId);
      return;
    }
    school.running += 1;
    void this.write(schoolId, some).finally(() => {
      school.running -= 1;
      this.next(schoolId);
    });
  }

  private async write(schoolId: string, some: readonly Waiting[]): Promise<void> {
    const together = some.length > 1 && (await writeTogether(this.db, schoolId, some, some.at(-1)!.now));
    const each = some.map(({ me, command, now, done }) => {
      const { look: _look, ...body } = command;
      const answer = together ? Promise.resolve({}) : runCommand(this.db, me, body, now);
      done(answer);
      return answer.catch(() => undefined);
    });
    await Promise.all(each);
  }
}
