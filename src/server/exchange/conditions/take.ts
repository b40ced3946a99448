import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { Bundle } from '../../../contracts/stored/bundle';
import { fold } from '../../../core';
import { condition } from '../../../data/tables';
import { nextVersion } from '../../commands/meanwhile';
import type { Taking } from '../taking';

export async function takeConditions({ tx, who, keep, lines, once }: Taking, { conditions }: Bundle) {
  const what = 'condition' as const;
  const here = await tx.select().from(condition);
  const known = new Map(here.map((c) => [fold(c.name), c]));
  let position = here.length;
  for (const c of conditions) {
    const { name } = c;
    if (!once(what, name)) continue;
    const there = known.get(fold(name));
    if (!there) {
      await tx
        .insert(condition)
        .values({ schoolId: who.schoolId, id: v7(), position: position++, ...c, changedBy: who.personId });
      lines.push({ what, name, fate: 'new', why: '' });
      continue;
    }
    const facts = { partner: c.partner, gear: c.gear, home: c.home, attacker: c.attacker, defender: c.defender };
    const differs = (Object.keys(facts) as (keyof typeof facts)[]).some((k) => there[k] !== facts[k]);
    if (differs && keep === 'file')
      await tx
        .update(condition)
        .set({ ...facts, ...nextVersion(condition, who) })
        .where(eq(condition.id, there.id));
    lines.push(
      !differs
        ? { what, name, fate: 'the same', why: '' }
        : keep === 'file'
          ? { what, name, fate: 'changed', why: 'Other needs.' }
          : { what, name, fate: 'kept as here', why: 'The file has it otherwise.' },
    );
  }
}
