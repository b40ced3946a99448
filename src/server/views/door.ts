import type { ViewInput, ViewName, ViewResults } from '../../contracts/views';
import type { SignedIn } from '../auth/auth';
import { authPool, db } from '../databases';
import { Refusal } from '../http/problem';
import { jobText } from '../jobs/pool';
import { Pace } from '../limits/pace';
import { Turns } from '../limits/turns';
import { runView } from './run';

/** So often may one person ask for pages and views, over all servers. */
const pace = new Pace(authPool, { most: 600, seconds: 60 });
/** What is dear is made in other threads: a few at once, one of each person, a handful waiting. */
const turns = new Turns({ atOnce: 4, each: 1, waiting: 12 });
/** What every page asks for besides its own, and what tablets ask again and again: a few rows each. */
const LIGHT: ReadonlySet<ViewName> = new Set(['shell', 'wards', 'earlierMarks', 'earlierShowings']);

/** A view for whoever is signed in, as JSON, at the pace and in the turn that leave the marks their way. */
export async function viewTextFor<N extends ViewName>(
  me: SignedIn,
  name: N,
  input: ViewInput<N> | Record<string, string>,
): Promise<string> {
  const own = await pace.allows(`view ${me.userId}`);
  if (!own.ok)
    throw new Refusal(429, `You have asked for very many pages. Wait ${own.seconds} seconds, then go on as usual.`);
  if (LIGHT.has(name)) return JSON.stringify(await runView(db, me, name, input));
  const done = await turns.take(me.userId, () => jobText({ me, view: name, input }));
  if (!done) throw new Refusal(429, 'You have asked for many pages at once. Wait until they are there, then go on.');
  return done.value;
}

/** The same, opened. */
export const viewFor = async <N extends ViewName>(
  me: SignedIn,
  name: N,
  input: ViewInput<N> | Record<string, string>,
): Promise<ViewResults[N]> => JSON.parse(await viewTextFor(me, name, input)) as ViewResults[N];
