import { eq, sql } from 'drizzle-orm';
import { withoutRank, type Syllabus } from '../../core';
import { rank, syllabusVersion } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { nextVersion, notMeanwhile } from './meanwhile';
import { writeDraft } from './syllabus';

export const rankCommands: Runs<'rank.save' | 'rank.order' | 'rank.remove'> = {
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
          ...nextVersion(rank, who),
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
};
