import * as v from 'valibot';
import { CONTACT_KINDS, ZONES, type ContactKind } from '../../core';
import { id, line } from '../fields';
import { storedDocument } from './document';

const words = v.pipe(v.string(), v.trim(), v.maxLength(120, 'At most 120 letters.'));
const said = v.pipe(words, v.nonEmpty('This line is empty.'));
const number = (lo: number, hi: number, what: string) =>
  v.pipe(
    v.number(`${what} is a number.`),
    v.minValue(lo, `${what} is at least ${lo}.`),
    v.maxValue(hi, `${what} is at most ${hi}.`),
  );

const tag = v.pipe(
  v.string(),
  v.trim(),
  v.check((t) => {
    try {
      return Intl.getCanonicalLocales(t).length === 1;
    } catch {
      return false;
    }
  }, 'This is no language tag: write ja, ko, zh-Hant, pl, ….'),
);

/** A name in another language, with its BCP 47 tag; `said` is how it is spoken, in Latin letters. */
export const termShape = v.object({ text: said, lang: tag, said: words, meaning: words });
/** An accepted other way, with the schools that keep it and why. */
export const variantShape = v.object({
  name: said,
  /** The point it changes, by its id; null: the technique as a whole. */
  pointId: v.nullable(id),
  schools: words,
  why: line,
  graded: v.boolean(),
});
/** A set-up that shows the fault by itself. */
export const selfCheckShape = v.object({
  arrange: v.pipe(line, v.nonEmpty('Say what to arrange.')),
  pass: v.pipe(line, v.nonEmpty('Say what is seen when it is right.')),
  /** What happens instead, and which slip it names. */
  names: v.pipe(
    v.array(v.object({ outcome: v.pipe(line, v.nonEmpty('Say what happens.')), slip: line })),
    v.maxLength(8, 'At most eight outcomes.'),
  ),
});
/** The farthest it may go. Empty: nothing is said. */
export const ceilingShape = v.object({
  condition: words,
  /** How hard it may land; null: that is not said. */
  kind: v.nullable(v.picklist(CONTACT_KINDS)),
  contact: words,
  targets: words,
  /** From which age; null: any. */
  age: v.nullable(number(4, 99, 'An age')),
});
export const geometryShape = v.object({
  length: number(-1, 6, 'The length'),
  width: number(-2, 6, 'The width'),
  leadTurn: number(-180, 180, 'The angle of the front foot'),
  rearTurn: number(-180, 180, 'The angle of the rear foot'),
  leadWeight: number(0, 100, 'The share of weight'),
  sink: number(0, 0.5, 'How far it sinks'),
});

/** What a technique is besides its points. */
export const detailShape = v.object({
  zone: v.nullable(v.picklist(ZONES)),
  surface: words,
  target: words,
  sideRule: words,
  terms: v.pipe(v.array(termShape), v.maxLength(20, 'At most twenty names.')),
  variants: v.pipe(v.array(variantShape), v.maxLength(20, 'At most twenty variants.')),
  prerequisites: v.pipe(v.array(id), v.maxLength(20, 'At most twenty prerequisites.')),
  selfChecks: v.pipe(v.array(selfCheckShape), v.maxLength(6, 'At most six self-checks.')),
  ceiling: v.nullable(ceilingShape),
  /** Counts of the first stage, in order; from two on they are joined, then one motion. */
  counts: v.pipe(v.array(said), v.maxLength(12, 'At most twelve counts.')),
  /** How many counts each piece of the joined stage takes. */
  joined: v.pipe(v.array(number(1, 12, 'A piece')), v.maxLength(12)),
  geometry: v.nullable(geometryShape),
  /** Names it had before; each still finds it in what was written then. */
  formerly: v.pipe(v.array(words), v.maxLength(50, 'At most fifty earlier names.')),
});
export type TechniqueDetail = v.InferOutput<typeof detailShape>;
export type Term = v.InferOutput<typeof termShape>;

export const NO_DETAIL: TechniqueDetail = {
  zone: null,
  surface: '',
  target: '',
  sideRule: '',
  terms: [],
  variants: [],
  prerequisites: [],
  selfChecks: [],
  ceiling: null,
  counts: [],
  joined: [],
  geometry: null,
  formerly: [],
};

/** Once the words alone said that a technique is for equipment only. */
interface FirstDetail {
  ceiling?: { contact?: unknown; kind?: ContactKind | null } | null;
}
export const ceilingWithKind = (first: FirstDetail): FirstDetail => {
  const said = first.ceiling?.contact;
  if (!first.ceiling || 'kind' in first.ceiling) return first;
  const only = typeof said === 'string' && /^\s*(equipment only|never with a partner)\s*$/i.test(said);
  const kind: ContactKind | null = only ? 'equipment only' : null;
  return { ...first, ceiling: { ...first.ceiling, kind, ...(only ? { contact: '' } : {}) } };
};

export const storedDetail = storedDocument<TechniqueDetail>('technique', detailShape, [ceilingWithKind]);
