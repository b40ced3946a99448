import { and, eq, sql } from 'drizzle-orm';
import {
  derivationOrder,
  findDepartures,
  needsOf,
  readSequence,
  type NotationProblem,
  type Sequence,
  type Vocabulary,
} from '../../core';
import type { Transaction } from '../../data/connection';
import {
  computedOf,
  keptOf,
  originOf,
  readSequences,
  readVocabulary,
  recomputeAll,
  textOf,
  type SequenceRow,
} from '../../data/queries/sequences';
import { sequence, waiver } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { notMeanwhile } from './meanwhile';

const atField = (path: string, message: string): Refusal => new Refusal(422, message, [{ path, message }]);

async function mustBeNew(tx: Transaction, id: string, title: string) {
  const twin = await tx
    .select({ id: sequence.id })
    .from(sequence)
    .where(and(sql`lower(${sequence.title}) = lower(${title})`, sql`${sequence.id} <> ${id}`));
  if (twin.length > 0) throw atField('title', `There already is a sequence called ${title}.`);
}

const lineSaid = (p: NotationProblem) => `Line ${p.line}, place ${p.column}: ${p.message} Expected: ${p.expected}.`;

interface Written {
  id: string;
  title: string;
  text: string;
}

/** Saves a text as it was typed: lines that cannot be read yet are kept with it and left out of the moves. */
async function saveWritten(tx: Transaction, who: Who, vocabulary: Vocabulary, input: Written, before?: SequenceRow) {
  const read = readSequence(input.text, vocabulary);
  const body: Sequence = { ...read.sequence, about: { ...read.sequence.about, title: input.title } };
  const row = {
    title: input.title,
    ...keptOf(body),
    text: input.text,
    problems: read.problems.filter((p) => p.severity === 'error').length,
    changedAt: new Date(),
    changedBy: who.personId,
  };
  if (before)
    await tx
      .update(sequence)
      .set({ ...row, version: before.version + 1 })
      .where(eq(sequence.id, input.id));
  else await tx.insert(sequence).values({ schoolId: who.schoolId, id: input.id, ...row });
}

export const sequenceCommands: Runs<
  'sequence.save' | 'sequence.derive' | 'sequence.retire' | 'sequence.waive' | 'sequence.import'
> = {
  /**
   * Saves the text of a sequence. On a derived one, what differs from its recipe is kept as hand edits; a text with
   * mistakes is refused there, since it could not be told apart from what was left out on purpose.
   */
  'sequence.save': async (tx, who, input) => {
    await inTurn(tx, who, 'library');
    const rows = await readSequences(tx);
    const before = rows.find((r) => r.id === input.id);
    await notMeanwhile(tx, before?.title ?? '', before, input.version, () => ({
      id: input.id,
      title: before!.title,
      text: before!.text,
    }));
    await mustBeNew(tx, input.id, input.title);
    const vocabulary = await readVocabulary(tx);
    if (before?.parentId == null) {
      await saveWritten(tx, who, vocabulary, input, before);
    } else {
      const read = readSequence(input.text, vocabulary);
      const errors = read.problems.filter((p) => p.severity === 'error');
      if (errors.length > 0)
        throw new Refusal(
          422,
          `${lineSaid(errors[0]!)} A sequence with a recipe is kept when all its lines can be read.`,
          errors.map((p) => ({ path: 'text', message: lineSaid(p) })),
        );
      const made = computedOf({ ...before, title: input.title }, new Map(rows.map((r) => [r.id, r.body])), vocabulary);
      if (!made.ok) throw new Refusal(409, made.error);
      const about = { ...read.sequence.about, title: input.title };
      const body: Sequence = {
        ...made.value,
        about,
        moves: read.sequence.moves,
      };
      await tx
        .update(sequence)
        .set({
          title: input.title,
          ...keptOf(body),
          text: textOf(body, vocabulary),
          departures: findDepartures(made.value.moves, read.sequence.moves),
          unfit: 0,
          trouble: null,
          version: before.version + 1,
          changedAt: new Date(),
          changedBy: who.personId,
        })
        .where(eq(sequence.id, input.id));
    }
    const followed = await recomputeAll(tx, vocabulary);
    return { id: input.id, followed: followed.length };
  },

  /** Makes a sequence from a parent, or gives it another recipe. Impossible recipes and circles are refused with the reason. */
  'sequence.derive': async (tx, who, { id, parentId, title, recipe }) => {
    await inTurn(tx, who, 'library');
    const rows = await readSequences(tx);
    const before = rows.find((r) => r.id === id);
    await mustBeNew(tx, id, title);
    for (const needed of [parentId, ...needsOf(recipe)])
      if (!rows.some((r) => r.id === needed)) throw new Refusal(422, 'A sequence of the recipe is not there.');
    if (before && before.parentId === null)
      throw new Refusal(
        409,
        `${before.title} was written by hand: derive a new sequence instead, so that its text is not lost.`,
      );
    const family = [...rows.filter((r) => r.id !== id).map(originOf), { id, parentId, recipe }];
    const order = derivationOrder(family);
    if (!order.ok) {
      const names = order.error.circle.map((c) => (c === id ? title : (rows.find((r) => r.id === c)?.title ?? '')));
      throw new Refusal(
        422,
        `This would be a circle: ${[...names, names[0]].join(' from ')}. A sequence cannot come from itself.`,
        [{ path: 'parentId', message: 'A sequence cannot come from itself.' }],
      );
    }
    const vocabulary = await readVocabulary(tx);
    const made = computedOf({ parentId, recipe, title }, new Map(rows.map((r) => [r.id, r.body])), vocabulary);
    if (!made.ok) throw new Refusal(422, made.error, [{ path: 'recipe', message: made.error }]);
    const body = before ? { ...made.value, about: { ...before.body.about, title } } : made.value;
    const row = {
      title,
      ...keptOf(body),
      text: textOf(body, vocabulary),
      parentId,
      recipe,
      trouble: null,
      changedAt: new Date(),
      changedBy: who.personId,
    };
    // Hand edits of an earlier recipe are laid on the new one by the recomputing below; what does not fit is reported.
    if (before)
      await tx
        .update(sequence)
        .set({ ...row, version: before.version + 1 })
        .where(eq(sequence.id, id));
    else await tx.insert(sequence).values({ schoolId: who.schoolId, id, ...row });
    await recomputeAll(tx, vocabulary);
    return { id };
  },

  'sequence.retire': async (tx, _who, { id, retired }) => {
    const done = await tx.update(sequence).set({ retired }).where(eq(sequence.id, id)).returning({ id: sequence.id });
    if (done.length === 0) throw new Refusal(404, 'This sequence is not there.');
    return { id };
  },

  'sequence.waive': async (tx, who, { sequenceId, key, reason }) => {
    const known = await tx.select({ id: sequence.id }).from(sequence).where(eq(sequence.id, sequenceId));
    if (known.length === 0) throw new Refusal(404, 'This sequence is not there.');
    if (reason === null) {
      await tx.delete(waiver).where(and(eq(waiver.sequenceId, sequenceId), eq(waiver.key, key)));
      return {};
    }
    const row = { reason, by: who.personId, day: who.today };
    await tx
      .insert(waiver)
      .values({ schoolId: who.schoolId, sequenceId, key, ...row })
      .onConflictDoUpdate({ target: [waiver.schoolId, waiver.sequenceId, waiver.key], set: row });
    return {};
  },

  /** Takes several written sequences at once; one that is there under its title is replaced if it was written by hand. */
  'sequence.import': async (tx, who, { sequences }) => {
    await inTurn(tx, who, 'library');
    const vocabulary = await readVocabulary(tx);
    const rows = await readSequences(tx);
    const titles = new Set<string>();
    for (const [i, s] of sequences.entries()) {
      const folded = s.title.toLowerCase();
      if (titles.has(folded)) throw atField(`sequences.${i}.title`, `${s.title} stands in the file twice.`);
      titles.add(folded);
      const before = rows.find((r) => r.title.toLowerCase() === folded);
      if (before?.parentId != null)
        throw atField(
          `sequences.${i}.title`,
          `${s.title} follows a recipe here; change its title to take it as a new one.`,
        );
      await saveWritten(tx, who, vocabulary, before ? { ...s, id: before.id } : s, before);
    }
    await recomputeAll(tx, vocabulary);
    return { taken: sequences.length };
  },
};
