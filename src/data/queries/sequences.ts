import { dequal } from 'dequal';
import { asc, eq, sql } from 'drizzle-orm';
import {
  applyDepartures,
  commonStance,
  derivationOrder,
  derive,
  fold,
  isBeyond,
  makeVocabulary,
  printSequence,
  readSequence,
  type Departed,
  type Origin,
  type Result,
  type Sequence,
  type Vocabulary,
  type Word,
} from '../../core';
import type { Transaction } from '../connection';
import { sequence, technique } from '../tables';
import { readNewest, type SyllabusRead } from './syllabus';

export type SequenceRow = typeof sequence.$inferSelect;

/** A technique as words are made of it. */
type Worded = Pick<typeof technique.$inferSelect, 'id' | 'name' | 'kind' | 'retired' | 'detail'>;

/** The library as the notation knows it: every technique with its terms, its lowest rank and its ceiling. */
export function wordsOf(
  techniques: Iterable<Worded>,
  { ranks, requirements }: Pick<SyllabusRead, 'ranks' | 'requirements'>,
): Word[] {
  const place = new Map(ranks.map((r) => [r.id, r.position]));
  const lowest = new Map<string, number>();
  for (const { item, rankId } of requirements)
    if ('technique' in item)
      lowest.set(item.technique, Math.min(place.get(rankId)!, lowest.get(item.technique) ?? Infinity));
  return [...techniques].map(({ id, name, kind, retired, detail }) => ({
    id,
    name,
    kind,
    retired,
    rank: lowest.get(id) ?? null,
    zone: detail.zone,
    terms: [
      ...detail.terms.flatMap((x) => (x.said && x.said !== x.text ? [x.text, x.said] : [x.text])),
      ...detail.formerly,
    ],
    geometry: kind === 'stance' ? (detail.geometry ?? commonStance(name)) : null,
    ceiling: detail.ceiling && {
      condition: detail.ceiling.condition,
      kind: detail.ceiling.kind,
      contact: detail.ceiling.contact,
      targets: detail.ceiling.targets,
    },
  }));
}

/** The same, read. */
export async function readWords(tx: Transaction): Promise<Word[]> {
  const rows = await tx
    .select({
      id: technique.id,
      name: technique.name,
      kind: technique.kind,
      retired: technique.retired,
      detail: technique.detail,
    })
    .from(technique)
    .orderBy(asc(technique.name));
  return wordsOf(rows, await readNewest(tx));
}

export const readVocabulary = async (tx: Transaction): Promise<Vocabulary> =>
  makeVocabulary(await readWords(tx), { suggests: false });

/** What stands for a sequence in a derivation: id, parent and recipe of all of them. */
export const originOf = (r: Pick<SequenceRow, 'id' | 'parentId' | 'recipe'>): Origin => ({
  id: r.id,
  parentId: r.parentId,
  recipe: r.recipe ?? [],
});

export const readSequences = (tx: Transaction): Promise<SequenceRow[]> =>
  tx.select().from(sequence).orderBy(asc(sequence.title));

/** What a derived sequence's recipe gives now, before the hand edits. */
export function computedOf(
  row: Pick<SequenceRow, 'parentId' | 'recipe' | 'title'>,
  bodies: ReadonlyMap<string, Sequence>,
  vocabulary: Vocabulary,
): Result<Sequence> {
  const parent = row.parentId === null ? undefined : bodies.get(row.parentId);
  if (!parent) return { ok: false, error: 'The sequence it comes from is not there any more.' };
  const made = derive(parent, row.recipe ?? [], { find: (id) => bodies.get(id), vocabulary });
  return made.ok ? { ok: true, value: { ...made.value, about: { ...made.value.about, title: row.title } } } : made;
}

/** The text of a derived sequence; its title stands beside it, as with a written one. */
export const textOf = (body: Sequence, vocabulary: Vocabulary): string =>
  printSequence({ ...body, about: { ...body.about, title: '' } }, vocabulary);

export interface Recomputed {
  id: string;
  body: Sequence;
  text: string;
  unfit: number;
  trouble: string | null;
  departed: Departed | null;
}

/**
 * Computes every derived sequence anew from what it comes from, parents first, and gives those that came out different
 * from what is stored. A recipe that cannot be followed any more leaves the last good moves and says why.
 */
export function recompute(rows: readonly SequenceRow[], vocabulary: Vocabulary): Recomputed[] {
  const order = derivationOrder(rows.map(originOf));
  if (!order.ok) throw new Error('a circle of sequences is stored');
  const byId = new Map(rows.map((r) => [r.id, r]));
  const bodies = new Map<string, Sequence>();
  const changed: Recomputed[] = [];
  for (const id of order.value) {
    const row = byId.get(id)!;
    if (row.parentId === null) {
      bodies.set(id, row.body);
      continue;
    }
    const made = computedOf(row, bodies, vocabulary);
    if (!made.ok) {
      bodies.set(id, row.body);
      if (row.trouble !== made.error)
        changed.push({ id, body: row.body, text: row.text, unfit: row.unfit, trouble: made.error, departed: null });
      continue;
    }
    const departed = applyDepartures(made.value.moves, row.departures);
    const body: Sequence = {
      // The heading is the child's own from the day it was made: rank, condition and contact may differ.
      about: { ...row.body.about, title: row.title },
      moves: departed.moves,
      closing: made.value.closing,
    };
    bodies.set(id, body);
    const text = textOf(body, vocabulary);
    if (text !== row.text || row.trouble !== null || row.unfit !== departed.unfit.length)
      changed.push({ id, body, text, unfit: departed.unfit.length, trouble: null, departed });
  }
  return changed;
}

/** What is kept of the moves: themselves, and what is asked of them without opening them. */
export const keptOf = (body: Sequence) => ({ body, kind: body.about.kind, counts: body.moves.length });

/** Writes the recomputed sequences; each gets the next version. */
export async function recomputeAll(tx: Transaction, vocabulary: Vocabulary): Promise<string[]> {
  const changed = recompute(await readSequences(tx), vocabulary);
  for (const c of changed)
    await tx
      .update(sequence)
      .set({
        ...keptOf(c.body),
        text: c.text,
        unfit: c.unfit,
        trouble: c.trouble,
        version: sql`${sequence.version} + 1`,
        changedAt: new Date(),
      })
      .where(eq(sequence.id, c.id));
  return changed.map((c) => c.id);
}

/** Reads every text anew after names in the library have changed, and computes what is derived from them. */
export async function rereadAll(tx: Transaction): Promise<void> {
  const vocabulary = await readVocabulary(tx);
  for (const row of await readSequences(tx)) {
    if (row.parentId !== null) continue;
    const { sequence: body, problems } = readSequence(row.text, vocabulary);
    const errors = problems.filter((p) => p.severity === 'error').length;
    const titled = { ...body, about: { ...body.about, title: row.title } };
    if (errors !== row.problems || !dequal(titled, row.body))
      await tx
        .update(sequence)
        .set({ ...keptOf(titled), problems: errors })
        .where(eq(sequence.id, row.id));
  }
  await recomputeAll(tx, vocabulary);
}

/** Conditions by name, each with the names of those that go farther. */
export async function readBeyond(tx: Transaction): Promise<{ name: string; beyond: string[] }[]> {
  const { conditions, order } = await readNewest(tx);
  return conditions.map((c) => ({
    name: c.name,
    beyond: conditions.filter((d) => d.id !== c.id && isBeyond(order, d.id, c.id)).map((d) => d.name),
  }));
}

/** Sequences in which a technique's name occurs, with the counts (1-based). */
export function occurrences(
  rows: readonly SequenceRow[],
  name: string,
): { id: string; title: string; counts: number[] }[] {
  const wanted = fold(name);
  return rows.flatMap((r) => {
    const counts = r.body.moves.flatMap((m, i) => {
      const steps = [m.step, ...(m.partner ? [m.partner] : []), ...m.variants.map((v) => v.step)];
      const here = steps.some(
        (s) => s.actions.some((a) => fold(a.name) === wanted) || (s.stance !== null && fold(s.stance) === wanted),
      );
      return here ? [i + 1] : [];
    });
    return counts.length > 0 ? [{ id: r.id, title: r.title, counts }] : [];
  });
}
