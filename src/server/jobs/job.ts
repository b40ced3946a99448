import type { ViewName } from '../../contracts/views';
import type { Database } from '../../data/connection';
import type { SignedIn } from '../auth/auth';
import { tryCommand } from '../trial/trial';
import { runView } from '../views/run';

/** What is worked out for one who is signed in: a view, or what would follow from a command. */
export type Job = { me: SignedIn } & ({ view: ViewName; input: Record<string, unknown> } | { trial: unknown });

/** Does a job with these connections. */
export const doJob = (db: Database, job: Job): Promise<unknown> =>
  'view' in job ? runView(db, job.me, job.view, job.input) : tryCommand(db, job.me, job.trial);
