import Papa from 'papaparse';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { bundleFromTables, bundleTables, printTable, readTable, TABLES } from '../contracts/bundleTables';
import { bundleShape, type Bundle } from '../contracts/stored/bundle';
import { starterBundle } from './starter';

const starter: Bundle = v.parse(bundleShape, starterBundle());
const byOrder = (b: Bundle): Bundle => ({
  ...b,
  syllabus: b.syllabus && {
    ...b.syllabus,
    order: [...b.syllabus.order].sort((x, y) => `${x.harder} ${x.easier}`.localeCompare(`${y.harder} ${y.easier}`)),
  },
});
const through = (b: Bundle) => {
  const tables = bundleTables(b);
  return bundleFromTables(Object.fromEntries(TABLES.map((t) => [t, readTable(printTable(tables[t]))])));
};

describe('a school as CSV tables', () => {
  it('comes back as it went, names that look like formulas too', () => {
    const odd: Bundle = {
      ...starter,
      name: '=SUM(A1)',
      techniques: starter.techniques.map((t, i) =>
        i === 0 ? { ...t, summary: '-1, "two"\n\'three\'', detail: { ...t.detail, surface: '@here' } } : t,
      ),
    };
    for (const b of [starter, odd]) {
      const back = through(b);
      expect(back.ok && byOrder(back.bundle)).toEqual(byOrder(b));
    }
  });

  // RFC 4180, read by the registry's papaparse; the guard is OWASP's against CSV injection.
  it('is CSV that any reader reads, and no cell of it is run by a spreadsheet', () => {
    const text = printTable(bundleTables({ ...starter, name: '+1' }).school);
    const rows = Papa.parse<string[]>(text).data;
    expect(rows[0]).toEqual(['name', 'version', 'limits', 'grading', 'promotions']);
    expect(rows[1]![0]).toBe("'+1");
  });

  it('says in which table and line something is wrong', () => {
    const tables = bundleTables(starter);
    const bad = { ...tables, points: tables.points.map((p, i) => (i === 2 ? { ...p, slips: '[oh' } : p)) };
    expect(bundleFromTables(bad)).toEqual({ ok: false, wrong: ['points, line 4: slips cannot be read.'] });
    const kind = { ...tables, techniques: tables.techniques.map((t, i) => (i === 1 ? { ...t, kind: 'dance' } : t)) };
    const read = bundleFromTables(kind);
    expect(read.ok ? [] : read.wrong[0]).toMatch(/^techniques, number 2, kind: A kind is one of/);
  });

  it('points of nothing and gates without a way are said, not dropped', () => {
    const tables = bundleTables(starter);
    const lost = tables.points.map((p, i) => (i === 0 ? { ...p, technique: 'Nowhere stance' } : p));
    expect(bundleFromTables({ ...tables, points: lost })).toEqual({
      ok: false,
      wrong: ['points, line 2: there is no technique called Nowhere stance in the tables.'],
    });
    const { way, requirements, ...rest } = { ...tables, gates: [{ belt: 'First belt', kind: 'age', amount: '9' }] };
    expect([way.length, requirements.length].every((n) => n > 0)).toBe(true);
    const read = bundleFromTables(rest);
    expect(read.ok ? [] : read.wrong).toContain('gates: there is no table “way” that they belong to.');
  });
});
