import { and, asc, eq, inArray } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { EditInput } from '../../contracts/syllabus';
import { applyEdits, NOTHING_ASKED, graphOrder, type Edit, type EditContext, type Syllabus } from '../../core';
import type { Transaction } from '../../data/connection';
import { openDraft } from '../../data/queries/syllabus';
import { condition, person, rank, sequence, syllabusFollowed, syllabusVersion, technique } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';

export const syllabusCommands: Runs<
  'syllabus.change' | 'syllabus.put' | 'syllabus.publish' | 'syllabus.discard' | 'syllabus.follow'
> = {
  'syllabus.change': async (tx, who, { version, edits }) => {
    await inTurn(tx, who, 'way');
    const draft = await openDraft(tx, who.schoolId, v7);
    sameVersion(draft, version);
    const context = await readEditContext(tx, draft.body);
    await itemsAreThere(tx, edits);
    const stamped = edits.map((e): Edit => (e.op === 'waive' ? { ...e, by: who.name, day: who.today } : e));
    const made = applyEdits(draft.body, stamped, context);
    if (!made.ok) throw new Refusal(422, made.error, [{ path: '', message: made.error }]);
    return { version: await writeDraft(tx, who, draft, made.value) };
  },

  'syllabus.put': async (tx, who, { version, syllabus }) => {
    await inTurn(tx, who, 'way');
    const draft = await openDraft(tx, who.schoolId, v7);
    sameVersion(draft, version);
    const context = await readEditContext(tx, syllabus);
    const wrong = wholeIsSound(syllabus, context);
    if (wrong) throw new Refusal(422, wrong);
    return { version: await writeDraft(tx, who, draft, syllabus) };
  },

  'syllabus.publish': async (tx, who, { id, version, title, from }) => {
    await inTurn(tx, who, 'way');
    const drafts = await tx.select().from(syllabusVersion).where(eq(syllabusVersion.state, 'draft')).for('update');
    const draft = drafts[0];
    if (!draft) throw new Refusal(409, 'There is no draft to publish.');
    sameVersion(draft, version);
    if (draft.body.requirements.length === 0) throw new Refusal(422, 'The draft asks for nothing yet.');
    const taken = await tx
      .select({ title: syllabusVersion.title })
      .from(syllabusVersion)
      .where(and(eq(syllabusVersion.state, 'published'), eq(syllabusVersion.from, from)));
    if (taken[0])
      throw new Refusal(422, `“${taken[0].title}” counts from that day already.`, [
        { path: 'from', message: `“${taken[0].title}” counts from that day already.` },
      ]);
    await tx.delete(syllabusVersion).where(eq(syllabusVersion.id, draft.id));
    await tx.insert(syllabusVersion).values({
      schoolId: who.schoolId,
      id,
      state: 'published',
      title,
      body: draft.body,
      from,
      changedBy: who.personId,
    });
    return { id };
  },

  'syllabus.discard': async (tx, _who, { version }) => {
    const drafts = await tx.select().from(syllabusVersion).where(eq(syllabusVersion.state, 'draft')).for('update');
    if (!drafts[0]) return {};
    sameVersion(drafts[0], version);
    await tx.delete(syllabusVersion).where(eq(syllabusVersion.id, drafts[0].id));
    return {};
  },

  'syllabus.follow': async (tx, who, { versionId, studentIds }) => {
    await inTurn(tx, who, 'way');
    const to = await tx
      .select({ id: syllabusVersion.id })
      .from(syllabusVersion)
      .where(and(eq(syllabusVersion.id, versionId), eq(syllabusVersion.state, 'published')));
    if (!to[0]) throw new Refusal(404, 'This version is not published.');
    const known = await tx
      .select({ id: person.id })
      .from(person)
      .where(and(inArray(person.id, studentIds), eq(person.role, 'student')));
    if (known.length !== new Set(studentIds).size) throw new Refusal(404, 'One of these students is not on the roll.');
    await tx.insert(syllabusFollowed).values(
      known.map((k) => ({
        schoolId: who.schoolId,
        id: v7(),
        studentId: k.id,
        versionId,
        day: who.today,
        by: who.personId,
      })),
    );
    return { moved: known.length };
  },
};

/** Somebody else's change meanwhile is not written over. */
function sameVersion(draft: { version: number }, version: number | null) {
  if (draft.version !== (version ?? 0))
    throw new Refusal(409, 'The draft has been changed meanwhile. Load the page again; nothing of theirs is lost.');
}

export async function writeDraft(
  tx: Transaction,
  who: Who,
  draft: { id: string; version: number },
  body: Syllabus,
): Promise<number> {
  const version = draft.version + 1;
  await tx
    .update(syllabusVersion)
    .set({ body, version, changedAt: new Date(), changedBy: who.personId })
    .where(eq(syllabusVersion.id, draft.id));
  return version;
}

/** Ranks, conditions, and the names of the threads for what may be refused. */
export async function readEditContext(tx: Transaction, body: Syllabus): Promise<EditContext> {
  const ranks = await tx.select({ id: rank.id, name: rank.name }).from(rank).orderBy(asc(rank.position));
  const conditions = await tx.select({ id: condition.id, name: condition.name }).from(condition);
  const techniques = await tx.select({ id: technique.id, name: technique.name }).from(technique);
  const sequences = await tx.select({ id: sequence.id, name: sequence.title }).from(sequence);
  const names = new Map([...techniques, ...sequences].map((x) => [x.id, x.name]));
  return {
    ranks,
    conditions,
    nameOf: (id) => {
      const item = body.threads.find((t) => t.id === id)?.item;
      return (item && names.get('technique' in item ? item.technique : item.sequence)) ?? 'something that is gone';
    },
  };
}

/** Items that are put must be in this school's library. */
async function itemsAreThere(tx: Transaction, edits: readonly EditInput[]) {
  for (const e of edits) {
    if (e.op !== 'thread.put') continue;
    const { item } = e.thread;
    if ('technique' in item) {
      const there = await tx.select({ id: technique.id }).from(technique).where(eq(technique.id, item.technique));
      if (!there[0]) throw new Refusal(422, 'This technique is not in the library.');
    } else {
      const there = await tx.select({ body: sequence.body }).from(sequence).where(eq(sequence.id, item.sequence));
      if (!there[0]) throw new Refusal(422, 'This sequence is not in the library.');
      const last = there[0].body.moves.length;
      if (item.part && item.part.to > last)
        throw new Refusal(422, `This sequence has ${last} counts; the part ends at ${item.part.to}.`);
    }
  }
}

/** A whole syllabus is sound if it can be made by edits: what refuses one of them refuses it. */
export function wholeIsSound(s: Syllabus, context: EditContext): string | null {
  const edits: Edit[] = [
    { op: 'order.set', order: s.order },
    ...s.threads.map((thread): Edit => ({ op: 'thread.put', thread: { ...thread, informal: false } })),
    ...s.requirements.map((requirement): Edit => ({ op: 'requirement.put', requirement })),
    ...s.threads.filter((t) => t.informal).map((thread): Edit => ({ op: 'thread.put', thread })),
    ...s.gates.map((gate): Edit => ({ op: 'gate.put', gate })),
  ];
  const made = applyEdits(NOTHING_ASKED, edits, context);
  if (!made.ok) return made.error;
  const order = graphOrder(
    s.threads.map((t) => t.id),
    s.needs,
  );
  return order.ok ? null : `Prerequisites go round in a circle: ${order.error.circle.map(context.nameOf).join(', ')}.`;
}
