import * as v from 'valibot';
import { bundleFromTables, readTable, TABLES, whereIn } from '../../contracts/bundleTables';
import { bundleShape, type Bundle } from '../../contracts/stored/bundle';
import { capital, inWords, plural } from '../../core';

export type SchoolRead = { ok: true; from: string; bundle: Bundle } | { ok: false; wrong: string[] };

const isJson = (name: string, text: string) => /\.json$/i.test(name) || text.trimStart().startsWith('{');

/** A school as it came from somewhere: whole and of our shape, or where it is not. */
export function readSchool(from: string, raw: unknown): SchoolRead {
  const read = v.safeParse(bundleShape, raw);
  return read.success
    ? { ok: true, from, bundle: read.output }
    : { ok: false, wrong: read.issues.slice(0, 12).map((i) => `${capital(whereIn(i))}: ${i.message}`) };
}

/** The files of a school: one as JSON, or its tables, each known by its name. */
export function readSchoolFiles(files: readonly { name: string; text: string }[]): SchoolRead {
  const tables: Partial<Record<(typeof TABLES)[number], Record<string, string>[]>> = {};
  for (const f of files) {
    if (isJson(f.name, f.text)) {
      try {
        return readSchool(f.name, JSON.parse(f.text));
      } catch {
        return { ok: false, wrong: [`${f.name} is no whole JSON: it breaks off, or has a sign too many.`] };
      }
    }
    const table = TABLES.find((t) => new RegExp(`\\b${t}\\b[^/]*\\.csv$`, 'i').test(f.name));
    if (!table)
      return {
        ok: false,
        wrong: [`${f.name}: its name says no table. It ends in one of ${TABLES.join(', ')}, and .csv.`],
      };
    tables[table] = readTable(f.text);
  }
  const read = bundleFromTables(tables);
  return read.ok
    ? { ok: true, from: `${inWords(files.length)} ${plural(files.length, 'table')}`, bundle: read.bundle }
    : { ok: false, wrong: read.wrong };
}
