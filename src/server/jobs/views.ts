// Runs in a thread of its own: views, from its own connections and with what it has read itself.
import type { ViewName } from '../../contracts/views';
import { openDatabase, openPool } from '../../data/connection';
import type { SignedIn } from '../auth/auth';
import { runView } from '../views/run';
import { carry, type Carried } from './carried';

export interface ViewJob {
  me: SignedIn;
  name: ViewName;
  input: Record<string, unknown>;
}

const db = openDatabase(openPool(process.env['APP_DATABASE_URL'] ?? '', 4));

export default ({ me, name, input }: ViewJob): Promise<Carried> => carry(() => runView(db, me, name, input));
