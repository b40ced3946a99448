import type { ViewName } from '../../contracts/views';
import type { Database } from '../../data/connection';
import type { SignedIn } from '../auth/auth';
import { tryCommand } from '../trial/trial';
import { runCommand } from '../commands/run';
import { runView } from '../views/run';

/** What is worked out for one who is signed in: a view, what would follow from a command, or a command that is dear. */
export type Job = { me: SignedIn } & (
  | { view: ViewName; input: Record<string, unknown> }
  | { trial: unknown }
  | { command: unknown }
);

/** Does a job with these connections. */
export function doJob(db: Database, job: Job): Promise<unknown> {
  if ('view' in job) return runView(db, job.me, job.view, job.input);
  return 'trial' in job ? tryCommand(db, job.me, job.trial) : runCommand(db, job.me, job.command);
}
