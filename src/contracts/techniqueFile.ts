import * as v from 'valibot';
import { BODY_PARTS, HURTS, POINT_KINDS, TECHNIQUE_KINDS, UNITS, type Range } from '../core';
import { line, name, prose } from './fields';
import { detailShape, NO_DETAIL, type TechniqueDetail } from './stored/technique';
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
const pointShape = v.object({
  name,
  bodyPart: v.picklist(BODY_PARTS, `A part of the body is one of: ${BODY_PARTS.join(', ')}.`),
  kind: v.optional(v.picklist(POINT_KINDS, `A point is ${POINT_KINDS.join(', ')}.`), 'seen'),
  how: v.optional(line, ''),
  why: v.optional(line, ''),
  critical: v.optional(v.boolean(), false),
  unit: v.optional(v.nullable(v.picklist(UNITS, `A unit is one of: ${UNITS.join(', ')}.`)), null),
  accepted: v.optional(v.nullable(range), null),
  wanted: v.optional(v.nullable(range), null),
  slips: v.optional(
    v.pipe(v.array(slipShape), v.maxLength(MOST_SLIPS, `A point has at most ${MOST_SLIPS} slips.`)),
    [],
  ),
});

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
  detail: v.optional(v.omit(detailShape, ['prerequisites']), withoutPrerequisites(NO_DETAIL)),
});
export type TechniqueFile = v.InferOutput<typeof techniqueFileShape>;

/** A detail as it travels: ids of other techniques and of points mean nothing elsewhere. */
export function withoutPrerequisites(d: TechniqueDetail): Omit<TechniqueDetail, 'prerequisites'> {
  const { prerequisites, ...rest } = d;
  void prerequisites;
  return { ...rest, variants: rest.variants.map((x) => ({ ...x, pointId: null })) };
}

const said = (key: string, value: string | null | undefined, indent = '') =>
  value ? [`${indent}${key}: ${value.replace(/\s*\n\s*/g, ' ')}`] : [];
const ranged = (r: Range | null | undefined) => (r ? `${r.lo} to ${r.hi}` : null);

/** Techniques as text, a line a thing; details that need more than a line travel as JSON only. */
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
        ...t.detail.terms.map((x) => `term: ${[x.lang, x.text, x.said, x.meaning].join(' | ')}`),
        ...t.detail.variants.map(
          (x) => `way: ${[x.name, x.schools, x.why, x.graded ? 'shown at gradings' : ''].join(' | ')}`,
        ),
        ...t.points.flatMap((p) => [
          `point: ${p.name}`,
          ...said('part', p.bodyPart, '  '),
          ...(p.kind === 'seen' ? [] : said('known', p.kind, '  ')),
          ...said('unit', p.unit, '  '),
          ...said('accepted', ranged(p.accepted), '  '),
          ...said('wanted', ranged(p.wanted), '  '),
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

export interface ReadTechnique {
  name: string;
  technique: TechniqueFile | null;
  wrong: string[];
}

/** Reads techniques from text or from JSON; each comes whole or with what is wrong in it. */
export function readTechniques(source: string): ReadTechnique[] {
  const text = source.trim();
  if (text === '') return [];
  if (text.startsWith('{') || text.startsWith('[')) {
    let parsed: unknown;
    try {
      parsed = JSON.parse(text);
    } catch {
      return [
        {
          name: 'The file',
          technique: null,
          wrong: ['This JSON cannot be read: it breaks off, or has a sign too many.'],
        },
      ];
    }
    const list: unknown = Array.isArray(parsed)
      ? parsed
      : typeof parsed === 'object' && parsed !== null && 'techniques' in parsed
        ? parsed.techniques
        : null;
    if (!Array.isArray(list))
      return [{ name: 'The file', technique: null, wrong: ['There is no list of techniques in this file.'] }];
    return list.map((one: unknown, i) => {
      const title =
        typeof one === 'object' && one !== null && 'name' in one && typeof one.name === 'string'
          ? one.name
          : `Technique ${i + 1}`;
      return checked(title, one, []);
    });
  }
  return readText(text);
}

function checked(title: string, one: unknown, wrong: string[]): ReadTechnique {
  const read = v.safeParse(techniqueFileShape, one);
  if (read.success && wrong.length === 0) return { name: read.output.name, technique: read.output, wrong };
  const issues = read.success
    ? []
    : read.issues.map((i) => {
        const where = i.path?.map((p) => String(p.key)).join('.') ?? '';
        return where ? `${where}: ${i.message}` : i.message;
      });
  return { name: title, technique: null, wrong: [...wrong, ...issues] };
}

type Loose = Record<string, unknown> & {
  points: Loose2[];
  before: string[];
  detail: ReturnType<typeof withoutPrerequisites>;
};
type Loose2 = Record<string, unknown> & { slips: Record<string, unknown>[] };

function readText(text: string): ReadTechnique[] {
  const out: { name: string; one: Loose; wrong: string[] }[] = [];
  for (const [i, raw] of text.split(/\r?\n/).entries()) {
    const line = raw.trim();
    if (line === '' || line.startsWith('#')) continue;
    const at = line.indexOf(':');
    const key = at < 0 ? '' : line.slice(0, at).trim().toLowerCase();
    const value = line.slice(at + 1).trim();
    if (key === 'technique') {
      out.push({
        name: value || 'A technique',
        one: { name: value, points: [], before: [], detail: withoutPrerequisites(NO_DETAIL) },
        wrong: [],
      });
      continue;
    }
    const last = out.at(-1);
    if (!last) {
      out.push({
        name: 'The text',
        one: { points: [], before: [], detail: withoutPrerequisites(NO_DETAIL) },
        wrong: [`Line ${i + 1}: begin with “technique: its name”.`],
      });
      continue;
    }
    const { one } = last;
    const point = one.points.at(-1);
    const slip = point?.slips.at(-1);
    const amiss = (message: string) => last.wrong.push(`Line ${i + 1}: ${message}`);
    const span = () => {
      const m = /^(-?\d+(?:\.\d+)?)\s*to\s*(-?\d+(?:\.\d+)?)$/.exec(value);
      if (!m) amiss('a range is written “80 to 100”.');
      return m ? { lo: Number(m[1]), hi: Number(m[2]) } : null;
    };
    const bars = value.split('|').map((x) => x.trim());
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
        one.detail = { ...one.detail, zone: value as never };
        break;
      case 'surface':
      case 'target':
        one.detail = { ...one.detail, [key]: value };
        break;
      case 'term':
        one.detail = {
          ...one.detail,
          terms: [
            ...one.detail.terms,
            { lang: bars[0] ?? '', text: bars[1] ?? '', said: bars[2] ?? '', meaning: bars[3] ?? '' },
          ],
        };
        break;
      case 'way':
        one.detail = {
          ...one.detail,
          variants: [
            ...one.detail.variants,
            {
              name: bars[0] ?? '',
              schools: bars[1] ?? '',
              why: bars[2] ?? '',
              graded: bars[3] === 'shown at gradings',
              pointId: null,
            },
          ],
        };
        break;
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
  return out.map((o) => checked(o.name, o.one, o.wrong));
}
