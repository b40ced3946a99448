import { openAuthDatabase, openDatabase, openPool } from '../data/connection';
import { config } from './config';
import { sweepCounters } from './limits/counter';

export const appPool = openPool(config.APP_DATABASE_URL, 16);
export const db = openDatabase(appPool);
export const authPool = openPool(config.AUTH_DATABASE_URL, 8);
export const authDb = openAuthDatabase(authPool);

// What was counted long ago is taken away now and then; whatever stops it, the next time will do.
setInterval(() => void sweepCounters(authPool).catch(() => undefined), 3_600_000).unref();
