import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { CommandName } from '../../contracts/commands';
import type { EditInput } from '../../contracts/syllabus';
import {
  applyEdits,
  NOTHING_ASKED,
  teachingOrder,
  withoutRank,
  type Edit,
  type EditContext,
  type Syllabus,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { openDraft } from '../../data/queries/syllabus';
import { condition, person, rank, sequence, syllabusFollowed, syllabusVersion, technique } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { notMeanwhile } from './meanwhile';

type Mine = Extract<CommandName, `rank.${string}` | `condition.${string}` | `syllabus.${string}`>;

export const syllabusCommands: Runs<Mine> = {
  'rank.save': async (tx, who, { version, ...r }) => {
    await inTurn(tx, who, 'way');
    const now = (await tx.select().from(rank).where(eq(rank.id, r.id)))[0];
    await notMeanwhile(tx, now?.name ?? '', now, version, () => ({ id: r.id, name: now!.name, cloth: now!.cloth }));
    const twin = await tx
      .select({ id: rank.id })
      .from(rank)
      .where(sql`lower(${rank.name}) = lower(${r.name}) and ${rank.id} <> ${r.id}`);
    if (twin.length > 0)
      throw new Refusal(422, `There already is a ${r.name} belt.`, [
        { path: 'name', message: `There already is a ${r.name} belt.` },
      ]);
    const last = await tx.select({ next: sql<number>`coalesce(max(${rank.position}) + 1, 0)::int` }).from(rank);
    await tx
      .insert(rank)
      .values({ schoolId: who.schoolId, ...r, position: last[0]?.next ?? 0, changedBy: who.personId })
      .onConflictDoUpdate({
        target: [rank.schoolId, rank.id],
        set: {
          name: r.name,
          cloth: r.cloth,
          version: sql`${rank.version} + 1`,
          changedAt: new Date(),
          changedBy: who.personId,
        },
      });
    return { id: r.id };
  },

  'rank.order': async (tx, who, { ids }) => {
    await inTurn(tx, who, 'way');
    const all = await tx.select({ id: rank.id }).from(rank);
    if (all.length !== new Set(ids).size || all.length !== ids.length || !all.every((r) => ids.includes(r.id)))
      throw new Refusal(409, 'The belts have changed meanwhile. Load the page again and repeat the move.');
    for (const [position, id] of ids.entries()) await tx.update(rank).set({ position }).where(eq(rank.id, id));
    return {};
  },

  'rank.remove': async (tx, who, { id }) => {
    await inTurn(tx, who, 'way');
    const used = await tx.execute<{ people: number }>(
      sql`select count(*)::int as people from rank_held where rank_id = ${id}`,
    );
    const { people } = used.rows[0]!;
    if (people > 0)
      throw new Refusal(
        409,
        `This belt cannot be removed: ${people} ${people === 1 ? 'person has' : 'people have'} worn it.`,
      );
    const versions = await tx.select().from(syllabusVersion);
    const asks = (b: Syllabus) => b.requirements.some((r) => r.rankId === id) || b.gates.some((g) => g.rankId === id);
    if (versions.some((x) => x.state === 'published' && asks(x.body)))
      throw new Refusal(
        409,
        'A published version asks for it, and published versions never change. Give it another name instead.',
      );
    const draft = versions.find((x) => x.state === 'draft');
    if (draft && asks(draft.body)) throw new Refusal(409, 'Take away what this belt asks first.');
    if (draft) await writeDraft(tx, who, draft, withoutRank(draft.body, id));
    await tx.delete(rank).where(eq(rank.id, id));
    return {};
  },

  'condition.save': async (tx, who, { version, ...c }) => {
    await inTurn(tx, who, 'way');
    const now = (await tx.select().from(condition).where(eq(condition.id, c.id)))[0];
    await notMeanwhile(tx, now?.name ?? '', now, version, () => ({ id: c.id, name: now!.name }));
    const twin = await tx
      .select({ id: condition.id })
      .from(condition)
      .where(sql`lower(${condition.name}) = lower(${c.name}) and ${condition.id} <> ${c.id}`);
    if (twin.length > 0)
      throw new Refusal(422, `There already is a condition “${c.name}”.`, [
        { path: 'name', message: `There already is a condition “${c.name}”.` },
      ]);
    const last = await tx
      .select({ next: sql<number>`coalesce(max(${condition.position}) + 1, 0)::int` })
      .from(condition);
    await tx
      .insert(condition)
      .values({ schoolId: who.schoolId, ...c, position: last[0]?.next ?? 0, changedBy: who.personId })
      .onConflictDoUpdate({
        target: [condition.schoolId, condition.id],
        set: {
          name: c.name,
          version: sql`${condition.version} + 1`,
          changedAt: new Date(),
          changedBy: who.personId,
        },
      });
    return { id: c.id };
  },

  'condition.remove': async (tx, who, { id }) => {
    await inTurn(tx, who, 'way');
    const looks = await tx.execute<{ n: number }>(sql`select count(*)::int as n from look where condition_id = ${id}`);
    if (looks.rows[0]!.n > 0)
      throw new Refusal(409, 'People were looked at in this condition, so it stays. Give it another name instead.');
    const versions = await tx.select().from(syllabusVersion);
    const names = (b: Syllabus) =>
      b.requirements.some((r) => r.conditionId === id) || b.order.some((o) => o.easier === id || o.harder === id);
    if (versions.some((x) => x.state === 'published' && names(x.body)))
      throw new Refusal(409, 'A published version names it, and published versions never change.');
    const draft = versions.find((x) => x.state === 'draft');
    if (draft?.body.requirements.some((r) => r.conditionId === id))
      throw new Refusal(409, 'The draft asks for something in this condition. Change that first.');
    if (draft)
      await writeDraft(tx, who, draft, {
        ...draft.body,
        order: draft.body.order.filter((o) => o.easier !== id && o.harder !== id),
      });
    await tx.delete(condition).where(eq(condition.id, id));
    return {};
  },

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
  const order = teachingOrder(
    s.threads.map((t) => t.id),
    s.needs,
  );
  return order.ok ? null : `Prerequisites go round in a circle: ${order.error.circle.map(context.nameOf).join(', ')}.`;
}
