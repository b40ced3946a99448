import type { Database } from '../../data/connection';
import type { SignedIn } from '../auth/auth';
import { passing } from '../http/fault';
import type { Who } from '../who';
import { plainLook, writeTogether, type PlainLook } from './plainLooks';
import { runCommand } from './run';

/** What became of one command of many, in the order in which they came. */
export type Done = { ok: true; id: string | null; answer: unknown } | { ok: false; id: string | null; error: unknown };

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
    const together =
      run.length > 1 &&
      (await writeTogether(
        db,
        me.schoolId,
        run.map((command) => ({ me, command })),
        now,
      ));
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
