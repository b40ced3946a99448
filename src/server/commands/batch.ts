import { inArray } from 'drizzle-orm';
import * as v from 'valibot';
import { COMMANDS, envelope, readInput, type CommandInput, type Envelope } from '../../contracts/commands';
import { unsound } from '../../contracts/sound';
import { throughSchool, type Database } from '../../data/connection';
import { recordLooks } from '../../data/queries/recordLooks';
import { history } from '../../data/tables';
import type { SignedIn } from '../auth/auth';
import { passing } from '../http/fault';
import { readWho, whoQuestion, type Who, type WhoRow } from '../who';
import { clockIsRight, lookRow } from './look';
import { digestOf, historyLines, runCommand } from './run';

/** What became of one command of many, in the order in which they came. */
export type Done = { ok: true; id: string | null; answer: unknown } | { ok: false; id: string | null; error: unknown };

/** A look that corrects nothing: many of them can be written down at once. */
type PlainLook = Envelope & { look: CommandInput<'look.record'> };

/** Thrown to take back a run in which something was not taken whole; each is then done by itself. */
class NotWhole extends Error {}

function plainLook(body: unknown): PlainLook | null {
  const outer = v.safeParse(envelope, body);
  if (!outer.success || outer.output.name !== 'look.record' || unsound(outer.output.input)[0]) return null;
  const look = readInput(COMMANDS['look.record'].input, outer.output.input);
  return look.ok && look.value.replaces === null ? { ...outer.output, look: look.value } : null;
}

/**
 * Does many commands in the order in which they came and answers each by itself; what one is refused holds up no other.
 * Looks that correct nothing, which a tablet brings home by the hundred, are written down together where all of them can
 * be taken as they are; anything else goes the usual way, one by one.
 */
export async function runBatch(
  db: Database,
  me: SignedIn,
  bodies: readonly unknown[],
  now = new Date(),
  inPace?: (who: Who) => Promise<void>,
): Promise<Done[]> {
  const out: Done[] = [];
  const idOf = (body: unknown) => {
    const id = (body as { id?: unknown } | null)?.id;
    return typeof id === 'string' ? id : null;
  };
  const one = async (body: unknown): Promise<Done> => {
    try {
      return { ok: true, id: idOf(body), answer: await runCommand(db, me, body, now, undefined, inPace) };
    } catch (error) {
      return { ok: false, id: idOf(body), error };
    }
  };
  for (let i = 0; i < bodies.length;) {
    const run: PlainLook[] = [];
    for (let look = plainLook(bodies[i]); look; look = plainLook(bodies[i + run.length])) run.push(look);
    const together = run.length > 1 && (await writeTogether(db, me, run, now));
    if (together) out.push(...run.map(({ id }): Done => ({ ok: true, id, answer: {} })));
    else
      for (let k = 0; k < Math.max(1, run.length); k += 1) {
        const done = await one(bodies[i + k]);
        out.push(done);
        // A database that is away is away for the rest as well.
        if (!done.ok && passing(done.error) !== null)
          return [...out, ...bodies.slice(i + k + 1).map((body): Done => ({ ...done, id: idOf(body) }))];
      }
    i += Math.max(1, run.length);
  }
  return out;
}

/** Writes looks down in one transaction, each with its line in the history; false where not all can be taken as they are. */
async function writeTogether(db: Database, me: SignedIn, run: readonly PlainLook[], now: Date): Promise<boolean> {
  try {
    return await throughSchool<WhoRow, boolean>(db, me.schoolId, {
      first: whoQuestion(me),
      work: async (tx, rows) => {
        const { who } = readWho(rows, me, now);
        if (!(COMMANDS['look.record'].may as readonly string[]).includes(who.role)) throw new NotWhole();
        const ids = run.map((c) => c.id);
        if (new Set(ids).size < ids.length || new Set(run.map((c) => c.look.id)).size < ids.length)
          throw new NotWhole();
        const known = await tx.select({ id: history.id }).from(history).where(inArray(history.id, ids)).limit(1);
        if (known.length > 0) throw new NotWhole();
        for (const c of run)
          clockIsRight(
            { ...who, behind: c.sent === undefined ? null : now.getTime() - Date.parse(c.sent) },
            c.look.day,
            c.look.at,
          );
        const taken = await recordLooks(
          tx,
          who.schoolId,
          who.personId,
          run.map((c) => lookRow(c.look)),
        );
        const marks = new Map(taken.map((t) => [t.id, t.marks]));
        if (run.some((c) => marks.get(c.look.id) !== c.look.marks.length)) throw new NotWhole();
        const lines = run.map((c) => ({
          id: c.id,
          name: c.name,
          at: c.at,
          digest: digestOf(c.name, c.input),
          input: c.look,
          answer: {},
        }));
        return { value: true, last: historyLines(who, lines) };
      },
    });
  } catch {
    // Whatever it was (a refusal, a point that is gone, a command that came twice): each will say for itself.
    return false;
  }
}
