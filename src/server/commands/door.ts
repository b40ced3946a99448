import type { CommandName } from '../../contracts/commands';
import type { SignedIn } from '../auth/auth';
import { db } from '../databases';
import { Refusal } from '../http/problem';
import { jobText } from '../jobs/pool';
import { Turns } from '../limits/turns';
import { inPace } from './pace';
import { Gathering, plainLook } from './plainLooks';
import { runCommand } from './run';

const gathering = new Gathering(db);

/** What writes down what was believed that morning reckons for long: done in a thread, so that no mark waits for it. */
const DEAR: ReadonlySet<unknown> = new Set<CommandName>([
  'student.promote',
  'outcome.record',
  'grading.close',
  'grading.letOut',
]);
const turns = new Turns({ atOnce: 2, each: 1, waiting: 12 });
const isDear = (body: unknown) => DEAR.has((body as { name?: unknown } | null)?.name);

/** Does a command as it came, for whoever is signed in, at the pace that leaves the marks their way. */
export async function answerTo(me: SignedIn, body: unknown): Promise<unknown> {
  const look = plainLook(body);
  if (look) return gathering.take(me, look, new Date());
  if (!isDear(body)) return runCommand(db, me, body, new Date(), undefined, inPace);
  const done = await turns.take(me.userId, () => jobText({ me, command: body }));
  if (!done) throw new Refusal(429, 'Much is being written down just now. Wait a moment, then go on.');
  return JSON.parse(done.value) as unknown;
}
