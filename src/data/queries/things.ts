import { asc } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { thing } from '../tables';

/** What the hall owns, by place as the school put it in. */
export const readThings = async (tx: Transaction) =>
  (await tx.select().from(thing).orderBy(asc(thing.position), asc(thing.id))).map((r) => ({
    ...r.thing,
    id: r.id,
    version: r.version,
  }));
