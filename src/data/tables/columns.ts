import { getTableName, type Table } from 'drizzle-orm';
import { customType, date, integer, timestamp, uuid } from 'drizzle-orm/pg-core';
import type { StoredDocument } from '../../contracts/stored/document';

/** The school every row belongs to: first column of every primary and foreign key. */
export const schoolId = () => uuid('school_id').notNull();
export const day = (name: string) => date(name, { mode: 'string' });
export const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });

/** A document kept whole: whoever reads the column gets it as it is written today, whenever it was kept. */
export const kept = <T>(name: string, document: StoredDocument<T>) =>
  customType<{ data: T; driverData: unknown }>({
    dataType: () => 'jsonb',
    fromDriver: (raw) => document.upgrade(raw),
    toDriver: (value) => JSON.stringify(document.keep(value)),
  })(name);

/**
 * Of what several people edit: goes up with every save, so that nobody writes over what they have not seen, and who it
 * was.
 */
export const edited = () => ({
  version: integer('version').notNull().default(1),
  changedAt: instant('changed_at').notNull().defaultNow(),
  changedBy: uuid('changed_by'),
});

const facts = new Set<string>();
/** Facts: rows of such a table are added and never changed or taken away by the app; the guard of the tables sees to it. */
export function onlyAdded<T extends Table>(table: T): T {
  facts.add(getTableName(table));
  return table;
}
/** Whether the rows of a table, by its name in the database, are only added. */
export const isOnlyAdded = (name: string): boolean => facts.has(name);
