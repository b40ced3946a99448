// Runs in a thread of its own: what is dear, from its own connections and with what it has read itself.
import { openDatabase, openPool } from '../../data/connection';
import { carry, type Carried } from './carried';
import { doJob, type Job } from './job';

const db = openDatabase(openPool(process.env['APP_DATABASE_URL'] ?? '', 4));

export default (job: Job): Promise<Carried> => carry(() => doJob(db, job));
