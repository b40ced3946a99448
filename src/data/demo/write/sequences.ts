import { v7 } from 'uuid';
import { applyDepartures, findDepartures, readSequence, type Sequence } from '../../../core';
import { type Transaction } from '../../connection';
import { computedOf, keptOf, readVocabulary, textOf } from '../../queries/sequences';
import { hall, sequence } from '../../tables';
import { DEMO_SCHOOL_ID, type DemoSchool } from '../generate';
import { DEMO_DERIVED, DEMO_HALLS, DEMO_WRITTEN, recipeOf } from '../hall';

/** The hall's sequences, each derived one after what it comes from, as the commands would have made them. */
export async function writeSequences(tx: Transaction, made: DemoSchool) {
  const schoolId = DEMO_SCHOOL_ID;
  const vocabulary = await readVocabulary(tx);
  const idOf = new Map([...DEMO_WRITTEN, ...DEMO_DERIVED].map((s) => [s.title, v7()]));
  const find = (title: string) => idOf.get(title)!;
  const bodies = new Map<string, Sequence>();
  const by = made.teachers[0]!.id;
  for (const { title, text } of DEMO_WRITTEN) {
    const id = find(title);
    const { sequence: read, problems } = readSequence(text, vocabulary);
    if (problems.length > 0) throw new Error(`${title}: line ${problems[0]!.line}, ${problems[0]!.message}`);
    const body = { ...read, about: { ...read.about, title } };
    bodies.set(id, body);
    await tx.insert(sequence).values({ schoolId, id, title, ...keptOf(body), text, changedBy: by });
  }
  for (const s of DEMO_DERIVED) {
    const id = find(s.title);
    const parentId = find(s.from);
    const recipe = recipeOf(s, find);
    const computed = computedOf({ parentId, recipe, title: s.title }, bodies, vocabulary);
    if (!computed.ok) throw new Error(`${s.title}: ${computed.error}`);
    const plain = textOf(computed.value, vocabulary);
    const edited = s.edits.reduce((t, [was, becomes]) => {
      if (!t.includes(was)) throw new Error(`${s.title}: “${was}” is not there to be changed in:\n${t}`);
      return t.replace(was, becomes);
    }, plain);
    const read = readSequence(edited, vocabulary).sequence;
    const departures = findDepartures(computed.value.moves, read.moves);
    const body: Sequence = {
      about: { ...read.about, title: s.title },
      moves: applyDepartures(computed.value.moves, departures).moves,
      closing: computed.value.closing,
    };
    const text = textOf(body, vocabulary);
    bodies.set(id, body);
    await tx.insert(sequence).values({
      schoolId,
      id,
      title: s.title,
      ...keptOf(body),
      text,
      parentId,
      recipe,
      departures,
      changedBy: by,
    });
  }
  await tx.insert(hall).values(DEMO_HALLS.map((h) => ({ schoolId, id: v7(), ...h })));
}
