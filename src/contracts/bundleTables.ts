import Papa from 'papaparse';
import * as v from 'valibot';
import { printSequence, type Sequence } from '../core';
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

const json = (x: unknown) => JSON.stringify(x);
const yes = (b: boolean) => (b ? 'yes' : 'no');
const range = (r: { lo: number; hi: number } | null) => (r ? `${r.lo} to ${r.hi}` : '');

const itemCells = (i: ItemByName): Row =>
  'technique' in i
    ? { technique: i.technique, sequence: '', from: '', to: '', section: '' }
    : {
        technique: '',
        sequence: i.sequence,
        from: i.part ? String(i.part.from) : '',
        to: i.part ? String(i.part.to) : '',
        section: i.part?.section ?? '',
      };
const standardCells = (s: { [k: string]: unknown }): Row => Object.fromEntries(STANDARD.map((k) => [k, String(s[k])]));
const STANDARD = ['share', 'criticalShare', 'repetitions', 'days', 'sides', 'freshDays', 'mayFallShort'] as const;

/** A school as tables. What is nested (details, slips, moves) stands in its cell as JSON. */
export function bundleTables(b: Bundle): Record<TableName, Row[]> {
  const s = b.syllabus;
  return {
    school: [
      {
        name: b.name ?? '',
        version: String(b.version),
        limits: s ? json(s.limits) : '',
        promotions: s ? json(s.promotions) : '',
      },
    ],
    belts: b.ranks.map((r) => ({
      name: r.name,
      colour: r.cloth.colour,
      second: r.cloth.second ?? '',
      stripe: r.cloth.stripe ?? '',
      bars: String(r.cloth.bars),
    })),
    conditions: b.conditions.map((c) => ({
      name: c.name,
      partner: yes(c.partner),
      gear: c.gear ?? '',
      home: yes(c.home),
      attacker: c.attacker ?? '',
      defender: c.defender ?? '',
      after: json(s?.order.filter((o) => o.harder === c.name).map((o) => o.easier) ?? []),
    })),
    techniques: b.techniques.map((t) => ({
      name: t.name,
      kind: t.kind,
      summary: t.summary,
      sided: yes(t.sided),
      stance: t.stance ?? '',
      step: t.step ?? '',
      before: json(t.before),
      detail: json(t.detail),
    })),
    points: b.techniques.flatMap((t) =>
      t.points.map((p) => ({
        technique: t.name,
        name: p.name,
        part: p.bodyPart,
        kind: p.kind,
        how: p.how,
        why: p.why,
        critical: yes(p.critical),
        unit: p.unit ?? '',
        accepted: range(p.accepted),
        wanted: range(p.wanted),
        slips: json(p.slips),
      })),
    ),
    sequences: b.sequences.map((q) => ({
      title: q.title,
      from: q.from ?? '',
      // For reading only; the moves count.
      text: printSequence(q.body as Sequence),
      recipe: q.recipe ? json(q.recipe) : '',
      departures: json(q.departures),
      body: json(q.body),
    })),
    way: (s?.items ?? []).map((i) => ({
      ...itemCells(i.item),
      introduced: i.introduced ?? '',
      until: i.until ?? '',
      informal: yes(i.informal),
      needs: json(i.needs),
    })),
    requirements: (s?.requirements ?? []).map((r) => ({
      belt: r.rank,
      ...itemCells(r.item),
      condition: r.condition,
      purpose: r.purpose ?? '',
      stage: r.stage ?? '',
      contact: r.rung ?? '',
      critical: yes(r.critical),
      ...standardCells(r.standard),
    })),
    gates: (s?.gates ?? []).map((g) => ({ belt: g.rank, kind: g.kind, amount: String(g.amount) })),
    standards: (s?.standards ?? []).map((x) => ({ name: x.name, ...standardCells(x.standard) })),
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
  const parsed = (
    table: TableName,
    line: number,
    column: string,
    text: string | undefined,
    empty: unknown,
  ): unknown => {
    if (text === undefined || text === '') return empty;
    try {
      return JSON.parse(text) as unknown;
    } catch {
      wrong.push(`${table}, line ${line + 2}: ${column} cannot be read.`);
      return empty;
    }
  };
  const or = (s: string | undefined) => (s === undefined || s === '' ? null : s);
  const ranged = (s: string | undefined) => {
    const m = /^(-?[\d.]+) to (-?[\d.]+)$/.exec(s ?? '');
    return m ? { lo: Number(m[1]), hi: Number(m[2]) } : null;
  };
  const item = (r: Row) =>
    r['technique']
      ? { technique: r['technique'] }
      : {
          sequence: r['sequence'] ?? '',
          part: r['from'] ? { from: Number(r['from']), to: Number(r['to']), section: or(r['section']) } : null,
        };
  const standard = (r: Row) =>
    Object.fromEntries(STANDARD.map((k) => [k, k === 'sides' ? r[k] : Number(r[k] === '' ? Number.NaN : r[k])]));
  const taught = new Set(rows('techniques').map((t) => t['name'] ?? ''));
  const pointsOf = new Map<string, object[]>();
  for (const [k, p] of rows('points').entries()) {
    const of = p['technique'] ?? '';
    if (!taught.has(of))
      wrong.push(`points, line ${k + 2}: there is no technique called ${of || 'nothing'} in the tables.`);
    const one = {
      name: p['name'],
      bodyPart: p['part'],
      kind: p['kind'],
      how: p['how'] ?? '',
      why: p['why'] ?? '',
      critical: p['critical'] === 'yes',
      unit: or(p['unit']),
      accepted: ranged(p['accepted']),
      wanted: ranged(p['wanted']),
      slips: parsed('points', k, 'slips', p['slips'], []),
    };
    const list = pointsOf.get(of);
    if (list) list.push(one);
    else pointsOf.set(of, [one]);
  }
  if (tables.way === undefined && tables.requirements === undefined)
    for (const table of ['gates', 'standards'] as const)
      if (rows(table).length > 0) wrong.push(`${table}: there is no table “way” that they belong to.`);
  const home = rows('school')[0] ?? {};
  const limits = parsed('school', 0, 'limits', home['limits'], null);
  const raw = {
    format: 'stavewright-school',
    // Tables from before this column was written are of the first version.
    version: Number(home['version'] ?? 1),
    name: or(home['name']) ?? 'A school',
    ranks: rows('belts').map((r) => ({
      name: r['name'],
      cloth: { colour: r['colour'], second: or(r['second']), stripe: or(r['stripe']), bars: Number(r['bars'] ?? 0) },
    })),
    conditions: rows('conditions').map((r) =>
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
    ),
    techniques: rows('techniques').map((t, i) => ({
      name: t['name'],
      kind: t['kind'],
      summary: t['summary'] ?? '',
      sided: t['sided'] !== 'no',
      stance: or(t['stance']),
      step: or(t['step']),
      before: parsed('techniques', i, 'before', t['before'], []),
      ...(t['detail'] ? { detail: parsed('techniques', i, 'detail', t['detail'], undefined) } : {}),
      points: pointsOf.get(t['name'] ?? '') ?? [],
    })),
    sequences: rows('sequences').map((q, i) => ({
      title: q['title'],
      from: or(q['from']),
      recipe: parsed('sequences', i, 'recipe', q['recipe'], null),
      departures: parsed('sequences', i, 'departures', q['departures'], []),
      body: parsed('sequences', i, 'body', q['body'], null),
    })),
    syllabus:
      tables.way === undefined && tables.requirements === undefined
        ? null
        : {
            items: rows('way').map((r, i) => ({
              item: item(r),
              introduced: or(r['introduced']),
              until: or(r['until']),
              informal: r['informal'] === 'yes',
              needs: parsed('way', i, 'needs', r['needs'], []),
            })),
            requirements: rows('requirements').map((r) => ({
              item: item(r),
              rank: r['belt'],
              condition: r['condition'],
              purpose: or(r['purpose']),
              stage: or(r['stage']),
              rung: or(r['contact']),
              critical: r['critical'] === 'yes',
              standard: standard(r),
            })),
            gates: rows('gates').map((g) => ({ rank: g['belt'], kind: g['kind'], amount: Number(g['amount']) })),
            order: rows('conditions').flatMap((c, i) =>
              listIn(parsed('conditions', i, 'after', c['after'], [])).map((easier) => ({
                easier,
                harder: c['name'],
              })),
            ),
            standards: rows('standards').map((x) => ({ name: x['name'], standard: standard(x) })),
            promotions: parsed('school', 0, 'promotions', home['promotions'], {}),
            limits,
          },
  };
  if (wrong.length > 0) return { ok: false, wrong: wrong.slice(0, 20) };
  const read = v.safeParse(bundleShape, raw);
  if (read.success) return { ok: true, bundle: read.output };
  return { ok: false, wrong: read.issues.slice(0, 20).map((i) => `${whereIn(i)}: ${i.message}`) };
}

const listIn = (x: unknown): unknown[] => (Array.isArray(x) ? x : [x]);

/** Where in a file something is wrong, in words: "techniques, 3rd: kind". */
export function whereIn(issue: { path?: readonly { key: unknown }[] | undefined }): string {
  const keys = (issue.path ?? []).map((p) => String(p.key));
  const words = keys.map((k) => (/^\d+$/.test(k) ? `number ${Number(k) + 1}` : k));
  return words.join(', ') || 'the file';
}
