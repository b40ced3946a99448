import * as v from 'valibot';
import {
  BODY_PARTS,
  HURTS,
  MEASURED_BY,
  POINT_KINDS,
  TECHNIQUE_KINDS,
  UNITS,
  waysToMeasure,
  type Range,
} from '../core';
import { line, name, prose } from './fields';
import { listIn } from './listFile';
import { detailShape, NO_DETAIL, variantShape, type TechniqueDetail } from './stored/technique';
import { MOST_POINTS, MOST_SLIPS, namesDiffer } from './technique';

const range = v.pipe(
  v.object({ lo: v.pipe(v.number(), v.finite()), hi: v.pipe(v.number(), v.finite()) }),
  v.check((r) => r.lo <= r.hi, 'The range runs from the smaller number to the larger.'),
);
const slipShape = v.object({
  looksLike: v.pipe(line, v.nonEmpty('Say what the slip looks like.')),
  cause: v.optional(line, ''),
  cue: v.optional(line, ''),
  hurts: v.optional(v.picklist(HURTS, 'It hurts nobody, self or partner.'), 'nobody'),
  hurtsHow: v.optional(line, ''),
});
const pointShape = v.pipe(
  v.object({
    name,
    bodyPart: v.picklist(BODY_PARTS, `A part of the body is one of: ${BODY_PARTS.join(', ')}.`),
    kind: v.optional(v.picklist(POINT_KINDS, `A point is ${POINT_KINDS.join(', ')}.`), 'seen'),
    how: v.optional(line, ''),
    why: v.optional(line, ''),
    critical: v.optional(v.boolean(), false),
    unit: v.optional(v.nullable(v.picklist(UNITS, `A unit is one of: ${UNITS.join(', ')}.`)), null),
    accepted: v.optional(v.nullable(range), null),
    wanted: v.optional(v.nullable(range), null),
    measuredBy: v.optional(v.nullable(v.picklist(MEASURED_BY, 'Nothing is measured in this way here.')), null),
    slips: v.optional(
      v.pipe(v.array(slipShape), v.maxLength(MOST_SLIPS, `A point has at most ${MOST_SLIPS} slips.`)),
      [],
    ),
  }),
  v.check(
    (p) => p.measuredBy === null || waysToMeasure(p.unit).includes(p.measuredBy),
    'What it is read off is not told in this unit.',
  ),
);

/** A detail as it travels: what comes before it is named above, and a way names its point. */
const fileDetailShape = v.object({
  ...v.omit(detailShape, ['prerequisites', 'variants']).entries,
  variants: v.pipe(
    v.array(v.object({ ...v.omit(variantShape, ['pointId']).entries, point: v.optional(v.nullable(name), null) })),
    v.maxLength(20, 'At most twenty variants.'),
  ),
});
export type FileDetail = v.InferOutput<typeof fileDetailShape>;

/** A technique outside of the house: no ids; its stance, its step and what comes before it are named. */
export const techniqueFileShape = v.object({
  name,
  kind: v.picklist(TECHNIQUE_KINDS, `A kind is one of: ${TECHNIQUE_KINDS.join(', ')}.`),
  summary: v.optional(prose, ''),
  sided: v.optional(v.boolean(), true),
  stance: v.optional(v.nullable(name), null),
  step: v.optional(v.nullable(name), null),
  before: v.optional(v.pipe(v.array(name), v.maxLength(20, 'At most twenty prerequisites.')), []),
  points: v.optional(
    v.pipe(
      v.array(pointShape),
      v.maxLength(MOST_POINTS, `A technique has at most ${MOST_POINTS} points of its own.`),
      v.check((list) => namesDiffer(list), 'Two points have the same name.'),
    ),
    [],
  ),
  detail: v.optional(
    fileDetailShape,
    detailOut(NO_DETAIL, () => null),
  ),
});
export type TechniqueFile = v.InferOutput<typeof techniqueFileShape>;

/** A detail on its way out; `pointName` finds the name of a point by its id. */
export function detailOut(d: TechniqueDetail, pointName: (id: string) => string | null): FileDetail {
  const { prerequisites, variants, ...rest } = d;
  void prerequisites;
  return {
    ...rest,
    variants: variants.map(({ pointId, ...x }) => ({ ...x, point: pointId === null ? null : pointName(pointId) })),
  };
}
/** A detail on its way in; what it names is found by name, and what is not there is left open. */
export function detailIn(
  d: FileDetail,
  { pointId, prerequisites }: { pointId: (name: string) => string | undefined; prerequisites: string[] },
): TechniqueDetail {
  return {
    ...d,
    prerequisites,
    variants: d.variants.map(({ point, ...x }) => ({
      ...x,
      pointId: point === null ? null : (pointId(point) ?? null),
    })),
  };
}

/** Lines of what was typed, as one. */
const oneLine = (value: string): string =>
  value
    .split('\n')
    .map((l) => l.trim())
    .join(' ')
    .trim();
const said = (key: string, value: string | null | undefined, indent = '') =>
  value ? [`${indent}${key}: ${oneLine(value)}`] : [];
const ranged = (r: Range | null | undefined) => (r ? `${r.lo} to ${r.hi}` : null);

/** Cells between bars; the empty ones at the end are left out. */
const bars = (...cells: (string | number | null)[]) => {
  const texts = cells.map((c) => (c === null ? '' : String(c)));
  const last = texts.findLastIndex((t) => t.trim() !== '');
  return texts.slice(0, last + 1).join(' | ');
};

/** Techniques as text, a line a thing: whatever a technique is stands in it. */
export function printTechniques(all: readonly TechniqueFile[]): string {
  return all
    .map((t) =>
      [
        `technique: ${t.name}`,
        ...said('kind', t.kind),
        ...said('summary', t.summary),
        ...(t.sided ? [] : ['sides: no']),
        ...said('stance', t.stance),
        ...said('step', t.step),
        ...t.before.map((b) => `before: ${b}`),
        ...said('height', t.detail.zone),
        ...said('surface', t.detail.surface),
        ...said('target', t.detail.target),
        ...said('side rule', t.detail.sideRule),
        ...t.detail.terms.map((x) => `term: ${bars(x.lang, x.text, x.said, x.meaning)}`),
        ...t.detail.formerly.map((n) => `formerly: ${n}`),
        ...t.detail.variants.map(
          (x) => `way: ${bars(x.name, x.schools, x.why, x.graded ? 'shown at gradings' : '', x.point)}`,
        ),
        ...said('counts', t.detail.counts.join(' | ')),
        ...said('joined', t.detail.joined.join(' | ')),
        ...(t.detail.ceiling ? [`ceiling: ${ceilingSaid(t.detail.ceiling)}`] : []),
        ...(t.detail.geometry ? [`from above: ${GEOMETRY.map((k) => t.detail.geometry![k]).join(' | ')}`] : []),
        ...t.detail.selfChecks.flatMap((c) => [
          `check: ${bars(c.arrange, c.pass)}`,
          ...c.names.map((x) => `  shows: ${bars(x.outcome, x.slip)}`),
        ]),
        ...t.points.flatMap((p) => [
          `point: ${p.name}`,
          ...said('part', p.bodyPart, '  '),
          ...(p.kind === 'seen' ? [] : said('known', p.kind, '  ')),
          ...said('unit', p.unit, '  '),
          ...said('accepted', ranged(p.accepted), '  '),
          ...said('wanted', ranged(p.wanted), '  '),
          ...said('read off', p.measuredBy, '  '),
          ...(p.critical ? ['  critical: yes'] : []),
          ...said('how', p.how, '  '),
          ...said('why', p.why, '  '),
          ...p.slips.flatMap((s) => [
            `  slip: ${s.looksLike}`,
            ...said('cause', s.cause, '    '),
            ...said('cue', s.cue, '    '),
            ...(s.hurts === 'nobody' ? [] : said('hurts', s.hurts, '    ')),
            ...said('hurts how', s.hurtsHow, '    '),
          ]),
        ]),
      ].join('\n'),
    )
    .join('\n\n');
}

const GEOMETRY = ['length', 'width', 'leadTurn', 'rearTurn', 'leadWeight', 'sink'] as const;
const ceilingSaid = (c: NonNullable<TechniqueDetail['ceiling']>) =>
  bars(c.condition, c.kind, c.contact, c.targets, c.age);

export interface ReadTechnique {
  name: string;
  technique: TechniqueFile | null;
  wrong: string[];
  /** As it stands in the source. */
  source: string;
}

/** Reads techniques from text or from JSON; each comes whole or with what is wrong in it. */
export function readTechniques(source: string): ReadTechnique[] {
  const json = listIn(source, 'techniques', 'techniques');
  if (!json) return readText(source);
  if (json.wrong) return [{ name: 'The file', technique: null, wrong: [json.wrong], source }];
  return json.list.map((one, i) => {
    const title =
      typeof one === 'object' && one !== null && 'name' in one && typeof one.name === 'string'
        ? one.name
        : `Technique ${i + 1}`;
    return checked(title, one, [], JSON.stringify(one, null, 2));
  });
}

function checked(title: string, one: unknown, wrong: string[], source: string): ReadTechnique {
  const read = v.safeParse(techniqueFileShape, one);
  if (read.success && wrong.length === 0) return { name: read.output.name, technique: read.output, wrong, source };
  const issues = read.success
    ? []
    : read.issues.map((i) => {
        const where = i.path?.map((p) => String(p.key)).join('.') ?? '';
        return where ? `${where}: ${i.message}` : i.message;
      });
  return { name: title, technique: null, wrong: [...wrong, ...issues], source };
}

type Loose = Record<string, unknown> & {
  points: Loose2[];
  before: string[];
  detail: FileDetail;
};
type Loose2 = Record<string, unknown> & { slips: Record<string, unknown>[] };

function readText(text: string): ReadTechnique[] {
  const out: { name: string; one: Loose; wrong: string[]; lines: string[] }[] = [];
  for (const [i, raw] of text.split(/\r?\n/).entries()) {
    const line = raw.trim();
    if (line === '' || line.startsWith('#')) {
      out.at(-1)?.lines.push(raw);
      continue;
    }
    const at = line.indexOf(':');
    const key = at < 0 ? '' : line.slice(0, at).trim().toLowerCase();
    const value = line.slice(at + 1).trim();
    if (key === 'technique') {
      out.push({
        name: value || 'A technique',
        one: { name: value, points: [], before: [], detail: detailOut(NO_DETAIL, () => null) },
        wrong: [],
        lines: [raw],
      });
      continue;
    }
    const last = out.at(-1);
    if (!last) {
      out.push({
        name: 'The text',
        one: { points: [], before: [], detail: detailOut(NO_DETAIL, () => null) },
        wrong: [`Line ${i + 1}: begin with “technique: its name”.`],
        lines: [raw],
      });
      continue;
    }
    last.lines.push(raw);
    const { one } = last;
    const point = one.points.at(-1);
    const slip = point?.slips.at(-1);
    const amiss = (message: string) => last.wrong.push(`Line ${i + 1}: ${message}`);
    const span = () => {
      const m = /^(-?\d+(?:\.\d+)?)\s*to\s*(-?\d+(?:\.\d+)?)$/.exec(value);
      if (!m) amiss('a range is written “80 to 100”.');
      return m ? { lo: Number(m[1]), hi: Number(m[2]) } : null;
    };
    const cells = value.split('|').map((x) => x.trim());
    const put = (more: Partial<FileDetail>) => {
      one.detail = { ...one.detail, ...more };
    };
    const number = (cell: string | undefined) => (cell === undefined || cell === '' ? Number.NaN : Number(cell));
    switch (key) {
      case 'kind':
      case 'summary':
      case 'stance':
      case 'step':
        one[key] = value;
        break;
      case 'sides':
        one.sided = !/^no$/i.test(value);
        break;
      case 'before':
        one.before.push(value);
        break;
      case 'height':
        put({ zone: value as never });
        break;
      case 'surface':
      case 'target':
        put({ [key]: value });
        break;
      case 'side rule':
        put({ sideRule: value });
        break;
      case 'term':
        put({
          terms: [
            ...one.detail.terms,
            { lang: cells[0] ?? '', text: cells[1] ?? '', said: cells[2] ?? '', meaning: cells[3] ?? '' },
          ],
        });
        break;
      case 'formerly':
        put({ formerly: [...one.detail.formerly, value] });
        break;
      case 'way':
        put({
          variants: [
            ...one.detail.variants,
            {
              name: cells[0] ?? '',
              schools: cells[1] ?? '',
              why: cells[2] ?? '',
              graded: cells[3] === 'shown at gradings',
              point: cells[4] || null,
            },
          ],
        });
        break;
      case 'counts':
        put({ counts: cells });
        break;
      case 'joined':
        put({ joined: cells.map(number) });
        break;
      case 'ceiling':
        put({
          ceiling: {
            condition: cells[0] ?? '',
            kind: (cells[1] || null) as never,
            contact: cells[2] ?? '',
            targets: cells[3] ?? '',
            age: cells[4] ? number(cells[4]) : null,
          },
        });
        break;
      case 'from above':
        put({ geometry: Object.fromEntries(GEOMETRY.map((k, n) => [k, number(cells[n])])) as FileDetail['geometry'] });
        break;
      case 'check':
        put({ selfChecks: [...one.detail.selfChecks, { arrange: cells[0] ?? '', pass: cells[1] ?? '', names: [] }] });
        break;
      case 'shows': {
        const check = one.detail.selfChecks.at(-1);
        if (check) check.names.push({ outcome: cells[0] ?? '', slip: cells[1] ?? '' });
        else amiss('“shows” belongs to a check.');
        break;
      }
      case 'point':
        one.points.push({ name: value, slips: [] });
        break;
      case 'part':
      case 'known':
      case 'unit':
      case 'how':
      case 'why':
        if (point) point[key === 'part' ? 'bodyPart' : key === 'known' ? 'kind' : key] = value;
        else amiss(`“${key}” belongs to a point.`);
        break;
      case 'accepted':
      case 'wanted':
        if (point) point[key] = span();
        else amiss(`“${key}” belongs to a point.`);
        break;
      case 'read off':
        if (point) point['measuredBy'] = value;
        else amiss('“read off” belongs to a point.');
        break;
      case 'critical':
        if (point) point.critical = /^(yes|true|)$/i.test(value);
        else amiss('“critical” belongs to a point.');
        break;
      case 'slip':
        if (point) point.slips.push({ looksLike: value });
        else amiss('“slip” belongs to a point.');
        break;
      case 'cause':
      case 'cue':
      case 'hurts':
      case 'hurts how':
        if (slip) slip[key === 'hurts how' ? 'hurtsHow' : key] = value;
        else amiss(`“${key}” belongs to a slip.`);
        break;
      default:
        amiss(`“${key || line}” is nothing known here.`);
    }
  }
  return out.map((o) => checked(o.name, o.one, o.wrong, o.lines.join('\n').trim()));
}
