import { eq, sql } from 'drizzle-orm';
import type { CommandName } from '../../contracts/commands';
import { gate, rank, requirement } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';

type Mine = Extract<CommandName, `rank.${string}` | `requirement.${string}` | `gate.${string}`>;

export const syllabusCommands: Runs<Mine> = {
  'rank.save': async (tx, { schoolId }, r) => {
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
      .values({ schoolId, ...r, position: last[0]?.next ?? 0 })
      .onConflictDoUpdate({ target: [rank.schoolId, rank.id], set: { name: r.name, cloth: r.cloth } });
    return { id: r.id };
  },

  'rank.order': async (tx, _who, { ids }) => {
    const all = await tx.select({ id: rank.id }).from(rank);
    if (all.length !== ids.length || !all.every((r) => ids.includes(r.id)))
      throw new Refusal(409, 'The belts have changed meanwhile. Load the page again and repeat the move.');
    for (const [position, id] of ids.entries()) await tx.update(rank).set({ position }).where(eq(rank.id, id));
    return {};
  },

  'rank.remove': async (tx, _who, { id }) => {
    const used = await tx.execute<{ people: number; asked: number }>(sql`
      select (select count(*) from rank_held where rank_id = ${id})::int as people,
             (select count(*) from requirement where rank_id = ${id})::int + (select count(*) from gate where rank_id = ${id})::int as asked`);
    const { people, asked } = used.rows[0]!;
    if (people > 0)
      throw new Refusal(
        409,
        `This belt cannot be removed: ${people} ${people === 1 ? 'person has' : 'people have'} worn it.`,
      );
    if (asked > 0)
      throw new Refusal(409, `Take away what this belt asks first: ${asked} ${asked === 1 ? 'line' : 'lines'}.`);
    await tx.delete(rank).where(eq(rank.id, id));
    return {};
  },

  'requirement.save': async (tx, { schoolId }, r) => {
    const twin = await tx
      .select({ id: requirement.id })
      .from(requirement)
      .where(
        sql`${requirement.rankId} = ${r.rankId} and ${requirement.techniqueId} = ${r.techniqueId} and ${requirement.conditionId} = ${r.conditionId}
          and ${requirement.purpose} is not distinct from ${r.purpose} and ${requirement.id} <> ${r.id}`,
      );
    if (twin.length > 0)
      throw new Refusal(422, 'This belt already asks for it in this condition.', [
        { path: 'conditionId', message: 'This belt already asks for it in this condition.' },
      ]);
    const last = await tx
      .select({ next: sql<number>`coalesce(max(${requirement.position}) + 1, 0)::int` })
      .from(requirement)
      .where(eq(requirement.rankId, r.rankId));
    await tx
      .insert(requirement)
      .values({ schoolId, ...r, position: last[0]?.next ?? 0 })
      .onConflictDoUpdate({ target: [requirement.schoolId, requirement.id], set: r });
    return { id: r.id };
  },

  'requirement.remove': async (tx, _who, { id }) => {
    const said = await tx.execute<{ n: number }>(
      sql`select count(*)::int as n from override where requirement_id = ${id}`,
    );
    if ((said.rows[0]?.n ?? 0) > 0)
      throw new Refusal(
        409,
        'A head’s decision about a student rests on this requirement, so it stays on record. Change it instead.',
      );
    await tx.delete(requirement).where(eq(requirement.id, id));
    return {};
  },

  'gate.save': async (tx, { schoolId }, g) => {
    const twin = await tx
      .select({ id: gate.id })
      .from(gate)
      .where(sql`${gate.rankId} = ${g.rankId} and ${gate.kind} = ${g.kind} and ${gate.id} <> ${g.id}`);
    if (twin.length > 0)
      throw new Refusal(422, 'This belt already has such a gate.', [
        { path: 'kind', message: 'This belt already has such a gate.' },
      ]);
    await tx
      .insert(gate)
      .values({ schoolId, ...g })
      .onConflictDoUpdate({ target: [gate.schoolId, gate.id], set: g });
    return { id: g.id };
  },

  'gate.remove': async (tx, _who, { id }) => {
    await tx.delete(gate).where(eq(gate.id, id));
    return {};
  },
};
