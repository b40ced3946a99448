import { getTableColumns, sql } from 'drizzle-orm';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';
import type { Transaction } from '../../connection';

const ROWS_AT_ONCE = 5000;

/** A value as the table writes it; documents stand in the text as what they are and not as a text of their own. */
const asJson = (column: PgColumn, value: unknown): unknown => {
  const written = column.mapToDriverValue(value);
  return column.getSQLType() === 'jsonb' ? (JSON.parse(written as string) as unknown) : written;
};

/**
 * Writes rows by the thousand. They go over as one text that PostgreSQL takes apart: a parameter for every value of tens
 * of thousands of marks costs longer to write down than to store.
 */
export async function insertAll<T extends PgTable>(tx: Transaction, table: T, rows: T['$inferInsert'][]) {
  const columns = Object.entries(getTableColumns(table));
  // Rows that leave out the same get the same defaults.
  const alike = new Map<string, Record<string, unknown>[]>();
  for (const row of rows as Record<string, unknown>[]) {
    const given = columns.filter(([key]) => row[key] !== undefined);
    const names = given.map(([, column]) => column.name).join(' ');
    const values = given.map(([key, column]): [string, unknown] => [
      column.name,
      row[key] === null ? null : asJson(column, row[key]),
    ]);
    const same = alike.get(names);
    if (same) same.push(Object.fromEntries(values));
    else alike.set(names, [Object.fromEntries(values)]);
  }
  const typeOf = new Map(columns.map(([, column]) => [column.name, column.getSQLType()]));
  const comma = sql`, `;
  for (const [joined, all] of alike) {
    const names = joined.split(' ');
    const these = names.map((name) => sql.identifier(name));
    const typed = names.map((name) => sql`${sql.identifier(name)} ${sql.raw(typeOf.get(name)!)}`);
    for (let i = 0; i < all.length; i += ROWS_AT_ONCE)
      await tx.execute(sql`
        insert into ${table} (${sql.join(these, comma)})
        select ${sql.join(these, comma)}
        from json_to_recordset(${JSON.stringify(all.slice(i, i + ROWS_AT_ONCE))}::json) as given(${sql.join(typed, comma)})`);
  }
}
