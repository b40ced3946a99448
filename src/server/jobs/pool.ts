import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { db } from '../databases';
import { arrived, type Carried } from './carried';
import { doJob, type Job } from './job';

/** Where the built program of the threads lies; unset while developing: then everything is done in this one. */
const program = process.env['STAVEWRIGHT_JOBS'];

/** One processor is left to the thread that takes the marks. Each thread keeps what it has read of a school. */
const THREADS = Math.max(1, Math.min(4, availableParallelism() - 1));

let pool: Piscina<Job, Carried> | null = null;

/** What came of a job as JSON, done where it does not hold up the thread that takes the marks. */
export async function jobText(job: Job): Promise<string> {
  if (program === undefined) return JSON.stringify(await doJob(db, job));
  pool ??= new Piscina<Job, Carried>({
    filename: program,
    minThreads: THREADS,
    maxThreads: THREADS,
    // While one waits for the database another is worked on.
    concurrentTasksPerWorker: 2,
  });
  return arrived(await pool.run(job));
}
