import type { SignedIn } from '../auth/auth';
import { Refusal } from '../http/problem';
import { jobText } from '../jobs/pool';
import { Turns } from '../limits/turns';

/** A trial reckons a school twice: one of each person at once, in another thread than the one that takes the marks. */
const turns = new Turns({ atOnce: 2, each: 1, waiting: 8 });

/** What would follow from a command, as JSON. */
export async function trialTextFor(me: SignedIn, body: unknown): Promise<string> {
  const done = await turns.take(me.userId, () => jobText({ me, trial: body }));
  if (!done) throw new Refusal(429, 'Much is being worked out just now. Wait a moment, then go on.');
  return done.value;
}
