import { openAuthDatabase, openDatabase, openPool } from '../data/connection';
import { config } from './config';

export const appPool = openPool(config.APP_DATABASE_URL, 16);
export const db = openDatabase(appPool);
export const authPool = openPool(config.AUTH_DATABASE_URL, 8);
export const authDb = openAuthDatabase(authPool);
