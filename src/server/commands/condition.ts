import { eq, sql } from 'drizzle-orm';
import { fold, type ConditionFacts, type Syllabus } from '../../core';
import type { Transaction } from '../../data/connection';
import { condition, syllabusVersion, technique } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { nextVersion, notMeanwhile } from './meanwhile';
import { writeDraft } from './syllabus';

const factsOf = ({ partner, gear, home, attacker, defender }: ConditionFacts): ConditionFacts => ({
  partner,
  gear,
  home,
  attacker,
  defender,
});

/** Ceilings name a condition of the school: they follow when it gets another name. */
async function ceilingsFollow(tx: Transaction, was: string, now: string) {
  const rows = await tx.select({ id: technique.id, detail: technique.detail }).from(technique);
  for (const { id, detail } of rows)
    if (detail.ceiling && fold(detail.ceiling.condition) === fold(was))
      await tx
        .update(technique)
        .set({ detail: { ...detail, ceiling: { ...detail.ceiling, condition: now } } })
        .where(eq(technique.id, id));
}

export const conditionCommands: Runs<'condition.save' | 'condition.remove'> = {
  'condition.save': async (tx, who, { version, ...c }) => {
    await inTurn(tx, who, 'way');
    const now = (await tx.select().from(condition).where(eq(condition.id, c.id)))[0];
    await notMeanwhile(tx, now?.name ?? '', now, version, () => ({ id: c.id, ...factsOf(now!), name: now!.name }));
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
        set: { name: c.name, ...factsOf(c), ...nextVersion(condition, who) },
      });
    if (now && now.name !== c.name) await ceilingsFollow(tx, now.name, c.name);
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
};
