// The hall's library and sequences, read from files as anybody's are: what the importer cannot read is not in the demo.
import { readFileSync } from 'node:fs';
import * as v from 'valibot';
import { operationFileShape } from '../../contracts/stored/recipe';
import { readTechniques, type TechniqueFile } from '../../contracts/techniqueFile';
import { commonStance, makeVocabulary, readSequence, type Recipe } from '../../core';

const file = (name: string): string => readFileSync(new URL(`./hall/${name}`, import.meta.url), 'utf8');

const techniquesOf = (name: string): readonly TechniqueFile[] =>
  readTechniques(file(name)).map((t) => {
    if (!t.technique) throw new Error(`${t.name}: ${t.wrong.join(' ')}`);
    return t.technique;
  });
export const DEMO_TECHNIQUES = techniquesOf('techniques.txt');
/** What whoever holds a shield does. */
export const HOLDING = techniquesOf('holding.txt')[0]!;

/** The hall's library as the notation knows it. */
export const DEMO_VOCABULARY = makeVocabulary(
  DEMO_TECHNIQUES.map((t) => ({
    id: t.name,
    name: t.name,
    kind: t.kind,
    zone: t.detail.zone,
    terms: t.detail.terms.map((x) => x.text),
    retired: false,
    geometry: t.kind === 'stance' ? (t.detail.geometry ?? commonStance(t.name)) : null,
    rank: null,
    ceiling: null,
  })),
);

const derived = v.object({
  title: v.string(),
  from: v.string(),
  /** Other sequences by their titles. */
  recipe: v.array(operationFileShape),
  /** Lines changed by hand after deriving: what is written, and what it becomes. */
  edits: v.optional(v.array(v.tuple([v.string(), v.string()])), []),
});
export type DemoDerived = v.InferOutput<typeof derived>;

/** Written in the notation, by title. */
export const DEMO_WRITTEN: readonly { title: string; text: string }[] = file('sequences.txt')
  .split(/^={3,}\s*$/m)
  .map((piece) => {
    const text = piece.trim();
    const { title } = readSequence(text, DEMO_VOCABULARY).sequence.about;
    return { title, text: text.replace(/^title:.*\n/, '') };
  });
/** Made from others by recipes, each after what it comes from. */
export const DEMO_DERIVED: readonly DemoDerived[] = v.parse(v.array(derived), JSON.parse(file('derived.json')));

/** The recipe of a derived sequence, with the ids that `idOf` gives to titles. */
export const recipeOf = (d: DemoDerived, idOf: (title: string) => string): Recipe =>
  d.recipe.map((o) =>
    o.op === 'chain' ? { ...o, with: idOf(o.with) } : o.op === 'new head' ? { ...o, head: idOf(o.head) } : o,
  );

/** Where classes and gradings are held. */
export const USUAL_HALL = 'the boat shed';
export const DEMO_HALLS = [
  { name: 'the marsh room', width: 12, depth: 9 },
  { name: USUAL_HALL, width: 18, depth: 12 },
  { name: 'a room at home', width: 3.5, depth: 3 },
] as const;
