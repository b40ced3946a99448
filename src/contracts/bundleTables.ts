import Papa from 'papaparse';
import * as v from 'valibot';
import { printSequence } from '../core';
import { guarded, unguarded } from './cell';
import { bundleShape, type Bundle, type ItemByName } from './stored/bundle';

/** The tables in which a school travels as CSV (RFC 4180), in the order in which a person reads them. */
export const TABLES = [
  'school',
  'belts',
  'conditions',
  'techniques',
  'points',
  'sequences',
  'way',
  'requirements',
  'gates',
  'standards',
] as const;
export type TableName = (typeof TABLES)[number];
type Row = Record<string, string>;

/** Reads the JSON in a cell; what cannot be read is told with its line and column, and counts as empty. */
type Nested = (column: string, empty: unknown) => unknown;
/** How a thing becomes a line, and how a line becomes a thing again; what comes back is not yet checked. */
interface Line<T> {
  out: (thing: T) => Row;
  back: (row: Row, nested: Nested) => unknown;
}
const line = <T>(l: Line<T>): Line<T> => l;

const json = (x: unknown) => JSON.stringify(x);
const yes = (b: boolean) => (b ? 'yes' : 'no');
const or = (s: string | undefined) => (s === undefined || s === '' ? null : s);
const range = {
  out: (r: { lo: number; hi: number } | null) => (r ? `${r.lo} to ${r.hi}` : ''),
  back: (s: string | undefined) => {
    const m = /^(-?[\d.]+) to (-?[\d.]+)$/.exec(s ?? '');
    return m ? { lo: Number(m[1]), hi: Number(m[2]) } : null;
  },
};
const STANDARD = ['share', 'criticalShare', 'repetitions', 'days', 'sides', 'freshDays', 'mayFallShort'] as const;
const standard = {
  out: (s: { [k: string]: unknown }): Row => Object.fromEntries(STANDARD.map((k) => [k, String(s[k])])),
  back: (r: Row) =>
    Object.fromEntries(STANDARD.map((k) => [k, k === 'sides' ? r[k] : Number(r[k] === '' ? Number.NaN : r[k])])),
};
const item = {
  out: (i: ItemByName): Row =>
    'technique' in i
      ? { technique: i.technique, sequence: '', from: '', to: '', section: '' }
      : {
          technique: '',
          sequence: i.sequence,
          from: i.part ? String(i.part.from) : '',
          to: i.part ? String(i.part.to) : '',
          section: i.part?.section ?? '',
        },
  back: (r: Row) =>
    r['technique']
      ? { technique: r['technique'] }
      : {
          sequence: r['sequence'] ?? '',
          part: r['from'] ? { from: Number(r['from']), to: Number(r['to']), section: or(r['section']) } : null,
        },
};

type Syllabus = NonNullable<Bundle['syllabus']>;
type Technique = Bundle['techniques'][number];

const belt = line<Bundle['ranks'][number]>({
  out: (r) => ({
    name: r.name,
    colour: r.cloth.colour,
    second: r.cloth.second ?? '',
    stripe: r.cloth.stripe ?? '',
    bars: String(r.cloth.bars),
  }),
  back: (r) => ({
    name: r['name'],
    cloth: { colour: r['colour'], second: or(r['second']), stripe: or(r['stripe']), bars: Number(r['bars'] ?? 0) },
  }),
});
/** A condition, and the easier ones that it comes after in the syllabus. */
const condition = line<Bundle['conditions'][number] & { after: string[] }>({
  out: (c) => ({
    name: c.name,
    partner: yes(c.partner),
    gear: c.gear ?? '',
    home: yes(c.home),
    attacker: c.attacker ?? '',
    defender: c.defender ?? '',
    after: json(c.after),
  }),
  // Tables of the first version have the name only.
  back: (r) =>
    r['partner'] === undefined
      ? r['name']
      : {
          name: r['name'],
          partner: r['partner'] === 'yes',
          gear: or(r['gear']),
          home: r['home'] === 'yes',
          attacker: or(r['attacker']),
          defender: or(r['defender']),
        },
});
const technique = line<Technique>({
  out: (t) => ({
    name: t.name,
    kind: t.kind,
    summary: t.summary,
    sided: yes(t.sided),
    stance: t.stance ?? '',
    step: t.step ?? '',
    before: json(t.before),
    detail: json(t.detail),
  }),
  back: (t, nested) => ({
    name: t['name'],
    kind: t['kind'],
    summary: t['summary'] ?? '',
    sided: t['sided'] !== 'no',
    stance: or(t['stance']),
    step: or(t['step']),
    before: nested('before', []),
    ...(t['detail'] ? { detail: nested('detail', undefined) } : {}),
  }),
});
const point = line<Technique['points'][number] & { technique: string }>({
  out: (p) => ({
    technique: p.technique,
    name: p.name,
    part: p.bodyPart,
    kind: p.kind,
    how: p.how,
    why: p.why,
    critical: yes(p.critical),
    unit: p.unit ?? '',
    accepted: range.out(p.accepted),
    wanted: range.out(p.wanted),
    'read off': p.measuredBy ?? '',
    slips: json(p.slips),
  }),
  back: (p, nested) => ({
    name: p['name'],
    bodyPart: p['part'],
    kind: p['kind'],
    how: p['how'] ?? '',
    why: p['why'] ?? '',
    critical: p['critical'] === 'yes',
    unit: or(p['unit']),
    accepted: range.back(p['accepted']),
    wanted: range.back(p['wanted']),
    measuredBy: or(p['read off']),
    slips: nested('slips', []),
  }),
});
const sequence = line<Bundle['sequences'][number]>({
  out: (q) => ({
    title: q.title,
    from: q.from ?? '',
    // For reading only; the moves count.
    text: printSequence(q.body),
    recipe: q.recipe ? json(q.recipe) : '',
    departures: json(q.departures),
    body: json(q.body),
  }),
  back: (q, nested) => ({
    title: q['title'],
    from: or(q['from']),
    recipe: nested('recipe', null),
    departures: nested('departures', []),
    body: nested('body', null),
  }),
});
const onTheWay = line<Syllabus['items'][number]>({
  out: (i) => ({
    ...item.out(i.item),
    introduced: i.introduced ?? '',
    until: i.until ?? '',
    informal: yes(i.informal),
    needs: json(i.needs),
  }),
  back: (r, nested) => ({
    item: item.back(r),
    introduced: or(r['introduced']),
    until: or(r['until']),
    informal: r['informal'] === 'yes',
    needs: nested('needs', []),
  }),
});
const requirement = line<Syllabus['requirements'][number]>({
  out: (r) => ({
    belt: r.rank,
    ...item.out(r.item),
    condition: r.condition,
    purpose: r.purpose ?? '',
    stage: r.stage ?? '',
    contact: r.rung ?? '',
    critical: yes(r.critical),
    'opens by': r.opens?.kind ?? '',
    'opens at': r.opens ? String(r.opens.amount) : '',
    ...standard.out(r.standard),
  }),
  back: (r) => ({
    item: item.back(r),
    rank: r['belt'],
    condition: r['condition'],
    purpose: or(r['purpose']),
    stage: or(r['stage']),
    rung: or(r['contact']),
    critical: r['critical'] === 'yes',
    opens: or(r['opens by']) ? { kind: r['opens by'], amount: Number(r['opens at']) } : null,
    standard: standard.back(r),
  }),
});
const gate = line<Syllabus['gates'][number]>({
  out: (g) => ({ belt: g.rank, kind: g.kind, amount: String(g.amount) }),
  back: (g) => ({ rank: g['belt'], kind: g['kind'], amount: Number(g['amount']) }),
});
const namedStandard = line<Syllabus['standards'][number]>({
  out: (x) => ({ name: x.name, ...standard.out(x.standard) }),
  back: (x) => ({ name: x['name'], standard: standard.back(x) }),
});

/** A school as tables. What is nested (details, slips, moves) stands in its cell as JSON. */
export function bundleTables(b: Bundle): Record<TableName, Row[]> {
  const s = b.syllabus;
  const after = (name: string) => s?.order.filter((o) => o.harder === name).map((o) => o.easier) ?? [];
  return {
    school: [
      {
        name: b.name ?? '',
        version: String(b.version),
        limits: s ? json(s.limits) : '',
        grading: s ? json(s.grading) : '',
        promotions: s ? json(s.promotions) : '',
      },
    ],
    belts: b.ranks.map(belt.out),
    conditions: b.conditions.map((c) => condition.out({ ...c, after: after(c.name) })),
    techniques: b.techniques.map(technique.out),
    points: b.techniques.flatMap((t) => t.points.map((p) => point.out({ ...p, technique: t.name }))),
    sequences: b.sequences.map(sequence.out),
    way: (s?.items ?? []).map(onTheWay.out),
    requirements: (s?.requirements ?? []).map(requirement.out),
    gates: (s?.gates ?? []).map(gate.out),
    standards: (s?.standards ?? []).map(namedStandard.out),
  };
}

/** One table as CSV text, cells that a spreadsheet would run kept as text. */
export function printTable(rows: readonly Row[]): string {
  return Papa.unparse(
    rows.map((r) => Object.fromEntries(Object.entries(r).map(([k, x]) => [k, guarded(x)]))),
    { newline: '\r\n' },
  );
}

/** Reads one table; the first line names the columns. */
export function readTable(text: string): Row[] {
  const read = Papa.parse<Row>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy' });
  return read.data.map((r) =>
    Object.fromEntries(Object.entries(r).map(([k, x]) => [k.trim(), typeof x === 'string' ? unguarded(x) : ''])),
  );
}

/** Tables back to a school. Each mistake says in which table and line it is; missing tables are empty ones. */
export function bundleFromTables(
  tables: Partial<Record<TableName, readonly Row[]>>,
): { ok: true; bundle: Bundle } | { ok: false; wrong: string[] } {
  const wrong: string[] = [];
  const rows = (name: TableName) => tables[name] ?? [];
  const nestedIn =
    (table: TableName, at: number, row: Row): Nested =>
    (column, empty) => {
      const text = row[column];
      if (text === undefined || text === '') return empty;
      try {
        return JSON.parse(text) as unknown;
      } catch {
        wrong.push(`${table}, line ${at + 2}: ${column} cannot be read.`);
        return empty;
      }
    };
  const back = <T>(table: TableName, { back: one }: Line<T>) =>
    rows(table).map((r, i) => one(r, nestedIn(table, i, r)));

  const points = back('points', point);
  const pointsOf = new Map<string, unknown[]>(rows('techniques').map((t) => [t['name'] ?? '', []]));
  for (const [i, r] of rows('points').entries()) {
    const of = r['technique'] ?? '';
    const list = pointsOf.get(of);
    if (list) list.push(points[i]);
    else wrong.push(`points, line ${i + 2}: there is no technique called ${of || 'nothing'} in the tables.`);
  }
  const hasWay = tables.way !== undefined || tables.requirements !== undefined;
  if (!hasWay)
    for (const table of ['gates', 'standards'] as const)
      if (rows(table).length > 0) wrong.push(`${table}: there is no table “way” that they belong to.`);
  const home = rows('school')[0] ?? {};
  const inHome = nestedIn('school', 0, home);
  const raw = {
    format: 'stavewright-school',
    // Tables from before this column was written are of the first version.
    version: Number(home['version'] ?? 1),
    name: or(home['name']) ?? 'A school',
    ranks: back('belts', belt),
    conditions: back('conditions', condition),
    techniques: back('techniques', technique).map((t, i) => ({
      ...(t as object),
      points: pointsOf.get(rows('techniques')[i]!['name'] ?? ''),
    })),
    sequences: back('sequences', sequence),
    syllabus: hasWay
      ? {
          items: back('way', onTheWay),
          requirements: back('requirements', requirement),
          gates: back('gates', gate),
          order: rows('conditions').flatMap((c, i) => {
            const after = nestedIn('conditions', i, c)('after', []);
            return (Array.isArray(after) ? after : [after]).map((easier: unknown) => ({ easier, harder: c['name'] }));
          }),
          standards: back('standards', namedStandard),
          promotions: inHome('promotions', {}),
          limits: inHome('limits', null),
          ...(home['grading'] ? { grading: inHome('grading', null) } : {}),
        }
      : null,
  };
  if (wrong.length > 0) return { ok: false, wrong: wrong.slice(0, 20) };
  const read = v.safeParse(bundleShape, raw);
  if (read.success) return { ok: true, bundle: read.output };
  return { ok: false, wrong: read.issues.slice(0, 20).map((i) => `${whereIn(i)}: ${i.message}`) };
}

/** Where in a file something is wrong, in words: "techniques, 3rd: kind". */
export function whereIn(issue: { path?: readonly { key: unknown }[] | undefined }): string {
  const keys = (issue.path ?? []).map((p) => String(p.key));
  const words = keys.map((k) => (/^\d+$/.test(k) ? `number ${Number(k) + 1}` : k));
  return words.join(', ') || 'the file';
}
